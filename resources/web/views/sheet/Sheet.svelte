<script lang="ts">
    import type { Judgement, Setup, UnitChoice } from '../../api/generated/types';
    import { clubFigure, FIGURES } from '../orders/sentences';
    import { VERSION } from '../../api/generated/vocabulary';
    import Frame from '../../parts/Frame.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import { lengthText, loftText, madeUpText } from '../../format/setups';
    import { carryGain, drivesOf, hasTrouble, judgement } from '../../format/judged';
    import { when } from '../../format/times';
    import { faceWords, factor, figure, MEASURES, plain, signed, unitOf } from '../../format/units';
    import { bandText, FLIGHT, flightText, seenText, wishTexts } from '../../format/wishes';
    import { givesUp, neverTexts, outdoorsText, sureness } from '../../format/advice';

    import SheetActions from './SheetActions.svelte';
    import Truth from './Truth.svelte';

    let { params }: { params: { id: string } } = $props();
    const SEEN = [...FLIGHT, 'directionDeg'];
    /** Decisions of before named them otherwise. */
    const seenOf = (j: Judgement | undefined) => j?.seen?.averages ?? j?.averages;
    /** "9.6; expect 9.7 low" */
    const seenAndFlight = (field: string, j: Judgement, units: UnitChoice): string => {
        const seen = seenOf(j)?.[field];
        const told = seen === undefined ? '' : figure(field, seen, units);
        return j.flight?.[field] ? `${told}; expect ${flightText(field, j.flight[field], units)}` : told || '–';
    };
</script>

