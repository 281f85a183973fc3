<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { push } from 'svelte-spa-router';
    import { asked, post } from '../../api/client';
    import type { Fitting, Found, FoundSetup, Setup } from '../../api/generated/types';
    import ScorePlane from '../../charts/ScorePlane.svelte';
    import TradeChart from '../../charts/TradeChart.svelte';
    import Failures from '../../parts/Failures.svelte';
    import FlightFigures from '../../parts/FlightFigures.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import GuardPicture from '../../parts/GuardPicture.svelte';
    import Later from '../../parts/Later.svelte';
    import LoftLadder from '../../parts/LoftLadder.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Picture from '../../parts/Picture.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import SwingSwitch from '../../parts/SwingSwitch.svelte';
    import { followJudgement, getJudged } from '../../lib/judged.svelte';
    import { loadFitting } from '../../lib/session.svelte';
    import { calibrationText, say } from '../../format/sentences';
    import { guardedOfFound } from '../../format/guard';
    import { supplyOf } from '../../format/ladder';
    import { builtLike } from '../../format/setups';
    import { factor, figure, MEASURES, plain, signed, unitOf } from '../../format/units';
    import { FLIGHT, flightText, seenText, wishTexts } from '../../format/wishes';
    import { DRIVES, drivesOf, neverText, outOf14, stepText } from '../../format/judged';
    import {
        adviceText,
        feltText,
        gainText,
        guardSays,
        learnedRows,
        nameOf,
        nextText,
        ownEffectRows,
        stopText,
        tooDearText,
    } from './sentences';

    let { params }: { params: { id: string } } = $props();
    const ROOM = 25;
    const reading = new Loader<Found>();
    const found = $derived(reading.value);
    type Which = 'all' | 'stock' | 'order' | 'own';
    const WHICH: [Which, string][] = [
        ['all', 'All on the rack'],
        ['stock', 'In stock'],
        ['order', 'In stock or to order'],
        ['own', 'This head only: no purchase'],
    ];
    /** Null until somebody chooses: then the brief presets. */
    let only = $state<Which | null>(null);
    const sending = new Form();
    let chosen = $state<string | null>(null);
    let done = $state('');
    let all = $state(false);

    /** Which of several swings; null: that of most shots. */
    let swing = $state<string | null>(null);
    async function load(which: Which | null) {
        const answer = await reading.load(() => getJudged<Found>(`fittings/${params.id}/finder${asked({ only: which, swing })}`));
        if (answer && !answer.setups.some((s) => s.tag === chosen)) chosen = answer.next?.tag ?? answer.best;
        else if (reading.problem) reading.value = null;
    }
    $effect(() => {
        if (only) void load(only);
    });
    followJudgement(
        () => load(only),
        () => params.id,
    );
    const one = $derived(found?.setups.find((s) => s.tag === chosen) ?? null);
    const next = $derived(found?.setups.find((s) => s.tag === found!.next?.tag) ?? null);
    const pickOf = (f: Found) => f.setups.find((s) => s.tag === f.pick);
    const list = $derived(found ? (all ? found.setups : found.setups.slice(0, ROOM)) : []);

    /** Puts a found setup on the bench, so that it can be hit. */
    async function take(fitting: Fitting, s: FoundSetup) {
        await sending.send(async () => {
            const made = await post<Setup>(`fittings/${fitting.id}/setups`, builtLike(s, fitting));
            await loadFitting(fitting.id);
            done = `${made.tag} is on the bench: ${nameOf(s, fitting.player.units)}.`;
            await load(only);
        });
    }
</script>

