<script lang="ts">
    import type { Snippet } from 'svelte';

    /** What will stand here once there is data, as a drawing without figures, and the one thing to do until then. */
    let { picture, children }: { picture: 'dots' | 'rungs'; children: Snippet } = $props();
    const DOTS = [
        [60, 74],
        [110, 62],
        [160, 40],
        [210, 30],
    ] as const;
    const RUNGS = [14, 38, 62, 86] as const;
</script>

<div class="will-be">
    <svg viewBox="0 0 260 110" width="260" height="110" aria-hidden="true">
        {#if picture === 'dots'}
            <path d="M30 8V96H250M30 96 250 14" class="line" />
            {#each DOTS as [x, y] (x)}<path d="M{x} {y - 14}V{y + 14}" class="bar" /><circle cx={x} cy={y} r="5" />{/each}
        {:else}
            <path d="M30 100H250" class="line" />
            {#each RUNGS as y, i (y)}<path d="M{190 - 42 * i} {y}h44" class="bar" /><circle cx={212 - 42 * i} cy={y} r="5" />{/each}
        {/if}
    </svg>
    <div>{@render children()}</div>
</div>

<style>
    .will-be {
        display: flex;
        flex-wrap: wrap;
        gap: 12px 26px;
        align-items: center;
        padding: 14px 18px;
        border: 1.5px dashed var(--hair);
        border-radius: 10px;
    }
    .will-be > div {
        flex: 1 1 240px;
        display: grid;
        gap: 10px;
        justify-items: start;
    }
    .line {
        fill: none;
        stroke: var(--hair);
        stroke-width: 1.5;
    }
    .bar {
        stroke: var(--hair);
        stroke-width: 5;
        stroke-linecap: round;
    }
    circle {
        fill: var(--ink-2);
        opacity: 0.5;
    }
</style>
