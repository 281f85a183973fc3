<script lang="ts">
    import type { FollowUp } from '../../api/generated/types';
    import { shortDay } from '../../format/times';
    import Picture from '../../parts/Picture.svelte';

    // Each round as a strip about the middle of the fairway: what missed left lies left of it, what missed right lies right.
    let { seen }: { seen: FollowUp } = $props();
    const W = 720;
    const STEP = 26;
    const LEFT = 200;
    const DOT = 9;
    const rounds = $derived([...seen.rounds].reverse());
    const middle = LEFT + (W - LEFT) / 2;
    const gap = 19;
    const dots = (r: FollowUp['rounds'][number]) => {
        const half = (r.hit * gap) / 2;
        const row: { x: number; kind: 'hit' | 'missed' | 'lost' }[] = [];
        for (let i = 0; i < r.hit; i++) row.push({ x: middle - half + (i + 0.5) * gap, kind: 'hit' });
        for (let i = 0; i < r.left; i++) row.push({ x: middle - half - 10 - (i + 0.5) * gap, kind: 'missed' });
        for (let i = 0; i < r.right; i++) row.push({ x: middle + half + 10 + (i + 0.5) * gap, kind: 'missed' });
        return row;
    };
    const short = (text: string) => (text.length > 18 ? `${text.slice(0, 17)}…` : text);
</script>

{#if rounds.length}
    <Picture
        title="Round by round"
        name="rounds"
        head={['played', 'course', 'club', 'holes', 'fairways', 'left', 'right', 'lost']}
        rows={rounds.map((r) => [r.playedOn, r.course, r.club, r.holes, r.hit, r.left, r.right, r.lost])}
    >
        <svg
            viewBox="0 0 {W} {rounds.length * STEP + 34}"
            role="img"
            aria-label="Drives of each round: on the fairway, missed left and missed right"
        >
            <text x={middle} y="14" text-anchor="middle">fairway</text>
            <text x={LEFT} y="14">left</text>
            <text x={W} y="14" text-anchor="end">right</text>
            {#each rounds as r, i (r.id)}
                {@const y = 34 + i * STEP}
                <text x="0" y={y + 5} class:strong={r.club === 'new'}>{shortDay(r.playedOn)} {short(r.course)}</text>
                <text x={LEFT - 12} y={y + 5} text-anchor="end">{r.club === 'new' ? 'new' : 'before'}</text>
                {#each dots(r) as d, k (k)}<circle cx={d.x} cy={y} r={DOT - 2} class="{d.kind} {r.club}" />{/each}
                {#if r.lost}<text x={W} y={y + 5} text-anchor="end">{r.lost} lost</text>{/if}
            {/each}
        </svg>
    </Picture>
{/if}

<style>
    svg {
        width: 100%;
        max-width: 820px;
    }
    text {
        font-size: 13px;
        fill: var(--ink-2);
    }
    .strong {
        fill: var(--ink);
        font-weight: 600;
    }
    .hit {
        fill: var(--mint);
    }
    .hit.before {
        fill: var(--sheet);
        stroke: var(--mint);
        stroke-width: 2;
    }
    .missed {
        fill: none;
        stroke: var(--amber);
        stroke-width: 2;
    }
</style>
