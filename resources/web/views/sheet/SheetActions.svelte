<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { post } from '../../api/client';
    import type { Fitting, Order } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { session } from '../../lib/session.svelte';
    import { LANGUAGES } from '../../lib/words';
    import Notice from '../../parts/Notice.svelte';
    import Links from '../player/Links.svelte';

    // What is done with a decision: printed, sent, ordered, followed up.
    let { fitting }: { fitting: Fitting } = $props();
    let paper = $state(localStorage.getItem('paper') ?? 'A4');
    let language = $state('');
    const isDesk = $derived(session.user?.role === 'desk');
    const ordering = new Form();
    const order = () =>
        ordering.send(async () => {
            const made = await post<Order>(`fittings/${fitting.id}/orders`, {});
            await push(`/orders/${made.id}`);
        });
    const query = $derived(`paper=${paper}${language ? `&language=${language}` : ''}`);
    $effect(() => localStorage.setItem('paper', paper));
</script>

<div class="bar no-print">
    <a class="main" href="/api/fittings/{fitting.id}/report.pdf?{query}" target="_blank" rel="noopener">Report (PDF)</a>
    <label>on <select bind:value={paper}><option>A4</option><option>Letter</option></select></label>
    <label
        >in <select bind:value={language}
            ><option value="">the player’s language</option>{#each LANGUAGES as l (l)}<option value={l}>{l.toUpperCase()}</option
                >{/each}</select
        ></label
    >
    <a href="/api/fittings/{fitting.id}/build.pdf?paper={paper}" target="_blank" rel="noopener">Build page</a>
    {#if fitting.order}<a href="#/orders/{fitting.order.id}">Order: {fitting.order.standing.state}</a>
    {:else if !isDesk}<button class="quiet" disabled={ordering.busy} onclick={order}>Order this club</button>{/if}
    {#if !isDesk}<a href="#/fitting/{fitting.id}/follow-up">Three rounds</a>
        <a href="/api/fittings/{fitting.id}/file" download>Fitting file</a>{/if}
    <button class="quiet" onclick={() => window.print()}>Print this page</button>
    <details>
        <summary>Send the report by link</summary>
        <Links playerId={fitting.player.id} fittingId={fitting.id} kinds={['report']} />
    </details>
</div>
{#if ordering.problem}<Notice kind="error">{ordering.problem}</Notice>{/if}

<style>
    .bar {
        max-width: 860px;
        width: 100%;
        margin: 0 auto;
        display: flex;
        flex-wrap: wrap;
        gap: 8px 16px;
        align-items: center;
    }
    .main {
        font-weight: 650;
    }
    label {
        display: flex;
        gap: 6px;
        align-items: center;
        white-space: nowrap;
    }
    details {
        flex-basis: 100%;
    }
</style>
