<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Comparison, Fitting, Shot, Trouble } from '../api/generated/types';
    import { toneOf, troubleAt } from '../format/setups';
    import { factor, figure } from '../format/units';
    import Mark from './Mark.svelte';

    type Ellipse = NonNullable<Comparison['sets'][number]['ellipse']>;
    /** Where the benchmark lands, drawn behind: its ellipse, its mean, and the sides of its shots in a strip above. */
    interface Ghost {
        tag: string;
        ellipse: Ellipse | null;
        sideM: number | null;
        carryM: number | null;
        sides: number[];
    }
    let {
        fitting,
        shots,
        sets,
        chosen,
        ghost = null,
        compact = false,
    }: {
        fitting: Fitting;
        shots: Shot[];
        sets: { tag: string; ellipse: Ellipse | null }[];
        chosen: string[];
        ghost?: Ghost | null;
        /** In the bay: equal scales whatever comes, the last shot ringed, few words under it. */
        compact?: boolean;
    } = $props();
    const W = $derived(compact ? 460 : 590);
    const LEFT = 46;
    const RIGHT = 12;
    const ROW = 15;
    const k = $derived(factor(fitting.player.units.distance));
    const unit = $derived(fitting.player.units.distance);
    const tagOf = $derived(new Map(fitting.setups.map((s) => [s.id, s.tag])));
    const at = (s: Shot, f: string) => s.measured[f] ?? s.computed[f];
    const points = $derived(
        shots
            .filter((s) => chosen.includes(tagOf.get(s.setupId) ?? '?'))
            .map((s) => ({ shot: s, tag: tagOf.get(s.setupId) ?? '?', side: at(s, 'sideM'), carry: at(s, 'carryM') }))
            .filter((p): p is typeof p & { side: number; carry: number } => p.side !== undefined && p.carry !== undefined),
    );
    const unknown = $derived(
        shots.filter((s) => chosen.includes(tagOf.get(s.setupId) ?? '?') && !s.leftOut && at(s, 'sideM') === undefined).length,
    );
    const corridor = $derived(fitting.brief.corridor);
    const half = $derived((corridor.widthM / 2) * k);
    const begins = (t: Trouble) => troubleAt(t, corridor) * k;
    const troubles = $derived([corridor.left, corridor.right].filter((t) => t.kind !== 'rough'));
    /** Both ends of an ellipse across and along. */
    const ends = (e: Ellipse | null | undefined): [number, number][] =>
        e ? [-1, 1].map((s) => [e.acrossM + s * e.halfLongM, e.alongM + s * e.halfLongM] as [number, number]) : [];
    const aside = $derived([
        ...points.map((p) => p.side),
        ...(compact ? [...ends(ghost?.ellipse).map(([a]) => a), ...(ghost?.sideM == null ? [] : [ghost.sideM])] : []),
    ]);
    const lengths = $derived([
        ...points.map((p) => p.carry),
        ...(compact && ghost?.carryM != null ? [ghost.carryM] : []),
        ...(compact ? ends(ghost?.ellipse).map(([, a]) => a) : []),
    ]);
    const reach = $derived(Math.max(half * 1.35, ...troubles.map((t) => begins(t) * 1.12), ...aside.map((s) => Math.abs(s) * k + 4)));
    const strips = $derived([
        ...(ghost && ghost.sides.length ? [{ tag: ghost.tag, sides: ghost.sides }] : []),
        ...chosen
            .map((tag) => ({ tag, sides: points.filter((p) => p.tag === tag && !p.shot.leftOut).map((p) => p.side) }))
            .filter((s) => s.sides.length),
    ]);
    const TOP = $derived(16 + strips.length * ROW);
    const H = $derived(TOP + (compact ? 300 : 316));
    const low = $derived(Math.min(...lengths.map((c) => c * k)) - 6);
    const high = $derived(Math.max(...lengths.map((c) => c * k)) + 6);
    const last = $derived(compact ? points.at(-1) : undefined);
    // Equal scales in the bay: whatever is farther out, along or across, sets both.
    const room = $derived((H - TOP - 30) / (W - LEFT - RIGHT));
    const across = $derived(compact ? Math.max(reach, (high - low) / room / 2) : reach);
    const x = $derived(scaleLinear([-across, across], [LEFT, W - RIGHT]));
    // Elsewhere equal scales where the cloud allows it; never less than twice its height.
    const alongSpan = $derived(compact ? room * 2 * across : Math.max(high - low, Math.min(room * 2 * reach, 2 * (high - low))));
    const y = $derived(scaleLinear([(low + high - alongSpan) / 2, (low + high + alongSpan) / 2], [H - 30, TOP]));
    const ratio = $derived((H - 30 - TOP) / alongSpan / ((W - LEFT - RIGHT) / (2 * across)));
    const sideWord = (v: number) => (Math.round(v) === 0 ? 'target' : `${Math.abs(Math.round(v))} ${v > 0 ? 'R' : 'L'}`);
    const bands = $derived(
        (
            [
                ['left', corridor.left, -across, -begins(corridor.left)],
                ['right', corridor.right, begins(corridor.right), across],
            ] as [string, Trouble, number, number][]
        ).filter(([, t]) => t.kind !== 'rough'),
    );
    function ellipse(e: Ellipse): string {
        const turn = (e.turnDeg * Math.PI) / 180;
        const path = Array.from({ length: 49 }, (_, i) => {
            const t = (i / 48) * 2 * Math.PI;
            const a = e.halfLongM * Math.cos(t);
            const b = e.halfShortM * Math.sin(t);
            return `${x((e.acrossM + a * Math.cos(turn) - b * Math.sin(turn)) * k).toFixed(1)} ${y((e.alongM + a * Math.sin(turn) + b * Math.cos(turn)) * k).toFixed(1)}`;
        });
        return `M${path.join('L')}Z`;
    }
