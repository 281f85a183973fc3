<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { UnitChoice, WhyBridge } from '../api/generated/types';
    import { factor, signed, unitOf } from '../format/units';

    let { bridge, tag, benchmark, units }: { bridge: WhyBridge; tag: string; benchmark: string; units: UnitChoice } = $props();
    const W = 590;
    const LEFT = 150;
    const RIGHT = 96;
    const ROW = 34;
    const k = $derived(factor(unitOf(bridge.measure, units)));
    const unit = $derived(unitOf(bridge.measure, units));
    const digits = $derived(bridge.measure === 'spinRpm' ? 0 : 1);
    // A cause that moved nothing needs no row.
    const lines = $derived(
        bridge.lines.filter(
            (l) => Math.abs(l.happened) * k >= (bridge.measure === 'spinRpm' ? 5 : 0.05) || l.cause.includes('unexplained'),
        ),
    );
    const H = $derived(lines.length * ROW + 62);
    const reach = $derived(
        Math.max(1, ...lines.flatMap((l) => [Math.abs(l.happened) + l.error, Math.abs(l.repeats)]), Math.abs(bridge.difference)) * k * 1.06,
    );
    const x = $derived(scaleLinear([-reach, reach], [LEFT, W - RIGHT]));
    const bar = (v: number) => ({ x: Math.min(x(0), x(v * k)), width: Math.abs(x(v * k) - x(0)) });
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="Why {tag} differs from {benchmark}: what each cause moved, and what of it would repeat. The table holds the figures."
    >
        {#each x.ticks(5) as t (t)}
            <line x1={x(t)} x2={x(t)} y1="22" y2={H - 34} class="grid" class:zero={t === 0} />
            <text x={x(t)} y="14" text-anchor="middle">{t > 0 ? '+' : ''}{t}{t === 0 ? ` ${unit}` : ''}</text>
        {/each}
        {#each lines as line, i (line.cause)}
            {@const y = 28 + i * ROW}
            <g class:noise={line.noise}>
                <text x={LEFT - 8} y={y + 17} text-anchor="end" class="cause">{line.cause}</text>
                <rect {...bar(line.happened)} {y} height="14" class="happened" />
                {#if line.error > 0}<line
                        x1={x((line.happened - line.error) * k)}
                        x2={x((line.happened + line.error) * k)}
                        y1={y + 7}
                        y2={y + 7}
                        class="error"
                    />{/if}
                <rect {...bar(line.repeats)} y={y + 16} height="8" class="repeats" />
                <text x={W - 4} y={y + 12} text-anchor="end">{signed(line.happened * k, digits)}{line.noise ? ' noise' : ''}</text>
                <text x={W - 4} y={y + 26} text-anchor="end" class="again">{signed(line.repeats * k, digits)}</text>
            </g>
        {/each}
        <line x1={LEFT} x2={W} y1={H - 32} y2={H - 32} class="sum" />
        <text x={LEFT - 8} y={H - 12} text-anchor="end" class="cause">{tag} − {benchmark}</text>
        <rect {...bar(bridge.difference)} y={H - 24} height="14" class="total" />
        <text x={W - 4} y={H - 12} text-anchor="end" class="cause">{signed(bridge.difference * k, digits)}</text>
    </svg>
    <figcaption class="small">
        Dark: what happened in these shots; it adds up to the difference exactly, whatever the order. Light: what of it this much evidence
        lets one expect again. Line: one standard error. Grey: more likely noise than a cause.{bridge.clubSeen
            ? ''
            : ' The monitor saw no club: delivery, loft and face are estimated from the ball.'}
    </figcaption>
</figure>

<style>
    .happened {
        fill: var(--ink);
    }
    .repeats {
        fill: var(--mint);
        opacity: 0.75;
    }
    .total {
        fill: var(--mint);
    }
    .noise .happened {
        fill: var(--ink-2);
        opacity: 0.4;
    }
    .noise .repeats {
        opacity: 0.3;
    }
    .error {
        stroke: var(--amber);
        stroke-width: 2;
    }
    .zero,
    .sum {
        stroke: var(--ink-2);
    }
    .cause {
        font-size: 14px;
        font-weight: 600;
    }
    .again {
        fill: var(--mint);
    }
</style>
