<script lang="ts">
    import { toneOf } from '../format/setups';
    import { hover } from '../lib/hover.svelte';
    import { outline, turned } from '../parts/Glyph.svelte';

    let {
        tag,
        x,
        y,
        r = 5,
        open = false,
        title = '',
        shot = null,
    }: { tag: string; x: number; y: number; r?: number; open?: boolean; title?: string; shot?: number | null } = $props();
    const on = $derived(shot !== null && hover.shot === shot);
</script>

<!-- The pointer only: the same figures are in the table behind the picture, for the keyboard. -->
<g
    class="set-{toneOf(tag)}"
    transform="translate({x},{y})"
    role="presentation"
    onpointerenter={() => shot !== null && (hover.shot = shot)}
    onpointerleave={() => shot !== null && (hover.shot = null)}
>
    {#if on}<circle r={r + 6} class="ring" />{/if}
    <path d={outline(tag, r)} transform={turned(tag)} class:open
        >{#if title}<title>{title}</title>{/if}</path
    >
</g>

<style>
    path {
        fill: var(--c);
        stroke: var(--sheet);
        stroke-width: 0.8;
    }
    .ring {
        fill: none;
        stroke: var(--ink);
        stroke-width: 2.5;
    }
    .open {
        fill: var(--sheet);
        stroke: var(--c);
        stroke-width: 1.5;
    }
</style>
