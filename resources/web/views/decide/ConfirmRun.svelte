<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { post } from '../../api/client';
    import type { ConfirmRun, Fitting, Grounds } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { CONFIRM_RULE, confirmVerdict } from './sentences';

    let {
        grounds,
        fitting,
        chosen,
        past,
        onchange,
    }: {
        grounds: Grounds;
        fitting: Fitting;
        chosen: string;
        /** only told, not to be begun */
        past: boolean;
        onchange: () => void;
    } = $props();
    const sending = new Form();
    const mayRest = $derived('rested' in sending.problems);
    const run = $derived<ConfirmRun | null>(grounds.confirm);
    const open = $derived(run !== null && run.ended === null);

    async function begin(rested: boolean) {
        const done = await sending.send(async () => {
            await post(`fittings/${fitting.id}/confirm`, { setupId: fitting.setups.find((s) => s.tag === chosen)!.id, rested });
            push(`/fitting/${fitting.id}/bay`);
        });
        if (!done) onchange();
    }
</script>

<section aria-label="Confirm run">
    <h2>Confirm run</h2>
    {#if run}<p class:good={run.verdict === 'confirmed'} class:warn={run.verdict === 'overturned' || run.verdict === 'drifted'}>
            <b>{confirmVerdict(run)}</b>
        </p>{/if}
    <details>
        <summary>The rule</summary>
        <p class="small">{CONFIRM_RULE}</p>
    </details>
    {#if open && !past}
        <p><a href="#/fitting/{fitting.id}/bay">To the bay: leg {run!.legs.length || 1} of 3</a></p>
    {:else if !past && chosen && chosen !== grounds.benchmark}
        <div class="row">
            <button class="quiet" disabled={sending.busy} onclick={() => begin(false)}
                >{run ? 'Another run' : 'Confirm'} {chosen} against {grounds.benchmark}</button
            >
            {#if mayRest}<button class="plain" disabled={sending.busy} onclick={() => begin(true)}>The player has rested</button>{/if}
        </div>
    {:else if !past}
        <p class="small">Choose another setup than the benchmark below to hit it against {grounds.benchmark} once more.</p>
    {/if}
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
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
    .good {
        color: var(--mint);
    }
    .warn {
        color: var(--amber);
    }
</style>
