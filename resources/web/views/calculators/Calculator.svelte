<script lang="ts">
    import { ApiError, post } from '../../api/client';
    import type { Rack } from '../../api/generated/types';
    import { Loader } from '../../lib/load.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Answer from './Answer.svelte';
    import {
        addressOf,
        bodyOf,
        fromAddress,
        hintOf,
        INPUTS,
        inUnits,
        otherProblemText,
        problemText,
        readPositions,
        SLEEVE,
        SLOTS,
        slotsFrom,
        slotsText,
        UNITS,
        usualValues,
        type Input,
        type Kind,
    } from './specs';

    let { kind, sleeves }: { kind: Kind; sleeves: Rack['sleeves'] } = $props();
    // What the address says; the rest is what is usual.
    const said = new URLSearchParams(location.hash.split('?')[1] ?? '');
    let unit = $state(
        said.get('u') !== null && said.get('u')! in UNITS ? said.get('u')! : (localStorage.getItem('calculator-units') ?? 'yd'),
    );
    const units = $derived((UNITS[unit] ?? UNITS.yd!).units);
    // svelte-ignore state_referenced_locally
    let values = $state<Record<string, string>>(fromAddress(kind, said, units));
    let slots = $state(said.has('slots') ? slotsFrom(said.get('slots')!) : SLOTS.map((s) => ({ ...s })));
    let sleeve = $state(said.get('sleeve') ?? '');
    let tilt = $state(said.get('tilt') ?? SLEEVE.tilt);
    let positions = $state(said.get('positions') ?? SLEEVE.positions);
    const described = $derived({
        name: 'described',
        kind: 'single',
        tiltDeg: Number(tilt.replace(',', '.')),
        positions: readPositions(positions),
    });
    const chosen = $derived(sleeves.find((s) => s.name === sleeve)?.spec ?? described);
    const beside = $derived({ slots, sleeve: chosen });
    const more = $derived(
        kind === 'weights'
            ? { slots: slotsText(slots) }
            : kind === 'plane'
              ? sleeve
                  ? { sleeve }
                  : { tilt, positions }
              : ({} as Record<string, string>),
    );
    const reading = new Loader<{ body: Record<string, unknown>; answer: unknown }>();
    let note = $state('');

    // Worked out a moment after the last key, so that nobody has to press anything.
    $effect(() => {
        const body = bodyOf(kind, values, units, beside);
        const address = addressOf(kind, unit, values, more);
        const timer = setTimeout(() => {
            history.replaceState(history.state, '', address);
            void reading.load(async () => ({ body, answer: await post(`calculate/${kind}`, body) }));
        }, 180);
        return () => clearTimeout(timer);
    });
    $effect(() => localStorage.setItem('calculator-units', unit));

    /** Other units say the same in other figures. */
    function change(to: string) {
        values = inUnits(kind, values, units, UNITS[to]!.units);
        unit = to;
    }
    const problems = $derived(reading.failure instanceof ApiError ? reading.failure.fields : {});
    const raw = (as: string[]) => as.map((a) => problems[a]?.[0]).find(Boolean) ?? '';
    const err = (i: Input) => raw(i.as) && problemText(i, raw(i.as), values[i.key] ?? '', units);
    const problem = $derived(reading.problem && (INPUTS[kind].map(err).find(Boolean) ?? otherProblemText(reading.problem)));
    async function share() {
        try {
            await navigator.clipboard.writeText(location.href);
            note = 'The link is copied: it opens with these figures.';
        } catch {
            note = 'The link stands in the address line.';
        }
    }
</script>

