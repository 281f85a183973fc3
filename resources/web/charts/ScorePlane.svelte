<script lang="ts">
    import { scaleLinear, scaleOrdinal } from 'd3-scale';
    import type { Found, Hand, UnitChoice } from '../api/generated/types';
    import { plain, signed } from '../format/units';
    import { foundName } from '../format/found';

    let { found, hand, units, chosen = null }: { found: Found; hand: Hand; units: UnitChoice; chosen?: string | null } = $props();
    const W = 620;
    const H = 330;
    const LEFT = 46;
    const FOOT = 42;
    // Right is drawn right: an open face points left for a left-hander.
    const way = $derived(hand === 'right' ? 1 : -1);
    const faces = $derived(found.setups.map((s) => way * s.faceOpenDeg));
    const lofts = $derived(found.setups.map((s) => s.loftDeg));
    const x = $derived(scaleLinear([Math.min(...faces) - 0.25, Math.max(...faces) + 0.25], [LEFT, W - 16]));
    const y = $derived(scaleLinear([Math.min(...lofts) - 0.3, Math.max(...lofts) + 0.3], [H - FOOT, 12]));
    const most = $derived(Math.max(1e-9, ...found.setups.map((s) => Math.abs(s.gain))));
    /** A head that would be ordered in another loft is that head all the same. */
    const headOf = (s: Found['setups'][number]) => (s.otherLoftDeg === null ? s.head : s.head.replace(/ in [\d.]+°$/, ''));
    const heads = $derived([...new Set(found.setups.map(headOf))]);
    const dash = $derived(scaleOrdinal<string, string>().domain(heads).range(['', '4 2', '1 2', '6 2 1 2', '8 3', '2 5']));
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="Loft against face of every setup as this player delivers it, coloured by gain. The list holds the same figures."
    >
        {#each x.ticks(5) as t (t)}<line x1={x(t)} x2={x(t)} y1="10" y2={H - FOOT} class="grid" /><text
                x={x(t)}
                y={H - FOOT + 18}
                text-anchor="middle">{t === 0 ? 'square' : `${Math.abs(t)}° ${t * way > 0 ? 'open' : 'closed'}`}</text
            >{/each}
        {#each y.ticks(5) as t (t)}<line x1={LEFT} x2={W - 12} y1={y(t)} y2={y(t)} class="grid" /><text
                x={LEFT - 6}
                y={y(t) + 4}
                text-anchor="end">{t}°</text
            >{/each}
        {#each [...found.setups].reverse() as s (s.tag)}
            <circle
                cx={x(way * s.faceOpenDeg)}
                cy={y(s.loftDeg)}
                r={s.tag === chosen ? 10 : 7}
                class:gain={s.gain > 0}
                class:on={s.tag === chosen}
                style:fill-opacity={0.12 + 0.75 * Math.min(1, Math.abs(s.gain) / most)}
                stroke-dasharray={dash(headOf(s))}
                ><title>{foundName(s, units)}: {plain(s.loftDeg, 1)}°, gain {signed(s.gain, 3)}</title></circle
            >
        {/each}
        <text x={(LEFT + W) / 2} y={H - 4} text-anchor="middle">face as this player delivers it, pointing as drawn</text>
    </svg>
    <figcaption class="small">
        Mint gains on the own club, brick loses; the fuller the more. The outline tells the head: {heads
            .map((h, i) => `${h} ${['solid', 'dashed', 'dotted', 'dash and dot', 'long dashes', 'wide dots'][i % 6]}`)
            .join(', ')}.
    </figcaption>
</figure>

<style>
    circle {
        fill: var(--brick);
        stroke: var(--ink-2);
    }
    .gain {
        fill: var(--mint);
    }
    .on {
        stroke: var(--ink);
        stroke-width: 3;
    }
</style>
