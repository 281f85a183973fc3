<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Fitting, JudgedSetup, Shot } from '../api/generated/types';
    import { toneOf } from '../format/setups';
    import { plain } from '../format/units';
    import Mark from './Mark.svelte';

    let { fitting, shots, setups }: { fitting: Fitting; shots: Shot[]; setups: JudgedSetup[] } = $props();
    const W = 590;
    const H = 330;
    // Seen from the ball: the heel on the right for a right-hander, on the left for a left-hander.
    const way = $derived(fitting.player.hand === 'right' ? -1 : 1);
    const x = scaleLinear([-48, 48], [10, W - 10]);
    const y = scaleLinear([-26, 26], [H - 26, 8]);
    const tagOf = $derived(new Map(fitting.setups.map((s) => [s.id, s.tag])));
    const chosen = $derived(new Set(setups.map((s) => s.tag)));
    const strikes = $derived(
        shots.filter(
            (s) =>
                !s.leftOut &&
                chosen.has(tagOf.get(s.setupId) ?? '') &&
                s.measured.strikeToeMm !== undefined &&
                s.measured.strikeHighMm !== undefined,
        ),
    );
    const mean = (tag: string, f: string) => {
        const own = strikes.filter((s) => tagOf.get(s.setupId) === tag);
        return own.length ? own.reduce((sum, s) => sum + s.measured[f]!, 0) / own.length : null;
    };
</script>

<figure>
    {#if strikes.length === 0}
        <p class="small">This monitor gave no strike position.</p>
    {:else}
        <svg
            viewBox="0 0 {W} {H}"
            role="img"
            aria-label="Strikes on the face, seen from the ball, by setup. The table holds zones and means."
        >
            <rect x={x(-46)} y={y(25)} width={x(46) - x(-46)} height={y(-25) - y(25)} rx="120" class="face" />
            {#each [-40, -30, -20, -10, 0, 10, 20, 30, 40] as mm (mm)}<line
                    x1={x(mm)}
                    x2={x(mm)}
                    y1={y(21)}
                    y2={y(-21)}
                    class="grid"
                />{/each}
            {#each [-20, -10, 0, 10, 20] as mm (mm)}<line x1={x(-42)} x2={x(42)} y1={y(mm)} y2={y(mm)} class="grid" />{/each}
            {#each strikes as s (s.id)}<Mark
                    tag={tagOf.get(s.setupId)!}
                    x={x(way * s.measured.strikeToeMm!)}
                    y={y(s.measured.strikeHighMm!)}
                    shot={s.id}
                    title="Shot {s.sequence}: {plain(s.measured.strikeToeMm!, 0)} mm toe, {plain(s.measured.strikeHighMm!, 0)} mm high"
                />{/each}
            {#each setups as s (s.tag)}
                {@const toe = mean(s.tag, 'strikeToeMm')}
                {@const high = mean(s.tag, 'strikeHighMm')}
                <g class="set-{toneOf(s.tag)}">
                    {#if s.inLine}<path
                            d="M{x(way * s.inLine.toeMm) - 10} {y(s.inLine.highMm)}h20M{x(way * s.inLine.toeMm)} {y(s.inLine.highMm) -
                                10}v20"
                        />{/if}
                    {#if toe !== null && high !== null}<path d="M{x(way * toe) - 8} {y(high) - 8}l16 16m0 -16l-16 16" class="mean" />{/if}
                </g>
            {/each}
            <text x={x(way * 40)} y={H - 8} text-anchor="middle">toe</text>
            <text x={x(way * -40)} y={H - 8} text-anchor="middle">heel</text>
            <text x={W / 2} y={H - 8} text-anchor="middle">from the ball, 10 mm grid</text>
        </svg>
        <figcaption class="small">
            × mean strike of each setup. + the point of its face in line with the CG{setups.some((s) => s.inLine?.assumed)
                ? ' (assumed where the head was not measured)'
                : ''}.
        </figcaption>
    {/if}
</figure>

<style>
    .face {
        fill: var(--band);
        stroke: var(--ink-2);
    }
    g path {
        fill: none;
        stroke: var(--c);
        stroke-width: 2;
    }
    g .mean {
        stroke-width: 3.5;
    }
</style>