</script>

<figure>
    {#if points.length === 0 && !(ghost && ghost.sideM !== null)}
        <p class="small">
            {unknown
                ? 'Side is unknown: this monitor gave neither side nor direction and axis, so there is no landing map.'
                : 'No shots to show yet.'}
        </p>
    {:else}
        <svg
            viewBox="0 0 {W} {H}"
            role="img"
            aria-label="Where the shots land: side against carry, with the corridor. The table below holds the same figures."
        >
            <rect x={x(-half)} y={TOP} width={x(half) - x(-half)} height={H - 30 - TOP} class="corridor" />
            {#each bands as [side, trouble, from, to] (side)}
                <rect
                    x={x(from)}
                    y={TOP}
                    width={x(to) - x(from)}
                    height={H - 30 - TOP}
                    class={trouble.kind === 'water' ? 'water' : 'trees'}
                />
                <text x={side === 'left' ? x(from) + 5 : x(to) - 5} y={H - 38} text-anchor={side === 'left' ? 'start' : 'end'}
                    >{trouble.kind}</text
                >
            {/each}
            {#each y.ticks(6) as t (t)}
                <line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" />
                <text x={LEFT - 6} y={y(t) + 4} text-anchor="end">{t}</text>
            {/each}
            {#each x.ticks(6) as t (t)}<text x={x(t)} y={H - 12} text-anchor="middle">{sideWord(t)}</text>{/each}
            <line x1={x(0)} x2={x(0)} y1={TOP} y2={H - 30} class="target" />
            {#each strips as { tag, sides }, i (`${i}${tag}`)}
                <g class="set-{toneOf(tag)}">
                    <text x={LEFT - 8} y={12 + i * ROW} text-anchor="end" class="tag">{tag}</text>
                    <line x1={LEFT} x2={W - RIGHT} y1={8 + i * ROW} y2={8 + i * ROW} class="grid" />
                    {#each sides as side, n (n)}<line
                            x1={x(side * k)}
                            x2={x(side * k)}
                            y1={2 + i * ROW}
                            y2={14 + i * ROW}
                            class="tick"
                        />{/each}
                </g>
            {/each}
            {#if ghost}
                <g class="set-{toneOf(ghost.tag)} ghost">
                    {#if ghost.ellipse}<path d={ellipse(ghost.ellipse)} />{/if}
                    {#if ghost.sideM !== null && ghost.carryM !== null}
                        <circle cx={x(ghost.sideM * k)} cy={y(ghost.carryM * k)} r="6" />
                        <text x={x(ghost.sideM * k) + 10} y={y(ghost.carryM * k) + 15}>{ghost.tag}, held</text>
                    {/if}
                </g>
            {/if}
            {#each sets.filter((s) => chosen.includes(s.tag) && s.ellipse) as s (s.tag)}<path
                    d={ellipse(s.ellipse!)}
                    class="ellipse set-{toneOf(s.tag)}"
                />{/each}
            {#if last}<rect x={x(last.side * k) - 11} y={y(last.carry * k) - 11} width="22" height="22" rx="4" class="ring" />{/if}
            {#each points as p (p.shot.id)}
                <Mark
                    shot={p.shot.id}
                    tag={p.tag}
                    x={x(p.side * k)}
                    y={y(p.carry * k)}
                    r={p.shot.leftOut ? 4 : 5.5}
                    open={!!p.shot.leftOut}
                    title="Shot {p.shot.sequence}, setup {p.tag}: carry {figure(
                        'carryM',
                        p.carry,
                        fitting.player.units,
                    )} {unit}, side {figure('sideM', p.side, fitting.player.units)}{p.shot.leftOut
                        ? `, left out: ${p.shot.leftOut.reason}`
                        : ''}"
                />
            {/each}
            <text x={4} y={TOP - 2} class="axis">{unit}</text>
        </svg>
        {#if compact}<figcaption class="small">
                Carry, {unit}, equal scales. Corridor {Math.round(half * 2)}
                {unit}{troubles.length ? `, ${troubles.map((t) => t.kind).join(' and ')}` : ''}. Ellipses: 1.5 SD.
                {#if unknown}{unknown} of unknown side.{/if}
            </figcaption>{:else}<figcaption class="small">
                Carry up, side across, {unit}. Corridor {Math.round(half * 2)}
                {unit}. {Math.abs(ratio - 1) < 0.05
                    ? 'Equal scales.'
                    : `One ${unit} along is drawn ${ratio.toFixed(1)} times as long as one across.`} Ellipse: 1.5 SD. Hollow: left out.
                {#if unknown}{unknown} shots have no known side and are not drawn.{/if}
            </figcaption>{/if}
    {/if}
</figure>

<style>
    .corridor {
        fill: var(--mint-wash);
    }
    .water {
        fill: var(--water);
    }
    .trees {
        fill: var(--amber-wash);
    }
    .grid {
        stroke: var(--hair);
    }
    .target {
        stroke: var(--ink);
        stroke-dasharray: 1 4;
    }
    .tick {
        stroke: var(--c);
        stroke-width: 2.5;
    }
    .tag {
        font-weight: 700;
        fill: var(--c);
    }
    .ghost path {
        fill: var(--c);
        fill-opacity: 0.1;
        stroke: var(--c);
        stroke-dasharray: 5 4;
        transition: d 150ms;
    }
    .ghost circle {
        fill: var(--sheet);
        stroke: var(--c);
        stroke-width: 2;
    }
    .ghost text {
        fill: var(--c);
        font-weight: 620;
    }
    .ring {
        transition: all 150ms;
        fill: none;
        stroke: var(--ink);
        stroke-width: 1.6;
    }
    .ellipse {
        transition: d 150ms;
        fill: none;
        stroke: var(--c);
        stroke-width: 1.4;
    }
</style>
