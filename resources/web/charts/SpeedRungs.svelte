<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { SpeedLadder, UnitChoice } from '../api/generated/types';
    import { MEASURES, shown, unitOf } from '../format/units';

    /** A measure against speed: the shots, each group’s mean with what is likely, and what the loft of longest carry would give. */
    let { ladder, measure, units }: { ladder: SpeedLadder; measure: 'carryM' | 'launchDeg' | 'spinRpm' | 'apexM'; units: UnitChoice } =
        $props();
    const W = 620;
    const H = 300;
    const LEFT = 58;
    const FOOT = 44;
    const RIGHT = 16;
    const v = (value: number) => shown(measure, value, units);
    const s = (speed: number) => shown('clubSpeedMps', speed, units);
    const shots = $derived(ladder.shots.filter((shot) => shot[measure] !== null));
    const means = $derived(ladder.rungs.flatMap((r) => (r.figures[measure] ? [{ r, f: r.figures[measure]! }] : [])));
    const speeds = $derived(ladder.wanted.map((w) => s(w.speedMps)));
    const values = $derived([...shots.map((shot) => v(shot[measure]!)), ...ladder.wanted.map((w) => v(w[measure]))]);
    const x = $derived(scaleLinear([speeds[0]!, speeds.at(-1)!], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([Math.min(...values), Math.max(...values)], [H - FOOT, 16]).nice(5));
    const path = $derived(
        ladder.wanted.map((w, i) => `${i ? 'L' : 'M'}${x(s(w.speedMps)).toFixed(1)} ${y(v(w[measure])).toFixed(1)}`).join(''),
    );
    /** A shape for each intent, so that none is told by colour alone. */
    const shape = (intent: string) =>
        intent === 'smooth' ? 'M-4 4h8l-4 -8z' : intent === 'full out' ? 'M0 -5l5 5l-5 5l-5 -5z' : 'M-4 -4h8v8h-8z';
    const clip = (value: number) => Math.max(16, Math.min(H - FOOT, y(value)));
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="{MEASURES[measure]!.label} against club speed, shot by shot. The table behind holds the figures."
    >
        {#each x.ticks(6) as t (t)}<line x1={x(t)} x2={x(t)} y1="10" y2={H - FOOT} class="grid" /><text
                x={x(t)}
                y={H - FOOT + 18}
                text-anchor="middle">{t}</text
            >{/each}
        {#each y.ticks(5) as t (t)}<line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" /><text
                x={LEFT - 6}
                y={y(t) + 4}
                text-anchor="end">{t}</text
            >{/each}
        <path d={path} class="wanted" />
        {#each shots as shot, i (i)}<path
                d={shape(shot.intent)}
                transform="translate({x(s(shot.speedMps))},{y(v(shot[measure]!))})"
                class="shot"
            />{/each}
        {#each means as { r, f } (r.name)}
            {#if f.interval}<line
                    x1={x(s(r.speedMps))}
                    x2={x(s(r.speedMps))}
                    y1={clip(v(f.interval.low))}
                    y2={clip(v(f.interval.high))}
                    class="likely"
                />{/if}
            <circle cx={x(s(r.speedMps))} cy={y(v(f.mean))} r="7" class="mean" />
        {/each}
        <text x={(LEFT + W - RIGHT) / 2} y={H - 6} text-anchor="middle"
            >{ladder.clubSeen ? 'club speed' : 'club speed, from the ball'}, {units.speed}</text
        >
        <text transform="translate(13,{(H - FOOT) / 2}) rotate(-90)" text-anchor="middle"
            >{MEASURES[measure]!.label.toLowerCase()}, {unitOf(measure, units)}</text
        >
    </svg>
    <figcaption class="small">
        Discs: mean of each group with its 95 % range. Line: what the loft of longest carry would give at each speed. {ladder.by ===
        'intent'
            ? '▲ smooth, ■ normal, ◆ full out.'
            : ''}
    </figcaption>
</figure>

<style>
    .wanted {
        fill: none;
        stroke: var(--mint);
        stroke-width: 3;
        stroke-linecap: round;
    }
    .shot {
        fill: var(--ink-2);
        opacity: 0.55;
    }
    .mean {
        fill: var(--ink);
        stroke: var(--sheet);
        stroke-width: 2;
    }
    .likely {
        stroke: var(--ink);
        stroke-width: 2.5;
    }
</style>
