<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { post, remove } from '../../api/client';
    import type { Column, Fitting, Preview } from '../../api/generated/types';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { when } from '../../format/times';
    import { figure, MEASURES, TEXT_MEASURES, unitOf } from '../../format/units';
    import { SIGN_WORDS, signsFor, unitsFor } from './choices';

    let {
        fitting,
        start,
        onstored,
        oncancel,
    }: { fitting: Fitting; start: Preview; onstored: (message: string) => void; oncancel: () => void } = $props();
    // svelte-ignore state_referenced_locally
    let preview = $state<Preview>(start);
    // svelte-ignore state_referenced_locally
    let map = $state(structuredClone($state.snapshot(start.map)));
    // svelte-ignore state_referenced_locally
    let setupId = $state<number | null>(fitting.setups.find((s) => s.counted === 0)?.id ?? fitting.setups.at(-1)?.id ?? null);
    // svelte-ignore state_referenced_locally
    let tags = $state(structuredClone($state.snapshot(start.tags)) ?? []);
    /** In a fitting without setups one of the file's clubs is the player's own: asked once, here. */
    let own = $state<string | null>(null);
    const isNew = $derived(fitting.setups.length === 0);
    const sending = new Form();
    const units = $derived(fitting.player.units);
    const readable = $derived(
        preview.shots.length ? Object.keys(MEASURES).filter((m) => preview.shots.some((s) => s.values[m] !== undefined)) : [],
    );
    const fresh = $derived(preview.counts.shot - preview.counts.already);

    /** A side column whose header names neither carry nor total: the fitter must say which. */
    const vagueSide = $derived(
        map.columns
            .map((c, i) => (c.measure === 'sideM' || c.measure === 'totalSideM' ? (preview.columns[i]?.header ?? '') : ''))
            .find((header) => header !== '' && !/carry|land|total/i.test(header)) ?? '',
    );

    /** Why a unit that nobody named was taken, as long as it is the one taken. */
    const whyOf = (i: number) => (map.columns[i]?.unit === start.map.columns[i]?.unit ? (start.columns[i]?.unitWhy ?? '') : '');

    const reading = new Loader<Preview>();
    async function reread() {
        const known = new Map(tags.map((t) => [t.tag, t]));
        const answer = await reading.load(() => post<Preview>(`files/${preview.id}/preview`, { map }));
        if (!answer) return;
        preview = answer;
        tags = (answer.tags ?? []).map((t) => ({
            ...t,
            setupId: known.get(t.tag)?.setupId ?? t.setupId,
            make: known.get(t.tag)?.make ?? t.make,
        }));
    }
    function setMeasure(column: Column, measure: string) {
        column.measure = measure === '' ? null : measure;
        const offered = unitsFor(column.measure);
        if (!column.unit || !offered.includes(column.unit)) column.unit = offered[0] ?? null;
        const signs = signsFor(column.measure);
        column.plus = signs.length ? (column.plus && signs.includes(column.plus) ? column.plus : signs[0]!) : null;
        // One column a measure: the newer choice wins, the older is set aside.
        if (column.measure && column.measure !== 'note')
            for (const other of map.columns) if (other !== column && other.measure === column.measure) other.measure = null;
        reread();
    }
    const asksOwn = $derived(isNew && preview.tags !== null && tags.some((t) => t.make) && own === null);
    function mean(i: number, choice: string) {
        tags[i] = { ...tags[i]!, make: choice === 'make', setupId: choice === '' || choice === 'make' ? null : Number(choice) };
        if (own === tags[i]!.tag && choice !== 'make') own = null;
    }
    async function store() {
        await sending.send(async () => {
            const done = await post<{ stored: number; already: number; made: number }>(`files/${preview.id}/confirm`, {
                map,
                setupId: preview.tags ? null : setupId,
                tags: preview.tags ? tags : null,
                own,
                make: isNew && !preview.tags ? 'Own club' : null,
            });
            onstored(
                `${done.stored} shot${done.stored === 1 ? '' : 's'} stored from “${preview.name}”${done.already ? `; ${done.already} were here already and were not stored again` : ''}${done.made ? `, and ${done.made} setup${done.made === 1 ? '' : 's'} made of its clubs: what they are is told on the bench` : ''}. The file itself is kept.`,
            );
        });
    }
    async function cancel() {
        await remove(`files/${preview.id}`).catch(() => undefined);
        oncancel();
    }
    const named: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };
</script>

