<script lang="ts" module>
    export interface Guarded {
        tag: string;
        /** Letter of the setup where it is on the trail. */
        letter: string | null;
        name: string;
        carryM: number;
        chance: number;
        onFront: boolean;
    }
</script>

<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { UnitChoice } from '../api/generated/types';
    import { DRIVES } from '../format/judged';
    import { factor, plain } from '../format/units';
    import Mark from './Mark.svelte';

    /** The shot that must never come, beside carry: right is longer, down is safer. */
    let { setups, units, what }: { setups: Guarded[]; units: UnitChoice; what: string } = $props();
    const W = 620;
    const H = 300;
    const LEFT = 52;
    const FOOT = 44;
    const RIGHT = 16;
    const k = $derived(factor(units.distance));
    const carries = $derived(setups.map((s) => s.carryM * k));
    const most = $derived(Math.max(0.5, ...setups.map((s) => s.chance * DRIVES)));
    const x = $derived(scaleLinear([Math.min(...carries) - 1, Math.max(...carries) + 1], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([0, most * 1.06], [H - FOOT, 12]));
    const front = $derived([...setups].filter((s) => s.onFront).sort((a, b) => a.chance - b.chance));
    const path = $derived(front.map((s, i) => `${i ? 'L' : 'M'}${x(s.carryM * k).toFixed(1)} ${y(s.chance * DRIVES).toFixed(1)}`).join(''));
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="Drives of {DRIVES} that end {what}, against carry, for every setup. The table behind holds the figures."
    >
        {#each x.ticks(6) as t (t)}<line x1={x(t)} x2={x(t)} y1="8" y2={H - FOOT} class="grid" /><text
                x={x(t)}
                y={H - FOOT + 18}
                text-anchor="middle">{t}</text
            >{/each}
        {#each y.ticks(5) as t (t)}<line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" /><text
                x={LEFT - 6}
                y={y(t) + 4}
                text-anchor="end">{t}</text
            >{/each}
        <path d={path} class="front" />
        {#each setups.filter((s) => s.letter === null) as s (s.tag)}
            <circle cx={x(s.carryM * k)} cy={y(s.chance * DRIVES)} r={s.onFront ? 5.5 : 3.5} class:on={s.onFront}
                ><title>{s.name}: {plain(s.carryM * k, 0)} {units.distance}, {plain(s.chance * DRIVES, 1)} of {DRIVES}</title></circle
            >
        {/each}
        {#each setups.filter((s) => s.letter !== null) as s (s.tag)}
            <Mark tag={s.letter!} x={x(s.carryM * k)} y={y(s.chance * DRIVES)} r={8} title="{s.letter}: {s.name}" />
        {/each}
        <text x={(LEFT + W - RIGHT) / 2} y={H - 6} text-anchor="middle">expected carry, {units.distance}</text>
        <text transform="translate(13,{(H - FOOT) / 2}) rotate(-90)" text-anchor="middle">of {DRIVES} drives {what}</text>
    </svg>
</figure>

<style>
    circle {
        fill: var(--ink-2);
        opacity: 0.5;
    }
    .on {
        fill: var(--mint);
        opacity: 1;
    }
    .front {
        fill: none;
        stroke: var(--mint);
        stroke-width: 2;
    }
</style>
