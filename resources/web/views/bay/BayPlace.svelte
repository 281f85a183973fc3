<script lang="ts">
    import { untrack } from 'svelte';
    import { patch, post, remove } from '../../api/client';
    import type { Bay, Fitting } from '../../api/generated/types';
    import { MADE_UP_PLAYERS } from '../../api/generated/vocabulary';
    import { Form } from '../../lib/form.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { session } from '../../lib/session.svelte';
    import { when } from '../../format/times';

    let {
        fitting,
        bay,
        bays,
        player = $bindable(),
        hit,
        onchange,
    }: { fitting: Fitting; bay: Bay | null; bays: Bay[]; player: string; hit: (count: number) => void; onchange: () => void } = $props();
    // Open until a bay is chosen; from then on as the fitter leaves it.
    let open = $state(untrack(() => bay === null));
    let name = $state('');
    let token = $state('');
    const sending = new Form();

    async function act(what: () => Promise<unknown>) {
        if (await sending.send(what)) onchange();
    }
    const simulates = $derived(session.user?.takesSimulated ?? false);
    const switchTo = (takesSimulated: boolean) =>
        act(async () => {
            const now = await patch<{ takesSimulated: boolean }>('studio', { takesSimulated });
            if (session.user) session.user.takesSimulated = now.takesSimulated;
        });
    const enter = (id: number | null) =>
        act(async () => {
            if (bay && bay.id !== id) await patch(`bays/${bay.id}`, { fittingId: null });
            if (id !== null) await patch(`bays/${id}`, { fittingId: fitting.id });
            token = '';
        });
</script>

<details bind:open>
    <summary
        >{bay ? `In ${bay.name}${bay.tokenMadeAt ? '' : ', no monitor yet'}` : 'In no bay yet'}{simulates
            ? ' · simulated monitor'
            : ''}</summary
    >
    <div class="row">
        <label
            >Bay <select value={bay?.id ?? ''} onchange={(e) => enter(e.currentTarget.value === '' ? null : Number(e.currentTarget.value))}
                ><option value="">none</option>{#each bays as b (b.id)}<option value={b.id}
                        >{b.name}{b.fittingId && b.fittingId !== fitting.id ? ' (in use)' : ''}</option
                    >{/each}</select
            ></label
        >
        <label>A new bay <input maxlength="40" bind:value={name} /></label>
        <button class="quiet" disabled={!name.trim()} onclick={() => act(async () => (await post('bays', { name }), (name = '')))}
            >Add</button
        >
    </div>
    {#if bay}
        {#if simulates}
            <div class="row">
                {#if !fitting.practice}<label
                        >Made-up player <select bind:value={player}
                            >{#each MADE_UP_PLAYERS as p (p)}<option>{p}</option>{/each}</select
                        ></label
                    >{/if}
                <button class="quiet" onclick={() => hit(1)}>Hit one</button>
                <button class="quiet" onclick={() => hit(5)}>Hit five</button>
            </div>
        {/if}
        <div class="row">
            <button
                class="plain"
                onclick={() => act(async () => (token = (await post<{ token: string }>(`bays/${bay.id}/token`, {})).token))}
                >{bay.tokenMadeAt ? 'New token for the monitor' : 'Token for a monitor'}</button
            >
            {#if bay.tokenMadeAt}<button class="plain" onclick={() => act(() => remove(`bays/${bay.id}/token`))}>Revoke</button><span
                    class="small">made {when(bay.tokenMadeAt)}</span
                >{/if}
        </div>
        {#if token}<p class="small">
                Shown once: <code>{token}</code> for <code>POST /api/bays/{bay.id}/shots</code>. The one before stopped working.
            </p>{/if}
    {/if}
    {#if session.user && !session.user.isDemo}
        <p class="small">
            {#if simulates}Simulated shots and stand-in readings are on in this studio, and marked wherever they show. <button
                    class="plain"
                    onclick={() => switchTo(false)}>Switch them off</button
                >{:else}To practise without balls: <button class="plain" onclick={() => switchTo(true)}
                    >Switch simulated shots and readings on</button
                >. They are marked wherever they show, and no decision can be locked on them.{/if}
        </p>
    {/if}
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
</details>

<style>
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: end;
        padding-top: 6px;
    }
    label {
        font-size: var(--small);
        max-width: 150px;
    }
    code {
        overflow-wrap: anywhere;
    }
</style>
