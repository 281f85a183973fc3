<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import { toneOf } from '../../format/setups';
    import { outline, turned } from '../../parts/Glyph.svelte';
    import type { Strip } from './strips';

    /** What the shots say, measure by measure: a word, where it lies about the benchmark, and how much it is. */
    let { strips, tag, benchmark }: { strips: Strip[]; tag: string; benchmark: string } = $props();
    const W = 240;
    const H = 40;
    const scale = (s: Strip) => {
        const reach = Math.max(3 * s.margin, Math.abs(s.low), Math.abs(s.high), Math.abs(s.value)) * 1.08 || 1;
        return scaleLinear([-reach, reach], [6, W - 6]);
    };
</script>

<ul class="verdicts" aria-label="{tag} against {benchmark}">
    {#each strips as s (s.name)}
        {@const x = scale(s)}
        <li class={s.verdict}>
            <span class="word">{s.name} {s.mark}<span class="visually-hidden">&nbsp;({s.verdict})</span></span>
            <svg viewBox="0 0 {W} {H}" role="img" aria-label="{s.name}: {s.size}, {s.range}; better is to the right">
                <rect x={x(-s.margin)} y="5" width={x(s.margin) - x(-s.margin)} height={H - 10} class="same" />
                <line x1={x(0)} x2={x(0)} y1="1" y2={H - 1} class="base set-{toneOf(benchmark)}" />
                <line x1={x(s.low)} x2={x(s.high)} y1={H / 2} y2={H / 2} class="reach" />
                <g class="at set-{toneOf(tag)}" style:transform="translate({x(s.value)}px, {H / 2}px)"
                    ><path d={outline(tag, 8)} transform={turned(tag)} /></g
                >
            </svg>
            <span class="size"><b>{s.size}</b><small>{s.range}</small></span>
        </li>
    {/each}
</ul>

<style>
    ul {
        list-style: none;
        margin: 0;
        padding: 0;
    }
    li {
        display: grid;
        grid-template-columns: minmax(0, 1.2fr) minmax(70px, 1fr) minmax(0, auto);
        gap: 12px;
        align-items: center;
        border-top: 1px solid var(--hair);
        padding: 1px 0;
    }
    .word {
        font-size: var(--far, 28px);
        font-weight: 600;
        line-height: 1.1;
        overflow-wrap: normal;
    }
    .better .word {
        color: var(--mint);
    }
    .worse .word {
        color: var(--brick);
    }
    .open .word {
        color: var(--ink-2);
        font-weight: 450;
    }
    svg {
        width: 100%;
        height: auto;
        display: block;
        overflow: visible;
    }
    .same {
        fill: var(--hair);
        opacity: 0.6;
    }
    .base {
        stroke: var(--c);
        stroke-width: 2.5;
    }
    .reach {
        stroke: var(--ink);
        stroke-width: 3;
        transition: all 150ms;
    }
    .at {
        transition: transform 150ms;
    }
    .at path {
        fill: var(--c);
    }
    .size {
        text-align: right;
        white-space: nowrap;
    }
    .size b {
        display: block;
        font-size: var(--far, 28px);
        font-weight: 650;
        line-height: 1.05;
    }
    .size small {
        display: block;
    }
    @media (max-width: 620px) {
        li {
            grid-template-columns: minmax(0, 1fr) auto;
            gap: 0 10px;
        }
        svg {
            grid-column: 1 / -1;
            grid-row: 2;
            max-height: 26px;
        }
    }
</style>
