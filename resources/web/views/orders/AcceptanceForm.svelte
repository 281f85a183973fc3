<script lang="ts">
    import { post } from '../../api/client';
    import type { Hand, Order } from '../../api/generated/types';
    import { CLUB_BOUNDS } from '../../api/generated/vocabulary';
    import { plain } from '../../format/units';
    import { Form } from '../../lib/form.svelte';
    import { typed } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import type { OrdersPlace } from './orders.svelte';
    import { clubFigure } from './sentences';

    let { place, order }: { place: OrdersPlace; order: Order } = $props();
    const units = $derived(order.player.units);
    let v = $state({ hand: '' as Hand | '', loftDeg: '', lieDeg: '', faceOpenDeg: '', length: '', swingWeight: '', massG: '' });
    let source = $state('measured');
    const device = new Form();
    const err = (field: string) => place.acting.err(field);
    const ANGLES = [
        ['loftDeg', 'Loft', '°'],
        ['lieDeg', 'Lie', '°'],
        ['faceOpenDeg', 'Face', '° open, − closed'],
    ] as const;

    /** Fills the fields; nothing is kept before it is pressed. */
    const ask = (name: 'gauge' | 'balance') =>
        device.send(async () => {
            const seen = await post<{ values: Record<string, number>; source: string }>(`orders/${order.id}/read/${name}`, {});
            for (const field of ['loftDeg', 'lieDeg', 'faceOpenDeg', 'massG'] as const)
                if (seen.values[field] !== undefined) v[field] = plain(seen.values[field], field === 'massG' ? 1 : 2).replace('−', '-');
            source = seen.source;
        });
    async function read(event: SubmitEvent) {
        event.preventDefault();
        await place.read(order, {
            hand: v.hand || order.player.hand,
            loftDeg: typed(v.loftDeg),
            lieDeg: typed(v.lieDeg),
            faceOpenDeg: typed(v.faceOpenDeg),
            massG: typed(v.massG),
            length: v.length.trim() ? { value: v.length, unit: units.length } : null,
            swingWeight: v.swingWeight.trim() || null,
            source,
        });
    }
    const wanted = (name: keyof typeof CLUB_BOUNDS) => (order.figures[name] === null ? '' : clubFigure(name, order.figures[name], units));
</script>

<form onsubmit={read} aria-label="Gauge and balance">
    <h3>On gauge and balance{order.sleeveLabel ? `, sleeve at ${order.sleeveLabel}, left on its sole` : ''}</h3>
    <div class="grid">
        {#each ANGLES as [field, label, unit] (field)}
            <Field {label} hint={wanted(field) ? `ordered ${wanted(field)}` : unit} error={err(field)}
                ><input inputmode="decimal" bind:value={v[field]} /></Field
            >
        {/each}
        <Field
            label="Length, {units.length}"
            hint={wanted('lengthMm') ? `ordered ${wanted('lengthMm')}` : ''}
            error={err('lengthMm') || err('length')}><input inputmode="decimal" bind:value={v.length} /></Field
        >
        <Field
            label="Swing weight"
            hint={wanted('swingWeightPoints') ? `ordered ${wanted('swingWeightPoints')}` : 'D2.5'}
            error={err('swingWeight')}><input bind:value={v.swingWeight} /></Field
        >
        <Field label="Mass, g" hint={wanted('massG')} error={err('massG')}><input inputmode="decimal" bind:value={v.massG} /></Field>
        <Field label="Hand"
            ><select bind:value={v.hand}
                ><option value="">{order.player.hand}, as ordered</option><option value={order.player.hand === 'right' ? 'left' : 'right'}
                    >{order.player.hand === 'right' ? 'left' : 'right'}</option
                ></select
            ></Field
        >
    </div>
    {#if device.problem}<Notice kind="error">{device.problem}</Notice>{/if}
    <p class="acts">
        <button disabled={place.acting.busy}>Compare with the order</button>
        <button type="button" class="quiet" disabled={device.busy} onclick={() => ask('gauge')}>Read the gauge</button>
        <button type="button" class="quiet" disabled={device.busy} onclick={() => ask('balance')}>Weigh it</button>
    </p>
</form>

<style>
    form {
        display: grid;
        gap: 10px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 10px;
        align-items: end;
    }
    .acts {
        display: flex;
        gap: 10px;
        flex-wrap: wrap;
    }
    @media (max-width: 860px) {
        .grid {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
