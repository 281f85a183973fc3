<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { DriftPoint, Fitting, Trial } from '../api/generated/types';
    import { factor, plain } from '../format/units';

    let { fitting, drift, trials, flat = false }: { fitting: Fitting; drift: DriftPoint[]; trials: Trial[]; flat?: boolean } = $props();
    const W = $derived(flat ? 940 : 590);
    const H = $derived(flat ? 82 : 96);
    const LEFT = 40;
    const k = $derived(factor(fitting.player.units.speed));
    const speeds = $derived(drift.map((d) => d.speedMps * k));
    const y = $derived(scaleLinear([Math.min(...speeds) - 0.8, Math.max(...speeds) + 0.8], [H - 18, 8]));
    const x = $derived(scaleLinear([0, Math.max(10, drift.length - 1)], [LEFT + 8, W - 8]));
    const path = $derived(drift.map((d, i) => `${i ? 'L' : 'M'}${x(i).toFixed(1)} ${y(d.speedMps * k).toFixed(1)}`).join(''));
    const bands = $derived(
        trials
            .map((t) => ({ t, at: drift.flatMap((d, i) => (d.trial === t.id ? [i] : [])) }))
            .filter((b) => b.at.length)
            .map((b) => ({ ...b, from: x(b.at[0]!) - 4, to: x(b.at.at(-1)!) + 4 })),
    );
</script>

{#if drift.length > 1}
    <figure>
        <svg viewBox="0 0 {W} {H}" role="img" aria-label="{drift[0]!.club ? 'Club' : 'Ball'} speed shot by shot, trials as bands.">
            {#each bands as b, i (b.t.id)}
                <rect
                    x={b.from}
                    y="4"
                    width={b.to - b.from}
                    height={H - 20}
                    class="band"
                    class:odd={i % 2}
                    class:warm={b.t.kind === 'warm-up'}
                />
                <text x={(b.from + b.to) / 2} y={H - 4} text-anchor="middle">{b.t.kind === 'warm-up' ? 'warm-up' : b.t.tag}</text>
            {/each}
            {#each y.ticks(3) as t (t)}<line x1={LEFT} x2={W} y1={y(t)} y2={y(t)} class="grid" /><text
                    x={LEFT - 5}
                    y={y(t) + 4}
                    text-anchor="end">{plain(t, 0)}</text
                >{/each}
            <path d={path} class="speed" />
            {#each drift as d, i (d.sequence)}<circle cx={x(i)} cy={y(d.speedMps * k)} r="3" class:out={!d.counts} />{/each}
        </svg>
        <figcaption class="small" class:visually-hidden={flat}>
            {drift[0]!.club ? 'Club' : 'Ball'} speed, {fitting.player.units.speed}, shot by shot.
        </figcaption>
    </figure>
{/if}

<style>
    .band {
        fill: var(--band);
    }
    .odd {
        fill: var(--mint-wash);
    }
    .warm {
        fill: var(--amber-wash);
    }
    .speed {
        fill: none;
        stroke: var(--ink);
        stroke-width: 1.5;
    }
    circle {
        fill: var(--ink);
    }
    .out {
        fill: var(--sheet);
        stroke: var(--ink-2);
    }
</style>
