<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Found, FoundSetup, UnitChoice } from '../api/generated/types';
    import { DRIVES } from '../format/judged';
    import { factor, plain, signed } from '../format/units';
    import { foundName } from '../format/found';
    import { say } from '../format/sentences';
    import Mark from './Mark.svelte';

    let {
        found,
        units,
        chosen = null,
        onpick,
    }: { found: Found; units: UnitChoice; chosen?: string | null; onpick: (s: FoundSetup) => void } = $props();
    const W = 620;
    const H = 400;
    const LEFT = 52;
    const FOOT = 44;
    /** The lines’ labels stand beside the plot, not among its dots. */
    const RIGHT = 52;
    const k = $derived(factor(units.distance));
    const carries = $derived(found.setups.map((s) => s.carryM * k));
    const shares = $derived(found.setups.map((s) => s.share * DRIVES));
    const x = $derived(scaleLinear([Math.min(...carries) - 1, Math.max(...carries) + 1], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([Math.min(...shares) - 0.3, Math.max(...shares) + 0.3], [H - FOOT, 14]));
    const front = $derived(found.trade.front.map((t) => found.setups.find((s) => s.tag === t)!));
    const path = $derived(front.map((s, i) => `${i ? 'L' : 'M'}${x(s.carryM * k).toFixed(1)} ${y(s.share * DRIVES).toFixed(1)}`).join(''));
    /** Lines of equal gain: level + perCarry · carry + perShare · share = gain. Not drawn where share hardly moves the gain. */
    const levels = $derived.by(() => {
        const t = found.trade;
        if (Math.abs(t.perShare) < 1e-9 || t.agreement < 0.3) return [];
        const step = found.unit === 'strokes' ? 0.02 : found.unit === 'm' ? 3 : 2;
        const best = Math.max(...found.setups.map((s) => s.gain));
        const least = Math.min(...found.setups.map((s) => s.gain));
        const out: { gain: number; d: string; at: number }[] = [];
        for (let g = Math.floor(best / step) * step; g >= least && out.length < 7; g -= step) {
            const shareAt = (carry: number) => ((g - t.level - (t.perCarryM * carry) / k) / t.perShare) * DRIVES;
            const [x0, x1] = x.domain() as [number, number];
            out.push({ gain: g, d: `M${x(x0)} ${y(shareAt(x0))}L${x(x1)} ${y(shareAt(x1))}`, at: y(shareAt(x1)) });
        }
        return out;
    });
</script>

<figure>
    <svg viewBox="0 0 {W} {H}" role="img" aria-label={say('trade.alt')}>
        <clipPath id="trade"><rect x={LEFT} y="10" width={W - LEFT - RIGHT} height={H - FOOT - 10} /></clipPath>
        {#each x.ticks(6) as t (t)}<line x1={x(t)} x2={x(t)} y1="10" y2={H - FOOT} class="grid" /><text
                x={x(t)}
                y={H - FOOT + 18}
                text-anchor="middle">{t}</text
            >{/each}
        {#each y.ticks(6) as t (t)}<line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" /><text
                x={LEFT - 6}
                y={y(t) + 4}
                text-anchor="end">{t}</text
            >{/each}
        {#each levels as l (l.gain)}
            {#if l.at > 16 && l.at < H - FOOT - 4}<text x={W - RIGHT + 6} y={l.at + 4} class="small"
                    >{found.unit === 'm' ? signed(l.gain * k, 0) : signed(l.gain, found.unit === 'strokes' ? 2 : 0)}</text
                >{/if}
        {/each}
        <g clip-path="url(#trade)">
            {#each levels as l (l.gain)}<path d={l.d} class="level" />{/each}
            <path d={path} class="front" />
            {#each found.setups as s (s.tag)}
                {#if s.tested && s.setupTag}
                    <Mark
                        tag={s.setupTag}
                        x={x(s.carryM * k)}
                        y={y(s.share * DRIVES)}
                        r={8}
                        title="{s.setupTag}: {foundName(s, units)}, hit"
                    />
                {:else}
                    <circle
                        cx={x(s.carryM * k)}
                        cy={y(s.share * DRIVES)}
                        r={s.tag === found.best || s.tag === found.pick ? 6.5 : 4}
                        class:tied={s.tied}
                        class:best={s.tag === found.best || s.tag === found.pick}
                        class:on={s.tag === chosen}
                        role="presentation"
                        onclick={() => onpick(s)}
                        ><title
                            >{foundName(s, units)}: {plain(s.carryM * k, 0)}
                            {units.distance}, {plain(s.share * DRIVES, 1)} of {DRIVES}</title
                        ></circle
                    >
                {/if}
            {/each}
        </g>
        <text x={(LEFT + W - RIGHT) / 2} y={H - 6} text-anchor="middle">carry, {units.distance}</text>
        <text transform="translate(13,{H / 2}) rotate(-90)" text-anchor="middle">fairways of {DRIVES}</text>
    </svg>
    <figcaption class="small">
        {say('trade.told', { benchmark: found.benchmark, lines: levels.length, share: plain(found.trade.agreement * 100, 0) })}
    </figcaption>
</figure>

<style>
    circle {
        fill: var(--ink-2);
        opacity: 0.55;
        cursor: pointer;
    }
    .tied {
        stroke: var(--mint);
        stroke-width: 2;
    }
    .best {
        fill: var(--mint);
        opacity: 1;
    }
    .on {
        stroke: var(--ink);
        stroke-width: 3;
        opacity: 1;
    }
    .front {
        fill: none;
        stroke: var(--ink);
        stroke-width: 2;
    }
    .level {
        stroke: var(--ink-2);
        stroke-dasharray: 2 4;
        fill: none;
    }
</style>