<section class="panel">
    <div class="row">
        <div>
            <h2>How “{preview.name}” is read</h2>
            <p class="small">
                {preview.encoding}{#if preview.delimiter}, split by {named[preview.delimiter]}{/if}{#if preview.remembered}, as you read
                    this kind of file before{/if}. Nothing is stored yet.
            </p>
        </div>
        <p class="tally">
            <b>{preview.counts.shot}</b> shots{#if preview.counts.bad}, <b class="worse">{preview.counts.bad}</b> that cannot be read{/if}
            <small
                >{[
                    preview.counts.summary && `${preview.counts.summary} average row${preview.counts.summary > 1 ? 's' : ''} left out`,
                    preview.counts.header && `${preview.counts.header} repeated header${preview.counts.header > 1 ? 's' : ''}`,
                    preview.counts.repeat && `${preview.counts.repeat} repeated shot${preview.counts.repeat > 1 ? 's' : ''} left out`,
                    preview.counts.already && `${preview.counts.already} already in this fitting`,
                ]
                    .filter(Boolean)
                    .join(' · ')}</small
            >
        </p>
    </div>
    {#if preview.earlier}<Notice
            >This same file was stored on {when(preview.earlier.at)} ({preview.earlier.shots} shots). Shots that are here already are not stored
            twice.</Notice
        >{/if}
    {#if preview.problem}<Notice kind="error">{preview.problem}</Notice>{/if}
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}

    {#if vagueSide}
        <Notice
            >“{vagueSide}” does not say where the side was taken: choose <b>side at carry</b> or <b>side at total</b> for it below.</Notice
        >
    {/if}
    <Scroll label="Columns of the file" height="low" framed>
        <table class="map">
            <thead>
                <tr
                    ><th>Column in the file</th><th>As it stands</th><th>Measure</th><th>Unit</th><th>Decimal mark</th><th>Sign</th><th
                        >0 is no reading</th
                    ></tr
                >
            </thead>
            <tbody>
                {#each map.columns as column, i (i)}
                    <tr class:aside={column.measure === null}>
                        <td>{preview.columns[i]?.header || `Column ${i + 1}`}</td>
                        <td class="samples">{preview.columns[i]?.samples.slice(0, 3).join('   ') ?? ''}</td>
                        <td>
                            <select
                                aria-label="Measure of column {i + 1}"
                                value={column.measure ?? ''}
                                onchange={(e) => setMeasure(column, e.currentTarget.value)}
                            >
                                <option value="">leave out</option>
                                {#each Object.entries(MEASURES) as [key, look] (key)}<option value={key}>{look.label}</option>{/each}
                                {#each Object.entries(TEXT_MEASURES) as [key, label] (key)}<option value={key}>{label}</option>{/each}
                            </select>
                        </td>
                        <td>
                            {#if unitsFor(column.measure).length}
                                <select aria-label="Unit of column {i + 1}" bind:value={column.unit} onchange={reread}>
                                    {#each unitsFor(column.measure) as u (u)}<option value={u}>{u === 'deg' ? '°' : u}</option>{/each}
                                </select>
                                {#if whyOf(i)}<small class="why">{whyOf(i)}</small>{/if}
                            {/if}
                        </td>
                        <td>
                            {#if unitsFor(column.measure).length}
                                <select aria-label="Decimal mark of column {i + 1}" bind:value={column.decimalMark} onchange={reread}
                                    ><option value=".">point</option><option value=",">comma</option></select
                                >
                            {/if}
                        </td>
                        <td>
                            {#if signsFor(column.measure).length}
                                <select aria-label="Sign of column {i + 1}" bind:value={column.plus} onchange={reread}>
                                    {#each signsFor(column.measure) as s (s)}<option value={s}>{SIGN_WORDS[s]}</option>{/each}
                                </select>
                            {/if}
                        </td>
                        <td
                            >{#if unitsFor(column.measure).length}<input
                                    type="checkbox"
                                    aria-label="Zero is no reading in column {i + 1}"
                                    bind:checked={column.zeroIsBlank}
                                    onchange={reread}
                                />{/if}</td
                        >
                    </tr>
                {/each}
            </tbody>
        </table>
    </Scroll>
    <details>
        <summary class="small">The header stands in another line, or average and repeated rows are wanted</summary>
        <div class="row options">
            <label
                >Header
                <select bind:value={map.headerRow} onchange={reread}>
                    <option value={null}>no header</option>
                    {#each preview.lines as line, i (line.line)}<option value={i}>line {line.line}: {line.text}</option>{/each}
                </select></label
            >
            <label
                >Units row
                <select bind:value={map.unitsRow} onchange={reread}>
                    <option value={null}>none</option>
                    {#each preview.lines as line, i (line.line)}<option value={i}>line {line.line}: {line.text}</option>{/each}
                </select></label
            >
            <label class="check"><input type="checkbox" bind:checked={map.keepSummaryRows} onchange={reread} /> read average rows too</label
            >
            <label class="check"><input type="checkbox" bind:checked={map.keepRepeats} onchange={reread} /> keep repeated shots</label>
        </div>
    </details>

    {#if preview.shots.length}
        <h3>The first {preview.shots.length} as they will be stored, in your units</h3>
        <Scroll label="Shots as they will be stored" height="low" framed>
            <table>
                <thead
                    ><tr
                        ><th>Row</th>{#if preview.tags}<th>Setup</th>{/if}{#each readable as m (m)}<th
                                >{MEASURES[m]!.label}<br /><small>{unitOf(m, units)}</small></th
                            >{/each}</tr
                    ></thead
                >
                <tbody>
                    {#each preview.shots as row (row.line)}
                        <tr
                            ><td>{row.line}</td>{#if preview.tags}<td>{row.setupTag ?? ''}</td>{/if}{#each readable as m (m)}<td
                                    >{figure(m, row.values[m], units)}</td
                                >{/each}</tr
                        >
                    {/each}
                </tbody>
            </table>
        </Scroll>
    {/if}
    {#if preview.problems.length}
        <h3>Look at these rows</h3>
        <ul class="troubles">
            {#each preview.problems as row (row.line)}
                <li>
                    <b>Row {row.line}:</b>
                    {row.issues.map((i) => i.message).join('; ')}
                    <small
                        >{row.kind === 'bad'
                            ? '— not stored, the file is kept'
                            : row.kind === 'repeat'
                              ? '— left out'
                              : '— stored with this remark'}</small
                    >
                </li>
            {/each}
            {#if preview.problemCount > preview.problems.length}<li class="small">
                    and {preview.problemCount - preview.problems.length} more
                </li>{/if}
        </ul>
    {/if}

    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
    <div class="row store">
        {#if preview.tags}
            <div class="tags">
                <h3>The setup column names</h3>
                {#each tags as tag, i (tag.tag)}
                    <span class="tag">
                        <label
                            >“{tag.tag || 'nothing'}”, {tag.shots} shots →
                            <select
                                aria-label="Setup meant by {tag.tag || 'an empty cell'}"
                                value={tag.make ? 'make' : String(tag.setupId ?? '')}
                                onchange={(e) => mean(i, e.currentTarget.value)}
                            >
                                <option value="">not stored</option>
                                <option value="make">a new setup</option>
                                {#each fitting.setups as s (s.id)}<option value={String(s.id)}>{s.tag} · {s.head} {s.sleeveLabel}</option
                                    >{/each}
                            </select></label
                        >
                        {#if isNew && tag.make}<label
                                ><input type="radio" name="own" value={tag.tag} bind:group={own} /> the player’s own club</label
                            >{/if}
                    </span>
                {/each}
                {#if isNew && own === null && tags.some((t) => t.make)}<p class="small">
                        Which of these is the player’s own club? Everything else is compared with it.
                    </p>{/if}
            </div>
        {:else if isNew}
            <p>The file names no club: its shots go to the player’s own, which is made as setup A.</p>
        {:else}
            <label
                >Hit with
                <select bind:value={setupId}
                    >{#each fitting.setups as s (s.id)}<option value={s.id}>{s.tag} · {s.head} {s.sleeveLabel} · {s.weights}</option
                        >{/each}</select
                ></label
            >
        {/if}
        <span class="end">
            <button class="quiet" onclick={cancel}>Set aside</button>
            <button disabled={sending.busy || reading.waiting || preview.problem !== null || fresh <= 0 || asksOwn} onclick={store}
                >{reading.waiting ? 'Reading …' : `Store ${Math.max(0, fresh)} shot${fresh === 1 ? '' : 's'}`}</button
            >
        </span>
    </div>
</section>

<style>
    section {
        display: grid;
        gap: 12px;
        min-width: 0;
    }
    .row {
        display: flex;
        justify-content: space-between;
        gap: 20px;
        align-items: flex-start;
        flex-wrap: wrap;
    }
    .tally {
        text-align: right;
    }
    .tally small {
        display: block;
    }
    .tally b {
        font-size: var(--lead);
    }
    .map th,
    .map td {
        text-align: left;
        white-space: nowrap;
    }
    .map select {
        padding: 3px 6px;
    }
    thead th {
        position: sticky;
        top: 0;
        background: var(--sheet);
    }
    .samples {
        color: var(--ink-2);
        max-width: 240px;
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: pre !important;
    }
    .aside td:first-child,
    .aside .samples {
        color: var(--ink-2);
        text-decoration: line-through;
    }
    .why {
        display: block;
        white-space: normal;
        max-width: 260px;
    }
    .troubles {
        margin: 0;
        padding-left: 18px;
        max-height: 150px;
        overflow: auto;
    }
    .options label,
    .store label {
        display: flex;
        gap: 8px;
        align-items: center;
        white-space: nowrap;
    }
    .options select {
        max-width: 300px;
    }
    .options {
        padding: 10px 0;
        justify-content: flex-start;
    }
    .tags {
        display: grid;
        gap: 6px;
    }
    .tag {
        display: flex;
        gap: 16px;
        flex-wrap: wrap;
    }
    .end {
        display: flex;
        gap: 10px;
        margin-left: auto;
    }
</style>
