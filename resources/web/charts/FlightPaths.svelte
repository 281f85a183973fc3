<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { JudgedSetup, UnitChoice } from '../api/generated/types';
    import { toneOf } from '../format/setups';
    import { factor } from '../format/units';

    type Flown = Pick<JudgedSetup, 'tag' | 'path'>;
    /** `alone`: one ball, which is no setup’s. */
    let { setups, units, alone = false }: { setups: Flown[]; units: UnitChoice; alone?: boolean } = $props();
    const W = 590;
    const LEFT = 44;
    const SIDE = 190;
    const TOP = 130;
    const H = SIDE + TOP + 52;
    const k = $derived(factor(units.distance));
    const h = $derived(factor(units.height));
    const flown = $derived(setups.filter((s) => s.path));
    const far = $derived(Math.max(...flown.map((s) => s.path!.carryM)) * k * 1.04);
    const high = $derived(Math.max(...flown.map((s) => s.path!.apexM)) * h * 1.12);
    const wide = $derived(Math.max(8, ...flown.flatMap((s) => s.path!.points.map((p) => Math.abs(p[2]) * k))) * 1.15);
    const x = $derived(scaleLinear([0, far], [LEFT, W - 14]));
    const up = $derived(scaleLinear([0, high], [SIDE, 16]));
    const across = $derived(scaleLinear([wide, -wide], [H - 24, SIDE + 34]));
    const line = (s: Flown, y: (p: [number, number, number]) => number) =>
        s.path!.points.map((p, i) => `${i ? 'L' : 'M'}${x(p[0] * k).toFixed(1)} ${y(p).toFixed(1)}`).join('');
</script>

{#if flown.length}
    <figure>
        <svg
            viewBox="0 0 {W} {H}"
            role="img"
            aria-label="The flight of each setup’s mean ball from the side and from above. The table holds carry and apex."
        >
            {#each up.ticks(4) as t (t)}<line x1={LEFT} x2={W - 14} y1={up(t)} y2={up(t)} class="grid" /><text
                    x={LEFT - 6}
                    y={up(t) + 4}
                    text-anchor="end">{t}</text
                >{/each}
            {#each x.ticks(7) as t (t)}<text x={x(t)} y={SIDE + 18} text-anchor="middle">{t}</text><line
                    x1={x(t)}
                    x2={x(t)}
                    y1={SIDE + 34}
                    y2={H - 24}
                    class="grid"
                />{/each}
            <text x={W - 14} y="12" text-anchor="end">from the side: height {units.height}, carry {units.distance}</text>
            {#each across.ticks(3) as t (t)}<text x={LEFT - 6} y={across(t) + 4} text-anchor="end"
                    >{t === 0 ? '0' : `${Math.abs(t)} ${t > 0 ? 'R' : 'L'}`}</text
                >{/each}
            <line x1={LEFT} x2={W - 14} y1={across(0)} y2={across(0)} class="target" />
            <text x={W - 14} y={H - 6} text-anchor="end">from above: right is down, {units.distance}</text>
            {#each flown as s (s.tag)}
                <g class="set-{toneOf(s.tag)}">
                    <path d={line(s, (p) => up(p[1] * h))} />
                    <path d={line(s, (p) => across(p[2] * k))} />
                    {#if !alone}<text
                            x={x(s.path!.carryM * k * 0.62)}
                            y={up(s.path!.points[Math.floor(s.path!.points.length * 0.62)]![1] * h) - 5}
                            class="tag">{s.tag}</text
                        >{/if}
                </g>
            {/each}
        </svg>
        <figcaption class="small">
            {alone ? 'Flown' : 'The mean ball of each setup, flown'} by the flight model in this air. Height and side are drawn larger than carry.
        </figcaption>
    </figure>
{/if}

<style>
    path {
        fill: none;
        stroke: var(--c);
        stroke-width: 2.2;
    }
    .tag {
        fill: var(--c);
        font-weight: 700;
        font-size: 14px;
    }
    .target {
        stroke: var(--ink);
        stroke-dasharray: 1 4;
    }
</style>
