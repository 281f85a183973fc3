<script lang="ts">
    import { clubFigure, FIGURES, offText } from './sentences';
    import type { UnitChoice } from '../../api/generated/types';

    /** One figure of a club: what was ordered at the top, how far it may be off, and where the delivered one points. */
    let {
        name,
        ordered,
        delivered,
        off,
        tolerance,
        units,
    }: {
        name: string;
        ordered: number | null;
        delivered: number | null;
        off: number | null;
        tolerance: number;
        units: UnitChoice;
    } = $props();
    const R = 38;
    /** The scale ends at three tolerances; what lies beyond points there. */
    const turn = (by: number) => Math.max(-1, Math.min(1, by / (3 * tolerance))) * 80;
    const at = (deg: number, r: number) => {
        const a = ((deg - 90) * Math.PI) / 180;
        return `${(r * Math.cos(a)).toFixed(1)} ${(r * Math.sin(a)).toFixed(1)}`;
    };
    const arc = (from: number, to: number) => `M${at(from, R)}A${R} ${R} 0 0 1 ${at(to, R)}`;
    const isOut = $derived(off !== null && Math.abs(off) > tolerance);
</script>

<figure class:out={isOut} class:open={delivered === null}>
    <svg viewBox="-50 -46 100 54" aria-hidden="true">
        <path d={arc(-80, 80)} class="scale" />
        <path d={arc(turn(-tolerance), turn(tolerance))} class="band" />
        {#if off !== null}<path d="M0 0L{at(turn(off), R - 3)}" class="needle" /><circle r="3.5" />{/if}
    </svg>
    <figcaption>
        <b>{FIGURES[name]}</b>
        <span class="now">{clubFigure(name, delivered, units)}{off === null ? '' : isOut ? ' ✗' : ' ✓'}</span>
        <small
            >{ordered === null ? 'not ordered' : `ordered ${clubFigure(name, ordered, units)}`}, ± {offText(name, tolerance, units).replace(
                '+',
                '',
            )}</small
        >
    </figcaption>
</figure>

<style>
    figure {
        display: grid;
        justify-items: center;
        text-align: center;
        border: 1px solid var(--hair);
        border-radius: 10px;
        padding: 8px 6px;
        background: var(--sheet);
    }
    svg {
        width: 100%;
        max-width: 130px;
    }
    path {
        fill: none;
    }
    .scale {
        stroke: var(--hair);
        stroke-width: 8;
    }
    .band {
        stroke: var(--mint);
        stroke-width: 8;
        opacity: 0.5;
    }
    .needle {
        stroke: var(--ink);
        stroke-width: 2.4;
    }
    circle {
        fill: var(--ink);
    }
    .out .needle {
        stroke: var(--brick);
    }
    .out circle {
        fill: var(--brick);
    }
    figcaption {
        display: grid;
    }
    .now {
        font-size: var(--lead);
        font-weight: 650;
    }
    .out .now {
        color: var(--brick);
    }
    .open .now {
        color: var(--ink-2);
        font-weight: 400;
        font-size: var(--body);
    }
</style>
