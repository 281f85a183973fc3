<script lang="ts">
    import { getJudged } from '../../lib/judged.svelte';
    import type { Fitting, LoftAndWind } from '../../api/generated/types';
    import { DRIVES } from '../../format/judged';
    import { factor, figure, plain, signed } from '../../format/units';
    import Asked from '../../parts/Asked.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { changed, loftAnswer, loftPhysics, windAnswer, windName } from './lofts';
    import { say } from './words';

    /** Two things that fitters argue about, answered for this player with both schools named. */
    let { fitting }: { fitting: Fitting } = $props();
    const units = $derived(fitting.player.units);
    const k = $derived(factor(units.distance));
    const load = () => getJudged<LoftAndWind>(`fittings/${fitting.id}/questions`);
</script>

<Asked title={say('answer.loft.title')} {load} key={fitting.version}>
    {#snippet children(told)}
        <h3>{say('answer.loft.ask')}</h3>
        <p class="small">{say('answer.loft.schools')}</p>
        <p><b>{loftAnswer(told.loft, units)}</b></p>
        <Scroll label={say('answer.loft.table')}>
            <table>
                <thead
                    ><tr
                        ><th>{say('answer.loft.delivered')}</th><th>Launch °</th><th>Spin rpm</th><th
                            >Carry <small>{units.distance}</small></th
                        ><th>Spread across ± <small>{units.distance}</small></th><th>Fairways <small>of {DRIVES}</small></th></tr
                    ></thead
                >
                <tbody>
                    {#each told.loft.lofts as l (l.loftDeg)}<tr
                            ><td>{l.loftDeg === 0 ? say('answer.loft.as', { tag: told.loft.tag }) : `${signed(l.loftDeg, 0)}°`}</td><td
                                >{plain(l.launchDeg, 1)}</td
                            ><td>{figure('spinRpm', l.spinRpm, units)}</td><td
                                >{l.loftDeg === 0 ? plain(l.carryM.value * k, 0) : changed(l.carryM, k)}</td
                            ><td>{l.loftDeg === 0 ? plain(l.sideSpreadM.value * k, 1) : changed(l.sideSpreadM, k, 1)}</td><td
                                >{plain(l.share.value * DRIVES, 1)}</td
                            ></tr
                        >{/each}
                </tbody>
            </table>
        </Scroll>
        <p class="small">{loftPhysics(told.loft, fitting.player.hand)}</p>
        <h3>{say('answer.loft.windAsk')}</h3>
        <p class="small">
            {say('answer.loft.windSchools', {
                down: plain(told.wind.downDeg, 0),
                tag: told.wind.tag,
                wind: `${figure('clubSpeedMps', told.wind.windMps, units, 0)} ${units.speed}`,
            })}
        </p>
        <Scroll label={say('answer.loft.windTable')}>
            <table>
                <thead
                    ><tr
                        ><th>Wind</th><th>Kept: carry, total <small>{units.distance}</small></th><th>Down: carry</th><th>total</th><th
                            >side, + right</th
                        ><th>Strokes</th><th>So</th></tr
                    ></thead
                >
                <tbody>
                    {#each told.wind.winds as w (w.wind)}<tr
                            ><td>{windName(w.wind)}</td><td>{plain(w.keep.carryM * k, 0)}, {plain(w.keep.totalM * k, 0)}</td><td
                                >{changed(w.carryM, k)}</td
                            ><td>{changed(w.totalM, k)}</td><td>{changed(w.sideM, k)}</td><td>{changed(w.strokes, 1, 2)}</td><td class="so"
                                >{windAnswer(w.answer)}</td
                            ></tr
                        >{/each}
                </tbody>
            </table>
        </Scroll>
        <p class="small">{say('answer.loft.windPhysics')}</p>
    {/snippet}
</Asked>

<style>
    td {
        white-space: nowrap;
    }
    .so {
        white-space: normal;
        min-width: 140px;
    }
</style>
