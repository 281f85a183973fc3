<script lang="ts">
    import { getJudged } from '../../lib/judged.svelte';
    import type { Fitting, StrikeMoves } from '../../api/generated/types';
    import Asked from '../../parts/Asked.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { checkText, costText, gainText, movesText, offText, wayText } from './lofts';
    import { say } from './words';

    /** Where strikes sit off the line of the CG, what brings the two together, and whether it worked. */
    let { fitting, tags }: { fitting: Fitting; tags: string[] } = $props();
    let setup = $state<string | null>(null);
    const units = $derived(fitting.player.units);
    const load = () => getJudged<StrikeMoves>(`fittings/${fitting.id}/strikes${setup === null ? '' : `?setup=${setup}`}`);
</script>

<Asked title={say('answer.strike')} {load} key={`${setup} ${fitting.version}`}>
    {#snippet children(moves)}
        <label class="small row"
            >{say('answer.speed.setup')}
            <select value={moves.tag} onchange={(e) => (setup = e.currentTarget.value)}
                >{#each tags as tag (tag)}<option>{tag}</option>{/each}</select
            ></label
        >
        <p>{offText(moves, units)}</p>
        {#if moves.ways.length}
            <Scroll label={say('answer.strike.ways')}>
                <table>
                    <thead
                        ><tr
                            ><th>{say('answer.strike.what')}</th><th>{say('answer.strike.costs')}</th><th>Toe + <small>mm</small></th><th
                                >High + <small>mm</small></th
                            ><th>Ball speed <small>{units.speed}</small></th><th>Carry <small>{units.distance}</small></th><th
                                >{say('answer.strike.longer')}</th
                            ></tr
                        ></thead
                    >
                    <tbody>
                        {#each moves.ways as w (w.kind)}
                            <tr>
                                <td class="what">{wayText(w, units)}</td>
                                <td>{costText(w)}</td>
                                <td>{movesText(w, 'toeMm')}</td>
                                <td>{movesText(w, 'highMm')}</td>
                                <td>{gainText(w, 'ballSpeedMps', units)}</td>
                                <td><b>{gainText(w, 'carryM', units)}</b></td>
                                <td>{Math.round(w.chance * 100)} %</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
            </Scroll>
            <p class="small">{say('answer.strike.note')}</p>
        {/if}
        {#if moves.checks.length}
            <h3>{say('answer.strike.worked')}</h3>
            <ul>
                {#each moves.checks as c (c.tag)}<li>{checkText(c, moves.tag)}</li>{/each}
            </ul>
        {/if}
    {/snippet}
</Asked>

<style>
    .row {
        display: flex;
        gap: 6px;
        align-items: center;
    }
    .row select {
        width: auto;
    }
    .what {
        min-width: 220px;
        white-space: normal;
    }
    td:not(.what) {
        white-space: nowrap;
    }
    ul {
        padding-left: 18px;
    }
</style>
