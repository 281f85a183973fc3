<script lang="ts">
    import { get } from '../../api/client';
    import type { BayView } from '../../api/generated/types';
    import { Loader } from '../../lib/load.svelte';
    import RunBar from './RunBar.svelte';

    let {
        fittingId,
        blind,
        hit,
        showing = $bindable(),
        onnext,
        onreveal,
    }: {
        fittingId: number;
        blind: NonNullable<BayView['blind']>;
        hit: number;
        showing: boolean;
        onnext: () => void;
        onreveal: () => void;
    } = $props();
    const reading = new Loader<{ tag: string; steps: string[] }>();
    const hand = $derived(showing ? reading.value : null);
    const isLast = $derived(blind.ordinal === blind.of);

    // Fetched only while it is shown, and forgotten after: no screen holds it otherwise.
    $effect(() => {
        void blind.ordinal;
        reading.forget();
        if (showing) void reading.load(() => get<{ tag: string; steps: string[] }>(`fittings/${fittingId}/blind/hand`));
    });
</script>

<RunBar label="Blind trial">
    {#snippet head()}<b>Blind trial: setting {blind.ordinal} of {blind.of}</b> · {hit} of {blind.shotsEach} shots{/snippet}
    {#snippet actions()}
        <button class="quiet" aria-pressed={showing} onclick={() => (showing = !showing)}
            >{showing ? 'Hide it again' : 'For the fitter’s eyes'} <small>;</small></button
        >
        {#if isLast}
            <button onclick={onreveal}>Reveal <small>=</small></button>
        {:else}
            <button onclick={onnext} class:quiet={hit < blind.shotsEach}>Next setting <small>=</small></button>
            <button class="plain" onclick={onreveal}>Stop and reveal</button>
        {/if}
    {/snippet}
    {#if showing && hand}
        <div class="secret">
            <p>The player looks away. In the hand: <b>{hand.tag}</b></p>
            <ul>
                {#each hand.steps as step (step)}<li>{step}</li>{/each}
            </ul>
            <p class="small">Nobody beside or ahead of the hitting area. Never hit with a loose head.</p>
        </div>
    {/if}
    {#if reading.problem}<p class="warn">{reading.problem}</p>{/if}
</RunBar>

<style>
    .secret {
        background: var(--amber-wash);
        padding: 6px 10px;
        border-radius: 6px;
    }
    ul {
        margin: 0;
        padding-left: 18px;
    }
</style>
