<script lang="ts">
    import { call, get, say } from '../../api/client';
    import type { Fitting, Preview, Shot } from '../../api/generated/types';
    import Frame from '../../parts/Frame.svelte';
    import Notice from '../../parts/Notice.svelte';
    import ShotTable from '../../parts/ShotTable.svelte';
    import { loadFitting } from '../../lib/session.svelte';
    import Mapping from './Mapping.svelte';
    import TypeShots from './TypeShots.svelte';

    let { params }: { params: { id: string } } = $props();
    let way = $state<'file' | 'type'>('file');
    let preview = $state<Preview | null>(null);
    let shots = $state<Shot[] | null>(null);
    let problem = $state('');
    let note = $state('');
    let busy = $state(false);
    let over = $state(false);

    $effect(() => {
        get<Shot[]>(`fittings/${params.id}/shots`)
            .then((r) => (shots = r))
            .catch((e) => (problem = say(e)));
    });
    async function refresh(message: string) {
        note = message;
        preview = null;
        await loadFitting(params.id);
        shots = await get<Shot[]>(`fittings/${params.id}/shots`);
    }
    async function upload(file: File | undefined) {
        if (!file) return;
        problem = note = '';
        if (file.size > 55e6) {
            problem = `“${file.name}” has ${(file.size / 1e6).toFixed(0)} MB; a launch file may have up to 12 MB. Nothing was stored.`;
            return;
        }
        busy = true;
        const body = new FormData();
        body.append('file', file);
        try {
            preview = await call<Preview>('POST', `fittings/${params.id}/files`, body);
        } catch (e) {
            problem = `“${file.name}” was not read. ${say(e)}`;
        }
        busy = false;
    }
    function drop(event: DragEvent) {
        event.preventDefault();
        over = false;
        upload(event.dataTransfer?.files[0]);
    }
    const hasSetups = (fitting: Fitting) => fitting.setups.length > 0;
</script>

<Frame id={params.id} step="shots">
    {#snippet children(fitting)}
        <div class="row">
            <h1>Shots</h1>
            <div class="ways" role="group" aria-label="How shots come in">
                <button class:quiet={way !== 'file'} aria-pressed={way === 'file'} onclick={() => (way = 'file')}>From a file</button>
                <button class:quiet={way !== 'type'} aria-pressed={way === 'type'} onclick={() => (way = 'type')}>Type them</button>
            </div>
            <span class="small out"
                ><a href="/api/fittings/{fitting.id}/shots.csv" download>All shots as CSV</a> ·
                <a href="/api/fittings/{fitting.id}/file" download>The whole fitting as a file</a></span
            >
        </div>
        {#if problem}<Notice kind="error">{problem}</Notice>{/if}
        {#if note}<Notice kind="good">{note}</Notice>{/if}
        {#if !hasSetups(fitting)}
            <Notice
                >Put the player’s own club on the <a href="#/fitting/{fitting.id}/bench">bench</a> first, so that the shots know what they were
                hit with.</Notice
            >
        {:else if preview}
            {#key preview.id}<Mapping {fitting} start={preview} onstored={refresh} oncancel={() => (preview = null)} />{/key}
        {:else if way === 'file'}
            <label
                class="drop"
                class:over
                ondragover={(e) => (e.preventDefault(), (over = true))}
                ondragleave={() => (over = false)}
                ondrop={drop}
            >
                <b>{busy ? 'Reading …' : 'Drop a file of launch data here, or choose one'}</b>
                <span class="small"
                    >CSV or text, with comma, semicolon or tab; up to 20,000 rows. One file per setup, or one with a setup column. You see
                    how it is read before anything is stored.</span
                >
                <input
                    type="file"
                    accept=".csv,.txt,.tsv,text/csv,text/plain"
                    disabled={busy}
                    onchange={(e) => {
                        upload(e.currentTarget.files?.[0]);
                        e.currentTarget.value = '';
                    }}
                />
            </label>
        {:else}
            <TypeShots {fitting} onbegin={() => (note = '')} onstored={refresh} />
        {/if}
        {#if shots && shots.length && !preview}
            <ShotTable {fitting} {shots} onchange={async () => void (await loadFitting(params.id))} />
        {/if}
    {/snippet}
</Frame>

<style>
    .row,
    .ways {
        display: flex;
        gap: 10px;
        align-items: center;
    }
    .row {
        gap: 24px;
    }
    .out {
        margin-left: auto;
    }
    .drop {
        display: grid;
        gap: 6px;
        border: 1.5px dashed var(--ink-2);
        border-radius: 10px;
        padding: 26px 22px;
        cursor: pointer;
        background: var(--sheet);
    }
    .drop.over {
        border-color: var(--mint);
        background: var(--mint-wash);
    }
    .drop b {
        font-size: var(--lead);
        font-weight: 620;
    }
    .drop input {
        border: 0;
        padding: 4px 0;
        background: none;
        max-width: 360px;
    }
</style>
