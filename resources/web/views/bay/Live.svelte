<script lang="ts">
    import { untrack } from 'svelte';
    import { get, patch, post, remove, say } from '../../api/client';
    import type { BayView, Fitting, Setup, Shot } from '../../api/types';
    import DriftLine from '../../charts/DriftLine.svelte';
    import LandingMap from '../../charts/LandingMap.svelte';
    import StrikeMap from '../../charts/StrikeMap.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { REASONS } from '../../parts/ShotTable.svelte';
    import { watchLive } from '../../state/live';
    import { current, loadFitting } from '../../state/session.svelte';
    import { nameOf } from '../../units/setups';
    import { figure, MEASURES, unitOf } from '../../units/units';
    import BayPlace from './BayPlace.svelte';
    import ChangeOver from './ChangeOver.svelte';
    import HoldTray from './HoldTray.svelte';
    import { budgetText, meanText, nextMove, shotSentence, standingText } from './words';

    let { fitting }: { fitting: Fitting } = $props();
    const id = untrack(() => fitting.id);
    const units = $derived(fitting.player.units);
    let view = $state<BayView | null>(null);
    let problem = $state('');
    let reached = $state(true);
    let big = $state(false);
    let chosen = $state<number | null>(null);
    let player = $state('steady');
    let ticked = $state<string[]>([]);
    let undo = $state<{ words: string; back: () => Promise<unknown> } | null>(null);
    const MEANS = ['carryM', 'totalM', 'ballSpeedMps', 'launchDeg', 'spinRpm', 'apexM'];

    async function load() {
        try {
            view = await get<BayView>(`fittings/${id}/bay`);
            chosen ??= view.running?.setupId ?? fitting.benchmarkSetupId;
            problem = '';
        } catch (e) {
            problem = say(e);
        }
    }
    $effect(() => void load());
    const key = $derived(view?.live);
    $effect(() => {
        if (key)
            return watchLive(
                key,
                () => void Promise.all([load(), loadFitting(id)]),
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
    const offers = $derived(!isBenchmark && running !== null && (view?.standing.some((s) => s.declared && s.word === 'better') ?? false));

    async function run(what: () => Promise<unknown>) {
        problem = '';
        try {
            await what();
            await load();
        } catch (e) {
            problem = say(e);
        }
    }
    const begin = (setup: Setup | null | undefined, kind = 'trial') =>
        setup &&
        run(async () => {
            view = await post<BayView>(`fittings/${id}/trials`, { setupId: setup.id, kind });
            chosen = setup.id;
            ticked = [];
            await loadFitting(id);
        });
    const end = () =>
        run(async () => {
            await remove(`fittings/${id}/trials`);
            await loadFitting(id);
        });
    const hit = (count: number) => run(() => post(`fittings/${id}/simulate`, { count, player }));
    const leaveOut = (shot: Shot, reason: string | null) =>
        run(async () => {
            await patch(`shots/${shot.id}`, { leftOut: reason === null ? null : { reason } });
            undo = {
                words: reason === null ? `Shot ${shot.sequence} counts again.` : `Shot ${shot.sequence} left out: ${reason}.`,
                back: () => patch(`shots/${shot.id}`, { leftOut: reason === null ? (shot.leftOut ? { reason: shot.leftOut.reason } : null) : null }),
            };
        });
    const promote = () =>
        run(async () => {
            const before = fitting.benchmarkSetupId;
            const hold = async (setupId: number | null) =>
                (current.fitting = await patch<Fitting>(`fittings/${id}`, { version: (await loadFitting(id)).version, benchmarkSetupId: setupId }));
            await hold(running!.setupId);
            undo = { words: `${running!.tag} is the benchmark now.`, back: () => hold(before) };
        });
    function takeBack() {
        const u = undo;
        undo = null;
        if (u) void run(u.back);
    }
    /** One key: ticks the next step of the change-over, and when all are done, begins. */
    function forward() {
        const open = steps.find((s) => !ticked.includes(s));
        if (open) ticked = [...ticked, open];
        else void begin(next);
    }
    const back = () => (chosen = benchmark?.id ?? chosen);
    function step(by: number) {
        const at = fitting.setups.findIndex((s) => s.id === chosen);
        chosen = fitting.setups[(at + by + fitting.setups.length) % fitting.setups.length]?.id ?? null;
    }
    function keys(event: KeyboardEvent) {
        if (
            event.ctrlKey ||
            event.metaKey ||
            event.altKey ||
            (event.target as HTMLElement).matches('input:not([type=radio]):not([type=checkbox]), textarea, select')
        )
            return;
        const act: Record<string, () => unknown> = {
            '<': () => step(-1),
            '>': () => step(1),
            '=': forward,
            '/': back,
            '-': () => last && leaveOut(last, last.leftOut ? null : 'mishit'),
            '+': () => offers && promote(),
            '.': () => hit(1),
            ',': () => hit(5),
            '0': () => (big = !big),
            Backspace: takeBack,
        };
        const what = act[event.key];
        if (what) {
            event.preventDefault();
            void what();
        }
    }
</script>

<svelte:window onkeydown={keys} />

{#if !reached}<Notice kind="error"
        >No connection to the studio’s server. Shots are safe in the monitor and there; this screen catches up when it is back.</Notice
    >{/if}
{#if problem}<Notice kind="error">{problem}</Notice>{/if}
{#if view}
    {#if fitting.setups.length === 0}
        <p>The bay needs a setup. <a href="#/fitting/{id}/bench">Add the player’s own club on the bench.</a></p>
    {:else}
        <div class="bay" class:big>
            <section class="now" aria-live="polite">
                <div class="hand">
                    {#if inHand && running}
                        <Glyph tag={inHand.tag} r={20} />
                        <div>
                            <b>{running.kind === 'warm-up' ? 'Warm-up with ' : ''}{nameOf(inHand)}</b>
                            <span class="small"
                                >trial {running.number}{isBenchmark ? ', the benchmark' : ''} · {view.shots.filter((s) => !s.leftOut).length} count{budgetText(
                                    view.budget,
                                )}</span
                            >
                        </div>
                    {:else}<b>Nothing in the hand yet</b>{/if}
                </div>
                {#if last && carry !== undefined}
                    <p class="carry">
                        <span class:left={last.leftOut}>{figure('carryM', carry, units)}</span><small
                            >{units.distance} carry{last.computed.carryM !== undefined ? ', computed' : ''}</small
                        >
                    </p>
                    <p class="line">{shotSentence(last, units)}{last.leftOut ? ` — left out: ${last.leftOut.reason}` : ''}</p>
                {:else}
                    <p class="carry"><span>–</span><small>no shot in this trial yet</small></p>
                {/if}
                <p class="standing">
                    {#each view.standing.slice(0, big ? 3 : 5) as s (s.name)}<span class={s.word}
                            >{standingText(s)}<span class="visually-hidden"> ({s.word})</span></span
                        >{/each}
                </p>
                <p class="next">{nextMove(view, benchmark?.tag ?? null)}</p>
                {#if offers}<button onclick={promote}>Hold {running?.tag} as benchmark <small>+</small></button>{/if}
                {#if undo}<p class="undo" role="status">{undo.words} <button class="plain" onclick={takeBack}>Undo</button></p>{/if}
                {#if !big}
                    <table>
                        <thead
                            ><tr
                                ><th></th>{#each MEANS as m (m)}<th>{MEASURES[m]!.label} <small>{unitOf(m, units)}</small></th>{/each}</tr
                            ></thead
                        >
                        <tbody>
                            <tr
                                ><td>{running?.tag ?? 'Trial'} <small>this trial</small></td>{#each MEANS as m (m)}<td>{meanText(m, view.means[m], units)}</td
                                    >{/each}</tr
                            >
                            <tr
                                ><td>{benchmark?.tag} <small>held</small></td>{#each MEANS as m (m)}<td>{meanText(m, view.benchmarkMeans?.[m], units)}</td
                                    >{/each}</tr
                            >
                        </tbody>
                    </table>
                    <DriftLine {fitting} drift={view.drift} trials={view.trials} />
                {/if}
            </section>
            {#if !big}
                <aside>
                    <div class="controls">
                        <div class="setups" role="radiogroup" aria-label="Setup for the next trial">
                            {#each fitting.setups as s (s.id)}
                                <label class:on={chosen === s.id} title={nameOf(s)}
                                    ><input type="radio" name="hand" value={s.id} aria-label="Setup {s.tag}" bind:group={chosen} /><Glyph
                                        tag={s.tag}
                                        r={10}
                                    /></label
                                >
                            {/each}
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
                            {#if benchmark && !isBenchmark}<button class="quiet" onclick={back}>Back to {benchmark.tag} <small>/</small></button>{/if}
                            {#if running}<button class="plain" onclick={end}>End</button>{/if}
                            <button class="plain" onclick={() => (big = true)}>Big figures <small>0</small></button>
                        </div>
                    </div>
                    {#if view.queue.tags.length > 1}<p class="small">
                            Not hit yet, by fewest wrench changes ({view.queue.wrenchChanges}): {view.queue.tags.join(', ')}.
                        </p>{/if}
                    <HoldTray held={view.held} onsettled={load} />
                    <!-- While the wrench is out there is nothing to look at but what to do with it. -->
                    {#if steps.length && !ready}
                        <ChangeOver {steps} bind:ticked />
                    {:else}
                        <div class="map"><LandingMap {fitting} shots={view.shots} sets={[]} chosen={running ? [running.tag] : []} /></div>
                    {/if}
                    <div class="lower">
                        <StrikeMap shots={view.shots} hand={fitting.player.hand} inLine={view.inLine} />
                        <ol class="shots" aria-label="Shots of this trial">
                            {#each view.shots.slice(-5).reverse() as s (s.id)}
                                <li class:out={s.leftOut}>
                                    <b>{s.sequence}</b>
                                    <span
                                        >{figure('carryM', s.measured.carryM ?? s.computed.carryM, units)} · {figure(
                                            'sideM',
                                            s.measured.sideM ?? s.computed.sideM,
                                            units,
                                        )}</span
                                    >
                                    {#if s.leftOut}
                                        <span class="small">{s.leftOut.reason}</span><button class="plain" onclick={() => leaveOut(s, null)}
                                            >Bring back<span class="visually-hidden"> shot {s.sequence}</span></button
                                        >
                                    {:else}
                                        <select
                                            aria-label="Leave out shot {s.sequence}"
                                            value=""
                                            onchange={(e) => e.currentTarget.value && leaveOut(s, e.currentTarget.value)}
                                            ><option value="">counts</option>{#each REASONS as r (r)}<option>{r}</option>{/each}</select
                                        >
                                    {/if}
                                </li>
                            {/each}
                        </ol>
                    </div>
                    <BayPlace {fitting} {bay} bays={view.bays} bind:player {hit} onchange={load} />
                </aside>
            {:else}
                <button class="plain leave" onclick={() => (big = false)}>All figures <small>0</small></button>
            {/if}
        </div>
    {/if}
{:else if !problem}<p class="small">Opening the bay …</p>{/if}

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
    .big .line {
        font-size: 32px;
    }
    .standing {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 26px;
        font-size: 40px;
        font-weight: 620;
        line-height: 1.15;
        min-height: 46px;
    }
    .standing .better {
        color: var(--mint);
    }
    .standing .worse {
        color: var(--brick);
    }
    .standing .open {
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
    .shots {
        list-style: none;
        margin: 0;
        padding: 0;
        display: grid;
        align-content: start;
    }
    .map {
        max-width: 480px;
    }
    .lower {
        display: grid;
        grid-template-columns: 250px minmax(0, 1fr);
        gap: 16px;
    }
    .shots li {
        display: flex;
        gap: 8px;
        align-items: center;
        border-top: 1px solid var(--hair);
        min-height: 32px;
    }
    .shots b {
        min-width: 24px;
    }
    .shots select {
        margin-left: auto;
        width: 118px;
        padding: 1px 4px;
        border-color: var(--hair);
    }
    .shots .out {
        color: var(--ink-2);
    }
    .shots .out button {
        margin-left: auto;
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
        .standing {
            font-size: 30px;
        }
    }
</style>
