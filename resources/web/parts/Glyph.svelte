<script lang="ts" module>
    import { symbol, symbolCircle, symbolCross, symbolDiamond2, symbolSquare, symbolStar, symbolTriangle, symbolWye } from 'd3-shape';
    import { toneOf } from '../format/setups';

    const SHAPES = [symbolCircle, symbolSquare, symbolDiamond2, symbolTriangle, symbolCross, symbolStar, symbolWye, symbolTriangle];

    /** The outline of a setup's shape, about `r` in radius, round the origin. */
    export function outline(tag: string, r: number): string {
        return symbol(SHAPES[toneOf(tag)], Math.PI * r * r)() ?? '';
    }
    /** The eighth shape is the fourth on its head. */
    export const turned = (tag: string): string => (toneOf(tag) === 7 ? 'rotate(180)' : '');
</script>

<script lang="ts">
    let { tag, r = 10, open = false, lettered = true }: { tag: string; r?: number; open?: boolean; lettered?: boolean } = $props();
    /** The star reaches farthest: 1.68 of the radius. */
    let side = $derived(Math.max(r * 2 + 14, r * 3.4 + 3));
    let letter = $derived(Math.max(12, r * 0.72));
</script>

<svg class="set-{toneOf(tag)}" width={side} height={side} viewBox="{-side / 2} {-side / 2} {side} {side}" aria-hidden="true">
    <path d={outline(tag, r)} transform={turned(tag)} class:open />
    {#if lettered}<text text-anchor="middle" y={letter * 0.37} font-size={letter} class:open>{tag}</text>{/if}
</svg>

<style>
    svg {
        flex: none;
        display: inline-block;
        vertical-align: middle;
    }
    path {
        fill: var(--c);
        stroke: var(--c);
        stroke-width: 1.6;
    }
    path.open {
        fill: var(--sheet);
    }
    text {
        fill: var(--sheet);
        font-weight: 700;
    }
    text.open {
        fill: var(--c);
    }
</style>
