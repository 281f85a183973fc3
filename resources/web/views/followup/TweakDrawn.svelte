<script lang="ts">
    import type { Fitting, FollowUp } from '../../api/generated/types';
    import HeadDrawing from '../../charts/HeadDrawing.svelte';

    // What the player turns themselves, drawn: the sleeve from its mark to another, or the weights where they go.
    let { fitting, tweak, tag }: { fitting: Fitting; tweak: FollowUp['tweaks'][number]; tag: string } = $props();
    const now = $derived(fitting.setups.find((s) => s.tag === tag)?.sleeveLabel ?? '');
</script>

{#if tweak.kind === 'weights'}
    <HeadDrawing hand={fitting.player.hand} slots={tweak.slots} masses={tweak.masses} cg={null} />
{:else}
    <svg viewBox="0 0 220 150" role="img" aria-label="Turn the sleeve from {now} to {tweak.to}">
        <defs
            ><marker id="tip" viewBox="0 0 10 10" refX="8" refY="5" markerWidth="7" markerHeight="7" orient="auto"
                ><path d="M0 0L10 5L0 10z" /></marker
            ></defs
        >
        <rect x="102" y="4" width="16" height="34" class="shaft" />
        <circle cx="110" cy="80" r="42" class="sleeve" />
        <path d="M110 32v14" class="line" />
        <path d="M86 60A32 32 0 0 1 136 62" class="turn" marker-end="url(#tip)" />
        <text x="60" y="85" text-anchor="end" class="old">{now}</text>
        <text x="160" y="85" class="new">{tweak.to}</text>
        <text x="110" y="142" text-anchor="middle" class="note">loosen, turn, torque to the click</text>
    </svg>
{/if}

<style>
    svg {
        width: 220px;
    }
    .shaft {
        fill: var(--hair);
    }
    .sleeve {
        fill: var(--band);
        stroke: var(--ink);
    }
    .line {
        stroke: var(--ink);
        stroke-width: 3;
    }
    .turn {
        fill: none;
        stroke: var(--mint);
        stroke-width: 2.5;
    }
    marker path {
        fill: var(--mint);
    }
    text {
        fill: var(--ink);
        font-size: 15px;
    }
    .new {
        font-weight: 700;
        fill: var(--mint);
    }
    .note {
        font-size: 11px;
        fill: var(--ink-2);
    }
</style>
