<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Brief, Trouble, UnitChoice } from '../api/generated/types';
    import { troubleAt } from '../format/setups';
    import { factor, plain } from '../format/units';

    let { brief, units }: { brief: Pick<Brief, 'corridor' | 'holeLengthM' | 'carryM' | 'windMps' | 'windFromDeg'>; units: UnitChoice } =
        $props();
    const W = 430;
    const H = 158;
    const FOOT = 24;
    const k = $derived(factor(units.distance));
    const half = $derived(brief.corridor.widthM / 2);
    const at = (t: Trouble) => troubleAt(t, brief.corridor);
    const reach = $derived(Math.max(half * 2.1, at(brief.corridor.left) * 1.35, at(brief.corridor.right) * 1.35));
    const x = $derived(scaleLinear([-reach, reach], [0, W]));
    const sides = $derived([
        { name: 'left', trouble: brief.corridor.left, from: 0, to: x(-at(brief.corridor.left)), anchor: 'start' as const, text: 8 },
        { name: 'right', trouble: brief.corridor.right, from: x(at(brief.corridor.right)), to: W, anchor: 'end' as const, text: W - 8 },
    ]);
    const label = (t: Trouble) => (t.kind === 'rough' ? 'rough' : `${t.kind} from ${plain(at(t) * k, 0)}`);
    // The arrow flies where the wind blows to: 0° into the player's face is down the picture.
    const wind = $derived(`translate(${W / 2},${H - 58}) rotate(${brief.windFromDeg + 180})`);
</script>

<figure>
    <svg
        viewBox="0 0 {W} {H}"
        role="img"
        aria-label="The corridor from above: {plain(brief.corridor.widthM * k, 0)} {units.distance} wide, {label(
            brief.corridor.left,
        )} on the left, {label(brief.corridor.right)} on the right."
    >
        <rect x="0" y="0" width={W} height={H - FOOT} class="rough" />
        {#each sides as s (s.name)}
            {#if s.trouble.kind !== 'rough'}
                <rect x={s.from} y="0" width={Math.max(0, s.to - s.from)} height={H - FOOT} class={s.trouble.kind.replaceAll(' ', '-')} />
                {#if s.trouble.kind === 'trees'}
                    {#each Array.from({ length: 14 }, (_, i) => i) as i (i)}
                        <circle cx={s.from + ((i * 37) % 97) * 0.01 * (s.to - s.from)} cy={10 + ((i * 53) % 89) * 1.3} r="5" class="tree" />
                    {/each}
                {/if}
            {/if}
        {/each}
        <rect x={x(-half)} y="0" width={x(half) - x(-half)} height={H - FOOT} class="corridor" />
        <line x1={x(0)} x2={x(0)} y1="0" y2={H - FOOT} class="target" />
        <path d="M{x(-half)} 30H{x(half)}M{x(-half)} 26v8M{x(half)} 26v8" class="measure" />
        <text x={x(0)} y="24" text-anchor="middle" class="width">{plain(brief.corridor.widthM * k, 0)} {units.distance}</text>
        {#each sides as s (s.name)}
            <text x={s.text} y={18} text-anchor={s.anchor} class="what">{label(s.trouble)}</text>
        {/each}
        {#if brief.windMps > 0}
            <g transform={wind} class="wind"><path d="M0 22V-18M-6 -9L0 -18L6 -9" /></g>
            <text x={W / 2 + 16} y={H - 54}>wind {plain(brief.windMps * factor(units.speed), 0)} {units.speed}</text>
        {/if}
        <text x="4" y={H - 7}>{plain(reach * k, 0)} L</text>
        <text x={W / 2} y={H - 7} text-anchor="middle">target line, from above</text>
        <text x={W - 4} y={H - 7} text-anchor="end">{plain(reach * k, 0)} R</text>
    </svg>
</figure>

<style>
    svg {
        width: 100%;
        height: auto;
        display: block;
        border-radius: 8px;
    }
    .rough {
        fill: var(--band);
    }
    .corridor {
        fill: var(--mint-wash);
    }
    .water {
        fill: var(--water);
    }
    .trees {
        fill: var(--hair);
    }
    .tree {
        fill: var(--mint);
        opacity: 0.45;
    }
    .out-of-bounds {
        fill: var(--brick-wash);
    }
    .target {
        stroke: var(--ink-2);
        stroke-dasharray: 5 5;
    }
    .measure,
    .wind path {
        stroke: var(--ink);
        stroke-width: 1.6;
        fill: none;
    }
    .what,
    .width {
        fill: var(--ink);
        font-weight: 600;
        paint-order: stroke;
        stroke: var(--sheet);
        stroke-width: 3px;
    }
</style>
