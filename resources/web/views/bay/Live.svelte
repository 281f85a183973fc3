<script lang="ts">
    import { untrack } from 'svelte';
    import type { Fitting } from '../../api/generated/types';
    import FlightPaths from '../../charts/FlightPaths.svelte';
    import LandingMap from '../../charts/LandingMap.svelte';
    import StrikeMap from '../../charts/StrikeMap.svelte';
    import { click } from '../../lib/sound';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import TypeShots from '../shots/TypeShots.svelte';
    import Averages from './Averages.svelte';
    import { BayScreen } from './bay.svelte';
    import BayPlace from './BayPlace.svelte';
    import BlindBar from './BlindBar.svelte';
    import BlindStart from './BlindStart.svelte';
    import ChangeOver from './ChangeOver.svelte';
    import ConfirmBar from './ConfirmBar.svelte';
    import HoldTray from './HoldTray.svelte';
    import InHand from './InHand.svelte';
    import KeyCap from './KeyCap.svelte';
    import { actionOf, isTyping, keyName } from './keys';
    import LogList from './LogList.svelte';
    import Menu from './Menu.svelte';
    import PutIn from './PutIn.svelte';
    import NoteField from './NoteField.svelte';
    import OpenAir from './OpenAir.svelte';
    import Now from './Now.svelte';
    import Session from './Session.svelte';
    import TrialShots from './TrialShots.svelte';

    let { fitting, wanted = '' }: { fitting: Fitting; wanted?: string } = $props();
    const bay = untrack(() => new BayScreen(() => fitting, null, wanted));
    bay.watch();
    const units = $derived(fitting.player.units);
    const { view, running, confirm } = $derived(bay);
    /** The benchmark's pattern behind this trial's; nothing of it in a blind trial. */
    const ghost = $derived(
        view?.pattern.benchmark && bay.benchmark && !bay.isBenchmark && !view.blind
            ? { tag: bay.benchmark.tag, ...view.pattern.benchmark }
            : null,
    );
    const own = $derived(view?.pattern.trial?.ellipse && running?.tag ? [{ tag: running.tag, ellipse: view.pattern.trial.ellipse }] : []);
    const flights = $derived(
        [
            { tag: bay.isBenchmark ? '' : (bay.benchmark?.tag ?? ''), path: view?.pattern.benchmark?.path ?? null },
            { tag: running?.tag ?? '', path: view?.pattern.trial?.path ?? null },
        ].filter((f) => f.tag !== '' && f.path),
    );
    let typing = $state(false);
    let stored = $state('');

    // A shot is heard, where somebody wants it.
    let heard: number | null = null;
    $effect(() => {
        const id = bay.last?.id ?? null;
        if (id !== null && heard !== null && id !== heard && untrack(() => bay.sound)) click();
        heard = id ?? 0;
    });

    function onkey(event: KeyboardEvent) {
        if (isTyping(event)) return;
        const name = keyName(event);
        // While somebody rates or guesses, a digit is an answer and never turns the page.
        if ((bay.asked || bay.guesses || bay.menu) && /^\d$/.test(name)) event.stopImmediatePropagation();
        const act = actionOf(name, bay);
        if (!act) return;
        event.preventDefault();
        void act();
    }
    /** What a pointer pressed does not keep the keys: Enter is the bay's again. */
    function release(event: MouseEvent) {
        if (event.detail > 0) (event.target as HTMLElement).closest<HTMLElement>('button, [role=button], summary, label')?.blur();
        if (event.detail > 0 && document.activeElement instanceof HTMLInputElement && document.activeElement.type === 'radio')
            document.activeElement.blur();
    }
</script>

<svelte:window onkeydowncapture={onkey} onclick={release} />

