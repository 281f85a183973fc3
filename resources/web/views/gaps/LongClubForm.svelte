<script lang="ts">
    import { ApiError, patch, post } from '../../api/client';
    import type { Gaps, LongClub, Rack, UnitChoice } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { typed } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { bodyOfRow, emptyRow, rebased, rowsOf, sentRows, type Shot } from './rows';

    /** A long club, and its shots a line each. */
    let {
        fittingId,
        units,
        club,
        sleeves,
        onsaved,
        oncancel,
    }: {
        fittingId: number;
        units: UnitChoice;
        club: LongClub | null;
        sleeves: Rack['sleeves'];
        onsaved: (now: Gaps) => void;
        oncancel: () => void;
    } = $props();
    // svelte-ignore state_referenced_locally
    const COLUMNS: [keyof Shot, string, string][] = [
        ['carry', 'Carry', units.distance],
        ['total', 'Total', units.distance],
        ['descent', 'Descent', '°'],
        ['ballSpeed', 'Ball speed', units.speed],
        ['launch', 'Launch', '°'],
        ['spin', 'Spin', 'rpm'],
    ];
    // svelte-ignore state_referenced_locally
    const form = new Form({
        name: club?.name ?? '',
        kind: club?.kind ?? 'fairway wood',
        loft: club ? String(club.loftDeg) : '',
        lie: club ? String(club.lieDeg) : '57',
        face: club ? String(club.faceOpenDeg) : '0',
        // 0: as it stands; −1: cannot be turned
        sleeveId: club ? 0 : -1,
        position: club?.position ?? '',
        rows: club?.shots.length ? rowsOf(club.shots, units) : [emptyRow(), emptyRow(), emptyRow()],
    });
    const values = $derived(form.values);
    const { err } = form;
    /** What the form was last laid over. */
    // svelte-ignore state_referenced_locally
    let base = $state.raw(club);
    const positions = $derived(
        values.sleeveId > 0
            ? (sleeves.find((s) => s.id === values.sleeveId)?.spec.positions ?? []).map((p) => p.label)
            : values.sleeveId === 0
              ? (club?.positions ?? [])
              : [],
    );
    async function save(event: SubmitEvent) {
        event.preventDefault();
        const body = {
            name: values.name,
            kind: values.kind,
            loftDeg: typed(values.loft) ?? '',
            lieDeg: typed(values.lie),
            faceOpenDeg: typed(values.face),
            ...(values.sleeveId === 0 ? {} : { sleeveId: values.sleeveId > 0 ? values.sleeveId : null }),
            position: positions.includes(values.position) ? values.position : '',
            shots: sentRows(values.rows).map(bodyOfRow),
            units: { distance: units.distance, speed: units.speed },
        };
        await form.send(async () =>
            onsaved(
                base
                    ? await patch<Gaps>(`long-clubs/${base.id}`, { ...body, version: base.version })
                    : await post<Gaps>(`fittings/${fittingId}/long-clubs`, body),
            ),
        );
        if (base && form.failure instanceof ApiError && form.failure.status === 409) meet(base);
    }
    /** Another screen changed the club: its shots and these stand together, and are looked at before they are saved. */
    function meet(before: LongClub) {
        const { current } = (form.failure as ApiError).body as { current: Gaps };
        const now = current.longClubs.find((c) => c.id === before.id);
        if (!now) return;
        values.rows = rebased(values.rows, now.shots, before.shots, units);
        base = now;
        form.problem = `${now.name} was changed on another screen meanwhile. Its shots now stand here beside yours: look at them and save again.`;
    }
    /** Which line a problem is of, counted among those that were sent. */
    const problemOf = (i: number) => {
        const sent = sentRows(values.rows.slice(0, i)).length;
        return COLUMNS.map(([key]) => err(`shots.${sent}.${key}`)).find(Boolean) ?? '';
    };
</script>

<form class="panel" onsubmit={save} novalidate>
    <h2>{club ? `Change ${club.name}` : 'A club under the driver'}</h2>
    <div class="grid">
        <Field label="Name" error={err('name')}><input required maxlength="60" bind:value={values.name} /></Field>
        <Field label="Kind" error={err('kind')}
            ><select bind:value={values.kind}><option>fairway wood</option><option>hybrid</option><option>iron</option></select></Field
        >
        <Field label="Loft" hint="°, as played" error={err('loftDeg')}><input inputmode="decimal" bind:value={values.loft} /></Field>
        <Field label="Lie" hint="°" error={err('lieDeg')}><input inputmode="decimal" bind:value={values.lie} /></Field>
        <Field label="Face" hint="°, + open" error={err('faceOpenDeg')}><input inputmode="decimal" bind:value={values.face} /></Field>
        <Field label="Sleeve" error={err('sleeveId')}
            ><select bind:value={values.sleeveId}
                >{#if club}<option value={0}>{club.sleeve ?? 'cannot be turned'}</option>{/if}{#if !club || club.sleeve}<option value={-1}
                        >cannot be turned</option
                    >{/if}{#each sleeves as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</select
            ></Field
        >
        {#if positions.length}<Field label="Played at" error={err('position')}
                ><select bind:value={values.position}
                    >{#each positions as p (p)}<option>{p}</option>{/each}</select
                ></Field
            >{/if}
    </div>
    <Scroll label="Shots, a line each">
        <table>
            <thead
                ><tr
                    ><th>Shot</th>{#each COLUMNS as [key, label, unit] (key)}<th>{label} <small>{unit}</small></th>{/each}<th></th></tr
                ></thead
            >
            <tbody>
                {#each values.rows as row, i (i)}
                    <tr>
                        <td>{i + 1}</td>
                        {#each COLUMNS as [key, label] (key)}<td
                                ><input
                                    inputmode="decimal"
                                    maxlength="10"
                                    aria-label="{label} of shot {i + 1}"
                                    bind:value={row.shot[key]}
                                /></td
                            >{/each}
                        <td
                            ><button type="button" class="plain" onclick={() => (values.rows = values.rows.filter((_, j) => j !== i))}
                                >Remove<span class="visually-hidden"> shot {i + 1}</span></button
                            ></td
                        >
                    </tr>
                    {#if problemOf(i)}<tr><td colspan="8" class="wrong"><span role="alert">{problemOf(i)}</span></td></tr>{/if}
                {/each}
            </tbody>
        </table>
    </Scroll>
    <p class="small">
        Carry alone is enough; with ball speed, launch and spin descent and run are computed, and what a sleeve does is told by the flight
        model.
    </p>
    {#if form.problem}<Notice kind="error">{form.problem}</Notice>{/if}
    <div class="row">
        <button disabled={form.busy}>Save</button>
        <button type="button" class="quiet" onclick={() => (values.rows = [...values.rows, emptyRow()])}>Another shot</button>
        <button type="button" class="quiet" onclick={oncancel}>Cancel</button>
    </div>
</form>

<style>
    form {
        display: grid;
        gap: 12px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 9px 14px;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 10px;
    }
    td input {
        width: 84px;
        text-align: right;
    }
    .wrong {
        text-align: left;
        color: var(--brick);
    }
    @media (max-width: 760px) {
        .grid {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
