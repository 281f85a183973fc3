<script lang="ts">
    import { get, put } from '../../api/client';
    import type { StudioRules } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { LANGUAGES, languageName } from '../../lib/words';
    import { session } from '../../lib/session.svelte';
    import { typed } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';

    const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
    const form = new Form({
        zone: '',
        language: 'en',
        hours: DAYS.map(() => ''),
        kinds: [] as { name: string; minutes: string; swings: string }[],
    });
    let zones = $state<string[]>([]);
    const show = (r: StudioRules) => {
        zones = r.timeZones;
        form.values = {
            zone: r.timeZone,
            language: r.language,
            hours: r.openingHours.map((day) => day.map((s) => s.join('–')).join(', ')),
            kinds: r.appointmentKinds.map((k) => ({ name: k.name, minutes: String(k.minutes), swings: String(k.swings) })),
        };
    };
    $effect(() => {
        get<StudioRules>('studio/rules')
            .then(show)
            .catch((e) => form.fail(e));
    });
    /** "9:00-12:30, 14-19" as spans of two times; what cannot be read goes as it is and is refused by name. */
    const spansOf = (text: string): string[][] =>
        text
            .split(/[,;]/)
            .filter((part) => part.trim() !== '')
            .map((part) =>
                part.split(/[–—-]|\bto\b/).map((time) => {
                    const [, hour, minute] = /^\s*(\d{1,2})(?:[:.h](\d{2}))?\s*$/.exec(time) ?? [];
                    return hour === undefined ? time.trim() : `${hour.padStart(2, '0')}:${minute ?? '00'}`;
                }),
            );
    async function save(event: SubmitEvent) {
        event.preventDefault();
        const { zone, language, hours, kinds } = form.values;
        const ok = await form.send(async () => {
            show(
                await put<StudioRules>('studio/rules', {
                    timeZone: zone,
                    language,
                    openingHours: hours.map(spansOf),
                    appointmentKinds: kinds.map((k) => ({ name: k.name, minutes: typed(k.minutes), swings: typed(k.swings) })),
                }),
            );
        });
        if (ok && session.user) session.user.zone = form.values.zone;
        if (ok) form.note = 'Kept. Appointments that were booked stay as they are.';
    }
</script>

{#if zones.length}
    <form class="panel" onsubmit={save}>
        <Field label="Time zone" hint="of the clock on the studio’s wall" error={form.err('timeZone')}
            ><select bind:value={form.values.zone}
                >{#each zones as z (z)}<option>{z}</option>{/each}</select
            ></Field
        >
        <Field label="Players are written to in" hint="where nothing else says it" error={form.err('language')}
            ><select bind:value={form.values.language}
                >{#each LANGUAGES as l (l)}<option value={l}>{languageName(l)}</option>{/each}</select
            ></Field
        >
        <fieldset>
            <legend>Open</legend>
            {#each DAYS as day, i (day)}
                <Field label={day}><input placeholder="closed" bind:value={form.values.hours[i]} /></Field>
            {/each}
            <p class="small">Such as 9:00–12:30, 14:00–19:00; empty where it is closed.</p>
        </fieldset>
        {#if form.err('openingHours') || form.err('hours')}<Notice kind="error">{form.err('openingHours') || form.err('hours')}</Notice
            >{/if}
        <fieldset>
            <legend>What people come for, with its budget</legend>
            {#each form.values.kinds as kind, i (i)}
                <div class="kind">
                    <Field label="Kind"><input maxlength="40" required bind:value={kind.name} /></Field>
                    <Field label="Minutes"><input inputmode="numeric" required bind:value={kind.minutes} /></Field>
                    <Field label="Swings"><input inputmode="numeric" required bind:value={kind.swings} /></Field>
                    <button type="button" class="plain" aria-label="Remove {kind.name}" onclick={() => form.values.kinds.splice(i, 1)}
                        >Remove</button
                    >
                </div>
            {/each}
            <button type="button" class="quiet" onclick={() => form.values.kinds.push({ name: '', minutes: '60', swings: '30' })}
                >Another kind</button
            >
        </fieldset>
        {#if form.problem && !form.err('timeZone') && !form.err('hours') && !form.err('openingHours')}<Notice kind="error"
                >{form.problem}</Notice
            >{/if}
        {#if form.note}<Notice kind="good">{form.note}</Notice>{/if}
        <div><button disabled={form.busy}>Keep</button></div>
    </form>
{:else if form.problem}<Notice kind="error">{form.problem}</Notice>
{:else}<Outline what="Opening …" blocks={['lines']} />{/if}

<style>
    form {
        display: grid;
        gap: 16px;
        max-width: 620px;
    }
    fieldset {
        border: 0;
        padding: 0;
        margin: 0;
        display: grid;
        gap: 8px;
        justify-items: start;
    }
    fieldset > :global(.field) {
        width: 100%;
        max-width: 320px;
    }
    legend {
        font-weight: 650;
        padding: 0 0 4px;
    }
    .kind {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 90px 90px auto;
        gap: 10px;
        align-items: end;
        width: 100%;
    }
</style>
