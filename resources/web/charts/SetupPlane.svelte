<script lang="ts" module>
    export type PlaneView = 'soled' | 'squared' | 'mixed';
</script>

<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { Hand, Plane, PlanePoint } from '../api/generated/types';
    import { faceWords, plain, signed } from '../format/units';

    let {
        plane,
        hand,
        at = '',
        from = '',
        onpick = undefined,
    }: { plane: Plane; hand: Hand; at?: string; from?: string; onpick?: (label: string) => void } = $props();
    let view = $state<PlaneView>('mixed');
    const W = 430;
    const H = 262;
    const LEFT = 60;
    const RIGHT = 14;
    const TOP = 14;
    const FOOT = 36;
    // Across is where the face points for the one who looks down the line: open points right for a right-hander, left for a left-hander.
    const way = $derived(hand === 'right' ? 1 : -1);
    const points = $derived(plane[view]);
    const across = (p: PlanePoint) => way * p.faceOpenDeg;
    const all = $derived([...plane.soled, ...plane.squared]);
    const reachX = $derived(Math.max(1.2, ...all.map((p) => Math.abs(p.faceOpenDeg))) * 1.22);
    const lofts = $derived(all.map((p) => p.loftDeg));
    const middle = $derived((Math.min(...lofts) + Math.max(...lofts)) / 2);
    const reachY = $derived(Math.max(1, (Math.max(...lofts) - Math.min(...lofts)) / 2) * 1.3);
    const x = $derived(scaleLinear([-reachX, reachX], [LEFT, W - RIGHT]));
    const y = $derived(scaleLinear([middle - reachY, middle + reachY], [H - FOOT, TOP]));
    /** Labels beside their dots, moved until none lies on another label or dot. */
    const labels = $derived.by(() => {
        const taken: [number, number, number, number][] = points.map((p) => [
            x(across(p)) - 7,
            x(across(p)) + 7,
            y(p.loftDeg) - 7,
            y(p.loftDeg) + 7,
        ]);
        return points.map((p) => {
            const width = 8 * p.label.length + 4;
            const [cx, cy] = [x(across(p)), y(p.loftDeg)];
            const tries: [number, number][] = [
                [10, 4],
                [-width - 8, 4],
                [-width / 2, -11],
                [-width / 2, 20],
                [8, -11],
                [8, 20],
                [-width - 6, -11],
                [-width - 6, 20],
                [-width / 2, -26],
                [-width / 2, 35],
                [-width / 2, -41],
                [-width / 2, 50],
            ];
            const fits = ([dx, dy]: [number, number]) => {
                const box: [number, number, number, number] = [cx + dx, cx + dx + width, cy + dy - 12, cy + dy + 3];
                return (
                    box[0] > LEFT - 4 &&
                    box[1] < W - 2 &&
                    box[2] > 0 &&
                    box[3] < H - FOOT + 4 &&
                    taken.every((t) => box[1] < t[0] || box[0] > t[1] || box[3] < t[2] || box[2] > t[3])
                );
            };
            const [dx, dy] = tries.find(fits) ?? tries[0]!;
            taken.push([cx + dx, cx + dx + width, cy + dy - 12, cy + dy + 3]);
            return { p, tx: cx + dx, ty: cy + dy, far: Math.abs(dy) > 22 };
        });
    });
    const one = (label: string) => points.find((p) => p.label === label);
    const move = $derived(from && at && from !== at && one(from) && one(at) ? { from: one(from)!, to: one(at)! } : null);
    const VIEWS: [PlaneView, string][] = $derived([
        ['soled', 'on the sole'],
        ['squared', 'squared'],
        ['mixed', plane.squaringShare === 0.5 ? 'half-way' : 'as this player stands'],
    ]);
</script>

