<script lang="ts">
    import { get } from '../../api/client';
    import type { Truth, UnitChoice } from '../../api/generated/types';
    import { Loader } from '../../lib/load.svelte';
    import { drivesOf } from '../../format/judged';
    import { factor, plain } from '../../format/units';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { truthTexts } from './truth';

    // At the end of a practice: what nobody ever sees of a real player.
    let { fittingId, units }: { fittingId: number; units: UnitChoice } = $props();
    const reading = new Loader<Truth>();
    $effect(() => void reading.load(() => get<Truth>(`fittings/${fittingId}/truth`)));
    const k = $derived(factor(units.distance));
</script>

<section aria-label="Who the player was">
    <h2>Who the player was</h2>
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    {#if reading.value}
        {#each truthTexts(reading.value, units) as text (text)}<p>{text}</p>{/each}
        <table>
            <thead
                ><tr
                    ><th>Setup</th><th>Truly carries <small>{units.distance}</small></th><th>In the corridor <small>of 14 drives</small></th
                    ></tr
                ></thead
            >
            <tbody>
                {#each reading.value.setups as s (s.tag)}<tr
                        ><td
                            ><Glyph tag={s.tag} r={9} />
                            {s.tag === reading.value.own ? 'own club' : ''}{s.tag === reading.value.pick ? ' chosen' : ''}</td
                        ><td>{plain(s.carryM * k, 0)}</td><td>{drivesOf(s.share)}</td></tr
                    >{/each}
            </tbody>
        </table>
        <p class="small">From 600 swings with each setup, the same for all. The bay saw a handful.</p>
    {/if}
</section>

<style>
    section {
        display: grid;
        gap: 8px;
        border-top: 1.5px solid var(--ink);
        padding-top: 12px;
        width: min(860px, 100%);
        margin: 0 auto;
    }
</style>
