<script lang="ts">
    import type { Advice, Judgement, UnitChoice } from '../../api/generated/types';
    import { toneOf } from '../../format/setups';
    import { unitOf } from '../../format/units';
    import { amountOf, bandText, FLIGHT } from '../../format/wishes';
    import { say } from './words';
    import { outline, turned } from '../../parts/Glyph.svelte';

    /** Launch, spin, height and descent: before, after, and what is wanted. */
    let { judge, before, after, units }: { judge: Advice; before: Judgement; after: Judgement | undefined; units: UnitChoice } = $props();
    /** A degree stands at its figure, another unit apart. */
    const unit = (field: string) => (unitOf(field, units) === '°' ? '°' : ` ${unitOf(field, units)}`);
    const shown = $derived(
        FLIGHT.flatMap((field) => {
            const band = judge.wanted?.[field];
            const [was, is] = [before.flight?.[field], after?.flight?.[field]];
            if (!band || !was) return [];
            const ends = [band.low, band.high, was.value, ...(is ? [is.value] : [])];
            const [low, high] = [Math.min(...ends), Math.max(...ends)];
            const x = (v: number) => 8 + ((v - low) / Math.max(1e-9, high - low)) * 154;
            return [{ field, was, is, band: { from: x(band.low), to: x(band.high) }, wasAt: x(was.value), isAt: is ? x(is.value) : null }];
        }),
    );
</script>

<div class="windows">
    {#each shown as w (w.field)}
        <div>
            <h3>{say(`answer.flight.${w.field}`)} <span>{say('answer.wanted', { band: bandText(w.field, judge.wanted, units) })}</span></h3>
            <p>
                {#if w.is}<span class="was">{amountOf(w.field, w.was.value, units)} →</span>{/if}
                {amountOf(w.field, (w.is ?? w.was).value, units)}{unit(w.field)}
            </p>
            <svg viewBox="0 0 170 22" aria-hidden="true">
                <line x1="4" x2="166" y1="11" y2="11" />
                <rect x={w.band.from} y="4" width={Math.max(2, w.band.to - w.band.from)} height="14" rx="3" />
                <g class="set-{toneOf(before.tag)}"
                    ><path class="open" d={outline(before.tag, 5)} transform="translate({w.wasAt} 11) {turned(before.tag)}" /></g
                >
                {#if w.isAt !== null && after}<g class="set-{toneOf(after.tag)}"
                        ><path d={outline(after.tag, 6)} transform="translate({w.isAt} 11) {turned(after.tag)}" /></g
                    >{/if}
            </svg>
        </div>
    {/each}
</div>

<style>
    .windows {
        display: grid;
        grid-template-columns: repeat(4, 1fr);
        gap: 6px 16px;
        border-top: 1px solid var(--hair);
        padding-top: 7px;
    }
    h3 {
        margin: 0;
        font-size: 13px;
        font-weight: 650;
    }
    h3 span {
        color: var(--ink-2);
        font-weight: 400;
        white-space: nowrap;
    }
    p {
        margin: 0;
        font-size: 19px;
        font-weight: 600;
    }
    .was {
        color: var(--ink-2);
        font-weight: 400;
    }
    svg {
        width: 100%;
        max-width: 180px;
    }
    line {
        stroke: var(--hair);
        stroke-width: 2;
    }
    rect {
        fill: color-mix(in srgb, var(--mint) 30%, var(--paper));
    }
    path {
        fill: var(--c);
        stroke: var(--c);
        stroke-width: 1.6;
    }
    .open {
        fill: var(--paper);
    }
    @media (max-width: 700px) {
        .windows {
            grid-template-columns: repeat(2, 1fr);
        }
    }
</style>
