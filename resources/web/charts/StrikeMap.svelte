<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { BayView, Hand, Shot } from '../api/generated/types';
    import { plain } from '../format/units';

    let {
        shots,
        hand,
        inLine,
        benchmark = null,
        small = false,
    }: { shots: Shot[]; hand: Hand; inLine: BayView['inLine']; benchmark?: BayView['benchmarkMeans']; small?: boolean } = $props();
    const W = 300;
    const H = 178;
    // Seen from the ball: the heel on the right for a right-hander, on the left for a left-hander.
    const way = $derived(hand === 'right' ? -1 : 1);
    const x = scaleLinear([-48, 48], [6, W - 6]);
    const y = scaleLinear([-26, 26], [H - 22, 6]);
    const strikes = $derived(shots.filter((s) => s.measured.strikeToeMm !== undefined && s.measured.strikeHighMm !== undefined));
    const counted = $derived(strikes.filter((s) => !s.leftOut));
    const mean = (f: string) => counted.reduce((sum, s) => sum + s.measured[f]!, 0) / counted.length;
</script>

<figure>
    <svg viewBox="0 0 {W} {H}" class:small role="img" aria-label="Strikes on the face, seen from the ball: {strikes.length} shots.">
        <rect x={x(-46)} y={y(25)} width={x(46) - x(-46)} height={y(-25) - y(25)} rx="60" class="face" />
        {#each [-40, -30, -20, -10, 0, 10, 20, 30, 40] as mm (mm)}<line x1={x(mm)} x2={x(mm)} y1={y(20)} y2={y(-20)} class="grid" />{/each}
        {#each [-20, -10, 0, 10, 20] as mm (mm)}<line x1={x(-42)} x2={x(42)} y1={y(mm)} y2={y(mm)} class="grid" />{/each}
        {#if inLine}<path
                d="M{x(way * inLine.toeMm) - 9} {y(inLine.highMm)}h18M{x(way * inLine.toeMm)} {y(inLine.highMm) - 9}v18"
                class="line"
            />{/if}
        {#each strikes as s, i (s.id)}
            <circle
                cx={x(way * s.measured.strikeToeMm!)}
                cy={y(s.measured.strikeHighMm!)}
                r={i === strikes.length - 1 ? 6.5 : 4.5}
                class:out={s.leftOut}
                class:last={i === strikes.length - 1}
                ><title>Shot {s.sequence}: {plain(s.measured.strikeToeMm!, 0)} mm toe, {plain(s.measured.strikeHighMm!, 0)} mm high</title
                ></circle
            >
        {/each}
        {#if counted.length > 1}<path
                d="M{x(way * mean('strikeToeMm')) - 7} {y(mean('strikeHighMm')) - 7}l14 14m0 -14l-14 14"
                class="mean"
            />{/if}
        {#if benchmark?.strikeToeMm && benchmark.strikeHighMm}<circle
                cx={x(way * benchmark.strikeToeMm.mean)}
                cy={y(benchmark.strikeHighMm.mean)}
                r="7"
                class="base"
            />{/if}
        <text x={x(way * 40)} y={H - 6} text-anchor="middle">toe</text>
        <text x={x(way * -40)} y={H - 6} text-anchor="middle">heel</text>
        {#if !small}<text x={W / 2} y={H - 6} text-anchor="middle">from the ball, 10 mm grid</text>{/if}
    </svg>
    <figcaption class="small">
        {#if small}From the ball, 10 mm grid. × mean{benchmark?.strikeToeMm ? ', ○ the benchmark’s' : ''}{inLine
                ? `, + CG${inLine.assumed ? ' (assumed)' : ''}`
                : ''}.
        {:else}
            {strikes.length ? '× mean of those that count.' : 'This monitor gives no strike.'}
            {inLine ? `+ in line with the CG${inLine.assumed ? ' (assumed)' : ''}.` : ''}
        {/if}
    </figcaption>
</figure>

<style>
    .small text {
        font-size: 20px;
    }
    .face {
        fill: var(--band);
        stroke: var(--ink-2);
    }
    circle {
        fill: var(--ink);
        opacity: 0.65;
    }
    .last {
        fill: var(--mint);
        opacity: 1;
    }
    .out {
        fill: none;
        stroke: var(--ink-2);
    }
    .base {
        fill: none;
        stroke: var(--ink);
        stroke-width: 2;
        stroke-dasharray: 3 2;
        opacity: 1;
    }
    .line {
        stroke: var(--mint);
        stroke-width: 2;
    }
    .mean {
        stroke: var(--ink);
        stroke-width: 2.5;
        fill: none;
    }
</style>
