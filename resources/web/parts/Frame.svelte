<script lang="ts">
    import { untrack, type Snippet } from 'svelte';
    import { say } from '../api/client';
    import type { Fitting, Missing, Setup } from '../api/generated/types';
    import { shown, watchFitting } from '../lib/judged.svelte';
    import { current, loadFitting } from '../lib/session.svelte';
    import { ageText } from '../format/judged';
    import { list } from '../format/sentences';
    import { madeUpText } from '../format/setups';
    import Notice from './Notice.svelte';
    import Practice from './Practice.svelte';
    import Outline from './Outline.svelte';
    import TopBar from './TopBar.svelte';
    import Trail from './Trail.svelte';

    let {
        id,
        step,
        chosen = [],
        onpick = undefined,
        marks = {},
        isBare = false,
        isForm = false,
        children,
    }: {
        id: string;
        step: keyof Missing;
        chosen?: string[];
        onpick?: (setup: Setup) => void;
        marks?: Record<string, string>;
        /** What is shown is its own way through the setups: without the trail. */
        isBare?: boolean;
        /** What is shown is typed into: it is not changed under anybody's hands. */
        isForm?: boolean;
        children: Snippet<[Fitting]>;
    } = $props();
    const OUTLINES: Partial<Record<keyof Missing, ('lines' | 'picture' | 'table')[]>> = {
        brief: ['lines', 'lines', 'lines'],
        bench: ['lines', 'table'],
        answer: ['lines', 'picture', 'table'],
    };
    let problem = $state('');

    $effect(() => {
        const wanted = id;
        untrack(() => loadFitting(wanted)).catch((e) => (problem = say(e)));
    });
    let fitting = $derived(current.fitting?.id === Number(id) ? current.fitting : null);
    // Only where a judgement is shown: a form that somebody fills in is not changed under their hands, and the bay follows the signal itself.
    watchFitting(
        () => (step === 'answer' && !isForm ? fitting : null),
        () => void loadFitting(id).catch(() => {}),
    );
</script>

<TopBar {fitting} {step} />
{#if fitting}
    {#if shown.age && !shown.age.isCurrent}<p class="age" role="status">{ageText(shown.age)}</p>{/if}
    {#if !isBare}<Trail {fitting} {chosen} {onpick} {marks} />{/if}
    {#if fitting.practice}<Practice {fitting} {step} />{/if}
    {#if madeUpText(fitting.setups) && step !== 'sheet'}<p class="print-only">Simulated: {madeUpText(fitting.setups)}.</p>{/if}
    <main>
        {#if fitting.wrongHand.length}<Notice
                >{fitting.wrongHand.length === 1 ? `The head of ${fitting.wrongHand[0]} is` : `The heads of ${list(fitting.wrongHand)} are`} for
                a {fitting.player.hand === 'left' ? 'right' : 'left'}-hander, and {fitting.player.name} plays {fitting.player
                    .hand}-handed.</Notice
            >{/if}
        {@render children(fitting)}
    </main>
{:else if problem}
    <main><Notice kind="error">{problem}</Notice></main>
{:else}
    <main><Outline what="Opening the fitting …" blocks={OUTLINES[step] ?? ['picture', 'picture']} /></main>
{/if}

<style>
    /* Over the trail, so that nothing below it moves when it comes and goes. */
    .age {
        position: absolute;
        right: 20px;
        z-index: 2;
        margin: 4px 0 0;
        padding: 2px 8px;
        font-size: 13px;
        background: var(--paper);
        border: 1px solid var(--amber);
    }
    .print-only {
        display: none;
        padding: 0 20px;
    }
    @media print {
        .print-only {
            display: block;
        }
    }
    main {
        padding: 16px 20px 14px;
        display: grid;
        gap: var(--gap);
    }
</style>
