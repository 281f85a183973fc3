<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Outlook, UnitChoice } from '../api/types';
    import { factor, plain } from '../units/units';
    import { contourLines } from './contourLines';

    let { outlook, units }: { outlook: Outlook; units: UnitChoice } = $props();
    const W = 430;
    const H = 222;
    const LEFT = 54;
    const RIGHT = 34;
    const TOP = 16;
    const FOOT = 34;
    const k = $derived(factor(units.distance));
    const field = $derived(outlook.field);
    const x = $derived(scaleLinear([field.launchDeg[0]!, field.launchDeg.at(-1)!], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([field.spinRpm[0]!, field.spinRpm.at(-1)!], [H - FOOT, TOP]));
    const lines = $derived(contourLines(field, k, x, y, { right: W - RIGHT, top: TOP }));
    const path = (points: typeof outlook.ridge) => points.map((p, i) => `${i ? 'L' : 'M'}${x(p.launchDeg).toFixed(1)} ${y(p.spinRpm).toFixed(1)}`).join('');
    const band = $derived(outlook.ridge.filter((p) => p.loftDeg >= outlook.bandDeg[0] && p.loftDeg <= outlook.bandDeg[1]));
    const target = $derived(outlook.ridge[outlook.target]!);
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="Launch against spin with lines of equal carry, the ridge this swing can reach by loft, and the target: {plain(
            target.launchDeg,
            1,
        )}° and {plain(target.spinRpm, 0)} rpm."
    >
        <clipPath id="ridge-frame"><rect x={LEFT} y={TOP} width={W - LEFT - RIGHT} height={H - TOP - FOOT} /></clipPath>
        {#each x.ticks(7) as t (t)}<line x1={x(t)} x2={x(t)} y1={TOP} y2={H - FOOT} class="grid" /><text x={x(t)} y={H - FOOT + 15} text-anchor="middle"
                >{t}°</text
            >{/each}
        {#each y.ticks(5) as t (t)}<line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" /><text x={LEFT - 5} y={y(t) + 4} text-anchor="end">{t}</text
            >{/each}
        {#each lines as line (line.value)}
            <path d={line.d} class="contour" />
            {#if line.label}
                {@const right = line.label[0] > W - RIGHT - 2}
                <text x={line.label[0] + (right ? 4 : 0)} y={line.label[1] + (right ? 4 : -4)} text-anchor={right ? 'start' : 'middle'} class="level"
                    >{line.value}</text
                >
            {/if}
        {/each}
        <g clip-path="url(#ridge-frame)">
            <path d={path(band)} class="band" />
            <path d={path(outlook.ridge)} class="ridge" />
            <circle cx={x(target.launchDeg)} cy={y(target.spinRpm)} r="6" class="target" />
        </g>
        <text x={(LEFT + W - RIGHT) / 2} y={H - 3} text-anchor="middle">launch angle</text>
        <text transform="translate(10,{H / 2}) rotate(-90)" text-anchor="middle">spin, rpm</text>
    </svg>
</figure>

<style>
    svg {
        width: 100%;
        height: auto;
        display: block;
    }
    .grid {
        stroke: var(--hair);
        stroke-width: 0.7;
    }
    .contour {
        fill: none;
        stroke: var(--ink-2);
    }
    .level {
        font-size: 12px;
    }
    .band {
        fill: none;
        stroke: var(--mint);
        stroke-width: 13;
        stroke-linecap: round;
        opacity: 0.28;
    }
    .ridge {
        fill: none;
        stroke: var(--mint);
        stroke-width: 2;
    }
    .target {
        fill: var(--mint);
        stroke: var(--sheet);
        stroke-width: 2;
    }
</style>
