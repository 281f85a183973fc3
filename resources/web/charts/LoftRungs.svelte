<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { LoftLadder, UnitChoice } from '../api/generated/types';
    import { rungText, supplyOf } from '../format/ladder';
    import { factor, figure, plain } from '../format/units';

    /** One rung a loft: how far this swing carries with it, left on its sole and squared, each with what is likely. */
    let { ladder, units }: { ladder: LoftLadder; units: UnitChoice } = $props();
    const W = 620;
    const LEFT = 178;
    const RIGHT = 148;
    const TOP = 26;
    const STEP = 66;
    const FOOT = 40;
    const H = $derived(TOP + ladder.rungs.length * STEP + FOOT);
    const k = $derived(factor(units.distance));
    const ends = $derived(
        ladder.rungs.flatMap((r) => [r.soled, r.squared].flatMap((f) => (f ? [f.carryInterval.low * k, f.carryInterval.high * k] : []))),
    );
    const x = $derived(scaleLinear([Math.min(...ends), Math.max(...ends)], [LEFT, W - RIGHT]).nice(5));
    const rows = $derived(
        ladder.rungs.map((r, i) => ({
            r,
            y: TOP + i * STEP + STEP / 2,
            ways: (['soled', 'squared'] as const).flatMap((habit, j) => (r[habit] ? [{ habit, f: r[habit]!, dy: j ? 11 : -11 }] : [])),
        })),
    );
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="Carry of this swing with {ladder.head} in each loft, soled and squared. The table behind holds the figures."
    >
        {#each x.ticks(5) as t (t)}
            <line x1={x(t)} x2={x(t)} y1={TOP - 8} y2={H - FOOT} class="grid" />
            <text x={x(t)} y={H - FOOT + 17} text-anchor="middle">{t}</text>
        {/each}
        <text x={W - RIGHT + 12} y={TOP - 10}>launch</text>
        <text x={W - RIGHT + 66} y={TOP - 10}>spin</text>
        <text x={W - RIGHT + 112} y={TOP - 10}>apex</text>
        {#each rows as { r, y, ways } (r.name)}
            <line x1="0" x2={W} y1={y + STEP / 2} y2={y + STEP / 2} class="grid" />
            <text x="0" y={y - 6} class="loft">{rungText(r)}</text>
            <text x="0" y={y + 12}>{supplyOf(r)}</text>
            {#each ways as { habit, f, dy } (habit)}
                <line x1={x(f.carryInterval.low * k)} x2={x(f.carryInterval.high * k)} y1={y + dy} y2={y + dy} class="likely" />
                {#if habit === 'soled'}
                    <rect x={x(f.carryM * k) - 5} y={y + dy - 5} width="10" height="10" class="soled" />
                {:else}
                    <path d="M{x(f.carryM * k)} {y + dy - 7}l7 7l-7 7l-7 -7z" class="squared" />
                {/if}
                <text x={W - RIGHT + 12} y={y + dy + 5}>{plain(f.launchDeg, 1)}°</text>
                <text x={W - RIGHT + 66} y={y + dy + 5}>{plain(f.spinRpm, 0)}</text>
                <text x={W - RIGHT + 112} y={y + dy + 5}>{figure('apexM', f.apexM, units)}</text>
            {/each}
        {/each}
        <text x={(LEFT + W - RIGHT) / 2} y={H - 6} text-anchor="middle">carry, {units.distance}</text>
    </svg>
    <figcaption class="small">
        <svg width="12" height="12" aria-hidden="true"><rect x="1" y="1" width="10" height="10" class="soled" /></svg> left on its sole ·
        <svg width="14" height="14" aria-hidden="true"><path d="M7 0l7 7l-7 7l-7 -7z" class="squared" /></svg> squared, both at the sleeve’s
        home. Lines: 95 % likely; a loft that nobody read lies about 1° from its print, some 2 to 3°. Apex in {units.height}.
    </figcaption>
</figure>

<style>
    figure {
        max-width: 660px;
    }
    .likely {
        stroke: var(--ink-2);
        stroke-width: 2;
    }
    .soled {
        fill: var(--sheet);
        stroke: var(--ink);
        stroke-width: 2;
    }
    .squared {
        fill: var(--mint);
        stroke: var(--sheet);
    }
    .loft {
        fill: var(--ink);
        font-weight: 650;
    }
    figcaption svg {
        vertical-align: -2px;
        overflow: visible;
    }
</style>
