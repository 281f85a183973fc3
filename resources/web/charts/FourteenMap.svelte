<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Fitting, FourteenDrives, Trouble } from '../api/generated/types';
    import { say } from '../format/sentences';
    import { toneOf, troubleAt } from '../format/setups';
    import { factor } from '../format/units';
    import Glyph, { outline, turned } from '../parts/Glyph.svelte';

    /** Fourteen drives with each setup, where they are expected to come to rest, on the corridor and its trouble. */
    let { fitting, drives }: { fitting: Fitting; drives: [string, FourteenDrives][] } = $props();
    const W = 430;
    const H = 470;
    const [LEFT, RIGHT, TOP, FOOT] = [6, 48, 8, 24];
    const k = $derived(factor(fitting.player.units.distance));
    const unit = $derived(fitting.player.units.distance);
    const corridor = $derived(fitting.brief.corridor);
    const half = $derived((corridor.widthM / 2) * k);
    const all = $derived(drives.flatMap(([, d]) => d.drives));
    const reach = $derived(Math.max(half * 1.4, ...all.map((d) => Math.abs(d.sideM) * k + 4)));
    const lengths = $derived(all.map((d) => d.totalM * k));
    /** Equal scales across and along where there is room for it. */
    const span = $derived(
        Math.max(Math.max(...lengths) - Math.min(...lengths) + 14, ((H - TOP - FOOT) / (W - LEFT - RIGHT)) * 2 * reach * 0.6),
    );
    const middle = $derived((Math.max(...lengths) + Math.min(...lengths)) / 2);
    const x = $derived(scaleLinear([-reach, reach], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([middle - span / 2, middle + span / 2], [H - FOOT, TOP]));
    const begins = (t: Trouble) => troubleAt(t, corridor) * k;
    const bands = $derived(
        (
            [
                ['left', corridor.left, -reach, -begins(corridor.left)],
                ['right', corridor.right, begins(corridor.right), reach],
            ] as [string, Trouble, number, number][]
        ).filter(([, t, from, to]) => t.kind !== 'rough' && from < to),
    );
    const counted = (tag: string, d: FourteenDrives) => say('fourteen.counted', { tag, fairway: d.fairway, left: d.left, right: d.right });
</script>

<figure>
    <svg viewBox="0 0 {W} {H}" role="img" aria-label="{say('fourteen')}. {drives.map(([tag, d]) => counted(tag, d)).join(' ')}">
        <rect x={x(-half)} y={TOP} width={x(half) - x(-half)} height={H - FOOT - TOP} class="corridor" />
        {#each bands as [side, trouble, from, to] (side)}
            <rect
                x={x(from)}
                y={TOP}
                width={x(to) - x(from)}
                height={H - FOOT - TOP}
                class={trouble.kind === 'water' ? 'water' : 'trees'}
            />
            <text x={side === 'left' ? x(from) + 5 : x(to) - 5} y={TOP + 16} text-anchor={side === 'left' ? 'start' : 'end'}
                >{trouble.kind}</text
            >
        {/each}
        {#each y.ticks(6) as t (t)}
            <line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" />
            <text x={W - RIGHT + 5} y={y(t) + 4}>{t} {unit}</text>
        {/each}
        <line x1={x(0)} x2={x(0)} y1={TOP} y2={H - FOOT} class="target" />
        {#each drives as [tag, d], i (tag)}
            <g class="set-{toneOf(tag)}" data-tag={tag}>
                {#each d.drives as one, n (n)}<path
                        d={outline(tag, 5.5)}
                        transform="translate({x(one.sideM * k)} {y(one.totalM * k)}) {turned(tag)}"
                        class:open={i === 0 && drives.length > 1}
                        data-end={one.end}
                    />{/each}
            </g>
        {/each}
    </svg>
    <figcaption class="small">
        {#each drives as [tag], i (tag)}<Glyph {tag} r={6} lettered={false} open={i === 0 && drives.length > 1} /> {tag}
        {/each}· {say('fourteen')}
    </figcaption>
</figure>

<style>
    figure {
        margin: 0;
        text-align: center;
    }
    svg {
        width: 100%;
        max-height: 450px;
    }
    .corridor {
        fill: var(--mint-wash);
    }
    .water {
        fill: var(--water);
    }
    .trees {
        fill: var(--band);
    }
    .grid {
        stroke: var(--hair);
        stroke-width: 0.7;
    }
    .target {
        stroke: var(--ink-2);
        stroke-dasharray: 2 4;
    }
    path {
        fill: var(--c);
        stroke: var(--c);
        stroke-width: 1.5;
    }
    .open {
        fill: none;
    }
    text {
        font-size: 13px;
        fill: var(--ink-2);
    }
</style>
