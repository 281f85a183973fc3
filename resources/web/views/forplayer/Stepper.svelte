<script lang="ts">
    // A count that a thumb sets: minus, the number, plus. It begins unset: the first plus is one, or what is usual, the first minus the lowest.
    let {
        label,
        value = $bindable(),
        low,
        high,
        usual,
    }: { label: string; value: number | null; low: number; high: number; usual?: number } = $props();
    const id = $props.id();
    const step = (by: number) => (value = value === null ? (by > 0 ? (usual ?? low + 1) : low) : Math.min(high, Math.max(low, value + by)));
</script>

<div class="step" role="group" aria-labelledby={id}>
    <span {id}>{label}</span>
    <button type="button" aria-label="{label} −1" disabled={value !== null && value <= low} onclick={() => step(-1)}>−</button>
    <output>{value ?? '–'}</output>
    <button type="button" aria-label="{label} +1" disabled={value !== null && value >= high} onclick={() => step(1)}>+</button>
</div>

<style>
    .step {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 52px 40px 52px;
        align-items: center;
        gap: 6px;
        border-bottom: 1px solid var(--hair);
        padding-bottom: 6px;
    }
    button {
        min-height: 46px;
        font-size: 22px;
        padding: 0;
        color: var(--ink);
        background: var(--sheet);
        border: 1px solid var(--hair);
    }
    output {
        text-align: center;
        font-size: 22px;
        font-weight: 600;
    }
</style>
