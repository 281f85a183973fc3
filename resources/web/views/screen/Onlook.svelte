<script lang="ts">
    import { untrack } from 'svelte';
    import type { Fitting } from '../../api/generated/types';
    import LandingMap from '../../charts/LandingMap.svelte';
    import { nameOf } from '../../format/setups';
    import { figure } from '../../format/units';
    import Glyph from '../../parts/Glyph.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import { BayScreen } from '../bay/bay.svelte';
    import { shotSentence } from '../bay/sentences';

    let { fitting, bay: place, again }: { fitting: Fitting; bay: string; again: () => Promise<void> } = $props();
    const bay = untrack(() => new BayScreen(() => fitting, again));
    bay.watch();
    const units = $derived(fitting.player.units);
    const { view, last, running } = $derived(bay);
    const carry = $derived(last ? (last.measured.carryM ?? last.computed.carryM) : undefined);
</script>

<div class="screen">
    <header>
        <span>{place}</span>
        {#if running && bay.inHand && !view?.blind}<b><Glyph tag={bay.inHand.tag} r={18} /> {nameOf(bay.inHand, fitting)}</b>
        {:else if running && view?.blind}<b>Blind: setting {view.blind.ordinal} of {view.blind.of}</b>{/if}
    </header>
    {#if bay.asked}
        <p class="wait">Say how it felt; then you see the figures.</p>
    {:else if view && last && carry !== undefined}
        <p class="carry" aria-live="polite">{figure('carryM', carry, units)}<small>{units.distance}</small></p>
        <p class="line">
            {shotSentence(last, units)}{#if last.source === 'simulated'}&nbsp;<Simulated />{/if}
        </p>
        <div class="map"><LandingMap {fitting} shots={view.shots} sets={[]} chosen={running ? [running.tag || '?'] : []} /></div>
    {:else if view}
        <p class="wait">{running ? 'No shot in this trial yet.' : 'Nothing in the hand yet.'}</p>
    {/if}
</div>

<style>
    .screen {
        display: grid;
        grid-template-rows: auto auto auto 1fr;
        gap: 10px;
        align-content: start;
    }
    header {
        display: flex;
        justify-content: space-between;
        gap: 20px;
        flex-wrap: wrap;
        font-size: clamp(18px, 2.2vw, 36px);
    }
    header span {
        color: var(--ink-2);
    }
    .carry {
        font-size: clamp(90px, 20vw, 320px);
        font-weight: 680;
        line-height: 1;
        letter-spacing: -0.03em;
    }
    .carry small {
        font-size: 0.28em;
        margin-left: 0.2em;
        letter-spacing: 0;
        color: var(--ink-2);
    }
    .line,
    .wait {
        font-size: clamp(20px, 2.6vw, 44px);
    }
    .map {
        max-height: 46vh;
        overflow: hidden;
    }
</style>
