<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { untrack } from 'svelte';
    import { get, patch, post, remove, say, Unreached } from '../../api/client';
    import type { BayView, Fitting, Setup, Shot } from '../../api/generated/types';
    import DriftLine from '../../charts/DriftLine.svelte';
    import LandingMap from '../../charts/LandingMap.svelte';
    import StrikeMap from '../../charts/StrikeMap.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import TypeShots from '../shots/TypeShots.svelte';
    import { watchLive } from '../../state/live';
    import { current, loadFitting, session } from '../../state/session.svelte';
    import { nameOf } from '../../format/setups';
    import { figure, MEASURES, unitOf } from '../../format/units';
    import BayPlace from './BayPlace.svelte';
    import ChangeOver from './ChangeOver.svelte';
    import HoldTray from './HoldTray.svelte';
    import BlindBar from './BlindBar.svelte';
    import BlindStart from './BlindStart.svelte';
    import ConfirmBar from './ConfirmBar.svelte';
    import LogList from './LogList.svelte';
    import NoteField, { type Noting } from './NoteField.svelte';
    import RatingCard from './RatingCard.svelte';
    import Shelve from './Shelve.svelte';
    import TrialShots from './TrialShots.svelte';
    import {
        budgetText,
        INTENTS,
        KEYS,
        meanText,
        nextMove,
        SIMULATES,
        repeatText,
        shotSentence,
        verdictsShown,
        verdictMark,
    } from './sentences';

    let { fitting }: { fitting: Fitting } = $props();
    const id = untrack(() => fitting.id);
    const units = $derived(fitting.player.units);
    let view = $state<BayView | null>(null);
    let problem = $state('');
    let reached = $state(true);
    /** What this screen wanted to read did not come: it asks again by itself. */
    let behind = $state(false);
    let unread = $state('');
    let retry: ReturnType<typeof setTimeout> | undefined;
    /** @returns what to tell; nothing where the notice of a lost connection says it already */
    function failed(e: unknown): string {
        if (!(e instanceof Unreached)) return say(e);
        behind = true;
        clearTimeout(retry);
        retry = setTimeout(() => void load(true), 500);
        return '';
    }
    $effect(() => () => clearTimeout(retry));
    let big = $state(false);
    let chosen = $state<number | null>(null);
    let player = $state('steady');
    let ticked = $state<string[]>([]);
    let showing = $state(false);
    let shelf = $state('');
    let helping = $state(false);
    let typing = $state(false);
    let stored = $state('');
    let noting = $state<Noting | null>(null);
    const POLICY: Record<string, string> = {
        flagged: 'flagged shots out',
        all: 'all shots',
        robust: 'robust: far values pulled in',
        'best 6 of 8': 'best 6 of 8 by carry',
        'best 4 of 5': 'best 4 of 5 by carry',
    };
    const POLICIES = Object.keys(POLICY);
    const MEANS = ['carryM', 'totalM', 'ballSpeedMps', 'launchDeg', 'spinRpm', 'apexM'];

    let stamp: string | null = null;
    /** A shot changes the counts of the trail and nothing else of the fitting. */
    function count(now: BayView) {
        for (const s of current.fitting?.id === id ? current.fitting.setups : []) {
            const c = now.counts[s.id];
            if (c) [s.shots, s.counted, s.simulated] = [c.shots, c.counted, c.simulated];
        }
    }
    /** What only changes with the stamp is not sent again to a screen that has it. */
    async function load(all = false) {
        try {
            const known = all || stamp === null ? '' : `?stamp=${encodeURIComponent(stamp)}`;
            const answer = await get<Partial<BayView>>(`fittings/${id}/bay${known}`);
            const now = { ...untrack(() => view), ...answer } as BayView;
            if (stamp !== null && now.stamp !== stamp) await loadFitting(id);
            else count(now);
            stamp = now.stamp;
            view = now;
            chosen ??= view.running?.setupId ?? fitting.benchmarkSetupId;
            unread = '';
            behind = false;
        } catch (e) {
            unread = failed(e);
        }
    }
    $effect(() => void load());
    const key = $derived(view?.live);
    $effect(() => {
        if (key)
            return watchLive(
                key,
                () => void load(),
                (ok) => (reached = ok),
            );
    });
    const running = $derived(view?.running ?? null);
    const last = $derived(view?.shots.at(-1) ?? null);
    const inHand = $derived(fitting.setups.find((s) => s.id === running?.setupId) ?? null);
    const benchmark = $derived(fitting.setups.find((s) => s.id === fitting.benchmarkSetupId) ?? null);
    const isBenchmark = $derived(running !== null && running.setupId === fitting.benchmarkSetupId);
    const carry = $derived(last ? (last.measured.carryM ?? last.computed.carryM) : undefined);
    const bay = $derived(view?.bays.find((b) => b.fittingId === id) ?? null);
    const next = $derived(fitting.setups.find((s) => s.id === chosen) ?? null);
    const steps = $derived(view?.changeOver.find((c) => c.setupId === chosen)?.steps ?? []);
    /** Every step of the change-over is ticked off: the first shot may count. */
    const ready = $derived(steps.every((s) => ticked.includes(s)));
    $effect(() => {
        if (chosen !== null) ticked = [];
    });
    const asks = $derived(view?.asks ?? null);
    const shown = $derived(fitting.setups.filter((s) => s.shelf === ''));
    const aside = $derived(fitting.setups.filter((s) => s.shelf !== ''));
    const again = $derived(view && running ? repeatText(view, running.tag, units) : '');
    const offers = $derived(
        !isBenchmark && running !== null && (view?.verdicts.some((s) => s.declared && s.verdict === 'better') ?? false),
    );

    /** One after another, in the order of the keys: each meets the screen as the one before left it. */
    let doing: Promise<void> = Promise.resolve();
    const run = (what: () => unknown) =>
        (doing = doing.then(async () => {
            problem = '';
            try {
                await what();
                await load();
            } catch (e) {
                problem = failed(e);
            }
        }));
    /** What begins something else is begun once, however often the key was hit meanwhile. */
    let moving = false;
    async function move(what: () => unknown) {
        if (moving) return;
        moving = true;
        await run(what);
        moving = false;
    }
    const begin = (setup: Setup | null | undefined, kind = 'trial') =>
        setup &&
        move(async () => {
            view = await post<BayView>(`fittings/${id}/trials`, { setupId: setup.id, kind });
            chosen = setup.id;
            ticked = [];
            await loadFitting(id);
        });
    const end = () =>
        run(async () => {
            await post(`fittings/${id}/trials/end`, {});
            await loadFitting(id);
        });
    /** Only where the studio asked for made-up shots. */
    const simulates = $derived(session.user?.takesSimulated ?? false);
    const hit = (count: number) => simulates && run(() => post(`fittings/${id}/simulate`, { count, player }));
    const moveTo = (shot: Shot, trialId: number) => run(() => patch(`shots/${shot.id}`, { trialId }));
    const leaveOut = (shot: Shot, reason: string | null) =>
        run(() => patch(`shots/${shot.id}`, { leftOut: reason === null ? null : { reason } }));
    const meant = (shot: Shot, intent: string) => run(() => patch(`shots/${shot.id}`, { intent }));
    const note = (path: string, label: string, was: string | null) => (noting = { path, label, was, draft: was ?? '' });
    const change = (what: Record<string, unknown>) =>
        run(async () => (current.fitting = await patch<Fitting>(`fittings/${id}`, { version: (await loadFitting(id)).version, ...what })));
    const promote = () => change({ benchmarkSetupId: running!.setupId });
    const star = () => next && run(async () => (await patch(`setups/${next.id}/shelf`, { starred: !next.starred }), await loadFitting(id)));
    const bringBack = (setup: Setup) => run(async () => (await patch(`setups/${setup.id}/shelf`, { shelf: '' }), await loadFitting(id)));
    const rate = (kind: string | null, stars: number) =>
        run(() => asks && post(`trials/${asks.trialId}/ratings`, { kind: kind ?? asks.open[0], stars }));
    const skip = () => run(() => asks && patch(`trials/${asks.trialId}`, { ratingSkipped: true }));
    const takeBack = () =>
        view?.lastDone?.undoable && run(async () => (await post(`log/${view!.lastDone!.id}/undo`, {}), await loadFitting(id)));
    const blindBegin = (setupIds: number[], rounds: number, shotsEach: number) =>
        move(async () => {
            view = await post<BayView>(`fittings/${id}/blind`, { setupIds, rounds, shotsEach });
            showing = true;
        });
    const blindNext = () =>
        move(async () => {
            view = await post<BayView>(`fittings/${id}/blind/next`, { from: view?.blind?.ordinal });
            showing = true;
        });
    const blindReveal = () =>
        move(async () => {
            const was = new Set(view?.trials.filter((t) => t.blind && t.tag === '').map((t) => t.id));
            view = await post<BayView>(`fittings/${id}/blind/reveal`, {});
            revealed = view.trials.filter((t) => was.has(t.id)).map((t) => t.tag);
            showing = false;
            await loadFitting(id);
        });
    let revealed = $state<string[]>([]);
    const confirm = $derived(view?.confirm ?? null);
    /** The leg in hand has its shots: the next one may be built. */
    const legDone = $derived(confirm !== null && (confirm.leg === 0 || confirm.n >= confirm.shotsEach));
    $effect(() => {
        if (confirm && legDone && confirm.next) chosen = fitting.setups.find((s) => s.tag === confirm.next)?.id ?? chosen;
    });
    const confirmNext = () =>
        move(async () => {
            const wasLast = confirm?.next === null; // asked now: the screen may learn of the next leg before the answer is here
            await post(`fittings/${id}/confirm/next`, {});
            ticked = [];
            if (wasLast) push(`/fitting/${id}/decide`);
        });
    const confirmEnd = () => run(() => post(`fittings/${id}/confirm/end`, {}));
    /** One key: ticks the next step of the change-over, and when all are done, begins. */
    function forward() {
        if (view?.blind) return view.blind.ordinal < view.blind.of ? void blindNext() : void blindReveal();
        if (confirm && !legDone) return;
        const open = confirm?.next === null ? undefined : steps.find((s) => !ticked.includes(s));
        if (open) ticked = [...ticked, open];
        else void (confirm ? confirmNext() : begin(next));
    }
    const back = () => (chosen = benchmark?.id ?? chosen);
    function step(by: number) {
        const at = shown.findIndex((s) => s.id === chosen);
        chosen = shown[(at + by + shown.length) % shown.length]?.id ?? null;
    }
    function keys(event: KeyboardEvent) {
        if (
            event.ctrlKey ||
            event.metaKey ||
            event.altKey ||
            (event.target as HTMLElement).matches('input:not([type=radio]):not([type=checkbox]), textarea, select')
        )
            return;
        // While the player is asked, digits are answers, not steps.
        if (asks && /^[0-5]$/.test(event.key)) {
            event.preventDefault();
            event.stopImmediatePropagation();
            void (event.key === '0' ? skip() : rate(null, Number(event.key)));
            return;
        }
        const act: Record<string, () => unknown> = {
            '<': () => step(-1),
            '>': () => step(1),
            '=': forward,
            '/': back,
            '-': () => last && leaveOut(last, last.leftOut ? null : 'mishit'),
            '\\': () => last && meant(last, INTENTS[(INTENTS.indexOf(last.intent) + 1) % INTENTS.length]!),
            '+': () => offers && promote(),
            '*': star,
            '[': () => (shelf = 'parked'),
            ']': () => (shelf = 'dropped'),
            ';': () => view?.blind && (showing = !showing),
            '?': () => (helping = !helping),
            Escape: () => (helping = false),
            '.': () => hit(1),
            ',': () => hit(5),
            '0': () => (big = !big),
            Backspace: takeBack,
        };
        const what = act[event.key];
        if (what && (simulates || !SIMULATES.includes(event.key))) {
            event.preventDefault();
            void what();
        }
    }
