<script lang="ts">
    import { patch, post } from '../../api/client';
    import type { Fitting } from '../../api/generated/types';
    import { nameOf } from '../../format/setups';
    import { digitOf } from '../../lib/digits';
    import { Form } from '../../lib/form.svelte';
    import { loadFitting } from '../../lib/session.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { say } from './words';

    /** What the player was not asked in the bay, before the figures: one key for each setup. */
    let { fitting }: { fitting: Fitting } = $props();
    const sending = new Form();
    const asked = $derived(fitting.unrated[0]!);
    const setup = $derived(fitting.setups.find((s) => s.tag === asked.tag)!);
    /** The trial that was answered last: a second press before the next question stands is the same answer. */
    let answered: number | null = null;
    async function answer(stars: number) {
        const { trialId } = asked;
        if (answered === trialId) return;
        answered = trialId;
        const isDone = await sending.send(async () => {
            if (stars) await post(`trials/${trialId}/ratings`, { kind: 'confidence', stars });
            else await patch(`trials/${trialId}`, { ratingSkipped: true });
            await loadFitting(fitting.id);
        });
        if (!isDone && answered === trialId) answered = null;
    }
    /** While the player is asked, digits are answers, not steps. */
    function keys(event: KeyboardEvent) {
        const digit = digitOf(event);
        if (digit === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
        if ((event.target as HTMLElement).matches('input:not([type=radio]), textarea, select')) return;
        event.stopImmediatePropagation();
        if (Number(digit) <= 5) void answer(Number(digit));
    }
</script>

<svelte:window onkeydowncapture={keys} />

<section aria-label={say('answer.trust')} class="panel no-print">
    <Glyph tag={asked.tag} r={14} />
    <h1>{say('answer.trust.of', { name: nameOf(setup, fitting), n: fitting.unrated.length })}</h1>
    <span>
        <small>{say('answer.trust.none')}</small>
        {#each [1, 2, 3, 4, 5] as n (n)}<button class="quiet" onclick={() => answer(n)}>{n}</button>{/each}
        <small>{say('answer.trust.full')}</small>
        <button class="plain" onclick={() => answer(0)}>{say('answer.trust.skip')}</button>
    </span>
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
</section>

<style>
    section,
    span {
        display: flex;
        flex-wrap: wrap;
        gap: 8px 14px;
        align-items: center;
    }
    span {
        gap: 8px;
    }
</style>
