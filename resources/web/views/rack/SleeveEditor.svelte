<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { shownNumber as text, typed } from '../../lib/numbers';
    import { untrack } from 'svelte';
    import { patch, post, remove } from '../../api/client';
    import type { Sleeve, SleeveCheck, SleeveSpec } from '../../api/generated/types';
    import SetupPlane from '../../charts/SetupPlane.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { plain, signed } from '../../format/units';

    let { sleeve = null, onsaved, oncancel }: { sleeve?: Sleeve | null; onsaved: () => void; oncancel: () => void } = $props();
    const was = untrack(() => sleeve);
    const spec: SleeveSpec = was?.spec ?? {
        name: '',
        kind: 'single',
        tiltDeg: 1,
        home: '',
        printedFor: 'squared',
        positions: [{ label: 'N', clockDeg: 0 }],
    };
    let form = $state({
        name: spec.name,
        kind: spec.kind,
        home: spec.home ?? '',
        printedFor: spec.printedFor ?? 'squared',
        tiltDeg: text(spec.tiltDeg ?? 1),
        ringA: text(spec.ringTiltsDeg?.[0] ?? 0.75),
        ringB: text(spec.ringTiltsDeg?.[1] ?? 0.75),
    });
    let positions = $state(
        spec.positions.map((p) => ({
            label: p.label,
            clock: text(p.clockDeg),
            clockA: text(p.clocksDeg?.[0]),
            clockB: text(p.clocksDeg?.[1]),
            loftDeg: text(p.loftDeg),
            faceOpenDeg: text(p.faceOpenDeg),
            lieDeg: text(p.lieDeg),
        })),
    );
    let hand = $state<'right' | 'left'>('right');
    const geometry = new Loader<SleeveCheck>();
    const checked = $derived(geometry.value);
    let at = $state('');
    const sending = new Form();

    const number = (t: string) => typed(t) ?? undefined;
    function built(): SleeveSpec {
        const out: SleeveSpec = { name: form.name, kind: form.kind, printedFor: form.printedFor, positions: [] };
        if (form.home) out.home = form.home;
        if (form.kind === 'single') out.tiltDeg = number(form.tiltDeg);
        if (form.kind === 'rings') out.ringTiltsDeg = [number(form.ringA) ?? '', number(form.ringB) ?? ''];
        out.positions = positions.map((p) => ({
            label: p.label,
            ...(form.kind === 'single' ? { clockDeg: number(p.clock) } : {}),
            ...(form.kind === 'rings' ? { clocksDeg: [number(p.clockA) ?? '', number(p.clockB) ?? ''] } : {}),
            loftDeg: number(p.loftDeg),
            faceOpenDeg: number(p.faceOpenDeg),
            lieDeg: number(p.lieDeg),
        }));
        return out;
    }
    $effect(() => {
        const body = { spec: { ...built(), name: form.name || 'new' } };
        const wait = setTimeout(() => void geometry.load(() => post<SleeveCheck>('sleeves/check', body)), 200);
        return () => clearTimeout(wait);
    });
    async function save(event: SubmitEvent) {
        event.preventDefault();
        await sending.send(async () => {
            if (was) await patch(`sleeves/${was.id}`, { spec: built() });
            else await post('sleeves', { spec: built() });
            onsaved();
        });
    }
    async function retire() {
        await sending.send(async () => {
            await remove(`sleeves/${was!.id}`);
            onsaved();
        });
    }
    const checkOf = (label: string) => checked?.check.find((c) => c.label === label);
</script>