<Frame id={params.id} step="answer" part="rack">
    {#snippet children(fitting)}
        {@const units = fitting.player.units}
        {@const k = factor(units.distance)}
        <div class="top">
            <h1>{say('answer.part.rack')}</h1>
            <fieldset class="only">
                <legend class="visually-hidden">Which setups</legend>
                {#each WHICH as [value, label] (value)}
                    <label
                        ><input
                            type="radio"
                            name="only"
                            {value}
                            checked={value === (only ?? found?.only ?? 'all')}
                            onchange={() => (only = value)}
                        />
                        {label}</label
                    >
                {/each}
            </fieldset>
            {#if reading.waiting && found}<p class="small" role="status">Judging every setup on the rack …</p>{/if}
        </div>
        {#if reading.problem || sending.problem}<Notice kind="error">{reading.problem || sending.problem}</Notice>{/if}
        {#if done}<Notice kind="good"
                >{done} <button class="plain" onclick={() => push(`/fitting/${fitting.id}/bay`)}>To the bay</button></Notice
            >{/if}
        {#if !found && !reading.problem}<Outline what="Judging every setup on the rack …" blocks={['picture', 'table']} />{/if}
        {#if found}
            {@const calibration = calibrationText(found.calibration)}
            <Failures failures={found.failures} />
            <SwingSwitch
                swing={found.swing}
                swings={found.swings}
                {units}
                onpick={(name) => {
                    swing = name;
                    void load(only);
                }}
            />
            <p class="advice">{wishTexts(pickOf(found), units).join(' ')} {adviceText(found, units)} {stopText(found, units)}</p>
            {#if calibration}<p class="small">{calibration}</p>{/if}
            {#if tooDearText(found)}<p class="small">{tooDearText(found)}</p>{/if}
            <div class="next">
                <p>
                    <b
                        >Next: {stepText(
                            found.step,
                            next ? (next.setupTag ? `${next.setupTag}, ` : '') + nameOf(next, units) : 'the next setup',
                        )}</b
                    >
                    {#if found.step.kind === 'hit' && next && found.next}
                        {nextText(found)} Expected: {feltText(next, units)}.
                    {:else if found.step.kind !== 'stop' && next}
                        Then {nameOf(next, units)}.
                    {/if}
                </p>
                {#if next && !next.setupTag}<button onclick={() => take(fitting, next)}>Add it to the bench</button>{/if}
            </div>
            <div class="two">
                <section>
                    <Later>
                        <Picture
                            title="Carry against share in the corridor"
                            name="trade"
                            head={['Setup', `Carry ${units.distance}`, 'Fairways of 14', `Gain ${found.unit}`, 'Chance %']}
                            rows={found.setups.map((s) => [
                                nameOf(s, units),
                                figure('carryM', s.carryM, units),
                                plain(drivesOf(s.share), 0),
                                signed(s.gain, 2),
                                plain(s.chance * 100, 0),
                            ])}
                        >
                            <TradeChart {found} {units} {chosen} onpick={(s) => (chosen = s.tag)} />
                        </Picture>
                        <Picture
                            title="Loft and face, by gain"
                            name="score-plane"
                            head={['Setup', 'Loft °', 'Face open °', `Gain ${found.unit}`]}
                            rows={found.setups.map((s) => [
                                nameOf(s, units),
                                plain(s.loftDeg, 1),
                                signed(s.faceOpenDeg, 1),
                                signed(s.gain, 2),
                            ])}
                        >
                            <ScorePlane {found} hand={fitting.player.hand} {units} {chosen} />
                        </Picture>
                        {#each found.guard as g (g.kind)}
                            <GuardPicture
                                setups={guardedOfFound(found, g.kind, (s) => nameOf(s, units))}
                                kind={g.kind}
                                {units}
                                says={guardSays(found, g, one, units)}
                            />
                        {:else}
                            <p class="small">
                                Say in the <a href="#/fitting/{fitting.id}/brief">brief</a> which shot must never come: then its chance stands
                                here beside the carry of every setup.
                            </p>
                        {/each}
                        <LoftLadder {fitting} open />
                    </Later>
                </section>
                <section>
                    {#if one}
                        <div class="one">
                            <b>{one.setupTag ? `${one.setupTag}: ` : ''}{nameOf(one, units)}</b>
                            <FlightFigures rows={[{ tag: '', name: 'Expected', flight: one.flight }]} wanted={found.wanted} {units} />
                            <p class="small">
                                {wishTexts(one, units).join(' ')}
                                {one.seen?.fairways ? `${seenText({ seen: one.seen })}; expect ` : ''}{outOf14(one.share)} fairways, {drivesOf(
                                    one.leftShare,
                                )} left and {drivesOf(one.rightShare)} right of it.
                                {#each one.never as n (n.kind)}{`${neverText(n, one.setupTag ?? 'it', found.benchmark, units)} `}{/each}
                                Gain {gainText(one, found, units)}; without re-aiming {signed(one.aimFixedGain, 2)} strokes. Carry {figure(
                                    'carryM',
                                    one.carryM,
                                    units,
                                )}
                                {units.distance} ({signed(one.carryGainM * k, 0)}), side {figure('sideM', one.sideM, units)}, spread ± {plain(
                                    one.spreadM * k,
                                    0,
                                )}
                                {units.distance}, best aim {plain(Math.abs(one.aimDeg), 1)}° {one.aimDeg < 0
                                    ? 'left'
                                    : 'right'}.{one.otherLoftDeg !== null
                                    ? ` Not here: ${supplyOf({ ...one, toOrder: true })}. Its loft is printed; real heads lie about 1° from it.`
                                    : `${one.price !== null ? ` ${plain(one.price, 0)} ${one.currency}.` : ''}${
                                          one.inStock ? '' : one.orderable ? ' Not in stock, can be ordered.' : ' Not in stock.'
                                      }${one.printSdDeg > 0 ? ' Never on the gauge: its loft is the printed one.' : ''}`}
                            </p>
                            {#if !one.setupTag && one.headId !== null}<button class="quiet" onclick={() => take(fitting, one)}
                                    >Add it to the bench</button
                                >{/if}
                        </div>
                    {/if}
                    <h2>Ranked</h2>
                    <Scroll label="Setups by expected gain" height="high" framed>
                        <table>
                            <thead
                                ><tr
                                    ><th>Setup</th><th>Gain <small>{found.unit}</small></th><th>Chance</th><th
                                        >Carry <small>{units.distance}</small></th
                                    ><th>Fairways <small>of 14</small></th>{#each FLIGHT as field (field)}<th
                                            >{MEASURES[field]!.label.split(' ')[0]} <small>{unitOf(field, units)}</small></th
                                        >{/each}</tr
                                ></thead
                            >
                            <tbody>
                                {#each list as s (s.tag)}
                                    <tr class:tied={s.tied || s.tag === found.best} class:chosen={s.tag === chosen}>
                                        <td
                                            ><button class="plain name" onclick={() => (chosen = s.tag)}
                                                >{#if s.setupTag}<Glyph tag={s.setupTag} r={8} />{/if}
                                                {s.tag === found.own ? 'Own club' : nameOf(s, units)}</button
                                            >{#if s.tag === found.pick}<em>&nbsp;pick</em>{:else if s.tag === found.best}<em>&nbsp;best</em
                                                >{/if}</td
                                        >
                                        <td
                                            >{found.unit === 'strokes'
                                                ? signed(s.gain, 2)
                                                : signed(s.gain * (found.unit === 'm' ? k : 1), 1)}
                                            <small
                                                >{found.unit === 'strokes'
                                                    ? `${signed(s.gainInterval.low, 2)} to ${signed(s.gainInterval.high, 2)}`
                                                    : `${signed(s.gainInterval.low * (found.unit === 'm' ? k : 1), 0)} to ${signed(s.gainInterval.high * (found.unit === 'm' ? k : 1), 0)}`}</small
                                            ></td
                                        >
                                        <td>{plain(s.chance * 100, 0)} %</td>
                                        <td>{signed(s.carryGainM * k, 0)}</td>
                                        <td>{plain(s.share * DRIVES, 1)}</td>
                                        {#each FLIGHT as field (field)}<td>{flightText(field, s.flight[field], units)}</td>{/each}
                                    </tr>
                                {/each}
                            </tbody>
                        </table>
                    </Scroll>
                    <p class="small">
                        Differences from {found.benchmark}, with 95 % intervals. Washed in mint: cannot be told from the best.
                        {#if found.count > ROOM}<button class="plain" onclick={() => (all = !all)}
                                >{all ? `Only the first ${ROOM}` : `All ${found.count}`}</button
                            >{/if}
                    </p>
                    <h2>Learned of this player</h2>
                    <table>
                        <thead><tr><th></th><th>usual</th><th>this player</th></tr></thead>
                        <tbody>
                            {#each learnedRows(found, units) as [what, before, now] (what)}<tr
                                    ><td>{what}</td><td>{before}</td><td>{now}</td></tr
                                >{/each}
                        </tbody>
                    </table>
                    {#if found.ownEffects.length}
                        <Scroll label="Of its own, beside the own club">
                            <table>
                                <caption class="small">Of its own, beside the own club</caption>
                                <thead
                                    ><tr
                                        ><th></th><th>strike toe <small>mm</small></th><th>high <small>mm</small></th><th
                                            >spin <small>%</small></th
                                        ><th>loft <small>°</small></th><th>club speed <small>{units.speed}</small></th></tr
                                    ></thead
                                >
                                <tbody>
                                    {#each ownEffectRows(found, units) as row (row[0])}<tr
                                            >{#each row as cell, i (i)}<td>{cell}</td>{/each}</tr
                                        >{/each}
                                </tbody>
                            </table>
                        </Scroll>
                    {/if}
                    {#each found.unreadable as why (why)}<p class="small warn">{why}</p>{/each}
                </section>
            </div>
        {/if}
    {/snippet}
</Frame>

<style>
    .top,
    .only {
        display: flex;
        flex-wrap: wrap;
        gap: 6px 18px;
        align-items: center;
        border: 0;
        padding: 0;
        margin: 0;
    }
    .only label {
        display: flex;
        gap: 5px;
        align-items: center;
    }
    .advice {
        font-size: var(--lead);
        max-width: 110ch;
    }
    .next {
        display: flex;
        gap: 16px;
        align-items: center;
        justify-content: space-between;
        border-left: 4px solid var(--mint);
        padding: 4px 0 4px 12px;
    }
    .two {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        gap: 28px;
        align-items: start;
    }
    section {
        display: grid;
        gap: 10px;
        min-width: 0;
    }
    .one {
        border: 1px solid var(--hair);
        border-radius: 8px;
        padding: 8px 12px;
        background: var(--sheet);
        display: grid;
        gap: 4px;
    }
    .name {
        text-align: left;
    }
    .tied td {
        background: var(--mint-wash);
    }
    .chosen td {
        font-weight: 620;
    }
    em {
        font-style: normal;
        font-weight: 650;
        color: var(--mint);
    }
    td small {
        display: block;
        white-space: nowrap;
    }
    @media (max-width: 1000px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
        .next {
            display: grid;
        }
    }
</style>
