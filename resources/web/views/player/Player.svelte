<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { get, patch, post, remove } from '../../api/client';
    import type { PlayerRecord } from '../../api/generated/types';
    import { when } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { session } from '../../lib/session.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import Join from './Join.svelte';
    import Known from './Known.svelte';
    import Links from './Links.svelte';
    import Story from './Story.svelte';

    let { params }: { params: { id: string } } = $props();
    const reading = new Loader<PlayerRecord>();
    const record = $derived(reading.value);
    const role = $derived(session.user?.role);
    const standing = $derived(record?.consents.find((c) => c.withdrawnAt === null) ?? null);
    const load = () => void reading.load(() => get<PlayerRecord>(`players/${params.id}`));
    $effect(load);

    const consent = new Form({ isMinor: false, guardian: '' });
    const agree = (given: boolean) =>
        consent.send(async () => {
            const { isMinor, guardian } = consent.values;
            reading.value = await patch<PlayerRecord>(`players/${params.id}/consent`, {
                given,
                ...(given ? { text: record?.consentText ?? '', isMinor, guardian: isMinor ? guardian : null } : {}),
            });
        });
    const acting = new Form({ name: '' });
    let asked = $state('');
    let erased = $state('');
    const throwAway = (path: string) =>
        acting.send(async () => {
            await remove(path);
            asked = '';
            if (path.startsWith('players')) await push('/');
            else load();
        });
    async function erase(event: SubmitEvent) {
        event.preventDefault();
        await acting.send(async () => {
            erased = (await post<{ keeps: string }>(`data/players/${params.id}/erase`, { name: acting.values.name })).keeps;
            acting.values.name = '';
            load();
        });
    }
</script>

<TopBar />
<main>
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    {#if record}
        <div>
            <h1>{record.name}</h1>
            <p class="small">{record.hand}-handed{record.isErased ? ' · name and words were erased' : ''}</p>
        </div>
        <Story {record} />
        <Known {record} />
        {#if !record.isErased}
            <section aria-label="Before they come">
                <h2>Before they come</h2>
                <Links playerId={record.id} />
            </section>
            <section aria-label="Consent">
                <h2>Consent</h2>
                {#if standing}
                    <p>
                        Given {when(standing.givenAt)}{standing.guardian ? ` by ${standing.guardian}, for a minor` : ''}, taken by {standing.takenBy}.
                        <button class="plain" disabled={consent.busy} onclick={() => agree(false)}>They take it back</button>
                    </p>
                    <blockquote>{standing.text}</blockquote>
                {:else}
                    <blockquote>{record.consentText}</blockquote>
                    <label class="check"
                        ><input type="checkbox" bind:checked={consent.values.isMinor} /> a minor: a parent or guardian agrees</label
                    >
                    {#if consent.values.isMinor}<Field label="Parent or guardian" error={consent.err('guardian')}
                            ><input maxlength="120" bind:value={consent.values.guardian} /></Field
                        >{/if}
                    <div><button disabled={consent.busy} onclick={() => agree(true)}>They agree to this, today</button></div>
                {/if}
                {#if record.consents.some((c) => c.withdrawnAt)}<p class="small">
                        Before: {record.consents
                            .filter((c) => c.withdrawnAt)
                            .map((c) => `given ${when(c.givenAt)}, taken back ${when(c.withdrawnAt!)}`)
                            .join('; ')}.
                    </p>{/if}
                {#if consent.problem && !consent.err('guardian')}<Notice kind="error">{consent.problem}</Notice>{/if}
            </section>
        {/if}
        {#if erased}<Notice kind="good">Erased. {erased}</Notice>{/if}
        {#if acting.problem}<Notice kind="error">{acting.problem}</Notice>{/if}
        {#if role === 'owner' || role === 'fitter'}
            <section aria-label="Their data">
                <h2>Their data</h2>
                {#if role === 'owner'}<p>
                        <a href="/api/data/players/{record.id}/file" download>Everything about {record.name} in one file</a>
                    </p>{/if}
                {#if !record.isErased}<Join {record} joined={(now) => (reading.value = now)} />{/if}
            </section>
            <section aria-label="Throw away or erase">
                <h2>Throw away or erase</h2>
                <ul>
                    {#each record.fittings as f (f.id)}
                        <li>
                            Fitting of {when(f.at)}
                            {#if asked === `f${f.id}`}<button class="plain" onclick={() => throwAway(`fittings/${f.id}`)}
                                    >Yes, throw it away. It can be brought back for a day.</button
                                >{:else}<button class="plain" onclick={() => (asked = `f${f.id}`)}
                                    >Throw away<span class="visually-hidden"> the fitting of {when(f.at)}</span></button
                                >{/if}
                        </li>
                    {/each}
                </ul>
                <p>
                    {#if asked === 'player'}<button class="quiet" onclick={() => throwAway(`players/${record.id}`)}
                            >Yes, throw {record.name} and all fittings away. They can be brought back for a day.</button
                        >{:else}<button class="quiet" onclick={() => (asked = 'player')}>Throw away with all fittings</button>{/if}
                </p>
                {#if role === 'owner' && !record.isErased}
                    <details>
                        <summary>Erase name and words for good</summary>
                        <form onsubmit={erase}>
                            <p class="small">
                                This cannot be undone. The shots stay without a name. Wishes, notes, files and the journal go: here at once,
                                from backups when these expire.
                            </p>
                            <Field label="Type the name as it stands" error={acting.err('name')}
                                ><input bind:value={acting.values.name} /></Field
                            >
                            <div><button disabled={acting.values.name !== record.name}>Erase {record.name}</button></div>
                        </form>
                    </details>
                {/if}
            </section>
        {/if}
    {:else if !reading.problem}<Outline what="Opening …" blocks={['lines', 'lines']} />{/if}
</main>

<style>
    main {
        max-width: 760px;
        margin: 0 auto;
        padding: 22px 20px;
        display: grid;
        gap: 22px;
    }
    section,
    form {
        display: grid;
        gap: 10px;
    }
    ul {
        list-style: none;
        padding: 0;
        display: grid;
        gap: 6px;
    }
    blockquote {
        margin: 0;
        padding: 8px 14px;
        border-left: 4px solid var(--hair);
    }
    .check {
        display: flex;
        gap: 8px;
        align-items: baseline;
    }
</style>
