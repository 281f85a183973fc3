<script lang="ts">
    import { patch, post, remove } from '../../api/client';
    import type { Part } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import SupplyFields, { type TypedSupply } from './SupplyFields.svelte';
    import { readNumber } from '../../lib/numbers';
    import { supplyText } from './sentences';

    let { kind, parts, onchange }: { kind: Part['kind']; parts: Part[]; onchange: () => void } = $props();
    const FIELDS: Record<Part['kind'], [string, string, string][]> = {
        shaft: [
            ['rawMassG', 'Mass before cutting', 'g'],
            ['cutMassG', 'Mass after cutting', 'g'],
            ['balanceFromButtMm', 'Balance from the butt', 'mm'],
            ['lengthMm', 'Length', 'mm'],
            ['torqueDeg', 'Torque', '°'],
            ['flex', 'Flex label', ''],
            ['tip', 'Tip, as stated', ''],
            ['launch', 'Launch, as stated', ''],
        ],
        grip: [
            ['massG', 'Mass', 'g'],
            ['size', 'Size', ''],
        ],
        ball: [
            ['build', 'Build', ''],
            ['dragFactor', 'Drag, times a usual ball', '×'],
            ['liftFactor', 'Lift, times a usual ball', '×'],
            ['factorsFrom', 'Where drag and lift come from', ''],
        ],
    };
    let editing = $state<{ id: number | null; label: string; data: Record<string, string>; supply: TypedSupply } | null>(null);
    const sending = new Form();
    const { err } = sending;
    /** What shafts are picked by: their maker's words, which are never turned into a figure. */
    const WORDS = ['flex', 'tip', 'launch'] as const;
    let wanted = $state<Record<string, string>>({ flex: '', tip: '', launch: '' });
    let lightest = $state('');
    let heaviest = $state('');
    let torque = $state('');
    const values = (key: string) => [...new Set(parts.map((p) => String(p.data[key] ?? '')).filter(Boolean))].sort();
    const massOf = (p: Part) => Number(p.data.cutMassG ?? p.data.rawMassG ?? NaN);
    const within = (p: Part) => {
        const [low, high, most] = [readNumber(lightest), readNumber(heaviest), readNumber(torque)];
        return (
            (low === null || massOf(p) >= low) &&
            (high === null || massOf(p) <= high) &&
            (most === null || Number(p.data.torqueDeg ?? NaN) <= most)
        );
    };
    const shown = $derived(
        kind === 'shaft'
            ? parts.filter((p) => WORDS.every((w) => wanted[w] === '' || String(p.data[w] ?? '') === wanted[w]) && within(p))
            : parts,
    );

    function open(part: Part | null) {
        sending.clear();
        editing = {
            id: part?.id ?? null,
            label: part?.label ?? '',
            data: Object.fromEntries(FIELDS[kind].map(([k]) => [k, part?.data[k] === undefined ? '' : String(part.data[k])])),
            supply: { ...(part?.supply ?? {}) },
        };
    }
    async function save(event: SubmitEvent) {
        event.preventDefault();
        const e = $state.snapshot(editing)!;
        const body = {
            kind,
            label: e.label,
            data: Object.fromEntries(Object.entries(e.data).filter(([, v]) => v.trim() !== '')),
            supply: e.supply,
        };
        await sending.send(async () => {
            if (e.id) await patch(`parts/${e.id}`, body);
            else await post('parts', body);
            editing = null;
            onchange();
        });
    }
    async function retire(part: Part) {
        await sending.send(async () => {
            await remove(`parts/${part.id}`);
            onchange();
        });
    }
</script>

<div class="row"><button onclick={() => open(null)}>Add a {kind}</button></div>
{#if editing}
    <form class="panel" onsubmit={save} novalidate>
        <h2>{editing.id ? `Change ${editing.label}` : `A ${kind} for the rack`}</h2>
        <div class="grid">
            <Field label="Label" error={err('label')}><input required maxlength="80" bind:value={editing.label} /></Field>
            {#each FIELDS[kind] as [key, label, unit] (key)}
                <Field {label} hint={unit} error={err(`data.${key}`)}
                    ><input inputmode={unit ? 'decimal' : 'text'} bind:value={editing.data[key]} /></Field
                >
            {/each}
        </div>
        <SupplyFields bind:supply={editing.supply} {err} />
        {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
        <div class="row">
            <button disabled={sending.busy}>Save</button><button type="button" class="quiet" onclick={() => (editing = null)}>Cancel</button
            >
        </div>
    </form>
{:else if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
{#if kind === 'shaft' && parts.length > 0}
    <p class="small">
        Two schools. <b>Pull by profile:</b> weight, torque, tip and launch label narrow the rack before anybody swings.
        <b>Trust only what was hit:</b>
        labels are their makers’ own and mean another thing on another shaft. Both are served: filter here, then let the answer judge. No label
        goes into any figure; mass, length and balance point go into the swing weight alone.
    </p>
    <div class="filters" role="group" aria-label="Which shafts">
        {#each WORDS as w (w)}
            <Field label={w === 'flex' ? 'Flex label' : w === 'tip' ? 'Tip, as stated' : 'Launch, as stated'}
                ><select bind:value={wanted[w]}
                    ><option value="">any</option>{#each values(w) as v (v)}<option>{v}</option>{/each}</select
                ></Field
            >
        {/each}
        <Field label="Lightest, cut" hint="g"><input inputmode="decimal" bind:value={lightest} /></Field>
        <Field label="Heaviest, cut" hint="g"><input inputmode="decimal" bind:value={heaviest} /></Field>
        <Field label="Torque at most" hint="°"><input inputmode="decimal" bind:value={torque} /></Field>
    </div>
    {#if shown.length < parts.length}<p class="small" role="status">{shown.length} of {parts.length} shafts.</p>{/if}
{/if}
{#if parts.length === 0}
    <p class="small">No {kind} on the rack yet.</p>
{:else}
    <Scroll label="On the rack"
        ><table>
            <thead
                ><tr
                    ><th>Label</th>{#each FIELDS[kind] as [key, label, unit] (key)}<th>{label} <small>{unit}</small></th>{/each}<th
                        >Availability</th
                    ><th></th></tr
                ></thead
            >
            <tbody>
                {#each shown as part (part.id)}
                    <tr>
                        <td><b>{part.label}</b></td>
                        {#each FIELDS[kind] as [key] (key)}<td>{part.data[key] ?? '–'}</td>{/each}
                        <td>{supplyText(part.supply)}</td>
                        <td class="acts"
                            ><button class="plain" onclick={() => open(part)}
                                >Change<span class="visually-hidden"> {part.label}</span></button
                            ><button class="plain" onclick={() => retire(part)}
                                >Take off<span class="visually-hidden"> {part.label}</span></button
                            ></td
                        >
                    </tr>
                {/each}
            </tbody>
        </table></Scroll
    >
{/if}

<style>
    form {
        display: grid;
        gap: 12px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 9px 12px;
    }
    .row {
        display: flex;
        gap: 10px;
    }
    .filters {
        display: flex;
        flex-wrap: wrap;
        gap: 8px 12px;
    }
    .filters :global(.field) {
        width: 150px;
    }
    .acts {
        white-space: nowrap;
    }
    @media (max-width: 760px) {
        .grid {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
