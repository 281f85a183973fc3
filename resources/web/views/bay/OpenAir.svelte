<script lang="ts">
    import { untrack } from 'svelte';
    import { put } from '../../api/client';
    import type { Trial, UnitChoice } from '../../api/generated/types';
    import { factor, plain } from '../../format/units';
    import { Form } from '../../lib/form.svelte';
    import { typed } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { WIND } from '../brief/fields';

    // The wind and the air that the running trial is hit in, where that is outdoors: both are taken out of what is compared.
    // What is left empty is as the brief says it.
    let { trial, units, kept }: { trial: Trial; units: UnitChoice; kept: () => void } = $props();
    const now = $derived(trial.openAir);
    const in1 = (value: number | undefined, unit: string, digits: number) =>
        value === undefined ? '' : plain(value * factor(unit), digits);
    const form = new Form(
        untrack(() => ({
            wind: in1(trial.openAir?.windMps, units.speed, 1),
            from: trial.openAir ? String(trial.openAir.windFromDeg) : '',
            air: in1(trial.openAir?.temperatureC, '°C', 1),
            altitude: in1(trial.openAir?.altitudeM, units.distance, 0),
            whole: true,
        })),
    );
    const fromWords = (degrees: number) => WIND.find(([d]) => Number(d) === degrees)?.[1] ?? `from ${plain(degrees, 0)}°`;

    /** What is a number goes in the kept unit; what is none goes as it was typed, and is refused by name; nothing goes as nothing. */
    const kept1 = (text: string, unit: string) => {
        const value = text.trim() === '' ? null : typed(text);
        return typeof value === 'number' ? value / factor(unit) : value;
    };
    async function send(outdoors: boolean) {
        const { wind, from, air, altitude, whole } = form.values;
        const openAir = outdoors
            ? {
                  windMps: kept1(wind, units.speed),
                  windFromDeg: from === '' ? null : Number(from),
                  temperatureC: kept1(air, '°C'),
                  altitudeM: kept1(altitude, units.distance),
              }
            : null;
        if (await form.send(() => put(`trials/${trial.id}/open-air`, { openAir, wholeVisit: whole }))) kept();
    }
</script>

<details>
    <summary
        >{now
            ? now.windMps > 0
                ? `Outdoors: wind ${in1(now.windMps, units.speed, 0)} ${units.speed}, ${fromWords(now.windFromDeg)}`
                : 'Outdoors, no wind'
            : 'Hit outdoors?'}</summary
    >
    <form onsubmit={(e) => (e.preventDefault(), void send(true))}>
        <Field label="Wind" hint={units.speed} error={form.err('openAir.windMps')}
            ><input inputmode="decimal" bind:value={form.values.wind} /></Field
        >
        <Field label="Wind from" error={form.err('openAir.windFromDeg')}
            ><select bind:value={form.values.from}
                ><option value="">not said</option>{#each WIND as [degrees, words] (degrees)}<option value={degrees}>{words}</option
                    >{/each}</select
            ></Field
        >
        <Field label="Air" hint="°C; empty: as in the brief" error={form.err('openAir.temperatureC')}
            ><input inputmode="decimal" bind:value={form.values.air} /></Field
        >
        <Field label="Altitude" hint="{units.distance}; empty: as in the brief" error={form.err('openAir.altitudeM')}
            ><input inputmode="decimal" bind:value={form.values.altitude} /></Field
        >
        <label class="whole"><input type="checkbox" bind:checked={form.values.whole} /> All trials of this visit</label>
        <span class="row"
            ><button disabled={form.busy}>Keep wind and air</button>
            {#if now}<button type="button" class="plain" disabled={form.busy} onclick={() => send(false)}>It was in a bay</button
                >{/if}</span
        >
        <p class="small">Wind and air are taken out of carry, side and height before setups are compared.</p>
        {#if form.problem}<Notice kind="error">{form.problem}</Notice>{/if}
    </form>
</details>

<style>
    form {
        display: grid;
        grid-template-columns: repeat(2, minmax(0, 1fr));
        gap: 8px 14px;
        align-items: start;
        max-width: 460px;
        padding-top: 6px;
    }
    .whole,
    .row,
    p,
    form > :global(.notice) {
        grid-column: 1 / -1;
    }
    .whole {
        display: flex;
        gap: 7px;
        align-items: center;
        font-size: var(--small);
    }
    .row {
        display: flex;
        gap: 10px;
    }
</style>
