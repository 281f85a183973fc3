<script lang="ts">
    import type { PlayerRecord } from '../../api/generated/types';
    import { lengthText } from '../../format/setups';
    import { when } from '../../format/times';
    import { factor, plain } from '../../format/units';
    import Scroll from '../../parts/Scroll.svelte';

    // What they play, and what their own club did each time.
    let { record }: { record: PlayerRecord } = $props();
    const units = $derived(record.units);
    const speed = (mps: number | null) => (mps === null ? '–' : plain(mps * factor(units.speed), 0));
</script>

{#if record.known?.length}
    <section aria-label="What is known">
        <h2>Their own club at each fitting</h2>
        <Scroll label="Their own club at each fitting"
            ><table>
                <thead
                    ><tr
                        ><th>Fitting</th><th>Shots</th><th>Club <small>{units.speed}</small></th><th>Ball <small>{units.speed}</small></th
                        ><th>Launch <small>°</small></th><th>Spin <small>rpm</small></th><th>Carry <small>{units.distance}</small></th></tr
                    ></thead
                >
                <tbody>
                    {#each record.known as k (k.fittingId)}<tr
                            ><td><a href="#/fitting/{k.fittingId}/answer">{when(k.at)}</a></td><td>{k.n}</td><td>{speed(k.clubSpeedMps)}</td
                            ><td>{speed(k.ballSpeedMps)}</td><td>{k.launchDeg === null ? '–' : plain(k.launchDeg, 1)}</td><td
                                >{k.spinRpm === null ? '–' : plain(k.spinRpm, 0)}</td
                            ><td>{k.carryM === null ? '–' : plain(k.carryM * factor(units.distance), 0)}</td></tr
                        >{/each}
                </tbody>
            </table></Scroll
        >
    </section>
{/if}
{#if record.clubs.length}
    <section aria-label="Clubs">
        <h2>Clubs</h2>
        <ul>
            {#each record.clubs as c (`${c.fittingId} ${c.what} ${c.name}`)}<li>
                    <span>{c.name}<small>{c.what}, {when(c.at)}</small></span>
                    <span class="small"
                        >{[c.loftDeg === null ? 'loft not read' : `loft ${plain(c.loftDeg, 1)}°`, lengthText(c.lengthMm, units)]
                            .filter(Boolean)
                            .join(' · ')}</span
                    >
                </li>{/each}
        </ul>
    </section>
{/if}

<style>
    section {
        display: grid;
        gap: 8px;
    }
    ul {
        list-style: none;
        margin: 0;
        padding: 0;
        border-top: 1px solid var(--hair);
    }
    li {
        display: flex;
        flex-wrap: wrap;
        justify-content: space-between;
        gap: 6px 16px;
        padding: 6px 0;
        border-bottom: 1px solid var(--hair);
    }
    li small {
        display: block;
    }
</style>
