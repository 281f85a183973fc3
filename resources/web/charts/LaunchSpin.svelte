<script lang="ts">
    import { contours } from 'd3-contour';
    import { scaleLinear } from 'd3-scale';
    import type { Comparison, Fitting, Shot } from '../api/types';
    import { toneOf } from '../units/setups';
    import { factor, plain } from '../units/units';
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
    const lines = $derived.by(() => {
        if (!field) return [];
        const n = field.launchDeg.length;
        const m = field.spinRpm.length;
        const values = field.carryM.map((v) => v * k);
        const step = 5;
        const top = Math.max(...values);
        const levels = Array.from({ length: 9 }, (_, i) => Math.floor(top / step) * step - i * step).filter((v) => v > Math.min(...values));
        const used: [number, number][] = [];
        return contours()
            .size([n, m])
            .thresholds(levels)(values)
            .map((c) => {
                // Grid cells to launch and spin; pieces along the frame are not part of the line.
                const onFrame = ([i, j]: [number, number]) => i === 0 || j === 0 || i === n - 1 || j === m - 1;
                const place = ([i, j]: [number, number]): [number, number] => [
                    x(field.launchDeg[0]! + (i / (n - 1)) * (field.launchDeg.at(-1)! - field.launchDeg[0]!)),
                    y(field.spinRpm[0]! + (j / (m - 1)) * (field.spinRpm.at(-1)! - field.spinRpm[0]!)),
                ];
                let d = '';
                const ends: [number, number][] = [];
                for (const ring of c.coordinates.flat(1)) {
                    const cells = ring.map(([i, j]) => [Math.min(n - 1, Math.max(0, i! - 0.5)), Math.min(m - 1, Math.max(0, j! - 0.5))] as [number, number]);
                    cells.forEach((p, q) => {
                        const before = cells[q - 1];
                        const [px, py] = place(p);
                        d += `${!before || (onFrame(p) && onFrame(before)) ? 'M' : 'L'}${px.toFixed(1)} ${py.toFixed(1)}`;
                        // Where the line leaves the picture: on the frame, with a neighbour that is not.
                        if (before && onFrame(p) !== onFrame(before)) ends.push(place(onFrame(p) ? p : before));
                    });
                }
                // The label stands where the line leaves at the top or the right, unless another one stands there.
                const label = ends
                    .filter(([px, py]) => py < TOP + 2 || px > W - RIGHT - 2)
                    .find(([px, py]) => used.every(([ux, uy]) => Math.abs(ux - px) > 26 || Math.abs(uy - py) > 13));
                if (label) used.push(label);
                return { value: c.value, d, label };
            });
    });
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
