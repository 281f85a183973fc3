<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Comparison, Fitting, Shot } from '../api/generated/types';
    import { toneOf } from '../format/setups';
    import { factor, plain } from '../format/units';
    import FieldFrame from './FieldFrame.svelte';
    import Mark from './Mark.svelte';

    let { fitting, shots, comparison, chosen }: { fitting: Fitting; shots: Shot[]; comparison: Comparison; chosen: string[] } = $props();
    const W = 590;
    const H = 330;
    const LEFT = 62;
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
            .filter(
                (p): p is typeof p & { launch: number; spin: number } =>
                    chosen.includes(p.tag) && p.launch !== undefined && p.spin !== undefined,
            ),
    );
    const frame = { left: LEFT, right: W - RIGHT, top: TOP, bottom: H - FOOT, height: H };
    const cells = (measure: string) => comparison.rows.find((r) => r.measure === measure)?.cells ?? {};
    const crosses = $derived(
        chosen
            .map((tag) => ({ tag, launch: cells('launchDeg')[tag]?.summary, spin: cells('spinRpm')[tag]?.summary }))
            .filter(
                (c): c is { tag: string; launch: NonNullable<typeof c.launch>; spin: NonNullable<typeof c.spin> } => !!c.launch && !!c.spin,
            ),
    );
</script>

<figure>
    <svg viewBox="0 0 {W} {H}" role="img" aria-label="Launch angle against spin rate with lines of equal carry. The table holds the means.">
        <clipPath id="frame"><rect x={LEFT} y={TOP} width={W - LEFT - RIGHT} height={H - TOP - FOOT} /></clipPath>
        <FieldFrame {field} perMetre={k} {x} {y} {frame} ticks={[8, 6]} />
        <g clip-path="url(#frame)">
            {#each points as p (p.s.id)}<Mark
                    shot={p.s.id}
                    tag={p.tag}
                    x={x(p.launch)}
                    y={y(p.spin)}
                    r={p.s.leftOut ? 3.5 : 4.5}
                    open={!!p.s.leftOut}
                    title="Shot {p.s.sequence}: {plain(p.launch, 1)}°, {Math.round(p.spin)} rpm"
                />{/each}
            {#each crosses as c (c.tag)}
                <g class="cross set-{toneOf(c.tag)}">
                    <line
                        x1={x(c.launch.mean - (c.launch.sd ?? 0))}
                        x2={x(c.launch.mean + (c.launch.sd ?? 0))}
                        y1={y(c.spin.mean)}
                        y2={y(c.spin.mean)}
                    />
                    <line
                        x1={x(c.launch.mean)}
                        x2={x(c.launch.mean)}
                        y1={y(c.spin.mean - (c.spin.sd ?? 0))}
                        y2={y(c.spin.mean + (c.spin.sd ?? 0))}
                    />
                </g>
            {/each}
        </g>
    </svg>
    <figcaption class="small">
        Lines: carry in {unit} of a straight ball at {plain((field?.ballSpeedMps ?? 0) * factor(fitting.player.units.speed), 0)}
        {fitting.player.units.speed} ball speed in this air, by the flight model. Crosses: mean ± 1 SD. More launch at the same spin is not free:
        it costs ball speed.
    </figcaption>
</figure>

<style>
    .cross line {
        stroke: var(--c);
        stroke-width: 3;
        stroke-linecap: round;
    }
</style>
