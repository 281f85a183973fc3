<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Outlook, UnitChoice } from '../api/generated/types';
    import { factor, plain } from '../format/units';
    import FieldFrame from './FieldFrame.svelte';

    let { outlook, units }: { outlook: Outlook; units: UnitChoice } = $props();
    const W = 430;
    const H = 222;
    const LEFT = 62;
    const RIGHT = 34;
    const TOP = 16;
    const FOOT = 34;
    const k = $derived(factor(units.distance));
    const field = $derived(outlook.field);
    const x = $derived(scaleLinear([field.launchDeg[0]!, field.launchDeg.at(-1)!], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([field.spinRpm[0]!, field.spinRpm.at(-1)!], [H - FOOT, TOP]));
    const frame = { left: LEFT, right: W - RIGHT, top: TOP, bottom: H - FOOT, height: H };
    const path = (points: typeof outlook.ridge) =>
        points.map((p, i) => `${i ? 'L' : 'M'}${x(p.launchDeg).toFixed(1)} ${y(p.spinRpm).toFixed(1)}`).join('');
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
        <FieldFrame {field} perMetre={k} {x} {y} {frame} ticks={[7, 5]} />
        <g clip-path="url(#ridge-frame)">
            <path d={path(band)} class="band" />
            <path d={path(outlook.ridge)} class="ridge" />
            <circle cx={x(target.launchDeg)} cy={y(target.spinRpm)} r="6" class="target" />
        </g>
    </svg>
</figure>

<style>
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