</script>

<svelte:window onkeydowncapture={keys} />

{#if !reached || behind}<Notice kind="error"
        >No connection to the studio’s server. Shots are safe in the monitor and there; this screen catches up when it is back.</Notice
    >{/if}
{#if problem || unread}<Notice kind="error">{problem || unread}</Notice>{/if}
{#if view}
    {#if fitting.setups.length === 0}
        <p>The bay needs a setup. <a href="#/fitting/{id}/bench">Add the player’s own club on the bench.</a></p>
    {:else}
        <div class="bay" class:big>
            <section class="now" aria-live="polite">
                <div class="hand">
                    {#if running && view.blind && !inHand}
                        <div>
                            <b>Blind: setting {view.blind.ordinal} of {view.blind.of}</b>
                            <span class="small">trial {running.number} · {view.counted} count{budgetText(view.budget)}</span>
                        </div>
                    {:else if inHand && running}
                        <Glyph tag={inHand.tag} r={15} />
                        <div>
                            <b>{running.kind === 'warm-up' ? 'Warm-up with ' : ''}{nameOf(inHand)}{inHand.starred ? ' ★' : ''}</b>
                            <span class="small"
                                >trial {running.number}{isBenchmark ? ', the benchmark' : ''} · {view.counted} count{budgetText(
                                    view.budget,
                                )}{view.visit.number > 1 ? ` · visit ${view.visit.number}` : ''}</span
                            >
                        </div>
                    {:else}<b>Nothing in the hand yet</b>{/if}
                </div>
                {#if asks}
                    <RatingCard open={asks.open} {rate} {skip} />
                {:else}
                    {#if last && carry !== undefined}
                        <p class="carry">
                            <span class:left={last.leftOut}>{figure('carryM', carry, units)}</span><small
                                >{units.distance} carry{last.computed.carryM !== undefined ? ', computed' : ''}</small
                            >{#if last.source === 'simulated'}<Simulated />{/if}
                        </p>
                        <p class="line">
                            {shotSentence(last, units)}{last.leftOut ? ` — left out: ${last.leftOut.reason}` : ''}
                        </p>
                        {#if last.flags.length}<p class="flags">{last.flags.join(' ')}</p>{/if}
                    {:else}
                        <p class="carry"><small>No shot in this trial yet.</small></p>
                    {/if}
                    <p class="verdicts">
                        {#each verdictsShown(view.verdicts) as s (s.name)}<span class={s.verdict}
                                >{verdictMark(s)}<span class="visually-hidden"> ({s.verdict})</span></span
                            >{/each}
                    </p>
                    <p class="next">{nextMove(view, benchmark?.tag ?? null)}</p>
                    {#if offers}<button onclick={promote}>Hold {running?.tag} as benchmark <small>+</small></button>{/if}
                    {#if again}<p class="again">{again}</p>{/if}
                    {#if view.flips.length}<p class="again">
                            {view.flips.map((f) => `With ${f.policy} the verdict would be “${f.verdict}”.`).join(' ')}
                        </p>{/if}
                    {#if revealed.length}<p class="again" role="status">The settings were {revealed.join(', ')}.</p>{/if}
                {/if}
                {#if view.lastDone}<p class="undo" role="status">
                        You {view.lastDone.words}. <button class="plain" onclick={takeBack}>Undo</button>
                    </p>{/if}
                {#if !big && !asks}
                    <Scroll label="Averages of this trial and of the benchmark">
                        <table>
                            <thead
                                ><tr
                                    ><th></th>{#each MEANS as m (m)}<th>{MEASURES[m]!.label} <small>{unitOf(m, units)}</small></th
                                        >{/each}</tr
                                ></thead
                            >
                            <tbody>
                                {#if running}<tr
                                        ><td>{running.tag || 'Blind'} <small>this trial</small></td>{#each MEANS as m (m)}<td
                                                >{meanText(m, view.means[m], units)}</td
                                            >{/each}</tr
                                    >{/if}
                                <tr
                                    ><td>{benchmark?.tag} <small>held</small></td>{#each MEANS as m (m)}<td
                                            >{meanText(m, view.benchmarkMeans?.[m], units)}</td
                                        >{/each}</tr
                                >
                            </tbody>
                        </table>
                    </Scroll>
                    <p class="small policy">
                        <label
                            >Averages of <select
                                value={view.screening.name}
                                onchange={(e) => change({ screening: e.currentTarget.value })}
                                aria-label="Screening policy"
                                >{#each POLICIES as p (p)}<option value={p}>{POLICY[p]}</option>{/each}</select
                            ></label
                        ><label class="check"
                            ><input
                                type="checkbox"
                                checked={fitting.asksRatings}
                                onchange={(e) => change({ asksRatings: e.currentTarget.checked })}
                            />
                            Ask the player before the numbers</label
                        ><button class="plain" onclick={() => run(async () => (view = await post<BayView>(`fittings/${id}/visits`, {})))}
                            >Another visit</button
                        >{#if view.screening.warning}<span class="warn">{view.screening.warning}</span>{/if}
                    </p>
                    <DriftLine {fitting} drift={view.drift} trials={view.trials} />
                {/if}
            </section>
            {#if !big}
                <aside>
                    {#if view.blind}
                        <BlindBar
                            fittingId={id}
                            blind={view.blind}
                            hit={view.shots.length}
                            bind:showing
                            onnext={blindNext}
                            onreveal={blindReveal}
                        />
                    {:else if confirm}
                        <ConfirmBar
                            {confirm}
                            done={legDone}
                            ready={ready || confirm.next === null}
                            onnext={confirmNext}
                            onend={confirmEnd}
                        />
                    {:else}
                        <div class="controls">
                            <div class="setups" role="radiogroup" aria-label="Setup for the next trial">
                                {#each shown as s (s.id)}
                                    <label class:on={chosen === s.id} title={nameOf(s)}
                                        ><input
                                            type="radio"
                                            name="hand"
                                            value={s.id}
                                            aria-label="Setup {s.tag}"
                                            bind:group={chosen}
                                        /><Glyph tag={s.tag} r={10} />{#if s.starred}<span class="star" title="starred">★</span>{/if}</label
                                    >
                                {/each}
                                {#if next && !shelf && next.id !== fitting.benchmarkSetupId}
                                    <span class="row small">
                                        {next.tag}: <button class="plain" onclick={() => (shelf = 'parked')}>Park <small>[</small></button>
                                        <button class="plain" onclick={() => (shelf = 'dropped')}>Drop <small>]</small></button>
                                        <button class="plain" onclick={star}
                                            >{next.starred ? 'Take the star off' : 'Star'} <small>*</small></button
                                        >
                                    </span>
                                {/if}
                            </div>
                            <div class="row">
                                <button disabled={!ready} onclick={() => begin(next)}>Begin the trial <small>=</small></button>
                                <button
                                    class="quiet"
                                    onclick={() =>
                                        begin(
                                            fitting.setups.find((s) => s.id === chosen),
                                            'warm-up',
                                        )}>Warm-up</button
                                >
                                {#if benchmark && !isBenchmark}<button class="quiet" onclick={back}
                                        >Back to {benchmark.tag} <small>/</small></button
                                    >{/if}
                                {#if running}<button class="plain" onclick={end}>End</button>{/if}
                                <button class="plain" onclick={() => (big = true)}>Big figures <small>0</small></button>
                                <button class="plain" onclick={() => (helping = true)}>Keys <small>?</small></button>
                            </div>
                            {#if next && shelf}<Shelve setup={next} bind:shelf done={() => void run(() => loadFitting(id))} />{/if}
                            {#each aside as s (s.id)}<p class="small">
                                    {s.tag}
                                    {s.shelf}: {s.shelfReason}
                                    <button class="plain" onclick={() => bringBack(s)}>Bring {s.tag} back</button>
                                </p>{/each}
                        </div>
                    {/if}
                    {#if view.queue.tags.length > 1}<p class="small">
                            Not hit yet, by fewest wrench changes ({view.queue.wrenchChanges}): {view.queue.tags.join(', ')}.
                        </p>{/if}
                    <HoldTray held={view.held} inAll={view.heldInAll} onsettled={() => void load(true)} />
                    <!-- While the wrench is out there is nothing to look at but what to do with it. -->
                    {#if asks}
                        <p class="small">The pictures come with the numbers.</p>
                    {:else if steps.length && !ready && !view.blind && (!confirm || (legDone && confirm.next))}
                        <ChangeOver {steps} bind:ticked />
                    {:else if !view.blind}
                        <div class="map"><LandingMap {fitting} shots={view.shots} sets={[]} chosen={running ? [running.tag] : []} /></div>
                    {/if}
                    {#if !asks}<div class="lower">
                            {#if view.shots.length || view.inLine}<StrikeMap
                                    shots={view.shots}
                                    hand={fitting.player.hand}
                                    inLine={view.inLine}
                                />{/if}
                            <TrialShots {view} {units} {leaveOut} {meant} {moveTo} {note} />
                        </div>{/if}
                    <NoteField bind:noting kept={() => void load()} />
                    <div class="drawers">
                        <BayPlace {fitting} {bay} bays={view.bays} bind:player {hit} onchange={() => void load(true)} />
                        {#if !view.blind && shown.length > 1}<BlindStart {fitting} begin={blindBegin} />{/if}
                        <details bind:open={typing}>
                            <summary>Type a shot</summary>
                            {#if typing}<TypeShots
                                    {fitting}
                                    setupId={running?.setupId || null}
                                    onbegin={() => (stored = '')}
                                    onstored={(m) => ((stored = m), void run(() => loadFitting(id)))}
                                />{/if}
                            {#if stored}<p class="small" role="status">{stored}</p>{/if}
                        </details>
                        <LogList fittingId={id} stamp={view.lastDone?.id} onchange={() => void run(() => loadFitting(id))} />
                    </div>
                </aside>
            {:else}
                <button class="plain leave" onclick={() => (big = false)}>All figures <small>0</small></button>
            {/if}
        </div>
    {/if}
{:else if !problem && !unread}<p class="small">Opening the bay …</p>{/if}
{#if helping}
    <section class="help" aria-label="Keys">
        <h2>Keys</h2>
        <dl>
            {#each simulates ? KEYS : KEYS.filter(([key]) => !SIMULATES.some((k) => key.includes(k))) as [key, what] (key)}<dt>
                    <kbd>{key}</kbd>
                </dt>
                <dd>{what}</dd>{/each}
        </dl>
        <button class="quiet" onclick={() => (helping = false)}>Close <small>?</small></button>
    </section>
{/if}

<style>
    .bay {
        display: grid;
        grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
        gap: 28px;
        align-items: start;
    }
    .big {
        grid-template-columns: minmax(0, 1fr);
    }
    .now,
    aside {
        display: grid;
        grid-template-columns: minmax(0, 1fr);
        gap: 8px;
        align-content: start;
    }
    .hand {
        display: flex;
        gap: 12px;
        align-items: center;
        font-size: 20px;
    }
    .hand .small {
        display: block;
    }
    .carry {
        display: flex;
        flex-wrap: wrap;
        align-items: baseline;
        gap: 14px;
        line-height: 0.9;
    }
    .carry span {
        font-size: 132px;
        font-weight: 640;
        letter-spacing: -0.03em;
    }
    .carry small {
        font-size: 28px;
    }
    .carry .left {
        color: var(--ink-2);
        text-decoration: line-through;
        text-decoration-thickness: 6px;
    }
    .big .carry span {
        font-size: 250px;
    }
    .line {
        font-size: 22px;
    }
    .flags {
        color: var(--amber);
        font-size: var(--lead);
    }
    .big .line {
        font-size: 32px;
    }
    .verdicts {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 26px;
        font-size: 40px;
        font-weight: 620;
        line-height: 1.15;
        min-height: 46px;
    }
    .verdicts .better {
        color: var(--mint);
    }
    .verdicts .worse {
        color: var(--brick);
    }
    .verdicts .open {
        color: var(--ink-2);
        font-weight: 450;
    }
    .next {
        font-size: 28px;
        line-height: 1.2;
    }
    .undo {
        color: var(--ink-2);
    }
    td small {
        display: inline;
    }
    .row,
    .setups {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: center;
    }
    .controls {
        display: grid;
        gap: 8px;
    }
    .row small,
    .now button small {
        color: inherit;
        opacity: 0.7;
        margin-left: 4px;
    }
    .setups label {
        display: flex;
        gap: 5px;
        align-items: center;
        border: 1px solid var(--hair);
        border-radius: 18px;
        padding: 3px 10px 3px 7px;
        cursor: pointer;
    }
    .setups .on {
        border-color: var(--mint);
        background: var(--mint-wash);
    }
    .map {
        max-width: 400px;
    }
    /* Shut, they lie side by side; an open one has a row to itself. */
    .drawers {
        display: flex;
        flex-wrap: wrap;
        gap: 6px 22px;
    }
    .drawers :global(details[open]) {
        flex-basis: 100%;
    }
    .lower {
        display: grid;
        grid-template-columns: 250px minmax(0, 1fr);
        gap: 16px;
    }
    .again {
        font-size: var(--lead);
        color: var(--ink-2);
    }
    .policy {
        display: flex;
        gap: 12px;
        flex-wrap: wrap;
        align-items: center;
    }
    .policy label {
        display: flex;
        gap: 6px;
        align-items: center;
    }
    .policy select {
        width: auto;
    }
    .star {
        color: var(--amber);
    }
    .help {
        position: fixed;
        inset: 60px auto auto 50%;
        transform: translateX(-50%);
        width: min(640px, 94vw);
        max-height: 84vh;
        overflow-y: auto;
        background: var(--sheet);
        border: 1.5px solid var(--ink);
        border-radius: 8px;
        padding: 14px 20px;
        z-index: 5;
    }
    dl {
        display: grid;
        grid-template-columns: 110px 1fr;
        gap: 4px 12px;
        margin: 8px 0 12px;
    }
    dd {
        margin: 0;
    }
    .leave {
        justify-self: start;
    }
    @media (max-width: 1000px) {
        .bay,
        .lower {
            grid-template-columns: minmax(0, 1fr);
        }
        .carry span,
        .big .carry span {
            font-size: 96px;
        }
        .verdicts {
            font-size: 30px;
        }
    }
</style>
