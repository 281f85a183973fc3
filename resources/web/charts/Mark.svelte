<script lang="ts">
    import { toneOf } from '../units/setups';
    import { outline, turned } from '../parts/Glyph.svelte';

    let { tag, x, y, r = 5, open = false, title = '' }: { tag: string; x: number; y: number; r?: number; open?: boolean; title?: string } = $props();
</script>

<g class="set-{toneOf(tag)}" transform="translate({x},{y})">
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
    .open {
        fill: var(--sheet);
        stroke: var(--c);
        stroke-width: 1.5;
    }
</style>
