<script lang="ts">
    import { get } from '../../api/client';
    import type { BayView, Fitting } from '../../api/generated/types';
    import { nameOf } from '../../format/setups';
    import { Loader } from '../../lib/load.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import KeyCap from './KeyCap.svelte';
    import RunBar from './RunBar.svelte';

    let {
        fittingId,
        fitting,
        blind,
        hit,
        showing = $bindable(),
        onset,
        onguess,
        onnext,
        onreveal,
    }: {
        fittingId: number;
        fitting: Fitting;
        blind: NonNullable<BayView['blind']>;
        hit: number;
        showing: boolean;
        onset: () => void;
        onguess: (setupId: number | null) => void;
        onnext: () => void;
        onreveal: () => void;
    } = $props();
    const reading = new Loader<{ tag: string; steps: string[] }>();
    const hand = $derived(showing && !blind.set ? reading.value : null);
    const isLast = $derived(blind.ordinal === blind.of);
    const name = (id: number) => {
        const setup = fitting.setups.find((s) => s.id === id);
        return setup ? nameOf(setup, fitting) : '';
    };

    // Fetched only while the fitter sets it, and forgotten after: from then on no screen holds it, and the server tells nobody.
    $effect(() => {
        void blind.ordinal;
        reading.forget();
        if (showing && !blind.set) void reading.load(() => get<{ tag: string; steps: string[] }>(`fittings/${fittingId}/blind/hand`));
    });
</script>

<RunBar label="Blind trial">
    {#snippet head()}<b>Blind trial: setting {blind.ordinal} of {blind.of}</b> · {hit} of {blind.shotsEach} shots{/snippet}
    {#snippet actions()}
        {#if !blind.set}
            <button class="quiet" aria-pressed={showing} onclick={() => (showing = !showing)}
                >{showing ? 'Hide it again' : 'For the fitter’s eyes'}</button
            >
            <button onclick={onset}>It is set: hide it <KeyCap name="Enter" /></button>
        {:else if blind.guess}
            <p class="ask">Which does the player think it was?</p>
            {#each blind.guess.options as option, i (option.id)}<button class="quiet" onclick={() => onguess(option.id)}
                    ><KeyCap name={String(i + 1)} /> <Glyph tag={option.tag} r={9} /> {name(option.id)}</button
                >{/each}
            <button class="plain" onclick={() => onguess(null)}>Cannot say <KeyCap name="0" /></button>
        {:else if isLast && hit >= blind.shotsEach}
            <button onclick={onreveal}>Reveal <KeyCap name="Enter" /></button>
        {:else if hit >= blind.shotsEach}
            <button onclick={onnext}>Next setting <KeyCap name="Enter" /></button>
        {/if}
        <button class="plain" onclick={onreveal}>Stop and reveal</button>
    {/snippet}
    {#if hand}
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
    .ask {
        flex: 1 0 100%;
        font-size: var(--lead);
        font-weight: 620;
    }
    ul {
        margin: 0;
        padding-left: 18px;
    }
</style>
