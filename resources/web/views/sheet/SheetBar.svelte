<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { post } from '../../api/client';
    import type { Decision, Fitting, Order } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { session } from '../../lib/session.svelte';
    import { LANGUAGES, languageName } from '../../lib/words';
    import Icon from '../../parts/Icon.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Links from '../player/Links.svelte';
    import { say } from './words';

    /** What is done with a decision: shared, printed, ordered. */
    let {
        fitting,
        decision,
        tab = $bindable(),
        language = $bindable(),
    }: { fitting: Fitting; decision: Decision; tab: 'report' | 'workshop'; language: string } = $props();
    const TABS = ['report', 'workshop'] as const;
    let paper = $state(localStorage.getItem('paper') ?? 'A4');
    let isShared = $state(false);
    const isDesk = $derived(session.user?.role === 'desk');
    const isLocked = $derived(decision.lockedAt !== null && decision.reopenedAt === null);
    const ordering = new Form();
    const order = () =>
        ordering.send(async () => {
            const made = await post<Order>(`fittings/${fitting.id}/orders`, {});
            await push(`/orders/${made.id}`);
        });
    const file = $derived(
        tab === 'report' ? `report.pdf?paper=${paper}${language ? `&language=${language}` : ''}` : `build.pdf?paper=${paper}`,
    );
    $effect(() => localStorage.setItem('paper', paper));
</script>

<div class="bar no-print">
    <div class="tabs" role="tablist">
        {#each TABS as one (one)}<button class="plain" role="tab" aria-selected={tab === one} onclick={() => (tab = one)}
                >{say(`sheet.tab.${one}`)}</button
            >{/each}
    </div>
    <span class="small">{say('sheet.version', { version: decision.version, locked: isLocked ? 'yes' : 'no' })}</span>
    <span class="do">
        <button class="quiet" aria-expanded={isShared} onclick={() => (isShared = !isShared)}
            ><Icon name="share" /> {say('sheet.share')}</button
        >
        <a class="button" href="/api/fittings/{fitting.id}/{file}" target="_blank" rel="noopener"
            ><Icon name="print" /> {say('sheet.print')}</a
        >
        <label>{say('sheet.paper')} <select bind:value={paper}><option>A4</option><option>Letter</option></select></label>
        {#if tab === 'report'}<label
                >{say('sheet.language')}
                <select bind:value={language}
                    ><option value="">{say('sheet.theirs')}</option>{#each LANGUAGES as l (l)}<option value={l}>{languageName(l)}</option
                        >{/each}</select
                ></label
            >{/if}
        {#if fitting.order}<a class="button" href="#/orders/{fitting.order.id}"
                ><Icon name="order" /> {say('sheet.ordered', { state: fitting.order.standing.state })}</a
            >{:else if !isDesk}<button disabled={ordering.busy} onclick={order}><Icon name="order" /> {say('sheet.order')}</button>{/if}
    </span>
    {#if isShared}<div class="links"><Links playerId={fitting.player.id} fittingId={fitting.id} kinds={['report']} /></div>{/if}
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
        justify-content: space-between;
    }
    .tabs,
    .do {
        display: flex;
        flex-wrap: wrap;
        gap: 8px 12px;
        align-items: center;
    }
    .tabs button {
        color: var(--ink-2);
        text-decoration: none;
        border-bottom: 3px solid transparent;
        border-radius: 0;
        font-size: 17px;
    }
    .tabs [aria-selected='true'] {
        color: var(--ink);
        font-weight: 650;
        border-color: var(--mint);
    }
    .button {
        border: 1px solid var(--ink-2);
        border-radius: 8px;
        padding: 7px 13px;
        color: var(--ink);
        text-decoration: none;
    }
    label {
        display: flex;
        gap: 6px;
        align-items: center;
        white-space: nowrap;
        font-size: var(--small);
    }
    label select {
        width: auto;
        max-width: 150px;
    }
    .links {
        flex-basis: 100%;
    }
</style>
