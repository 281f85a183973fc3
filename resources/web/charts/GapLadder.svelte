<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Gaps, UnitChoice } from '../api/generated/types';
    import { factor, plain } from '../format/units';

    /** Carry of each club on one line, with what is likely, and the gap between neighbours. */
    let { gaps, units }: { gaps: Gaps; units: UnitChoice } = $props();
    const W = 720;
    const LEFT = 168;
    const RIGHT = 96;
    const TOP = 14;
    const STEP = 46;
    const FOOT = 40;
    const k = $derived(factor(units.distance));
    const clubs = $derived(gaps.clubs.filter((c) => c.carryM !== null && c.interval !== null));
    const H = $derived(TOP + clubs.length * STEP + FOOT);
    const ends = $derived(clubs.flatMap((c) => [(c.carryM! - 2 * c.spreadM!) * k, (c.carryM! + 2 * c.spreadM!) * k]));
    const x = $derived(scaleLinear([Math.min(...ends), Math.max(...ends)], [LEFT, W - RIGHT]).nice(6));
    const y = (i: number) => TOP + i * STEP + STEP / 2;
    const short = (name: string) => (name.length > 22 ? `${name.slice(0, 21)}…` : name);
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="Carry of each long club with its spread, and the gaps between them. The table behind holds the figures."
    >
        {#each x.ticks(7) as t (t)}<line x1={x(t)} x2={x(t)} y1={TOP} y2={H - FOOT} class="grid" /><text
                x={x(t)}
                y={H - FOOT + 18}
                text-anchor="middle">{t}</text
            >{/each}
        {#each clubs as c, i (c.name)}
            <text x="0" y={y(i) - 3} class="name">{short(c.name)}<title>{c.name}</title></text>
            <text x="0" y={y(i) + 13}>{plain(c.loftDeg, 1)}° · {c.n} {c.n === 1 ? 'shot' : 'shots'}</text>
            <rect
                x={x((c.carryM! - 2 * c.spreadM!) * k)}
                y={y(i) - 5}
                width={x((c.carryM! + 2 * c.spreadM!) * k) - x((c.carryM! - 2 * c.spreadM!) * k)}
                height="10"
                class="spread"
            />
            <line x1={x(c.interval!.low * k)} x2={x(c.interval!.high * k)} y1={y(i)} y2={y(i)} class="likely" />
            <circle cx={x(c.carryM! * k)} cy={y(i)} r="6" class:driver={c.kind === 'driver'} />
        {/each}
        {#each gaps.gaps as g, i (`${g.from} ${g.to}`)}
            <path d="M{W - RIGHT + 12} {y(i) + 4}h8V{y(i + 1) - 4}h-8" class="brace" />
            <text x={W - RIGHT + 28} y={(y(i) + y(i + 1)) / 2 + 5} class="gap" class:off={g.verdict === 'wide' || g.verdict === 'narrow'}
                >{plain(g.gapM * k, 0)}{g.verdict === 'wide' ? ' wide' : g.verdict === 'narrow' ? ' close' : ''}</text
            >
        {/each}
        <text x={(LEFT + W - RIGHT) / 2} y={H - 4} text-anchor="middle">carry, {units.distance}</text>
    </svg>
    <figcaption class="small">
        Discs: mean carry, with its 95 % range. Bars: where 19 of 20 shots land. Right: the gap to the next club, in {units.distance}.
    </figcaption>
</figure>

<style>
    .name {
        fill: var(--ink);
        font-weight: 650;
    }
    .spread {
        fill: var(--hair);
    }
    .likely {
        stroke: var(--ink);
        stroke-width: 2;
    }
    circle {
        fill: var(--mint);
        stroke: var(--sheet);
        stroke-width: 1.5;
    }
    .driver {
        fill: var(--ink);
    }
    .brace {
        fill: none;
        stroke: var(--ink-2);
    }
    .gap {
        fill: var(--ink);
        font-weight: 600;
    }
    .off {
        fill: var(--amber);
    }
</style>
