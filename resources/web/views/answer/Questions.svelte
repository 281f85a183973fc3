<script lang="ts">
    import { getJudged } from '../../lib/judged.svelte';
    import type { Fitting, LoftAndWind } from '../../api/generated/types';
    import { DRIVES } from '../../format/judged';
    import { factor, figure, plain, signed } from '../../format/units';
    import Asked from '../../parts/Asked.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { changed, loftAnswer, loftPhysics, windAnswer, windName } from './lofts';

    /** Two things that fitters argue about, answered for this player with both schools named. */
    let { fitting }: { fitting: Fitting } = $props();
    const units = $derived(fitting.player.units);
    const k = $derived(factor(units.distance));
    const load = () => getJudged<LoftAndWind>(`fittings/${fitting.id}/questions`);
</script>

<Asked title="More loft is straighter? Flight it down, or keep the window?" {load} key={fitting.version}>
    {#snippet children(told)}
        <h3>More loft is straighter?</h3>
        <p class="small">
            One school: loft straightens, so give the wild one more of it. The other: loft only sends the same miss higher and shorter; the
            face is what goes astray.
        </p>
        <p><b>{loftAnswer(told.loft, units)}</b></p>
        <Scroll label="What delivered loft does to this player’s spread">
            <table>
                <thead
                    ><tr
                        ><th>Delivered loft</th><th>Launch °</th><th>Spin rpm</th><th>Carry <small>{units.distance}</small></th><th
                            >Spread across ± <small>{units.distance}</small></th
                        ><th>Fairways <small>of {DRIVES}</small></th></tr
                    ></thead
                >
                <tbody>
                    {#each told.loft.lofts as l (l.loftDeg)}<tr
                            ><td>{l.loftDeg === 0 ? `as ${told.loft.tag}` : `${signed(l.loftDeg, 0)}°`}</td><td>{plain(l.launchDeg, 1)}</td
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
        <h3>In wind: flight it down, or keep the window?</h3>
        <p class="small">
            One school: keep it under the wind. The other: keep the launch and spin that carry, and aim. Here: {plain(
                told.wind.downDeg,
                0,
            )}° less delivered loft against {told.wind.tag} as it is, in {figure('clubSpeedMps', told.wind.windMps, units, 0)}
            {units.speed} of wind.
        </p>
        <Scroll label="Flighted down against kept, wind by wind">
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
        <p class="small">
            Physics: drag grows with the speed through the air, so a head wind lifts a spinning ball and steepens it; a low one lies less in
            it and runs. Run is the roughest figure here. Strokes by the brief’s corridor; less is better.
        </p>
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
