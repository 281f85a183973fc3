<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { post } from '../../api/client';
    import type { Fitting, Grounds } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { confirmVerdict } from './choice';
    import { say } from './words';

    let {
        grounds,
        fitting,
        past,
        onchange,
    }: {
        grounds: Grounds;
        fitting: Fitting;
        /** only told, not to be begun */
        past: boolean;
        onchange: () => void;
    } = $props();
    const sending = new Form();
    const mayRest = $derived('rested' in sending.problems);
    const run = $derived(grounds.confirm);
    const others = $derived(grounds.setups.map((s) => s.tag).filter((t) => t !== grounds.benchmark));
    let picked = $state<string | null>(null);
    const chosen = $derived(picked ?? (grounds.pick === grounds.benchmark ? (grounds.runnerUp ?? others[0]!) : grounds.pick));

    async function begin(rested: boolean) {
        const done = await sending.send(async () => {
            await post(`fittings/${fitting.id}/confirm`, { setupId: fitting.setups.find((s) => s.tag === chosen)!.id, rested });
            push(`/fitting/${fitting.id}/bay`);
        });
        if (!done) onchange();
    }
</script>

<section aria-label={say('answer.confirm')}>
    <h2>{say('answer.confirm')}</h2>
    {#if run}<p class:good={run.verdict === 'confirmed'} class:warn={run.verdict === 'overturned' || run.verdict === 'drifted'}>
            <b>{confirmVerdict(run)}</b>
        </p>{/if}
    {#if run && run.ended === null && !past}
        <p><a href="#/fitting/{fitting.id}/bay">{say('answer.confirm.leg', { leg: run.legs.length || 1 })}</a></p>
    {:else if !past}
        <div class="row">
            {#if others.length > 1}<select
                    aria-label={say('answer.confirm.of')}
                    value={chosen}
                    onchange={(e) => (picked = e.currentTarget.value)}
                    >{#each others as tag (tag)}<option>{tag}</option>{/each}</select
                >{/if}
            <button class="quiet" disabled={sending.busy} onclick={() => begin(false)}
                >{say('answer.confirm.go', { again: run ? 'yes' : 'no', tag: chosen, benchmark: grounds.benchmark })}</button
            >
            {#if mayRest}<button class="plain" disabled={sending.busy} onclick={() => begin(true)}>{say('answer.confirm.rested')}</button
                >{/if}
        </div>
    {/if}
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
    <details>
        <summary class="small">{say('answer.confirm.how')}</summary>
        <p class="small">{say('answer.confirm.rule', { benchmark: grounds.benchmark })}</p>
    </details>
</section>

<style>
    section {
        display: grid;
        gap: 8px;
        align-content: start;
    }
    .row {
        display: flex;
        gap: 10px;
        flex-wrap: wrap;
        align-items: center;
    }
    select {
        width: auto;
    }
    .good {
        color: var(--mint);
    }
</style>
