<script lang="ts">
    import { patch, post } from '../../api/client';
    import type { Gaps, LongClub, Rack, UnitChoice } from '../../api/generated/types';
    import { factor } from '../../format/units';
    import { Form } from '../../lib/form.svelte';
    import { typed } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';

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
    type Shot = Record<'carry' | 'total' | 'descent' | 'ballSpeed' | 'launch' | 'spin', string>;
    // svelte-ignore state_referenced_locally
    const COLUMNS: [keyof Shot, string, string, string][] = [
        ['carry', 'Carry', units.distance, 'carryM'],
        ['total', 'Total', units.distance, 'totalM'],
        ['descent', 'Descent', '°', 'descentDeg'],
        ['ballSpeed', 'Ball speed', units.speed, 'ballSpeedMps'],
        ['launch', 'Launch', '°', 'launchDeg'],
        ['spin', 'Spin', 'rpm', 'spinRpm'],
    ];
    const none = (): Shot => ({ carry: '', total: '', descent: '', ballSpeed: '', launch: '', spin: '' });
    /** What was stored, in these units again. */
    const again = (values: Record<string, number>): Shot =>
        Object.fromEntries(
            COLUMNS.map(([key, , unit, measure]) => {
                const value = values[measure];
                return [key, value === undefined ? '' : String(Number((value * (factor(unit) || 1)).toFixed(unit === 'rpm' ? 0 : 2)))];
            }),
        ) as Shot;
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
        shots: club?.shots.length ? club.shots.map((s) => again(s.values)) : [none(), none(), none()],
    });
    const values = $derived(form.values);
    const { err } = form;
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
            shots: values.shots.filter((s) => Object.values(s).some((v) => v.trim() !== '')),
            units: { distance: units.distance, speed: units.speed },
        };
        await form.send(async () =>
            onsaved(club ? await patch<Gaps>(`long-clubs/${club.id}`, body) : await post<Gaps>(`fittings/${fittingId}/long-clubs`, body)),
        );
    }
    /** Which line a problem is of, counted among those that were sent. */
    const problemOf = (i: number) => {
        const sent = values.shots.slice(0, i).filter((s) => Object.values(s).some((v) => v.trim() !== '')).length;
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
                {#each values.shots as shot, i (i)}
                    <tr>
                        <td>{i + 1}</td>
                        {#each COLUMNS as [key, label] (key)}<td
                                ><input
                                    inputmode="decimal"
                                    maxlength="10"
                                    aria-label="{label} of shot {i + 1}"
                                    bind:value={shot[key]}
                                /></td
                            >{/each}
                        <td
                            ><button type="button" class="plain" onclick={() => (values.shots = values.shots.filter((_, j) => j !== i))}
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
        <button type="button" class="quiet" onclick={() => (values.shots = [...values.shots, none()])}>Another shot</button>
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
