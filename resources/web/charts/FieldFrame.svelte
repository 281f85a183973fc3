<script lang="ts">
    import type { ScaleLinear } from 'd3-scale';
    import type { Field } from '../api/generated/types';
    import { contourLines } from './contourLines';

    /** Axes of launch against spin, and lines of equal carry with their labels. */
    let {
        field,
        perMetre,
        x,
        y,
        frame,
        ticks,
    }: {
        field: Field | null;
        perMetre: number;
        x: ScaleLinear<number, number>;
        y: ScaleLinear<number, number>;
        frame: { left: number; right: number; top: number; bottom: number; height: number };
        ticks: [number, number];
    } = $props();
    const lines = $derived(field ? contourLines(field, perMetre, x, y, frame) : []);
</script>

{#each x.ticks(ticks[0]) as t (t)}
    <line x1={x(t)} x2={x(t)} y1={frame.top} y2={frame.bottom} class="grid" /><text x={x(t)} y={frame.bottom + 16} text-anchor="middle"
        >{t}°</text
    >
{/each}
{#each y.ticks(ticks[1]) as t (t)}
    <line x1={frame.left} x2={frame.right} y1={y(t)} y2={y(t)} class="grid" /><text x={frame.left - 6} y={y(t) + 4} text-anchor="end"
        >{t}</text
    >
{/each}
{#each lines as line (line.value)}
    <path d={line.d} class="contour" />
    {#if line.label}
        {@const right = line.label[0] > frame.right - 2}
        <text
            x={line.label[0] + (right ? 4 : 0)}
            y={line.label[1] + (right ? 4 : -4)}
            text-anchor={right ? 'start' : 'middle'}
            class="level">{line.value}</text
        >
    {/if}
{/each}
<text x={(frame.left + frame.right) / 2} y={frame.height - 3} text-anchor="middle">launch angle</text>
<text transform="translate(14,{frame.height / 2}) rotate(-90)" text-anchor="middle">spin, rpm</text>

<style>
    .contour {
        fill: none;
        stroke: var(--ink-2);
        stroke-width: 1.1;
    }
    .level {
        font-size: 12px;
    }
</style>
