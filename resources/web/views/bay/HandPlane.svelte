<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Hand, PlanePoint } from '../../api/generated/types';
    import { faceWords, plain } from '../../format/units';

    /** The head's sleeve positions as this player delivers them, and the control of what is in the hand: a tap picks, arrows step. */
    let {
        positions,
        hand,
        now,
        to,
        next = null,
        onpick,
    }: { positions: PlanePoint[]; hand: Hand; now: string; to: string; next?: string | null; onpick: (label: string) => void } = $props();
    const W = 260;
    const H = 162;
    // Right is drawn right: an open face points left for a left-hander.
    const way = $derived(hand === 'right' ? 1 : -1);
    const faces = $derived(positions.map((p) => way * p.faceOpenDeg));
    const lofts = $derived(positions.map((p) => p.loftDeg));
    const reach = $derived(Math.max(0.6, ...faces.map(Math.abs)) * 1.15);
    const x = $derived(scaleLinear([-reach, reach], [26, W - 62]));
    const span = $derived(Math.max(0.8, Math.max(...lofts) - Math.min(...lofts)) * 0.58);
    const middle = $derived((Math.max(...lofts) + Math.min(...lofts)) / 2);
    const y = $derived(scaleLinear([middle - span, middle + span], [H - 34, 16]));
    const at = (label: string) => positions.find((p) => p.label === label);
    /** Labels to the right of their dots; one that would lie on another goes to the left. */
    const sides = $derived(
        positions.map((p, i) => {
            const near = positions.some(
                (o, j) =>
                    j < i && Math.abs(y(o.loftDeg) - y(p.loftDeg)) < 14 && Math.abs(x(way * o.faceOpenDeg) - x(way * p.faceOpenDeg)) < 46,
            );
            return near ? 'end' : 'start';
        }),
    );
</script>

<svg viewBox="0 0 {W} {H}" role="group" aria-label="Sleeve positions as this player delivers them: loft up, face across">
    <line x1={x(0)} x2={x(0)} y1="8" y2={H - 26} class="square" />
    <text x="0" y="14">↑ more loft</text>
    <text x="0" y={H - 32}>↓ less loft</text>
    <text x={x(0)} y={H - 10} text-anchor="middle">{hand === 'right' ? 'closed ‹ face › open' : 'open ‹ face › closed'}</text>
    {#if at(now) && at(to) && now !== to}<line
            x1={x(way * at(now)!.faceOpenDeg)}
            y1={y(at(now)!.loftDeg)}
            x2={x(way * at(to)!.faceOpenDeg)}
            y2={y(at(to)!.loftDeg)}
            class="move"
        />{/if}
    {#each positions as p, i (p.label)}
        <g
            class="position"
            class:now={p.label === now}
            class:to={p.label === to && to !== now}
            role="button"
            tabindex="0"
            aria-label="Position {p.label || 'fixed'}: loft {plain(p.loftDeg, 1)}°, {faceWords(p.faceOpenDeg)}"
            aria-pressed={p.label === to}
            onclick={() => onpick(p.label)}
            onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), e.stopPropagation(), onpick(p.label))}
        >
            <circle cx={x(way * p.faceOpenDeg)} cy={y(p.loftDeg)} r="22" class="touch" />
            {#if p.label === next}<circle cx={x(way * p.faceOpenDeg)} cy={y(p.loftDeg)} r="12" class="next" />{/if}
            <circle cx={x(way * p.faceOpenDeg)} cy={y(p.loftDeg)} r={p.label === to ? 9 : 6} class="dot" />
            <text x={x(way * p.faceOpenDeg) + (sides[i] === 'start' ? 15 : -15)} y={y(p.loftDeg) + 5} text-anchor={sides[i]}
                >{p.label || 'fixed'}</text
            >
        </g>
    {/each}
</svg>

<style>
    svg {
        width: 100%;
        max-width: 340px;
        height: auto;
        display: block;
        touch-action: manipulation;
    }
    .square {
        stroke: var(--hair);
        stroke-width: 1.5;
    }
    .position {
        cursor: pointer;
    }
    .touch {
        fill: transparent;
    }
    .dot {
        fill: var(--sheet);
        stroke: var(--ink);
        stroke-width: 2;
    }
    .now .dot {
        fill: var(--ink-2);
        stroke: var(--ink-2);
    }
    .to .dot {
        fill: var(--mint);
        stroke: var(--mint);
    }
    .next {
        fill: none;
        stroke: var(--amber);
        stroke-width: 2;
        stroke-dasharray: 3 2;
    }
    .position text {
        fill: var(--ink);
        font-size: 14px;
        font-weight: 550;
    }
    .to text {
        font-weight: 700;
    }
    .move {
        stroke: var(--mint);
        stroke-width: 2;
    }
</style>
