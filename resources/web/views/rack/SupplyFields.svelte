<script lang="ts" module>
    import type { Supply } from '../../api/generated/types';

    /** As it is typed: what is no number goes to the server as it stands, which refuses it by name. */
    export type TypedSupply = Omit<Supply, 'price' | 'leadDays' | 'lofts'> & {
        price?: number | string | null;
        leadDays?: number | string | null;
        lofts?: (number | string)[] | null;
    };
</script>

<script lang="ts">
    import { typed, typedList } from '../../lib/numbers';
    import Field from '../../parts/Field.svelte';

    let { supply = $bindable(), err, lofts = false }: { supply: TypedSupply; err: (f: string) => string; lofts?: boolean } = $props();
    const loftsError = $derived(err('supply.lofts') || (supply.lofts ?? []).map((_, i) => err(`supply.lofts.${i}`)).find(Boolean) || '');
    let list = $state((supply.lofts ?? []).join(' '));
    const hands = (right: boolean, left: boolean) => [...(right ? ['right' as const] : []), ...(left ? ['left' as const] : [])];
</script>

<div class="supply">
    <Field label="Price" error={err('supply.price')}
        ><input inputmode="decimal" value={supply.price ?? ''} onchange={(e) => (supply.price = typed(e.currentTarget.value))} /></Field
    >
    <Field label="Currency" error={err('supply.currency')}
        ><input maxlength="8" value={supply.currency ?? ''} onchange={(e) => (supply.currency = e.currentTarget.value)} /></Field
    >
    <Field label="Lead time" hint="days" error={err('supply.leadDays')}
        ><input
            inputmode="numeric"
            value={supply.leadDays ?? ''}
            onchange={(e) => (supply.leadDays = typed(e.currentTarget.value))}
        /></Field
    >
    {#if lofts}
        <Field label="Available lofts" hint="°" error={loftsError}
            ><input placeholder="9 10,5 12" bind:value={list} onchange={() => (supply.lofts = typedList(list))} /></Field
        >
        <fieldset>
            <legend>Available hands</legend>
            {#each ['right', 'left'] as const as h (h)}
                <label
                    ><input
                        type="checkbox"
                        checked={supply.hands?.includes(h) ?? false}
                        onchange={(e) =>
                            (supply.hands = hands(
                                h === 'right' ? e.currentTarget.checked : !!supply.hands?.includes('right'),
                                h === 'left' ? e.currentTarget.checked : !!supply.hands?.includes('left'),
                            ))}
                    />
                    {h}</label
                >
            {/each}
        </fieldset>
    {/if}
    <label class="check"
        ><input type="checkbox" checked={supply.inStock ?? false} onchange={(e) => (supply.inStock = e.currentTarget.checked)} /> here to try</label
    >
</div>

<style>
    .supply {
        display: flex;
        flex-wrap: wrap;
        gap: 9px 12px;
        align-items: end;
    }
    .supply > :global(.field) {
        max-width: 150px;
    }
    fieldset {
        border: 0;
        padding: 0;
        margin: 0;
        font-size: var(--small);
    }
    legend {
        font-weight: 550;
    }
    .check {
        display: flex;
        gap: 6px;
        padding-bottom: 8px;
    }
</style>
