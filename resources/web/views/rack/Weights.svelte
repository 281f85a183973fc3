<script lang="ts">
    import { post } from '../../api/client';
    import type { Hand, RackHead, Slot, Weighed } from '../../api/generated/types';
    import { Loader } from '../../lib/load.svelte';
    import HeadDrawing from '../../charts/HeadDrawing.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { plain, signed } from '../../format/units';
    import { remaining } from './sentences';

    let {
        head,
        hand,
        masses = $bindable(),
        shaftId = null,
        lengthMm = null,
    }: { head: RackHead; hand: Hand; masses: Record<string, number>; shaftId?: number | null; lengthMm?: number | null } = $props();
    let inHand = $state<number | null>(null);
    const scale = new Loader<Weighed>();
    const weighed = $derived(scale.value);
    const tray = $derived(remaining(head.stockG, masses));

    $effect(() => {
        const body = { masses: { ...masses }, shaftId, lengthMm };
        const wait = setTimeout(() => void scale.load(() => post<Weighed>(`heads/${head.id}/weigh`, body)), 80);
        return () => clearTimeout(wait);
    });
    /** Places the piece in hand; with none in hand, takes out what is there. */
    function slotted(slot: Slot) {
        const next = { ...masses };
        const there = next[slot.name];
        delete next[slot.name];
        if (inHand !== null) next[slot.name] = inHand;
        masses = next;
        inHand = inHand !== null && there !== undefined ? there : inHand === null ? (there ?? null) : null;
    }
</script>

<div class="weights">
    <HeadDrawing
        {hand}
        slots={head.slots}
        {masses}
        {inHand}
        cg={weighed?.cg ?? null}
        before={{ toeMm: head.body.cgToeMm, backMm: head.body.cgBackMm }}
        onslot={head.slots.length ? slotted : undefined}
    />
    <div class="side">
        {#if head.slots.length}
            <p class="small">Choose a weight, then a slot. Choose a slot alone to take its weight out.</p>
            <div class="tray" role="group" aria-label="Weights not in the head">
                {#each tray as grams, i (`${grams}/${i}`)}<button
                        type="button"
                        class="quiet"
                        aria-pressed={inHand === grams}
                        onclick={() => (inHand = inHand === grams ? null : grams)}>{plain(grams, grams % 1 ? 1 : 0)} g</button
                    >{/each}
                {#if tray.length === 0}<span class="small">none left</span>{/if}
            </div>
        {:else}
            <p class="small">This head has no slots.</p>
        {/if}
        {#if weighed}
            <dl class="facts">
                <div>
                    <dt>Head</dt>
                    <dd>{plain(weighed.massG, 1)} g<small>{signed(weighed.fromStandard.massG, 1)}</small></dd>
                </div>
                <div>
                    <dt>CG {weighed.cg.toeMm < -0.05 ? 'heel' : 'toe'}</dt>
                    <dd>{plain(Math.abs(weighed.cg.toeMm), 1)} mm<small>{signed(weighed.fromStandard.toeMm, 1)}</small></dd>
                </div>
                <div>
                    <dt>CG back</dt>
                    <dd>{plain(weighed.cg.backMm, 1)} mm<small>{signed(weighed.fromStandard.backMm, 1)}</small></dd>
                </div>
                <div>
                    <dt>CG up</dt>
                    <dd>{plain(weighed.cg.upMm, 1)} mm<small>{signed(weighed.fromStandard.upMm, 1)}</small></dd>
                </div>
                <div>
                    <dt>Inertia, vertical</dt>
                    <dd>{plain(weighed.inertiaGcm2[2]![2]!, 0)}<small>g·cm²</small></dd>
                </div>
                <div>
                    <dt>Swing weight</dt>
                    <dd>{weighed.swingWeight}<small>{signed(weighed.swingWeightPoints, 1)}</small></dd>
                </div>
                <div>
                    <dt>Delivers loft</dt>
                    <dd>
                        {signed(weighed.delivered.loftDeg[0], 1)}°<small
                            >{signed(weighed.delivered.loftDeg[1], 1)} to {signed(weighed.delivered.loftDeg[2], 1)}</small
                        >
                    </dd>
                </div>
                <div>
                    <dt>Delivers face</dt>
                    <dd>
                        {signed(weighed.delivered.openDeg[0], 1)}°<small
                            >{signed(weighed.delivered.openDeg[1], 1)} to {signed(weighed.delivered.openDeg[2], 1)}, + open</small
                        >
                    </dd>
                </div>
            </dl>
            <p class="small">
                Small figures: against the standard weights. {shaftId === null
                    ? 'Swing weight for a 60 g shaft and a 50 g grip, as none is chosen. '
                    : ''}
                {head.assumed.length ? `Assumed from the ${head.type} preset: ${head.assumed.join(', ')}. ` : ''}What is delivered is an
                assumption until shots say more.
            </p>
            {#if weighed.illegal}<Notice>{weighed.illegal}</Notice>{/if}
            {#if Math.abs(weighed.fromStandard.massG) > 0.05}<p class="small warn">
                    The weights add up to {plain(Math.abs(weighed.fromStandard.massG), 1)} g {weighed.fromStandard.massG > 0
                        ? 'more'
                        : 'less'} than the standard: the swing weight moves with them.
                </p>{/if}
        {/if}
        {#if scale.problem}<Notice kind="error">{scale.problem}</Notice>{/if}
        <p class="small"><b>Torque</b> every weight screw to the maker’s click before the first swing.</p>
    </div>
</div>

<style>
    .weights {
        display: grid;
        grid-template-columns: minmax(220px, 350px) minmax(240px, 1fr);
        gap: 16px;
        align-items: start;
    }
    .side {
        display: grid;
        gap: 8px;
    }
    .tray {
        display: flex;
        flex-wrap: wrap;
        gap: 6px;
    }
    .tray button {
        border-radius: 18px;
        padding: 4px 12px;
    }
    .tray button[aria-pressed='true'] {
        background: var(--mint);
        color: var(--paper);
        border-color: var(--mint);
    }
    dd small {
        display: inline-block;
        min-width: 52px;
        margin-left: 8px;
        text-align: right;
    }
    @media (max-width: 760px) {
        .weights {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
