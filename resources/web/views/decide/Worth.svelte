<script lang="ts">
    import type { Fitting, Worth } from '../../api/generated/types';
    import { worthText } from './sentences';

    let { worth, unit, fitting }: { worth: Worth | null; unit: string; fitting: Fitting } = $props();
    const said = $derived(worthText(worth, unit, fitting));
</script>

<section aria-label="Worth buying">
    <h2>Worth buying?</h2>
    {#if said.price}<p class="price">{said.price}</p>{/if}
    <p><b>{said.head}</b> {said.rest}</p>
</section>

<style>
    section {
        display: grid;
        gap: 6px;
        align-content: start;
    }
    .price {
        font-size: var(--head);
        font-weight: 640;
        line-height: 1.1;
    }
</style>
