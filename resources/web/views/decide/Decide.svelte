<script lang="ts">
    import { untrack } from 'svelte';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { ApiError, asked, get, getToWrite, patch, post } from '../../api/client';
    import type {
        Advice,
        Decision,
        DecisionWithProof,
        Fitting,
        Found,
        Grounds,
        JudgementAge,
        Schools as SchoolsAnswer,
    } from '../../api/generated/types';
    import Failures from '../../parts/Failures.svelte';
    import FlightFigures from '../../parts/FlightFigures.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import SwingSwitch from '../../parts/SwingSwitch.svelte';
    import { followJudgement, getJudged } from '../../lib/judged.svelte';
    import { loadFitting } from '../../lib/session.svelte';
    import { drivesOf } from '../../format/judged';
    import { calibrationText } from '../../format/sentences';
    import { nameOf } from '../../format/setups';
    import { when } from '../../format/times';
    import { factor, plain, signed } from '../../format/units';
    import { otherSwingsText } from '../../format/speeds';
    import { seenText, wishTexts } from '../../format/wishes';
    import ConfirmRun from './ConfirmRun.svelte';
    import Days from './Days.svelte';
    import Decided from './Decided.svelte';
    import Schools from './Schools.svelte';
    import Ties from './Ties.svelte';
    import {
        againstRunnerUp,
        basisText,
        corridorText,
        givesUp,
        headline,
        judgement,
        neverTexts,
        notHitText,
        outdoorsText,
        pct,
        reason,
        sureness,
        windText,
    } from './sentences';
    import Worth from './Worth.svelte';

    let { params }: { params: { id: string } } = $props();
    const reading = new Loader<Grounds>();
    const now = $derived(reading.value);
    /** A locked version that is looked at, in place of what holds now. */
    let kept = $state<DecisionWithProof | null>(null);
    /** The pick and its figures, which are there before the schools, the days and what it is worth to buy. */
    let first = $state<Advice | null>(null);
    const whole = $derived<Grounds | null>(kept?.proof ?? now);
    let schoolsNow = $state<SchoolsAnswer | null>(null);
    const schools = $derived(kept?.proof?.schools ?? schoolsNow);
    const advice = $derived<Advice | null>(kept?.proof ?? first ?? now);
    let found = $state<Found | null>(null);
    let decisions = $state<Decision[]>([]);
    let choice = $state('');
    let why = $state('');
    /** Which of several swings; null: that of most shots. */
    let swing = $state<string | null>(null);
    const sending = new Form();
    const cannot = $derived(reading.failure instanceof ApiError && reading.failure.status === 422 ? reading.problem : '');

    const setupName = (tag: string, fitting: Fitting) => {
        const setup = fitting.setups.find((x) => x.tag === tag);
        return setup ? nameOf(setup, fitting) : '';
    };
    const scale = (a: Advice, d: number) => (a.unit === 'm' ? d : 1);
    async function load() {
        const part = <T extends { age?: JudgementAge }>(name: string) => getJudged<T>(`fittings/${params.id}/${name}${asked({ swing })}`);
        const answer = await reading.load(async () => {
            const [before, advice] = await Promise.all([get<Decision[]>(`fittings/${params.id}/decisions`), part<Advice>('advice')]);
            decisions = before;
            [first, choice] = [advice, choice || advice.pick];
            return part<Grounds>('grounds');
        });
        if (!answer) return;
        await part<SchoolsAnswer>('schools').then(
            (schools) => void (schoolsNow = schools),
            (e) => sending.fail(e),
        );
        // What nobody hit belongs to the finder: told beside, when it is there.
        if (answer.basis === 'models') found = await part<Found>('finder').catch(() => null);
    }
    // Once for each fitting: what it brings must not make it ask again.
    $effect(() => {
        void params.id;
        untrack(() => {
            reading.forget();
            [first, schoolsNow, found, kept, choice, swing] = [null, null, null, null, '', null];
        });
    });
    followJudgement(load, () => params.id);
    async function save(event: SubmitEvent, setupId: number) {
        event.preventDefault();
        await sending.send(async () => {
            const made = await post<Decision>(`fittings/${params.id}/decisions`, { setupId, reason: why, swing: advice?.swing ?? null });
            why = '';
            sending.note = `Saved: ${made.tag}.`;
            await renew();
        });
    }
    async function renew() {
        decisions = await get<Decision[]>(`fittings/${params.id}/decisions`);
        await loadFitting(params.id);
    }
    async function order(fitting: Fitting, tieOrder: string[]) {
        await sending.send(async () => {
            await patch(`fittings/${fitting.id}`, { version: (await getToWrite<Fitting>(`fittings/${fitting.id}`)).version, tieOrder });
            await loadFitting(fitting.id);
            await load();
        });
    }
    async function look(decision: Decision) {
        await sending.send(async () => {
            kept = await get<DecisionWithProof>(`decisions/${decision.id}`);
            scrollTo(0, 0);
        });
    }
    const locked = $derived(decisions[0] ? decisions[0].lockedAt !== null && decisions[0].reopenedAt === null : false);
