<script lang="ts">
    import { untrack } from 'svelte';
    import { patch, post } from '../../api/client';
    import type { Hand, HeadDetail, RackHead, Sleeve } from '../../api/generated/types';
    import { HEAD_KINDS } from '../../api/generated/vocabulary';
    import { Form } from '../../lib/form.svelte';
    import { shownNumber as text, typed, typedList } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import SupplyFields, { type TypedSupply } from './SupplyFields.svelte';

    let {
        head = null,
        sleeves,
        onsaved,
        oncancel,
    }: { head?: RackHead | null; sleeves: Sleeve[]; onsaved: (head: HeadDetail) => void; oncancel: () => void } = $props();
    const was = untrack(() => head);
    let form = $state({
        label: was?.label ?? '',
        maker: was?.maker ?? '',
        hand: (was?.hand ?? 'right') as Hand,
        type: was?.type ?? 'middle',
        sleeveId: was?.sleeveId ?? null,
        statedLoftDeg: text(was?.statedLoftDeg),
        statedLieDeg: text(was?.statedLieDeg ?? 58),
        statedFaceOpenDeg: text(was?.statedFaceOpenDeg ?? 0),
        volumeCm3: text(was?.volumeCm3),
        massG: text(was?.massG),
        cgToeMm: text(was?.cgToeMm),
        cgBackMm: text(was?.cgBackMm),
        cgUpMm: text(was?.cgUpMm),
        bulgeMm: text(was?.bulgeMm),
        rollMm: text(was?.rollMm),
        note: was?.note ?? '',
        supply: { ...(was?.supply ?? {}) } as TypedSupply,
    });
    let slots = $state(
        (was?.slots ?? []).map((s) => ({
            name: s.name,
            toeMm: text(s.toeMm),
            backMm: text(s.backMm),
            upMm: text(s.upMm),
            fromG: text(s.fromG),
            toG: text(s.toG),
            mayBeEmpty: s.mayBeEmpty ?? true,
            standard: text(was?.standard[s.name]),
        })),
    );
    let stock = $state((was?.stockG ?? []).join(' '));
    let inertia = $state(was?.inertiaGcm2 ? [0, 1, 2].map((i) => String(was.inertiaGcm2![i]![i])).join(' ') : '');
    const sending = new Form();
    const { err } = sending;
    const empty = (t: string) => (t.trim() === '' ? null : t);

    async function save(event: SubmitEvent) {
        event.preventDefault();
        const f = $state.snapshot(form);
        const three = typedList(inertia);
        const body = {
            ...f,
            ...Object.fromEntries(
                (['volumeCm3', 'massG', 'cgToeMm', 'cgBackMm', 'cgUpMm', 'bulgeMm', 'rollMm'] as const).map((k) => [k, empty(f[k])]),
            ),
            inertiaGcm2:
                inertia.trim() === '' ? null : three.length === 3 ? three.map((v, i) => [0, 1, 2].map((j) => (i === j ? v : 0))) : inertia,
            slots: $state.snapshot(slots).map((s) => ({
                name: s.name,
                toeMm: s.toeMm,
                backMm: s.backMm,
                upMm: s.upMm,
                mayBeEmpty: s.mayBeEmpty,
                fromG: empty(s.fromG),
                toG: empty(s.toG),
            })),
            stockG: typedList(stock),
            standard: Object.fromEntries(slots.filter((s) => s.standard.trim() !== '').map((s) => [s.name, typed(s.standard)])),
        };
        await sending.send(async () => {
            onsaved(was ? await patch<HeadDetail>(`heads/${was.id}`, body) : await post<HeadDetail>('heads', body));
        });
    }
</script>

