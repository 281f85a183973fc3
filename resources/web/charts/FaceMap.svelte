<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Hand, HeadDetail } from '../api/generated/types';
    import { faceWords, plain, signed } from '../format/units';

    let { map, hand }: { map: HeadDetail['faceMap']; hand: Hand } = $props();
    const W = 430;
    const H = 312;
    // Seen from the ball: the heel on the right for a right-hander, on the left for a left-hander.
    const way = $derived(hand === 'right' ? -1 : 1);
    const x = scaleLinear([-34, 34], [36, W - 36]);
    const y = scaleLinear([-22, 22], [H - 58, 6]);
    const middle = $derived(map.find((p) => p.toeMm === 0 && p.highMm === 0)!);
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="Loft and lost ball speed over the face, seen from the ball: {plain(middle.loftDeg, 1)}° at the centre."
    >
        <rect x={x(-33)} y={y(21)} width={x(33) - x(-33)} height={y(-21) - y(21)} rx="46" class="face" />
        {#each map as p (`${p.toeMm}/${p.highMm}`)}
            {@const more = p.loftDeg - middle.loftDeg}
            <g class:more={more > 0.2} class:less={more < -0.2}>
                <text x={x(way * p.toeMm)} y={y(p.highMm) + 1} text-anchor="middle" class:centre={p === middle}
                    >{plain(p.loftDeg, 1)}°<title
                        >{Math.abs(p.toeMm)} mm {p.toeMm >= 0 ? 'toe' : 'heel'}, {Math.abs(p.highMm)} mm {p.highMm >= 0 ? 'high' : 'low'}:
                        loft {plain(p.loftDeg, 1)}°, face {faceWords(p.faceOpenDeg)}, {signed(100 * (p.ballSpeedShare - 1), 1)} % ball speed</title
                    ></text
                >
                {#if p !== middle}
                    <text x={x(way * p.toeMm)} y={y(p.highMm) + 15} text-anchor="middle" class="lost"
                        >{signed(100 * (p.ballSpeedShare - 1), 1)} %</text
                    >
                {/if}
            </g>
        {/each}
        {#each map.filter((p) => p.highMm === 0 && p.toeMm !== 0) as p (p.toeMm)}
            <text x={x(way * p.toeMm)} y={H - 38} text-anchor="middle" class="turn"
                >{Math.abs(p.toeMm) > 20 ? faceWords(p.faceOpenDeg) : `${plain(Math.abs(p.faceOpenDeg), 1)}°`}</text
            >
        {/each}
        <text x={x(way * 32)} y={H - 6} text-anchor="middle">toe</text>
        <text x={x(way * -32)} y={H - 6} text-anchor="middle">heel</text>
        <text x={W / 2} y={H - 6} text-anchor="middle">%: ball speed; steps of 12 and 7.5 mm</text>
    </svg>
</figure>

<style>
    .face {
        fill: var(--band);
        stroke: var(--ink-2);
    }
    g text {
        fill: var(--ink);
    }
    .more text {
        fill: var(--mint);
        font-weight: 600;
    }
    .less text {
        fill: var(--amber);
        font-weight: 600;
    }
    g text.lost {
        font-size: 12px;
        font-weight: 400;
        fill: var(--ink-2);
    }
    .turn {
        font-size: 12px;
    }
    .centre {
        font-size: 16px;
        font-weight: 700;
    }
</style>
