<script lang="ts">
    import { onMount } from 'svelte';
    import { push } from 'svelte-spa-router';
    import { call, get } from '../../api/client';
    import type { Fitting, Preview, Shot } from '../../api/generated/types';
    import { hand, LAUNCH_FILES, takeFile } from '../../lib/handed';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import ShotTable, { ROOM } from '../../parts/ShotTable.svelte';
    import { loadFitting } from '../../lib/session.svelte';
    import Parts from '../answer/Parts.svelte';
    import Mapping from './Mapping.svelte';
    import TypeShots from './TypeShots.svelte';

    let { params }: { params: { id: string } } = $props();
    let way = $state<'file' | 'type'>('file');
    let preview = $state<Preview | null>(null);
    let shots = $state<Shot[] | null>(null);
    const reading = new Loader<Shot[]>();
    const sending = new Form();
    let over = $state(false);

    async function read(id: string) {
        const answer = await reading.load(() => get<Shot[]>(`fittings/${id}/shots?newest=${ROOM}`));
        if (answer) shots = answer;
    }
    $effect(() => void read(params.id));
    /** The answer asked for this file: it goes on there once its shots are stored. */
    let isHanded = false;
    onMount(() => {
        const file = takeFile();
        isHanded = file !== null;
        if (file) void upload(file);
    });
    async function refresh(message: string) {
        if (isHanded) {
            hand({ note: message });
            await loadFitting(params.id);
            return push(`/fitting/${params.id}/answer`);
        }
        sending.note = message;
        preview = null;
        await loadFitting(params.id);
        await read(params.id);
    }
    async function upload(file: File | undefined) {
        if (!file) return;
        sending.clear();
        if (file.size > 55e6) {
            sending.problem = `“${file.name}” has ${(file.size / 1e6).toFixed(0)} MB; a launch file may have up to 12 MB. Nothing was stored.`;
            return;
        }
        const body = new FormData();
        body.append('file', file);
        const done = await sending.send(async () => {
            preview = await call<Preview>('POST', `fittings/${params.id}/files`, body);
        });
        if (!done) sending.problem = `“${file.name}” was not read. ${sending.problem}`;
    }
    function drop(event: DragEvent) {
        event.preventDefault();
        over = false;
        upload(event.dataTransfer?.files[0]);
    }
    const hasSetups = (fitting: Fitting) => fitting.setups.length > 0;
</script>

<Frame id={params.id} step="answer" isForm>
    {#snippet children(fitting)}
        <Parts id={fitting.id} part="shots" />
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
        {#if reading.problem || sending.problem}<Notice kind="error">{reading.problem || sending.problem}</Notice>{/if}
        {#if sending.note}<Notice kind="good">{sending.note}</Notice>{/if}
        {#if preview}
            {#key preview.id}<Mapping {fitting} start={preview} onstored={refresh} oncancel={() => (preview = null)} />{/key}
        {:else if way === 'file'}
            <label
                class="drop"
                class:over
                ondragover={(e) => (e.preventDefault(), (over = true))}
                ondragleave={() => (over = false)}
                ondrop={drop}
            >
                <b>{sending.busy ? 'Reading …' : 'Drop a file of launch data here, or choose one'}</b>
                <span class="small"
                    >CSV, text, XLSX or ODS; up to 20,000 rows. One file per setup, or one with a setup column{hasSetups(fitting)
                        ? ''
                        : ': setups are made of the clubs it names'}. You see how it is read before anything is stored.</span
                >
                <input
                    type="file"
                    accept={LAUNCH_FILES}
                    disabled={sending.busy}
                    onchange={(e) => {
                        upload(e.currentTarget.files?.[0]);
                        e.currentTarget.value = '';
                    }}
                />
            </label>
        {:else if !hasSetups(fitting)}
            <Notice
                >Put the player’s own club on the <a href="#/fitting/{fitting.id}/bench">bench</a> first, so that the shots know what they were
                hit with.</Notice
            >
        {:else}
            <TypeShots {fitting} onbegin={() => (sending.note = '')} onstored={refresh} />
        {/if}
        {#if shots && shots.length && !preview}
            <ShotTable {fitting} {shots} onchange={async () => void (await loadFitting(params.id))} />
        {:else if shots === null && !reading.problem}<Outline what="Flying the shots …" blocks={['table']} />{/if}
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
