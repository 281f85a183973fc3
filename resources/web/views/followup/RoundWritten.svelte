<script lang="ts">
    import { post } from '../../api/client';
    import type { FollowUp, UnitChoice } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { today } from '../../format/times';
    import { emptyRound, sentRound } from '../forplayer/rounds';

    // A round that the player tells at the counter.
    let { fittingId, units, courses, taken }: { fittingId: number; units: UnitChoice; courses: string[]; taken: (now: FollowUp) => void } =
        $props();
    const form = new Form(emptyRound(today()));
    let key = crypto.randomUUID();
    const COUNTS = [
        ['holes', 'Holes driven on'],
        ['hit', 'Fairways hit'],
        ['left', 'Missed left'],
        ['right', 'Missed right'],
        ['lost', 'Lost'],
    ] as const;
    async function save(event: SubmitEvent) {
        event.preventDefault();
        const ok = await form.send(async () =>
            taken(await post<FollowUp>(`fittings/${fittingId}/rounds`, { key, ...sentRound(form.values, units.distance) })),
        );
        if (ok) {
            form.values = emptyRound(form.values.playedOn, form.values.course, form.values.club);
            key = crypto.randomUUID();
            form.note = 'Written down.';
        }
    }
</script>

<form onsubmit={save}>
    <div class="grid">
        <Field label="Played on" error={form.err('playedOn')}><input type="date" required bind:value={form.values.playedOn} /></Field>
        <Field label="Course" error={form.err('course')}
            ><input required maxlength="120" list="known-courses" bind:value={form.values.course} /></Field
        >
        <Field label="With"
            ><select bind:value={form.values.club}
                ><option value="new">the new club</option><option value="before">the club before</option></select
            ></Field
        >
        <Field label="Feel" hint="1 to 5" error={form.err('feel')}
            ><select bind:value={form.values.feel}
                ><option value={null}>not said</option>{#each [1, 2, 3, 4, 5] as f (f)}<option value={f}>{f}</option>{/each}</select
            ></Field
        >
    </div>
    <datalist id="known-courses"
        >{#each courses as c (c)}<option value={c}></option>{/each}</datalist
    >
    <div class="grid five">
        {#each COUNTS as [field, label] (field)}<Field {label} error={form.err(field)}
                ><input
                    type="number"
                    inputmode="numeric"
                    min="0"
                    max="18"
                    required={!(form.values.forgotMisses && (field === 'left' || field === 'right'))}
                    bind:value={form.values[field]}
                /></Field
            >{/each}
    </div>
    <div class="grid">
        <Field label="Drive 1, {units.distance}" error={form.err('drives')}
            ><input inputmode="decimal" bind:value={form.values.drive1} /></Field
        >
        <Field label="Drive 2, {units.distance}"><input inputmode="decimal" bind:value={form.values.drive2} /></Field>
    </div>
    <Field label="Their words" error={form.err('words')}
        ><textarea rows="2" maxlength="500" bind:value={form.values.words}></textarea></Field
    >
    <label><input type="checkbox" bind:checked={form.values.forgotMisses} /> The player does not remember where the misses went</label>
    {#if form.problem && Object.keys(form.problems).length === 0}<Notice kind="error">{form.problem}</Notice>{/if}
    {#if form.note}<Notice kind="good">{form.note}</Notice>{/if}
    <div><button disabled={form.busy}>Write it down</button></div>
</form>

<style>
    form {
        display: grid;
        gap: 10px;
        padding-top: 8px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
        gap: 10px;
    }
</style>