<form class="panel" onsubmit={save} novalidate>
    <div class="left">
        <h2>{was ? `Sleeve ${was.name}` : 'A new sleeve'}</h2>
        <div class="grid">
            <Field label="Name"><input required maxlength="60" bind:value={form.name} /></Field>
            <Field label="Kind"
                ><select bind:value={form.kind}
                    ><option value="single">one tilt, turned</option><option value="rings">two rings</option><option value="card"
                        >printed card only</option
                    ></select
                ></Field
            >
            <Field label="Changes are printed for"
                ><select bind:value={form.printedFor}
                    ><option value="squared">a squared face</option><option value="soled">a soled head</option></select
                ></Field
            >
            <Field label="Stamped loft holds at"
                ><select bind:value={form.home}
                    ><option value="">the first</option>{#each positions as p, i (i)}<option value={p.label}>{p.label}</option
                        >{/each}</select
                ></Field
            >
            {#if form.kind === 'single'}<Field label="Tilt" hint="°"><input inputmode="decimal" bind:value={form.tiltDeg} /></Field>{/if}
            {#if form.kind === 'rings'}
                <Field label="Upper ring" hint="°"><input inputmode="decimal" bind:value={form.ringA} /></Field>
                <Field label="Lower ring" hint="°"><input inputmode="decimal" bind:value={form.ringB} /></Field>
            {/if}
        </div>
        <Scroll label="Positions"
            ><table>
                <thead>
                    <tr
                        ><th>Label</th>{#if form.kind === 'single'}<th>Clock <small>°</small></th>{:else if form.kind === 'rings'}<th
                                >Upper <small>°</small></th
                            ><th>Lower <small>°</small></th>{/if}<th>Loft <small>printed</small></th><th>Face <small>open +</small></th><th
                            >Lie</th
                        ><th>Geometry gives <small>loft, face, lie</small></th><th></th></tr
                    >
                </thead>
                <tbody>
                    {#each positions as p, i (i)}
                        {@const c = checkOf(p.label)}
                        <tr>
                            <td><input aria-label="Label of position {i + 1}" maxlength="12" bind:value={p.label} /></td>
                            {#if form.kind === 'single'}<td
                                    ><input aria-label="Clock of {p.label}" inputmode="decimal" bind:value={p.clock} /></td
                                >
                            {:else if form.kind === 'rings'}<td
                                    ><input aria-label="Upper ring of {p.label}" inputmode="decimal" bind:value={p.clockA} /></td
                                ><td><input aria-label="Lower ring of {p.label}" inputmode="decimal" bind:value={p.clockB} /></td>{/if}
                            <td><input aria-label="Printed loft of {p.label}" inputmode="decimal" bind:value={p.loftDeg} /></td>
                            <td><input aria-label="Printed face of {p.label}" inputmode="decimal" bind:value={p.faceOpenDeg} /></td>
                            <td><input aria-label="Printed lie of {p.label}" inputmode="decimal" bind:value={p.lieDeg} /></td>
                            <td class:warn={c && !c.agrees}
                                >{#if c}{signed(c.loftDeg, 1)}, {signed(c.faceOpenDeg, 1)}, {signed(c.lieDeg, 1)}{#if !c.agrees}<small
                                            >print is {plain(c.missDeg, 1)}° off</small
                                        >{/if}{/if}</td
                            >
                            <td
                                ><button
                                    type="button"
                                    class="plain"
                                    aria-label="Remove position {p.label}"
                                    onclick={() => (positions = positions.filter((x) => x !== p))}>×</button
                                ></td
                            >
                        </tr>
                    {/each}
                </tbody>
            </table></Scroll
        >
        <button
            type="button"
            class="quiet"
            onclick={() => positions.push({ label: '', clock: '', clockA: '', clockB: '', loftDeg: '', faceOpenDeg: '', lieDeg: '' })}
            >Another position</button
        >
        {#if geometry.problem}<Notice>{geometry.problem}</Notice>{/if}
        {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
        <div class="row">
            <button disabled={sending.busy}>Save the sleeve</button><button type="button" class="quiet" onclick={oncancel}>Close</button>
            {#if was}<button type="button" class="plain" onclick={retire}>Take off the rack</button>{/if}
        </div>
    </div>
    <div class="right">
        <div class="row">
            <h3>For a 10.5° head at lie 58°</h3>
            <select aria-label="Hand of the plane" bind:value={hand}
                ><option value="right">right-handed</option><option value="left">left-handed</option></select
            >
        </div>
        {#if checked}<SetupPlane plane={checked.plane} {hand} {at} from={checked.plane.home} onpick={(l) => (at = l)} />{/if}
        <p class="small">
            Clock: 0 the shaft leans upright, 90 toward the target, 180 flat, 270 away. A printed loft is true only with the face turned
            back to square; on its sole the head keeps its loft and the face turns.
        </p>
    </div>
</form>

<style>
    form {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 420px;
        gap: 22px;
    }
    .left,
    .right {
        display: grid;
        gap: 12px;
        align-content: start;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 9px 12px;
    }
    td input {
        padding: 3px 6px;
        text-align: right;
        min-width: 52px;
    }
    td:first-child input {
        text-align: left;
        min-width: 76px;
    }
    td small {
        display: block;
        color: inherit;
    }
    .row {
        display: flex;
        gap: 10px;
        align-items: center;
    }
    .right select {
        width: auto;
    }
    @media (max-width: 1000px) {
        form,
        .grid {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
