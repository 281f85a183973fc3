<script lang="ts">
    import { nameOf } from '../../format/setups';
    import Glyph from '../../parts/Glyph.svelte';
    import type { BayScreen } from './bay.svelte';
    import Shelve from './Shelve.svelte';

    // The setup for the next trial, and what can be done with it.
    let { bay }: { bay: BayScreen } = $props();
</script>

<div class="controls">
    <div class="setups" role="radiogroup" aria-label="Setup for the next trial">
        {#each bay.shown as s (s.id)}
            <label class:on={bay.chosen === s.id} title={nameOf(s, bay.fitting)}
                ><input type="radio" name="hand" value={s.id} aria-label="Setup {s.tag}" bind:group={bay.chosen} /><Glyph
                    tag={s.tag}
                    r={10}
                />{#if s.starred}<span class="star" title="starred">★</span>{/if}</label
            >
        {/each}
        {#if bay.next && !bay.shelf && bay.next.id !== bay.fitting.benchmarkSetupId}
            <span class="row small">
                {bay.next.tag}: <button class="plain" onclick={() => (bay.shelf = 'parked')}>Park <small>[</small></button>
                <button class="plain" onclick={() => (bay.shelf = 'dropped')}>Drop <small>]</small></button>
                <button class="plain" onclick={bay.star}>{bay.next.starred ? 'Take the star off' : 'Star'} <small>*</small></button>
            </span>
        {/if}
    </div>
    <div class="row">
        <button disabled={!bay.ready} onclick={() => bay.begin(bay.next)}>Begin the trial <small>=</small></button>
        <button class="quiet" onclick={() => bay.begin(bay.next, 'warm-up')}>Warm-up</button>
        {#if bay.benchmark && !bay.isBenchmark}<button class="quiet" onclick={bay.back}>Back to {bay.benchmark.tag} <small>/</small></button
            >{/if}
        {#if bay.running}<button class="plain" onclick={bay.end}>End</button>{/if}
        <button class="plain" onclick={() => (bay.big = true)}>Big figures <small>0</small></button>
        <button class="plain" onclick={() => (bay.helping = true)}>Keys <small>?</small></button>
    </div>
    {#if bay.next && bay.shelf}<Shelve setup={bay.next} bind:shelf={bay.shelf} done={() => void bay.reread()} />{/if}
    {#each bay.aside as s (s.id)}<p class="small">
            {s.tag}
            {s.shelf}: {s.shelfReason}
            <button class="plain" onclick={() => bay.bringBack(s)}>Bring {s.tag} back</button>
        </p>{/each}
</div>

<style>
    .controls {
        display: grid;
        gap: 8px;
    }
    .row,
    .setups {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: center;
    }
    .row small {
        color: inherit;
        opacity: 0.7;
        margin-left: 4px;
    }
    .setups label {
        display: flex;
        gap: 5px;
        align-items: center;
        border: 1px solid var(--hair);
        border-radius: 18px;
        padding: 3px 10px 3px 7px;
        cursor: pointer;
    }
    .setups .on {
        border-color: var(--mint);
        background: var(--mint-wash);
    }
    .star {
        color: var(--amber);
    }
</style>