<form class="panel" onsubmit={save} novalidate>
    <h2>{was ? `Change ${was.label}` : 'A head for the rack'}</h2>
    <div class="grid">
        <div class="two">
            <Field label="Label" hint="as you tell it apart" error={err('label')}
                ><input required maxlength="80" bind:value={form.label} /></Field
            >
        </div>
        <div class="two"><Field label="Maker" error={err('maker')}><input maxlength="80" bind:value={form.maker} /></Field></div>
        <Field label="Hand" error={err('hand')}
            ><select bind:value={form.hand}><option value="right">right-handed</option><option value="left">left-handed</option></select
            ></Field
        >
        <Field label="Kind" hint="for what is unknown"
            ><select bind:value={form.type}
                >{#each HEAD_KINDS as k (k)}<option>{k}</option>{/each}</select
            ></Field
        >
        <div class="two">
            <Field label="Sleeve" error={err('sleeveId')}
                ><select bind:value={form.sleeveId}
                    ><option value={null}>not adjustable</option>{#each sleeves as s (s.id)}<option value={s.id}>{s.name}</option
                        >{/each}</select
                ></Field
            >
        </div>
        <Field label="Stated loft" hint="°" error={err('statedLoftDeg')}
            ><input inputmode="decimal" bind:value={form.statedLoftDeg} /></Field
        >
        <Field label="Stated lie" hint="°" error={err('statedLieDeg')}><input inputmode="decimal" bind:value={form.statedLieDeg} /></Field>
        <Field label="Stated face" hint="° open +" error={err('statedFaceOpenDeg')}
            ><input inputmode="decimal" bind:value={form.statedFaceOpenDeg} /></Field
        >
        <Field label="Volume" hint="cm³" error={err('volumeCm3')}><input inputmode="decimal" bind:value={form.volumeCm3} /></Field>
        <Field label="Mass" hint="g, as it comes" error={err('massG')}><input inputmode="decimal" bind:value={form.massG} /></Field>
        <Field label="CG toe" hint="mm, heel −" error={err('cgToeMm')}><input inputmode="decimal" bind:value={form.cgToeMm} /></Field>
        <Field label="CG back" hint="mm" error={err('cgBackMm')}><input inputmode="decimal" bind:value={form.cgBackMm} /></Field>
        <Field label="CG up" hint="mm" error={err('cgUpMm')}><input inputmode="decimal" bind:value={form.cgUpMm} /></Field>
        <div class="two">
            <Field label="Inertia" hint="g·cm²: target, heel–toe, vertical" error={err('inertiaGcm2')}
                ><input placeholder="3000 3900 5400" bind:value={inertia} /></Field
            >
        </div>
        <Field label="Bulge" hint="mm" error={err('bulgeMm')}><input inputmode="decimal" bind:value={form.bulgeMm} /></Field>
        <Field label="Roll" hint="mm" error={err('rollMm')}><input inputmode="decimal" bind:value={form.rollMm} /></Field>
    </div>
    <h3>Weight slots, mm from the face centre</h3>
    {#each slots as slot, i (i)}
        <div class="slot">
            <Field label="Slot" error={err(`slots.${i}.name`)}><input maxlength="20" bind:value={slot.name} /></Field>
            <Field label="Toe" hint="heel −"><input inputmode="decimal" bind:value={slot.toeMm} /></Field>
            <Field label="Back"><input inputmode="decimal" bind:value={slot.backMm} /></Field>
            <Field label="Up"><input inputmode="decimal" bind:value={slot.upMm} /></Field>
            <Field label="From" hint="g"><input inputmode="decimal" bind:value={slot.fromG} /></Field>
            <Field label="To" hint="g"><input inputmode="decimal" bind:value={slot.toG} /></Field>
            <Field label="As it comes" hint="g" error={err(`masses.${slot.name}`)}
                ><input inputmode="decimal" bind:value={slot.standard} /></Field
            >
            <label class="check"><input type="checkbox" bind:checked={slot.mayBeEmpty} /> may be empty</label>
            <button
                type="button"
                class="plain"
                aria-label="Remove slot {slot.name}"
                onclick={() => (slots = slots.filter((s) => s !== slot))}>×</button
            >
        </div>
    {/each}
    <div class="row">
        <button
            type="button"
            class="quiet"
            onclick={() => slots.push({ name: '', toeMm: '0', backMm: '', upMm: '', fromG: '', toG: '', mayBeEmpty: true, standard: '' })}
            >Another slot</button
        >
        <Field label="Weights in stock" hint="g each, all pieces with those in the head" error={err('stockG')}
            ><input placeholder="12 8 4 4" bind:value={stock} /></Field
        >
    </div>
    <SupplyFields bind:supply={form.supply} {err} lofts />
    <Field label="Note" error={err('note')}><input maxlength="500" bind:value={form.note} /></Field>
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
    <div class="row">
        <button disabled={sending.busy}>{was ? 'Save' : 'Put it on the rack'}</button><button type="button" class="quiet" onclick={oncancel}
            >Cancel</button
        >
    </div>
</form>

<style>
    form {
        display: grid;
        gap: 12px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(6, minmax(0, 1fr));
        gap: 9px 12px;
        align-items: start;
    }
    .two {
        grid-column: span 2;
    }
    .slot {
        display: grid;
        grid-template-columns: 1.4fr repeat(6, 1fr) auto auto;
        gap: 8px;
        align-items: end;
    }
    .check {
        display: flex;
        gap: 6px;
        font-size: var(--small);
        padding-bottom: 8px;
        white-space: nowrap;
    }
    .row {
        display: flex;
        gap: 12px;
        align-items: end;
    }
    @media (max-width: 800px) {
        .grid,
        .slot {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
