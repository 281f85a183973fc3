<script lang="ts">
    import { patch, post } from '../../api/client';
    import type { Fitting, Setup } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { shownNumber as text } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { factor } from '../../format/units';

    let {
        fitting,
        setup,
        from,
        onsaved,
        oncancel,
    }: { fitting: Fitting; setup: Setup | null; from: Setup | null; onsaved: () => void; oncancel: () => void } = $props();
    // svelte-ignore state_referenced_locally
    const model = setup ?? from;
    // svelte-ignore state_referenced_locally
    const unit = fitting.player.units.length;
    let form = $state({
        head: model?.head ?? '',
        statedLoftDeg: text(model?.statedLoftDeg),
        measuredLoftDeg: text(model?.measuredLoftDeg),
        measuredLieDeg: text(model?.measuredLieDeg),
        measuredFaceOpenDeg: text(model?.measuredFaceOpenDeg),
        sleeveLabel: model?.sleeveLabel ?? '',
        sleeveLoftDeg: text(model?.sleeveLoftDeg),
        sleeveFaceOpenDeg: text(model?.sleeveFaceOpenDeg),
        sleeveLieDeg: text(model?.sleeveLieDeg),
        weights: model?.weights ?? '',
        shaft: model?.shaft ?? '',
        length: model?.lengthMm ? String(+(model.lengthMm * factor(unit)).toFixed(unit === 'in' ? 2 : 0)) : '',
        ball: model?.ball ?? '',
        // svelte-ignore state_referenced_locally
        note: setup?.note ?? '',
    });
    const sending = new Form();
    const { err } = sending;
    let frozen = $derived((setup?.shots ?? 0) > 0);

    async function save(event: SubmitEvent) {
        event.preventDefault();
        const body = { ...form, length: { value: form.length, unit }, branchedFromId: from?.id ?? null };
        await sending.send(async () => {
            if (setup) await patch(`setups/${setup.id}`, body);
            else await post(`fittings/${fitting.id}/setups`, body);
            onsaved();
        });
    }
</script>

<form class="panel" onsubmit={save}>
    <h2>{setup ? `Setup ${setup.tag}` : from ? `New setup from ${from.tag}` : 'The player’s own club'}</h2>
    {#if frozen}<p class="small">{setup?.tag} was hit, so it cannot change any more. You can still add gauge readings and a note.</p>{/if}
    <div class="grid">
        <div class="wide">
            <Field label="Head" error={err('head')}><input required maxlength="80" disabled={frozen} bind:value={form.head} /></Field>
        </div>
        <Field label="Stated loft" hint="°" error={err('statedLoftDeg')}
            ><input required inputmode="decimal" disabled={frozen} bind:value={form.statedLoftDeg} /></Field
        >
        <Field label="Measured loft" hint="° on the gauge" error={err('measuredLoftDeg')}
            ><input inputmode="decimal" bind:value={form.measuredLoftDeg} /></Field
        >
        <Field label="Measured lie" hint="°" error={err('measuredLieDeg')}
            ><input inputmode="decimal" bind:value={form.measuredLieDeg} /></Field
        >
        <Field label="Measured face" hint="° open +" error={err('measuredFaceOpenDeg')}
            ><input inputmode="decimal" bind:value={form.measuredFaceOpenDeg} /></Field
        >
        <Field label="Sleeve position" hint="as printed" error={err('sleeveLabel')}
            ><input maxlength="40" disabled={frozen} bind:value={form.sleeveLabel} /></Field
        >
        <Field label="changes loft" hint="°" error={err('sleeveLoftDeg')}
            ><input inputmode="decimal" disabled={frozen} bind:value={form.sleeveLoftDeg} /></Field
        >
        <Field label="changes face" hint="° open +" error={err('sleeveFaceOpenDeg')}
            ><input inputmode="decimal" disabled={frozen} bind:value={form.sleeveFaceOpenDeg} /></Field
        >
        <Field label="changes lie" hint="°" error={err('sleeveLieDeg')}
            ><input inputmode="decimal" disabled={frozen} bind:value={form.sleeveLieDeg} /></Field
        >
        <Field label="Weights" error={err('weights')}
            ><input maxlength="120" placeholder="12 g back" disabled={frozen} bind:value={form.weights} /></Field
        >
        <Field label="Shaft" error={err('shaft')}><input maxlength="80" disabled={frozen} bind:value={form.shaft} /></Field>
        <Field label="Length" hint={unit} error={err('length')}
            ><input inputmode="decimal" disabled={frozen} bind:value={form.length} /></Field
        >
        <Field label="Ball" error={err('ball')}><input maxlength="80" disabled={frozen} bind:value={form.ball} /></Field>
        <div class="wide"><Field label="Note"><input maxlength="500" bind:value={form.note} /></Field></div>
    </div>
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
    <div class="row">
        <button disabled={sending.busy}>{setup ? 'Save' : 'Add setup'}</button><button type="button" class="quiet" onclick={oncancel}
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
        grid-template-columns: repeat(4, 1fr);
        gap: 10px 12px;
        align-items: end;
    }
    .wide {
        grid-column: span 2;
    }
    .row {
        display: flex;
        gap: 10px;
    }
    @media (max-width: 700px) {
        .grid {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
