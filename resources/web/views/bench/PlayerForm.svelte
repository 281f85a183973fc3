<script lang="ts">
    import { ApiError, patch, say } from '../../api/client';
    import type { Fitting } from '../../api/types';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { current } from '../../state/session.svelte';
    import { factor } from '../../units/units';

    let { fitting }: { fitting: Fitting } = $props();
    // A form of its own: what is typed stays until it is saved, whatever happens on the way.
    // svelte-ignore state_referenced_locally
    const was = fitting;
    const unit = was.player.units.distance;
    const back = (m: number | null, digits = 0) => (m === null ? '' : String(+(m * factor(unit)).toFixed(digits)));
    let form = $state({
        name: was.player.name,
        hand: was.player.hand,
        corridorWidth: back(was.corridorWidthM),
        troubleSide: was.troubleSide,
        troubleKind: was.troubleKind,
        troubleAt: back(was.troubleAtM),
        holeLength: back(was.holeLengthM),
        temperatureC: String(was.temperatureC),
        altitude: back(was.altitudeM),
        turf: was.turf,
        wants: was.wants,
    });
    let saved = { ...$state.snapshot(form) };
    let problem = $state('');
    let note = $state('');
    let busy = $state(false);
    const LENGTHS = ['corridorWidth', 'troubleAt', 'holeLength', 'altitude'];

    /** Only what was changed here goes out, so that what another screen changed meanwhile is not written over. */
    function changed(): Record<string, unknown> {
        const out: Record<string, unknown> = {};
        for (const [key, value] of Object.entries($state.snapshot(form))) {
            if (value === saved[key as keyof typeof saved]) continue;
            out[key] = LENGTHS.includes(key) ? { value, unit } : key === 'temperatureC' ? value.replace(',', '.').replace('−', '-') : value;
        }
        return out;
    }
    async function save(event: SubmitEvent) {
        event.preventDefault();
        busy = true;
        problem = note = '';
        try {
            current.fitting = await patch<Fitting>(`fittings/${was.id}`, { ...changed(), version: fitting.version });
            saved = { ...$state.snapshot(form) };
            note = 'Saved.';
        } catch (e) {
            problem = say(e);
            if (e instanceof ApiError && e.status === 409) {
                const now = (e.body as { current: Fitting }).current;
                problem += ` There: corridor ${back(now.corridorWidthM)} ${unit}, trouble ${now.troubleSide}, “${now.wants}”.`;
                current.fitting = now;
            }
        }
        busy = false;
    }
</script>

<form class="panel" onsubmit={save}>
    <h2>Player and course</h2>
    <Field label="Player"><input required maxlength="80" bind:value={form.name} /></Field>
    <Field label="Hand"><select bind:value={form.hand}><option value="right">right-handed</option><option value="left">left-handed</option></select></Field>
    <Field label="Wants"><textarea rows="2" maxlength="500" bind:value={form.wants}></textarea></Field>
    <div class="pair">
        <Field label="Corridor" hint={unit}><input inputmode="decimal" required bind:value={form.corridorWidth} /></Field>
        <Field label="Driving holes" hint={unit}><input inputmode="decimal" required bind:value={form.holeLength} /></Field>
    </div>
    <div class="pair">
        <Field label="Trouble"
            ><select bind:value={form.troubleSide}
                ><option value="none">none</option><option value="left">left</option><option value="right">right</option><option value="both">both sides</option
                ></select
            ></Field
        >
        <Field label="What waits there"
            ><select bind:value={form.troubleKind} disabled={form.troubleSide === 'none'}
                ><option>trees</option><option>water</option><option>out of bounds</option></select
            ></Field
        >
    </div>
    {#if form.troubleSide !== 'none'}
        <Field label="It begins" hint="{unit} from the target line; empty = just beyond the corridor"
            ><input inputmode="decimal" bind:value={form.troubleAt} /></Field
        >
    {/if}
    <div class="three">
        <Field label="Air" hint="°C"><input inputmode="decimal" required bind:value={form.temperatureC} /></Field>
        <Field label="Altitude" hint={unit}><input inputmode="decimal" required bind:value={form.altitude} /></Field>
        <Field label="Ground"><select bind:value={form.turf}><option>soft</option><option>medium</option><option>firm</option></select></Field>
    </div>
    {#if problem}<Notice kind="error">{problem}</Notice>{/if}
    <div class="row"><button disabled={busy}>Save</button><span class="small" role="status">{note}</span></div>
</form>

<style>
    form {
        display: grid;
        gap: 10px;
    }
    .pair {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 10px;
    }
    .three {
        display: grid;
        grid-template-columns: 1fr 1fr 1.2fr;
        gap: 10px;
    }
    .row {
        display: flex;
        gap: 12px;
        align-items: center;
    }
</style>
