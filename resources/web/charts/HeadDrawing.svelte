<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Hand, Slot } from '../api/generated/types';
    import { plain } from '../format/units';

    let {
        hand,
        slots,
        masses,
        cg,
        before = null,
        inHand = null,
        onslot = undefined,
    }: {
        hand: Hand;
        slots: Slot[];
        masses: Record<string, number>;
        cg: { toeMm: number; backMm: number } | null;
        before?: { toeMm: number; backMm: number } | null;
        inHand?: number | null;
        onslot?: (slot: Slot) => void;
    } = $props();
    const W = 330;
    const H = 292;
    // From above with the target at the top: the heel is on the player's side, left for a right-hander, right for a left-hander.
    const way = $derived(hand === 'right' ? 1 : -1);
    const x = scaleLinear([-72, 72], [12, W - 12]);
    const y = scaleLinear([-14, 124], [14, H - 24]);
    const at = (toe: number, back: number): [number, number] => [x(way * toe), y(back)];
    const outline = $derived.by(() => {
        const p = (toe: number, back: number) =>
            at(toe, back)
                .map((v) => v.toFixed(1))
                .join(' ');
        return `M${p(-54, 6)}C${p(-30, -3)} ${p(30, -4)} ${p(58, 5)}C${p(74, 34)} ${p(66, 84)} ${p(28, 110)}C${p(10, 118)} ${p(-16, 117)} ${p(-32, 104)}C${p(-62, 78)} ${p(-70, 38)} ${p(-54, 6)}Z`;
    });
</script>

<svg viewBox="0 0 {W} {H}" role="group" aria-label="The head from above, {hand}-handed, with its weight slots and its centre of gravity">
    <path d={outline} class="head" />
    <path d="M{at(-50, 3).join(' ')}C{at(-25, -4).join(' ')} {at(25, -5).join(' ')} {at(54, 3).join(' ')}" class="face" />
    <text x={at(-56, 0)[0]} y={y(-6)} text-anchor="middle">heel</text>
    <text x={at(58, 0)[0]} y={y(-6)} text-anchor="middle">toe</text>
    <text x={W / 2} y={H - 6} text-anchor="middle">from above, target up</text>
    {#each slots as slot (slot.name)}
        {@const [cx, cy] = at(slot.toeMm, slot.backMm)}
        {@const grams = masses[slot.name]}
        <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
        <g
            class="slot"
            class:filled={!!grams}
            class:aim={inHand !== null}
            role={onslot ? 'button' : 'img'}
            tabindex={onslot ? 0 : undefined}
            aria-label="Slot {slot.name}: {grams ? `${plain(grams, grams % 1 ? 1 : 0)} g` : 'empty'}{inHand !== null
                ? `, place ${inHand} g here`
                : ''}"
            onclick={() => onslot?.(slot)}
            onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onslot?.(slot))}
        >
            <circle {cx} {cy} r="17" />
            <text x={cx} y={cy + 5} text-anchor="middle" class="grams">{grams ? plain(grams, grams % 1 ? 1 : 0) : '·'}</text>
            <text x={cx} y={slot.backMm < 40 ? cy - 22 : cy + 31} text-anchor="middle">{slot.name}</text>
        </g>
    {/each}
    {#if before}
        {@const [bx, by] = at(before.toeMm, before.backMm)}
        <circle cx={bx} cy={by} r="4" class="was" />
    {/if}
    {#if cg}
        {@const [gx, gy] = at(cg.toeMm, cg.backMm)}
        <g
            class="cg"
            role="img"
            aria-label="Centre of gravity {plain(cg.backMm, 1)} mm back, {plain(Math.abs(cg.toeMm), 1)} mm {cg.toeMm >= 0
                ? 'toward the toe'
                : 'toward the heel'}"
        >
            <circle cx={gx} cy={gy} r="7" /><path d="M{gx - 11} {gy}H{gx + 11}M{gx} {gy - 11}V{gy + 11}" />
            <text x={gx + 13} y={gy - 6}>CG</text>
        </g>
    {/if}
</svg>

<style>
    svg {
        width: 100%;
        height: auto;
        display: block;
        max-width: 380px;
    }
    .head {
        fill: var(--band);
        stroke: var(--ink-2);
        stroke-width: 1.4;
    }
    .face {
        fill: none;
        stroke: var(--ink);
        stroke-width: 4;
        stroke-linecap: round;
    }
    .slot circle {
        fill: var(--sheet);
        stroke: var(--ink-2);
        stroke-width: 1.5;
        stroke-dasharray: 3 3;
    }
    .slot.filled circle {
        fill: var(--ink);
        stroke: var(--ink);
        stroke-dasharray: none;
    }
    .slot.aim circle {
        stroke: var(--mint);
        stroke-width: 3;
    }
    .slot[role='button'] {
        cursor: pointer;
    }
    .grams {
        font-weight: 650;
        fill: var(--ink);
    }
    .filled .grams {
        fill: var(--paper);
    }
    .cg circle {
        fill: var(--mint);
        opacity: 0.35;
    }
    .cg path {
        stroke: var(--mint);
        stroke-width: 2;
    }
    .cg text {
        fill: var(--mint);
        font-weight: 650;
    }
    .was {
        fill: none;
        stroke: var(--ink-2);
    }
</style>
