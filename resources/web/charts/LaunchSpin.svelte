<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Comparison, Fitting, Shot } from '../api/types';
    import { toneOf } from '../units/setups';
    import { factor, plain } from '../units/units';
    import { contourLines } from './contourLines';
    import Mark from './Mark.svelte';

    let { fitting, shots, comparison, chosen }: { fitting: Fitting; shots: Shot[]; comparison: Comparison; chosen: string[] } = $props();
    const W = 590;
    const H = 330;
    const LEFT = 52;
    const RIGHT = 46;
    const TOP = 20;
    const FOOT = 34;
    const k = $derived(factor(fitting.player.units.distance));
    const unit = $derived(fitting.player.units.distance);
    const tagOf = $derived(new Map(fitting.setups.map((s) => [s.id, s.tag])));
    const field = $derived(comparison.field);
    const x = $derived(scaleLinear([field?.launchDeg[0] ?? 4, field?.launchDeg.at(-1) ?? 22], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([field?.spinRpm[0] ?? 1200, field?.spinRpm.at(-1) ?? 4800], [H - FOOT, TOP]));
    const points = $derived(
        shots
            .map((s) => ({ s, tag: tagOf.get(s.setupId) ?? '', launch: s.measured.launchDeg, spin: s.measured.spinRpm }))
            .filter((p): p is typeof p & { launch: number; spin: number } => chosen.includes(p.tag) && p.launch !== undefined && p.spin !== undefined),
    );
    const lines = $derived(field ? contourLines(field, k, x, y, { right: W - RIGHT, top: TOP }) : []);
    const cells = (measure: string) => comparison.rows.find((r) => r.measure === measure)?.cells ?? {};
    const crosses = $derived(
        chosen
            .map((tag) => ({ tag, launch: cells('launchDeg')[tag]?.summary, spin: cells('spinRpm')[tag]?.summary }))
            .filter((c): c is { tag: string; launch: NonNullable<typeof c.launch>; spin: NonNullable<typeof c.spin> } => !!c.launch && !!c.spin),
    );
</script>

<figure>
    <svg viewBox="0 0 {W} {H}" role="img" aria-label="Launch angle against spin rate with lines of equal carry. The table holds the means.">
        <clipPath id="frame"><rect x={LEFT} y={TOP} width={W - LEFT - RIGHT} height={H - TOP - FOOT} /></clipPath>
        {#each x.ticks(8) as t (t)}<line x1={x(t)} x2={x(t)} y1={TOP} y2={H - FOOT} class="grid" /><text x={x(t)} y={H - FOOT + 17} text-anchor="middle"
                >{t}°</text
            >{/each}
        {#each y.ticks(6) as t (t)}<line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" /><text x={LEFT - 6} y={y(t) + 4} text-anchor="end">{t}</text
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
        <g clip-path="url(#frame)">
            {#each points as p (p.s.id)}<Mark
                    tag={p.tag}
                    x={x(p.launch)}
                    y={y(p.spin)}
                    r={p.s.leftOut ? 3.5 : 4.5}
                    open={!!p.s.leftOut}
                    title="Shot {p.s.sequence}: {plain(p.launch, 1)}°, {Math.round(p.spin)} rpm"
                />{/each}
            {#each crosses as c (c.tag)}
                <g class="cross set-{toneOf(c.tag)}">
                    <line x1={x(c.launch.mean - (c.launch.sd ?? 0))} x2={x(c.launch.mean + (c.launch.sd ?? 0))} y1={y(c.spin.mean)} y2={y(c.spin.mean)} />
                    <line x1={x(c.launch.mean)} x2={x(c.launch.mean)} y1={y(c.spin.mean - (c.spin.sd ?? 0))} y2={y(c.spin.mean + (c.spin.sd ?? 0))} />
                </g>
            {/each}
        </g>
        <text x={(LEFT + W - RIGHT) / 2} y={H - 3} text-anchor="middle">launch angle</text>
        <text transform="translate(11,{H / 2}) rotate(-90)" text-anchor="middle">spin, rpm</text>
    </svg>
    <figcaption class="small">
        Lines: carry in {unit} of a straight ball at {plain((field?.ballSpeedMps ?? 0) * factor(fitting.player.units.speed), 0)}
        {fitting.player.units.speed} ball speed in this air, by the flight model. Crosses: mean ± 1 SD. More launch at the same spin is not free: it costs ball speed.
    </figcaption>
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
        stroke-width: 1.1;
    }
    .level {
        font-size: 12px;
    }
    .cross line {
        stroke: var(--c);
        stroke-width: 3;
        stroke-linecap: round;
    }
</style>