{#if !bay.reached || bay.behind}<Notice kind="error"
        >No connection to the studio’s server. Shots are safe in the monitor and there; this screen catches up when it is back.</Notice
    >{/if}
{#if bay.isLate}<Notice kind="error"
        >The server has not answered yet. Keys are kept, and done in their order once it does. <button
            class="plain"
            onclick={bay.waitNoLonger}>Wait no longer</button
        ></Notice
    >{/if}
{#if bay.problem || bay.unread}<Notice kind="error">{bay.problem || bay.unread}</Notice>{/if}
{#if view && fitting.setups.length === 0}
    <div class="first">
        <p>The bay needs a setup.</p>
        <a href="#/fitting/{fitting.id}/bench">Add the player’s own club on the bench</a>
    </div>
{:else if view}
    <h1 class="visually-hidden">Bay</h1>
    <div class="instrument" class:big={bay.big}>
        <Now {bay} {view} />
        <section class="where" aria-label="Where they land">
            {#if !bay.asked}
                {#if bay.fromSide && flights.length}
                    <FlightPaths setups={flights} {units} />
                {:else}
                    <LandingMap {fitting} shots={view.shots} sets={own} chosen={running ? [running.tag || '?'] : []} {ghost} compact />
                {/if}
                {#if !bay.big}
                    <div class="lower">
                        {#if view.shots.some((s) => s.measured.strikeToeMm !== undefined)}<StrikeMap
                                shots={view.shots}
                                hand={fitting.player.hand}
                                inLine={view.inLine}
                                benchmark={bay.isBenchmark ? null : view.benchmarkMeans}
                                small
                            />{/if}
                        <div class="trial">
                            <p class="small heads">
                                <span
                                    >This trial{view.shots.some((s) => s.measured.strikeToeMm !== undefined) || !view.shots.length
                                        ? ''
                                        : '. This monitor gives no strike'}</span
                                >
                                {#if view.shots.length}<span
                                        ><KeyCap name="−" /> leave out ·
                                        <button class="plain" aria-pressed={bay.fromSide} onclick={() => (bay.fromSide = !bay.fromSide)}
                                            >{bay.fromSide ? 'map' : 'from the side'} <KeyCap name="Period" /></button
                                        ></span
                                    >{/if}
                            </p>
                            <TrialShots {view} {units} leaveOut={bay.leaveOut} meant={bay.meant} moveTo={bay.moveTo} note={bay.note} />
                        </div>
                    </div>
                {/if}
            {:else}<p class="small">The pictures follow after the rating.</p>{/if}
            {#if !bay.big}
                <NoteField bind:noting={bay.noting} kept={(path, note) => bay.noted(path, note)} />
                <HoldTray held={view.held} inAll={view.heldInAll} onsettled={() => void bay.load(true)} />
            {/if}
        </section>
        {#if bay.big}
            <button class="plain leave" onclick={() => (bay.big = false)}>All figures <KeyCap name="0" /></button>
        {:else}
            <aside>
                {#if bay.asksBay}
                    <div class="first">
                        <p>In which bay?</p>
                        {#each bay.free.slice(0, 3) as b, i (b.id)}<button class:quiet={i > 0} onclick={() => bay.enter(b.id)}
                                >{b.name}
                                {#if i === 0}<KeyCap name="Enter" />{/if}</button
                            >{/each}
                        {#if !bay.free.length}<p class="small">
                                {view.bays.length
                                    ? 'Every bay is in use: take one below, or add one.'
                                    : 'The studio has no bay yet: add one below.'}
                            </p>{/if}
                        <button class="plain" onclick={() => (bay.bayless = true)}>In no bay: I type the shots, or read a file</button>
                    </div>
                {:else if view.blind}
                    <BlindBar
                        fittingId={fitting.id}
                        {fitting}
                        blind={view.blind}
                        hit={view.shots.length}
                        bind:showing={bay.showing}
                        onset={bay.blindSet}
                        onguess={bay.guess}
                        onnext={bay.blindNext}
                        onreveal={bay.blindReveal}
                    />
                {:else if confirm}
                    <ConfirmBar
                        {confirm}
                        done={bay.legDone}
                        ready={bay.ready || confirm.next === null}
                        onnext={bay.confirmNext}
                        onend={bay.confirmEnd}
                    />
                    {#if bay.steps.length && !bay.ready && bay.legDone && confirm.next !== null}<ChangeOver
                            steps={bay.steps}
                            bind:ticked={bay.ticked}
                        />{/if}
                {:else}
                    <InHand {bay} />
                    {#if view.queue.tags.length > 1}<p class="small">
                            Still to hit, in the order with the fewest wrench turns ({view.queue.wrenchChanges}): {view.queue.tags.join(
                                ', ',
                            )}.
                        </p>{/if}
                {/if}
            </aside>
            <div class="bottom"><Session {bay} {view} /></div>
        {/if}
    </div>
    {#if !bay.big}
        <div class="drawers no-print">
            <BayPlace
                {fitting}
                bay={bay.bay}
                bays={view.bays}
                bind:player={bay.player}
                hit={bay.hit}
                onchange={() => void bay.load(true)}
            />
            {#if running}{#key running.id}<OpenAir trial={running} {units} kept={() => void bay.load(true)} />{/key}{/if}
            {#if !view.blind && bay.shown.length > 1}<BlindStart {fitting} begin={bay.blindBegin} />{/if}
            <details bind:open={typing}>
                <summary>Type a shot</summary>
                {#if typing}<TypeShots
                        {fitting}
                        setupId={running?.setupId || null}
                        settled={() => bay.settled()}
                        onbegin={() => (stored = '')}
                        onstored={(m) => ((stored = m), void bay.reread())}
                    />{/if}
                {#if stored}<p class="small" role="status">{stored}</p>{/if}
            </details>
            <details>
                <summary>Averages</summary>
                <Averages {bay} {view} />
            </details>
            <span class="row">
                <label
                    ><input
                        type="checkbox"
                        checked={fitting.asksRatings}
                        onchange={(e) => bay.changeFitting({ asksRatings: e.currentTarget.checked })}
                    /> Ask the player after a trial</label
                >
                <button class="plain" onclick={bay.anotherVisit}>Another visit</button>
                {#if running && !view.blind}<button class="plain" onclick={bay.end}>End the trial</button>{/if}
            </span>
            <LogList fittingId={fitting.id} stamp={view.lastDone?.id} onchange={() => void bay.reread()} />
        </div>
    {/if}
{:else if !bay.problem && !bay.unread}<Outline what="Opening the bay …" blocks={['picture', 'picture']} />{/if}
{#if bay.menu}<Menu {bay} />{/if}
{#if bay.palette}<PutIn {bay} />{/if}

<style>
    .instrument {
        display: grid;
        grid-template-columns: minmax(0, 1.06fr) minmax(0, 1fr) minmax(0, 0.62fr);
        grid-template-rows: minmax(0, auto) auto;
        gap: 8px 24px;
        align-items: start;
    }
    .bottom {
        grid-column: 1 / -1;
    }
    aside,
    .where {
        display: grid;
        grid-template-columns: minmax(0, 1fr);
        gap: 8px;
        align-content: start;
    }
    aside {
        border-left: 1px solid var(--hair);
        padding-left: 18px;
        align-self: stretch;
    }
    .lower {
        display: grid;
        grid-template-columns: minmax(0, 0.8fr) minmax(0, 1fr);
        gap: 14px;
        align-items: start;
    }
    .lower .trial:only-child {
        grid-column: 1 / -1;
    }
    .heads {
        display: flex;
        justify-content: space-between;
        gap: 8px;
        flex-wrap: wrap;
        padding-bottom: 4px;
    }
    .first {
        display: grid;
        gap: 8px;
        justify-items: start;
        font-size: 28px;
    }
    .first button {
        font-size: 22px;
        padding: 10px 20px;
    }
    .drawers {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 24px;
        align-items: start;
        border-top: 1px solid var(--hair);
        padding-top: 8px;
    }
    .drawers .row {
        display: flex;
        gap: 4px 14px;
        flex-wrap: wrap;
        align-items: center;
    }
    .drawers > :global(details[open]) {
        flex: 1 0 100%;
    }
    /* A second monitor, from 1280 × 800 to 3840 × 2160: one unit is a hundredth of what fits both ways. */
    .big {
        --u: min(1vw, 1.55vh);
        --carry: calc(21 * var(--u));
        --far: calc(3 * var(--u));
        --move: calc(2.2 * var(--u));
        --sentence: calc(2 * var(--u));
        grid-template-columns: minmax(0, 1fr) minmax(0, calc(50 * var(--u)));
        gap: calc(2 * var(--u));
        font-size: calc(1.3 * var(--u));
        position: fixed;
        inset: 0;
        z-index: 4;
        background: var(--paper);
        padding: calc(1.6 * var(--u)) calc(2 * var(--u));
        overflow: auto;
        align-content: start;
    }
    .big > :global(.now) {
        --carry: calc(21 * var(--u));
        --far: calc(3 * var(--u));
        --move: calc(2.2 * var(--u));
        --sentence: calc(2 * var(--u));
        gap: calc(1 * var(--u));
    }
    .big > :global(.now .carry small) {
        font-size: calc(3 * var(--u));
    }
    .big > :global(.now .carry em),
    .big > :global(.now .hand) {
        font-size: calc(1.8 * var(--u));
    }
    .big > :global(.now .small),
    .big > :global(.now li small) {
        font-size: calc(1.3 * var(--u));
    }
    .big > :global(.now .hand svg) {
        width: calc(3.4 * var(--u));
        height: auto;
    }
    .big > :global(.where figcaption),
    .big > :global(.now em *) {
        font-size: calc(1.2 * var(--u));
    }
    .big > :global(.now .then) {
        display: none;
    }
    .big > .where {
        align-self: center;
    }
    .leave {
        position: absolute;
        right: calc(2 * var(--u));
        bottom: calc(1 * var(--u));
    }
    @media (max-width: 1080px) {
        .instrument:not(.big) {
            grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
        }
        .instrument:not(.big) aside {
            border-left: 0;
            padding-left: 0;
            grid-column: 1 / -1;
            grid-row: 2;
            border-top: 1px solid var(--hair);
            padding-top: 8px;
        }
    }
    @media (max-width: 760px) {
        .instrument,
        .instrument:not(.big) {
            grid-template-columns: minmax(0, 1fr);
        }
        .lower {
            grid-template-columns: minmax(0, 1fr);
        }
        .instrument:not(.big) aside {
            grid-row: auto;
        }
        .instrument {
            --carry: 96px;
        }
    }
</style>