<div class="two">
    <form onsubmit={(e) => e.preventDefault()} aria-label="What is put in">
        <div class="row">
            <label class="small"
                >Units <select value={unit} onchange={(e) => change(e.currentTarget.value)}
                    >{#each Object.entries(UNITS) as [name, u] (name)}<option value={name}>{u.label}</option>{/each}</select
                ></label
            >
            <button type="button" class="plain" onclick={() => (values = usualValues(kind, units))}>As usual</button>
            <button type="button" class="plain" onclick={share}>Copy the link</button>
        </div>
        <div class="grid">
            {#each INPUTS[kind] as i (i.key)}
                <Field label={i.label} hint={hintOf(i, units)} error={err(i)}>
                    {#if i.choices}<select bind:value={values[i.key]}
                            >{#each i.choices as [value, label] (value)}<option {value}>{label}</option>{/each}</select
                        >{:else}<input inputmode={i.key === 'sw' ? 'text' : 'decimal'} maxlength="12" bind:value={values[i.key]} />{/if}
                </Field>
            {/each}
        </div>
        {#if kind === 'plane'}
            <Field label="Sleeve"
                ><select bind:value={sleeve}
                    ><option value="">described below</option>{#each sleeves as s (s.id)}<option>{s.name}</option>{/each}</select
                ></Field
            >
            {#if !sleeve}
                <Field label="Tilt of the bore" hint="°" error={raw(['tiltDeg', 'sleeve.tiltDeg'])}
                    ><input inputmode="decimal" maxlength="6" bind:value={tilt} /></Field
                >
                <Field
                    label="Positions"
                    hint="label and clock, parted by ; · 0 upright, 90 to the target, 180 flat, 270 away"
                    error={raw(['positions', 'positions.0', 'clockDeg'])}><input maxlength="300" bind:value={positions} /></Field
                >
            {/if}
        {:else if kind === 'weights'}
            <div class="slots" role="group" aria-label="Slots">
                <span>Slot</span><span>toe <small>mm</small></span><span>back <small>mm</small></span><span>up <small>mm</small></span><span
                    >weight <small>g</small></span
                >
                {#each slots as s, i (i)}
                    <input aria-label="Slot {i + 1}, name" maxlength="20" bind:value={s.name} />
                    <input aria-label="Slot {i + 1}, toe mm" inputmode="decimal" maxlength="6" bind:value={s.toeMm} />
                    <input aria-label="Slot {i + 1}, back mm" inputmode="decimal" maxlength="6" bind:value={s.backMm} />
                    <input aria-label="Slot {i + 1}, up mm" inputmode="decimal" maxlength="6" bind:value={s.upMm} />
                    <input aria-label="Slot {i + 1}, weight g" inputmode="decimal" maxlength="6" bind:value={s.g} />
                {/each}
            </div>
            {#if slots.length < 6}<div>
                    <button
                        type="button"
                        class="plain"
                        onclick={() =>
                            (slots = [...slots, { name: `slot ${slots.length + 1}`, toeMm: '0', backMm: '60', upMm: '-12', g: '' }])}
                        >Another slot</button
                    >
                </div>{/if}
        {/if}
        {#if note}<p class="small" role="status">{note}</p>{/if}
    </form>
    <section aria-live="polite" aria-label="What comes out">
        {#if problem}<Notice kind="error">{problem}</Notice>{/if}
        {#if reading.value && !reading.problem}<Answer
                {kind}
                answer={reading.value.answer}
                {units}
                hand={values.hand === 'left' ? 'left' : 'right'}
            />{/if}
    </section>
</div>

<style>
    .two {
        display: grid;
        grid-template-columns: minmax(280px, 460px) minmax(0, 1fr);
        gap: 32px;
        align-items: start;
    }
    form,
    section {
        display: grid;
        gap: 12px;
        min-width: 0;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 6px 14px;
        align-items: center;
    }
    .row label {
        display: flex;
        gap: 6px;
        align-items: center;
    }
    .row select {
        width: auto;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(2, minmax(0, 1fr));
        gap: 9px 14px;
        align-items: end;
    }
    .slots {
        display: grid;
        grid-template-columns: 1.5fr repeat(4, minmax(0, 1fr));
        gap: 5px;
        font-size: var(--small);
    }
    @media (max-width: 900px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
