<script lang="ts">
    import type { AnswerRow, Fitting, Judgement } from '../../api/generated/types';
    import { DRIVES } from '../../format/judged';
    import { toneOf } from '../../format/setups';
    import { outline, turned } from '../../parts/Glyph.svelte';
    import { bigText, rowName, rowUnder, sideText, stripOf } from './sentences';

    /** One thing that the brief asks for: its name, a picture before and after, and the figures. */
    let { row, fitting, after }: { row: AnswerRow; fitting: Fitting; after: Judgement | undefined } = $props();
    const big = $derived(bigText(row, fitting));
    const strip = $derived(stripOf(row));
    const bad = $derived(row.asked === 'never');
</script>

<div class="row" data-what={row.what}>
    <div class="name"><b>{rowName(row)}</b><small>{rowUnder(row, fitting)}</small></div>
    {#if row.before.drives !== null}
        <svg viewBox="0 0 240 44" aria-hidden="true" class:bad>
            {#each [row.before, row.after] as one, i (i)}
                {#if one?.drives !== undefined}
                    {#each { length: DRIVES }, n}<circle
                            cx={12 + n * 16}
                            cy={row.after ? 12 + i * 20 : 22}
                            r="5.6"
                            class:full={n < one!.drives!}
                            class:now={i === 1}
                        />{/each}
                {/if}
            {/each}
        </svg>
    {:else}
        <svg viewBox="0 0 240 44" aria-hidden="true">
            {#if strip}
                <line x1={strip.zero} x2={strip.zero} y1="4" y2="40" class="zero" />
                <line x1={strip.zero} x2={strip.at} y1="22" y2="22" class="way" />
                <line x1={strip.low} x2={strip.high} y1="22" y2="22" class="range" />
                {#if after}<g class="set-{toneOf(after.tag)}"
                        ><path d={outline(after.tag, 7)} transform="translate({strip.at} 22) {turned(after.tag)}" class="mark" /></g
                    >{/if}
            {/if}
        </svg>
    {/if}
    <p class="big">
        {#if big.before}<span class="was">{big.before}{big.after ? ' →' : ''}</span>{/if}
        {big.after} <span class="unit">{big.unit}</span>
        <small>{sideText(row, fitting, after)}</small>
    </p>
</div>

<style>
    .row {
        display: grid;
        grid-template-columns: 190px 240px 1fr;
        gap: 0 14px;
        align-items: center;
        min-height: 58px;
        border-top: 1px solid var(--hair);
    }
    .name b {
        font-size: 19px;
        font-weight: 600;
        line-height: 1.15;
    }
    small {
        display: block;
        font-size: 13px;
        font-weight: 400;
        color: var(--ink-2);
        letter-spacing: 0;
        line-height: 1.2;
    }
    svg {
        width: 100%;
        max-width: 240px;
    }
    circle {
        fill: none;
        stroke: var(--hair);
        stroke-width: 1.4;
    }
    .full {
        fill: var(--ink-2);
        stroke: var(--ink-2);
        opacity: 0.55;
    }
    .full.now {
        fill: var(--mint);
        stroke: var(--mint);
        opacity: 1;
    }
    .bad .full.now {
        fill: var(--brick);
        stroke: var(--brick);
    }
    .zero {
        stroke: var(--ink-2);
        stroke-dasharray: 2 3;
    }
    .way {
        stroke: var(--hair);
        stroke-width: 2;
    }
    .range {
        stroke: var(--ink);
        stroke-width: 2.5;
    }
    .mark {
        fill: var(--c);
    }
    .big {
        margin: 0;
        font-size: 27px;
        font-weight: 650;
        letter-spacing: -0.01em;
        line-height: 1.1;
    }
    .was {
        color: var(--ink-2);
        font-weight: 450;
    }
    .unit {
        font-size: var(--lead);
        font-weight: 550;
    }
    @media (max-width: 700px) {
        .row {
            grid-template-columns: 1fr auto;
            padding: 4px 0;
        }
        svg {
            grid-row: 2;
            grid-column: 1 / -1;
            max-width: 200px;
        }
        .big {
            text-align: right;
            font-size: 22px;
        }
    }
</style>