<Frame id={params.id} step="sheet">
    {#snippet children(fitting)}
        {@const decision = fitting.decision}
        {#if !decision}
            <h1>The sheet follows the decision</h1>
            <p><a href="#/fitting/{fitting.id}/answer">Decide first</a>, then print this page for the player and the workshop.</p>
        {:else}
            {@const units = fitting.player.units}
            {@const d = factor(units.distance)}
            {@const setup = fitting.setups.find((s) => s.id === decision.setupId)!}
            {@const own = fitting.setups.find((s) => s.isBaseline)!}
            {@const after = judgement(decision.advice, decision.tag)}
            {@const before = judgement(decision.advice, own.tag)}
            <SheetActions {fitting} />
            <article>
                <header>
                    <div>
                        <h1>{fitting.player.name}: {decision.tag === own.tag ? 'the club stays' : setup.head}</h1>
                        <p>
                            {fitting.player.hand}-handed · driver fitting of {when(decision.at)} · fitted by {decision.by} · version {decision.version}{decision.lockedAt &&
                            !decision.reopenedAt
                                ? ''
                                : ', not locked'}
                        </p>
                    </div>
                </header>
                {#if madeUpText(fitting.setups)}<p><Simulated /> {madeUpText(fitting.setups)}. This sheet is for practice.</p>{/if}
                {#if fitting.brief.wish}<p class="wish">Wanted: {fitting.brief.wish}</p>{/if}

                <section>
                    {#each wishTexts(after, units) as line (line)}<p class="answer">{line}</p>{/each}
                    <h2>Before and after</h2>
                    <table>
                        <thead
                            ><tr><th></th><th>Before <Glyph tag={own.tag} r={9} /></th><th>After <Glyph tag={setup.tag} r={9} /></th></tr
                            ></thead
                        >
                        <tbody>
                            {#snippet line(label: string, of: (j: Judgement) => string)}
                                <tr><td>{label}</td><td>{before ? of(before) : 'not hit'}</td><td>{after ? of(after) : 'not hit'}</td></tr>
                            {/snippet}
                            {@render line(`Carry of these shots, ${units.distance}`, (j) =>
                                j.carry
                                    ? `${plain(j.carry.mean * d, 0)}${j.carry.sd === null ? '' : ` ± ${plain(j.carry.sd * d, 0)}`} (${j.n} shots)`
                                    : '–',
                            )}
                            {@render line(`Total of these shots, ${units.distance} (rough, ${fitting.brief.turf} ground)`, (j) =>
                                j.total ? plain(j.total.mean * d, 0) : '–',
                            )}
                            {@render line(
                                `Of 14 drives, in a corridor of ${plain(fitting.brief.corridor.widthM * d, 0)} ${units.distance}`,
                                (j) =>
                                    j.sideKnown
                                        ? `${seenText(j) ? `${seenText(j)}; expect ` : ''}${drivesOf(j.share)} (likely ${drivesOf(j.shareInterval.low)} to ${drivesOf(j.shareInterval.high)})`
                                        : 'side not measured',
                            )}
                            {#if hasTrouble(fitting) && after?.troubleShare !== undefined}{@render line(
                                    'Of 14 drives, into the trouble',
                                    (j) => (j.sideKnown && j.troubleShare !== undefined ? `${drivesOf(j.troubleShare)}` : '–'),
                                )}{/if}
                            {@render line(`Side spread, ${units.distance}`, (j) => (j.sideKnown ? plain(j.spreadM * d, 0) : '–'))}
                            {#each SEEN as field (field)}
                                {#if seenOf(after)?.[field] !== undefined}{@render line(
                                        after?.flight?.[field]
                                            ? `${MEASURES[field]!.label}, ${unitOf(field, units)} (wanted ${bandText(field, decision.advice.wanted, units)})`
                                            : `${MEASURES[field]!.label} of these shots, ${unitOf(field, units)}`,
                                        (j) => seenAndFlight(field, j, units),
                                    )}{/if}
                            {/each}
                            {#if fitting.brief.aimFree}{@render line('Best aim', (j) =>
                                    j.sideKnown
                                        ? Math.abs(j.aimDeg) < 0.25
                                            ? 'at the middle'
                                            : `${plain(Math.abs(j.aimDeg), 1)}° ${j.aimDeg < 0 ? 'left' : 'right'}`
                                        : '–',
                                )}{/if}
                            {#if after && decision.tag !== decision.advice.benchmark && after.carryGainM !== undefined}
                                <tr
                                    ><td>Carry against {decision.advice.benchmark}, judged</td><td></td><td>{carryGain(after, units)}</td
                                    ></tr
                                >{/if}
                            {@render line(`Strokes a driving hole against ${decision.advice.benchmark}, the benchmark`, (j) =>
                                j.tag === decision.advice.benchmark
                                    ? 'benchmark'
                                    : `${signed(j.strokes, 2)} (likely ${signed(j.strokesInterval.low, 2)} to ${signed(j.strokesInterval.high, 2)})`,
                            )}
                        </tbody>
                    </table>
                    <p>
                        {givesUp(decision.advice, fitting, decision.tag)}
                        {#if decision.advice.pick === decision.tag}{sureness(decision.advice)}{:else}The shots spoke for {decision.advice
                                .pick}; {decision.tag} was chosen.{/if}
                        {#each neverTexts(decision.advice, fitting) as line (line)}<br />{line}{/each}
                        {#if decision.advice.outdoors}<br />{outdoorsText(decision.advice.outdoors, units)}{/if}
                        {#if decision.reason}<br /><b>In the fitter’s words:</b> {decision.reason}{/if}
                    </p>
                </section>

                <section>
                    <h2>Build sheet</h2>
                    {#snippet rows(s: Setup)}
                        <dl>
                            <div>
                                <dt>Head</dt>
                                <dd>{s.head}, {loftText(s)}, {fitting.player.hand}-handed</dd>
                            </div>
                            <div>
                                <dt>Sleeve</dt>
                                <dd>{s.sleeveLabel || 'no adjustment'}</dd>
                            </div>
                            <div>
                                <dt>Plays for this player</dt>
                                <dd>
                                    loft {s.playing.plays.loftDeg.toFixed(1)}°, face {faceWords(s.playing.plays.faceOpenDeg)}, lie {s.playing.plays.lieDeg.toFixed(
                                        1,
                                    )}°{s.playing.lieAssumed ? ' (lie assumed)' : ''}
                                </dd>
                            </div>
                            <div>
                                <dt>Left on its sole</dt>
                                <dd>loft {s.playing.soled.loftDeg.toFixed(1)}°, face {faceWords(s.playing.soled.faceOpenDeg)}</dd>
                            </div>
                            <div>
                                <dt>Weights</dt>
                                <dd>{s.weights || '–'}</dd>
                            </div>
                            <div>
                                <dt>Shaft</dt>
                                <dd>{s.shaft || '–'}</dd>
                            </div>
                            <div>
                                <dt>Grip</dt>
                                <dd>{s.grip || '–'}</dd>
                            </div>
                            <div>
                                <dt>Length</dt>
                                <dd>{lengthText(s.lengthMm, units) || '–'}</dd>
                            </div>
                            {#if s.swingWeight}<div>
                                    <dt>Swing weight</dt>
                                    <dd>
                                        {s.swingWeight.label}
                                        {s.swingWeight.source === 'simulated'
                                            ? 'simulated'
                                            : s.swingWeight.measured
                                              ? 'on the balance'
                                              : 'computed'}
                                    </dd>
                                </div>{/if}
                            <div>
                                <dt>Ball it was fitted with</dt>
                                <dd>{s.ball || '–'}</dd>
                            </div>
                            {#if s.teeMm !== null}<div>
                                    <dt>Tee height</dt>
                                    <dd>{plain(s.teeMm, 0)} mm</dd>
                                </div>{/if}
                            {#if s.cue}<div>
                                    <dt>Cue</dt>
                                    <dd>{s.cue}</dd>
                                </div>{/if}
                            {#if s.note}<div>
                                    <dt>Note</dt>
                                    <dd>{s.note}</dd>
                                </div>{/if}
                        </dl>
                    {/snippet}
                    {@render rows(setup)}
                    {#if fitting.order?.built}
                        {@const built = fitting.order.built}
                        <p>
                            <b>As it was built, on gauge and balance:</b>
                            {(['loftDeg', 'lieDeg', 'faceOpenDeg', 'lengthMm', 'swingWeightPoints', 'massG'] as const)
                                .filter((f) => built[f] !== null)
                                .map((f) => `${FIGURES[f]!.toLowerCase()} ${clubFigure(f, built[f], units)}`)
                                .join(', ')}. Loft, lie and face at the ordered sleeve position, left on its sole.
                        </p>
                    {/if}
                    {#if setup.playing.loftFromPrint}<p class="caution">
                            The loft is the printed one: read the head on the gauge before it is built. Heads are often 1° off, some 2 to
                            3°.
                        </p>{/if}
                </section>

                <section class="small rules">
                    <p>
                        <b>Safety.</b> Torque the sleeve and every weight screw to the maker’s click before the first swing; never hit with a
                        loose head. Keep everyone beside and ahead of the hitting area away. Stop if something hurts.
                    </p>
                    <p>
                        <b>Rules.</b> Club length, head volume, spring effect and moment of inertia are limited, and playing characteristics may
                        not be changed during a round. Check the current rules and local rules.
                    </p>
                    <p>
                        Air {fitting.brief.temperatureC} °C, {plain(fitting.brief.altitudeM * d, 0)}
                        {units.distance} above the sea, {fitting.brief.turf} ground. Figures as they stood when the decision was saved. Mint Carry
                        {VERSION}.
                    </p>
                </section>
            </article>
            {#if fitting.practice}<Truth fittingId={fitting.id} {units} />{/if}
        {/if}
    {/snippet}
</Frame>

<style>
    .answer {
        font-weight: 600;
    }
    article {
        max-width: 860px;
        margin: 0 auto;
        width: 100%;
        background: var(--sheet);
        border: 1px solid var(--hair);
        border-radius: 10px;
        padding: 26px 32px;
        display: grid;
        gap: 18px;
    }
    header {
        display: flex;
        justify-content: space-between;
        gap: 12px;
        align-items: flex-start;
        border-bottom: 2px solid var(--ink);
        padding-bottom: 10px;
    }
    .wish {
        font-size: var(--lead);
    }
    section {
        display: grid;
        gap: 8px;
    }
    dl div {
        display: grid;
        grid-template-columns: 220px 1fr;
        gap: 12px;
        border-top: 1px solid var(--hair);
        padding: 4px 0;
    }
    dt {
        color: var(--ink-2);
    }
    dd {
        font-weight: 550;
    }
    .caution {
        color: var(--amber);
    }
    .rules {
        border-top: 1px solid var(--hair);
        padding-top: 10px;
    }
    @media (max-width: 600px) {
        article {
            padding: 16px;
            border: 0;
        }
        dl div {
            grid-template-columns: 1fr;
            gap: 0;
        }
    }
    @media print {
        article {
            border: 0;
            padding: 0;
            max-width: none;
        }
    }
</style>
