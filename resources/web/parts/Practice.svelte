<script lang="ts" module>
    import { SvelteSet } from 'svelte/reactivity';
    /** On which benches somebody has looked since the page was opened. */
    const seen = new SvelteSet<number>();
</script>

<script lang="ts">
    import type { Fitting, Missing } from '../api/generated/types';
    import { hintNow, HINTS } from './practice';

    // A practice with a made-up player: one short hint at a time, in place, on the real screens.
    let { fitting, step }: { fitting: Fitting; step: keyof Missing } = $props();
    $effect(() => {
        if (step === 'bench') return () => void seen.add(fitting.id);
    });
    const at = $derived(hintNow(fitting, seen.has(fitting.id)));
    const hint = $derived(HINTS[at]!);
    const NAMES: Partial<Record<keyof Missing, string>> = {
        brief: 'To the brief',
        bench: 'To the bench',
        bay: 'To the bay',
        answer: 'To the answer',
        sheet: 'To the sheet',
    };
</script>

<aside class="no-print" aria-label="Practice">
    <b>Practice, {at + 1} of {HINTS.length}</b>
    <span>{hint.text}</span>
    {#if hint.where !== step}<a href="#/fitting/{fitting.id}/{hint.where}">{NAMES[hint.where]}</a>
    {:else if hint.then}<a href="#/fitting/{fitting.id}/{hint.then}">{NAMES[hint.then]}</a>{/if}
</aside>

<style>
    aside {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 14px;
        align-items: baseline;
        padding: 8px 20px;
        background: var(--amber-wash);
        border-bottom: 1px solid var(--hair);
    }
    span {
        flex: 1 1 300px;
    }
</style>
