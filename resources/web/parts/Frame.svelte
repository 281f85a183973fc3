<script lang="ts">
    import { untrack, type Snippet } from 'svelte';
    import { say } from '../api/client';
    import type { Fitting, Setup, StepName } from '../api/types';
    import { current, loadFitting } from '../state/session.svelte';
    import Notice from './Notice.svelte';
    import Simulated from './Simulated.svelte';
    import TopBar from './TopBar.svelte';
    import Trail from './Trail.svelte';

    let {
        id,
        step,
        chosen = [],
        onpick = undefined,
        marks = {},
        children,
    }: {
        id: string;
        step: StepName;
        chosen?: string[];
        onpick?: (setup: Setup) => void;
        marks?: Record<string, string>;
        children: Snippet<[Fitting]>;
    } = $props();
    let problem = $state('');

    $effect(() => {
        const wanted = id;
        untrack(() => loadFitting(wanted)).catch((e) => (problem = say(e)));
    });
    /** What of this fitting was made up, on every screen and every sheet of it. */
    const madeUp = $derived.by(() => {
        const hit = fitting?.setups.filter((s) => s.simulated > 0) ?? [];
        const read = fitting?.setups.filter((s) => s.playing.byStandIn) ?? [];
        const tags = (setups: Setup[]) => setups.map((s) => s.tag).join(', ');
        const shots = hit.reduce((n, s) => n + s.simulated, 0);
        return [
            hit.length ? `${shots} of the shots were made up, not hit (${tags(hit)})` : '',
            read.length ? `readings of a stand-in, not of a gauge (${tags(read)})` : '',
        ]
            .filter(Boolean)
            .join('; ');
    });
    let fitting = $derived(current.fitting?.id === Number(id) ? current.fitting : null);
</script>

<TopBar {fitting} {step} />
{#if fitting}
    <Trail {fitting} {chosen} {onpick} {marks} />
    <main>
        {#if madeUp}<p class="made"><Simulated /> {madeUp}</p>{/if}
        {@render children(fitting)}
    </main>
{:else if problem}
    <main><Notice kind="error">{problem}</Notice></main>
{:else}
    <main aria-busy="true"><p class="small">Opening the fitting …</p></main>
{/if}

<style>
    .made {
        color: var(--ink-2);
        font-size: var(--small);
    }
    main {
        padding: 16px 20px 14px;
        display: grid;
        gap: var(--gap);
    }
</style>