</script>

<Frame id={params.id} step="answer" part="choice" chosen={choice ? [choice] : []}>
    {#snippet children(current)}
        {@const fitting = kept?.proof?.brief ? { ...current, brief: kept.proof.brief } : current}
        {@const units = fitting.player.units}
        {@const d = factor(units.distance)}
        {#if sending.problem || (reading.problem && !cannot)}<Notice kind="error">{sending.problem || reading.problem}</Notice>{/if}
        {#if cannot && !kept}
            <h1>Nothing to decide yet</h1>
            <p>{cannot} <a href="#/fitting/{fitting.id}/answer/shots">To the shots</a></p>
            {#if decisions.length}<Decided {decisions} onchange={renew} onlook={look} />{/if}
        {:else if advice}
            <Failures failures={advice.failures} />
            {#if kept}<Notice
                    >Version {kept.version}, decided for {kept.tag}: what it rested on when it was locked, {when(kept.lockedAt!)}. What was
                    hit or changed since is not in it.
                    <button class="plain" onclick={() => (kept = null)}>Back to now</button></Notice
                >{/if}
            {#if !kept}<SwingSwitch
                    swing={advice.swing}
                    swings={advice.swings}
                    {units}
                    onpick={(name) => {
                        [swing, choice] = [name, ''];
                        void load();
                    }}
                />{/if}
            <div class="pick" class:tie={!advice.isConclusive}>
                <Glyph tag={advice.pick} r={26} />
                <div>
                    <p class="verdict">{headline(advice)}</p>
                    {#each wishTexts(judgement(advice, advice.pick), units) as line (line)}<p class="wish">{line}</p>{/each}
                    <p>{reason(advice, fitting)} {againstRunnerUp(advice, fitting) || givesUp(advice, fitting)}</p>
                    {#each neverTexts(advice, fitting) as line (line)}<p>{line}</p>{/each}
                    {#if whole && otherSwingsText(whole, units)}<p>{otherSwingsText(whole, units)}</p>{/if}
                    <p class="sure">{sureness(advice, fitting)}</p>
                </div>
            </div>
            <p class="small">
                {basisText(advice)}
                {calibrationText(whole?.calibration ?? [])}
                {advice.outdoors ? outdoorsText(advice.outdoors, units) : ''}
            </p>
            {#if !kept && found && notHitText(advice, found)}<p>
                    {notHitText(advice, found)} <a href="#/fitting/{fitting.id}/answer/rack">To the finder</a>
                </p>{/if}
            <div class="grounds">
                <div class="stack">
                    <FlightFigures
                        rows={advice.setups.map((s) => ({ tag: s.tag, name: setupName(s.tag, fitting), flight: s.flight }))}
                        wanted={advice.wanted}
                        {units}
                    />
                    {#if !whole || (!schools && whole.setups.length > 1)}<Outline
                            what="Weighing schools and other days …"
                            blocks={['table']}
                        />
                    {:else if schools && whole.setups.length > 1}<Schools {schools} pick={whole.pick} own={whole.benchmark} />{/if}
                    {#if whole?.days.length}<Days grounds={whole} {units} />
                        {#if windText(whole, fitting)}<p>{windText(whole, fitting)}</p>{/if}{/if}
                </div>
                <div class="stack">
                    {#if !locked && !kept}<form class="panel" onsubmit={(e) => save(e, fitting.setups.find((s) => s.tag === choice)!.id)}>
                            <h2>Decision</h2>
                            <div class="choices" role="radiogroup" aria-label="Chosen setup">
                                {#each advice.setups as s (s.tag)}
                                    <label class:on={choice === s.tag}
                                        ><input
                                            type="radio"
                                            name="choice"
                                            value={s.tag}
                                            aria-label="Setup {s.tag}"
                                            bind:group={choice}
                                        /><Glyph tag={s.tag} r={11} />{s.tag === advice.pick ? 'advised' : ''}</label
                                    >
                                {/each}
                            </div>
                            <label class="why"
                                ><span
                                    >Why{choice === advice.pick ? '' : ` ${choice} and not ${advice.pick}`}<small
                                        >&nbsp;·
                                        {choice === advice.pick ? 'in the fitter’s words, if you like' : 'a sentence for the record'}</small
                                    ></span
                                ><textarea rows="2" maxlength="2000" bind:value={why}></textarea></label
                            >
                            <div class="row">
                                <button disabled={sending.busy}>Save the decision for {choice}</button><span role="status" class="better"
                                    >{sending.note}</span
                                >
                            </div>
                        </form>{/if}
                    {#if decisions.length}<Decided {decisions} onchange={renew} onlook={look} />
                        <p><a href="#/fitting/{fitting.id}/sheet">To the sheet</a></p>{/if}
                    {#if whole}<Worth worth={whole.worth} unit={whole.unit} {fitting} />{/if}
                    {#if whole?.tieBreak && !kept}<Ties tie={whole.tieBreak} {fitting} onorder={(o) => order(fitting, o)} />{/if}
                    {#if whole && whole.setups.length > 1 && (!kept || whole.confirm)}<ConfirmRun
                            grounds={whole}
                            {fitting}
                            chosen={choice}
                            past={kept !== null}
                            onchange={load}
                        />{/if}
                </div>
            </div>
            {#if advice.notHit.length}<p class="small">{advice.notHit.join(', ')} without counted shots: not judged.</p>{/if}
            <Scroll label="Setups judged">
                <table>
                    <thead>
                        <tr>
                            <th>Setup</th><th>Shots</th><th>These shots <small>carry, {units.distance}</small></th><th
                                >Expect against {advice.benchmark} <small>carry, {units.distance}, 95&nbsp;%</small></th
                            ><th>Expect <small>fairways of 14</small></th><th>Side spread <small>{units.distance}</small></th>
                            <th>Launch and spin cost <small>{units.distance} of carry</small></th><th
                                >Strokes a hole against {advice.benchmark} <small>95&nbsp;%</small></th
                            ><th>Same aim for all</th>{#if advice.unit !== 'strokes'}<th
                                    >By “{advice.scoring}” <small>{advice.unit === 'm' ? units.distance : 'points'}</small></th
                                >{/if}<th>Chance better</th>
                        </tr>
                    </thead>
                    <tbody>
                        {#each advice.setups as s (s.tag)}
                            <tr class:chosen={s.tag === advice.pick}>
                                <td><Glyph tag={s.tag} r={10} /> <span class="name">{setupName(s.tag, fitting)}</span></td>
                                <td>{s.n}</td>
                                <td>{s.carry ? plain(s.carry.mean * d, 0) : '–'}<small>{seenText(s)}</small></td>
                                <td
                                    >{s.tag === advice.benchmark || s.carryGainM === undefined || !s.carryGainInterval
                                        ? ''
                                        : signed(s.carryGainM * d, 0)}<small
                                        >{s.tag === advice.benchmark || !s.carryGainInterval
                                            ? ''
                                            : `${signed(s.carryGainInterval.low * d, 0)} to ${signed(s.carryGainInterval.high * d, 0)}`}</small
                                    ></td
                                >
                                <td
                                    >{s.sideKnown ? drivesOf(s.share) : 'unknown'}<small
                                        >{s.sideKnown
                                            ? `${drivesOf(s.shareInterval.low)} to ${drivesOf(s.shareInterval.high)} · ${pct(s.share)}`
                                            : 'side not measured'}</small
                                    ></td
                                >
                                <td>{s.sideKnown ? plain(s.spreadM * d, 0) : '–'}</td>
                                <td
                                    >{s.trade ? plain(s.trade.costM * d, 0) : '–'}<small
                                        >{s.trade && s.trade.costM * d >= 1
                                            ? `${signed(s.trade.loftChangeDeg, 1)}° delivered loft is longest`
                                            : s.trade
                                              ? 'as good as the best'
                                              : ''}{s.trade?.attackAssumed ? ', attack taken as level' : ''}</small
                                    ></td
                                >
                                <td
                                    >{s.tag === advice.benchmark ? 'benchmark' : signed(s.strokes, 2)}<small
                                        >{s.tag === advice.benchmark
                                            ? ''
                                            : `${signed(s.strokesInterval.low, 2)} to ${signed(s.strokesInterval.high, 2)}`}</small
                                    ></td
                                >
                                <td>{s.tag === advice.benchmark ? '' : signed(s.aimFixedStrokes, 2)}</td>
                                {#if advice.unit !== 'strokes'}<td
                                        >{s.tag === advice.benchmark ? '' : signed(s.gain * scale(advice, d), 1)}<small
                                            >{s.tag === advice.benchmark
                                                ? ''
                                                : `${signed(s.gainInterval.low * scale(advice, d), 1)} to ${signed(s.gainInterval.high * scale(advice, d), 1)}`}</small
                                        ></td
                                    >{/if}
                                <td>{s.tag === advice.benchmark ? '' : pct(s.chanceBetter)}</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
            </Scroll>
            <p class="small">
                Picked by “{advice.scoring}”. Strokes are those of a {fitting.brief.handicap === null
                    ? 'player of handicap 15 (none was told)'
                    : `player of handicap ${fitting.brief.handicap}`} on driving holes of {plain(fitting.brief.holeLengthM * d, 0)}
                {units.distance}, {corridorText(fitting)}. Minus = fewer strokes. {fitting.brief.aimFree
                    ? 'The player'
                    : 'The brief fixes the aim; else the player'}
                may aim elsewhere by up to 4°; “same aim for all” keeps every setup on the middle. Spread is shrunk toward what is usual, so that
                a few shots do not promise too much.
            </p>
        {:else if !reading.problem}
            <Outline what="Weighing every setup against the benchmark …" blocks={['lines', 'picture', 'table']} />
        {/if}
    {/snippet}
</Frame>

<style>
    .pick {
        display: flex;
        gap: 20px;
        align-items: center;
        background: var(--mint-wash);
        border-radius: 10px;
        padding: 16px 20px;
    }
    .pick > div {
        display: grid;
        gap: 4px;
        max-width: 940px;
    }
    .pick.tie {
        background: var(--amber-wash);
    }
    .verdict {
        font-size: 30px;
        font-weight: 660;
        letter-spacing: -0.015em;
        line-height: 1.1;
    }
    .wish,
    .sure {
        font-weight: 600;
    }
    td small {
        display: block;
        white-space: nowrap;
    }
    td:first-child {
        white-space: nowrap;
    }
    .chosen td {
        background: var(--mint-wash);
    }
    form {
        display: grid;
        gap: 12px;
    }
    .choices {
        display: flex;
        gap: 8px;
        flex-wrap: wrap;
    }
    .choices label {
        display: flex;
        align-items: center;
        gap: 4px;
        border: 1.5px solid var(--hair);
        border-radius: 8px;
        padding: 4px 10px;
        cursor: pointer;
        font-size: var(--small);
    }
    .choices .on {
        border-color: var(--ink);
    }
    .why {
        display: grid;
        gap: 3px;
        font-weight: 550;
        font-size: var(--small);
    }
    .row {
        display: flex;
        gap: 12px;
        align-items: center;
    }
    .grounds {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(min(100%, 460px), 1fr));
        gap: 26px 34px;
        align-items: start;
    }
    .stack {
        display: grid;
        gap: 20px;
    }
</style>
