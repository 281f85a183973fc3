<script lang="ts">
    import { untrack } from 'svelte';
    import type { Fitting } from '../../api/generated/types';
    import LandingMap from '../../charts/LandingMap.svelte';
    import StrikeMap from '../../charts/StrikeMap.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import TypeShots from '../shots/TypeShots.svelte';
    import { BayScreen } from './bay.svelte';
    import BayPlace from './BayPlace.svelte';
    import BlindBar from './BlindBar.svelte';
    import BlindStart from './BlindStart.svelte';
    import ChangeOver from './ChangeOver.svelte';
    import ConfirmBar from './ConfirmBar.svelte';
    import Controls from './Controls.svelte';
    import HoldTray from './HoldTray.svelte';
    import { actionOf, isTyping } from './keys';
    import KeysHelp from './KeysHelp.svelte';
    import LogList from './LogList.svelte';
    import NoteField from './NoteField.svelte';
    import OpenAir from './OpenAir.svelte';
    import Now from './Now.svelte';
    import TrialShots from './TrialShots.svelte';

    let { fitting }: { fitting: Fitting } = $props();
    const bay = untrack(() => new BayScreen(() => fitting));
    bay.watch();
    const units = $derived(fitting.player.units);
    const { view, running, confirm } = $derived(bay);
    /** While the wrench is out there is nothing to look at but what to do with it. */
    const wrenchIsOut = $derived(
        bay.steps.length > 0 && !bay.ready && !view?.blind && (!confirm || (bay.legDone && confirm.next !== null)),
    );
    let typing = $state(false);
    let stored = $state('');

    function onkey(event: KeyboardEvent) {
        const act = isTyping(event) ? undefined : actionOf(event.key, bay);
        if (!act) return;
        event.preventDefault();
        // While somebody rates, a digit is an answer and never turns the page.
        if (bay.asks && /^\d$/.test(event.key)) event.stopImmediatePropagation();
        void act();
    }
</script>

<svelte:window onkeydowncapture={onkey} />

{#if !bay.reached || bay.behind}<Notice kind="error"
        >No connection to the studio’s server. Shots are safe in the monitor and there; this screen catches up when it is back.</Notice
    >{/if}
{#if bay.problem || bay.unread}<Notice kind="error">{bay.problem || bay.unread}</Notice>{/if}
{#if view && fitting.setups.length === 0}
    <p>The bay needs a setup. <a href="#/fitting/{fitting.id}/bench">Add the player’s own club on the bench.</a></p>
{:else if view}
    <div class="bay" class:big={bay.big}>
        <Now {bay} {view} />
        {#if bay.big}
            <button class="plain leave" onclick={() => (bay.big = false)}>All figures <small>0</small></button>
        {:else}
            <aside>
                {#if view.blind}
                    <BlindBar
                        fittingId={fitting.id}
                        blind={view.blind}
                        hit={view.shots.length}
                        bind:showing={bay.showing}
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
                {:else}
                    <Controls {bay} />
                {/if}
                {#if view.queue.tags.length > 1}<p class="small">
                        Not hit yet, by fewest wrench changes ({view.queue.wrenchChanges}): {view.queue.tags.join(', ')}.
                    </p>{/if}
                <HoldTray held={view.held} inAll={view.heldInAll} onsettled={() => void bay.load(true)} />
                {#if bay.asks}
                    <p class="small">The pictures come with the numbers.</p>
                {:else if wrenchIsOut}
                    <ChangeOver steps={bay.steps} bind:ticked={bay.ticked} />
                {:else if !view.blind}
                    <div class="map"><LandingMap {fitting} shots={view.shots} sets={[]} chosen={running ? [running.tag] : []} /></div>
                {/if}
                {#if !bay.asks}<div class="lower">
                        {#if view.shots.length || view.inLine}<StrikeMap
                                shots={view.shots}
                                hand={fitting.player.hand}
                                inLine={view.inLine}
                            />{/if}
                        <TrialShots {view} {units} leaveOut={bay.leaveOut} meant={bay.meant} moveTo={bay.moveTo} note={bay.note} />
                    </div>{/if}
                <NoteField bind:noting={bay.noting} kept={(path, note) => bay.noted(path, note)} />
                <div class="drawers">
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
                    <LogList fittingId={fitting.id} stamp={view.lastDone?.id} onchange={() => void bay.reread()} />
                </div>
            </aside>
        {/if}
    </div>
{:else if !bay.problem && !bay.unread}<Outline what="Opening the bay …" blocks={['picture', 'picture']} />{/if}
{#if bay.helping}<KeysHelp simulates={bay.simulates} close={() => (bay.helping = false)} />{/if}

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
    aside {
        display: grid;
        grid-template-columns: minmax(0, 1fr);
        gap: 8px;
        align-content: start;
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
    .leave {
        justify-self: start;
    }
    @media (max-width: 1000px) {
        .bay,
        .lower {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