<figure>
    <div class="views" role="group" aria-label="How the head is put behind the ball">
        {#each VIEWS as [name, words] (name)}<button type="button" class="quiet" aria-pressed={view === name} onclick={() => (view = name)}
                >{words}</button
            >{/each}
    </div>
    <svg viewBox="0 0 {W} {H}" role="group" aria-label="Setup plane: loft against face for each sleeve position">
        {#each x.ticks(6) as t (t)}<line x1={x(t)} x2={x(t)} y1={TOP} y2={H - FOOT} class="grid" class:zero={t === 0} /><text
                x={x(t)}
                y={H - FOOT + 15}
                text-anchor="middle">{t === 0 ? 'square' : `${plain(Math.abs(t), Number.isInteger(t) ? 0 : 1)}° ${t > 0 ? 'R' : 'L'}`}</text
            >{/each}
        {#each y.ticks(5) as t (t)}<line x1={LEFT} x2={W - RIGHT} y1={y(t)} y2={y(t)} class="grid" /><text
                x={LEFT - 5}
                y={y(t) + 4}
                text-anchor="end">{plain(t, 1)}°</text
            >{/each}
        {#if move}
            <line x1={x(across(move.from))} y1={y(move.from.loftDeg)} x2={x(across(move.to))} y2={y(move.to.loftDeg)} class="move" />
        {/if}
        {#each labels as l (l.p.label)}
            {#if l.far}<line x1={x(across(l.p))} y1={y(l.p.loftDeg)} x2={l.tx + 8} y2={l.ty - 4} class="lead" />{/if}
            <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
            <g
                class="position"
                class:now={l.p.label === at}
                class:home={l.p.label === plane.home}
                role={onpick ? 'button' : 'img'}
                tabindex={onpick ? 0 : undefined}
                aria-label="Position {l.p.label || 'fixed'}: loft {plain(l.p.loftDeg, 1)}°, {faceWords(l.p.faceOpenDeg)}, lie {plain(
                    l.p.lieDeg,
                    1,
                )}°"
                aria-pressed={onpick ? l.p.label === at : undefined}
                onclick={() => onpick?.(l.p.label)}
                onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onpick?.(l.p.label))}
            >
                <circle cx={x(across(l.p))} cy={y(l.p.loftDeg)} r={l.p.label === at ? 7 : 5} />
                <text x={l.tx + 2} y={l.ty}>{l.p.label}</text>
            </g>
        {/each}
        <text x={(LEFT + W - RIGHT) / 2} y={H - 3} text-anchor="middle"
            >where the face points ({hand === 'right' ? 'open is right' : 'open is left'})</text
        >
        <text transform="translate(14,{(TOP + H - FOOT) / 2}) rotate(-90)" text-anchor="middle">loft</text>
    </svg>
    {#if move}
        <figcaption class="small">
            {from} → {at}: loft {signed(move.to.loftDeg - move.from.loftDeg, 1)}°, face {faceWords(
                move.to.faceOpenDeg - move.from.faceOpenDeg,
            ).replace('square', 'no change')}, lie {signed(move.to.lieDeg - move.from.lieDeg, 1)}°
        </figcaption>
    {/if}
</figure>

<style>
    .views {
        display: flex;
        gap: 6px;
        padding-bottom: 4px;
    }
    .views button {
        padding: 2px 10px;
        font-size: var(--small);
        border-color: var(--hair);
    }
    .views button[aria-pressed='true'] {
        background: var(--mint-wash);
        border-color: var(--mint);
    }
    .zero {
        stroke: var(--ink-2);
    }
    .position circle {
        fill: var(--sheet);
        stroke: var(--ink);
        stroke-width: 1.8;
    }
    .position text {
        fill: var(--ink);
        font-weight: 550;
    }
    .home circle {
        stroke-dasharray: 3 2;
    }
    .now circle {
        fill: var(--mint);
        stroke: var(--mint);
    }
    .position[role='button'] {
        cursor: pointer;
    }
    .move {
        stroke: var(--mint);
        stroke-width: 2.5;
    }
    .lead {
        stroke: var(--hair);
    }
</style>
