<script lang="ts">
    import type { BayView } from '../../api/generated/types';
    import DriftLine from '../../charts/DriftLine.svelte';
    import type { BayScreen } from './bay.svelte';
    import { driftText } from './sentences';

    // Along the bottom: the speed through the visit, trials as bands, and what is left of swings and minutes.
    let { bay, view }: { bay: BayScreen; view: BayView } = $props();
    const words = $derived(driftText(view, bay.fitting.player.units));
    const { budget } = $derived(view);
</script>

<section class="session" aria-label="The session">
    <div class="line"><DriftLine fitting={bay.fitting} drift={view.drift} trials={view.trials} flat /></div>
    {#if view.lastDone}<p class="done small" role="status">
            You {view.lastDone.words}.
            {#if view.lastDone.undoable}<button class="plain" onclick={bay.takeBack}>Undo</button>{/if}
        </p>{/if}
    {#if words}<p class="drift"><b>{words[0]}</b><br />{words[1]}</p>{/if}
    <p class="left">
        {#if budget.swings !== null}<span
                ><b class:warn={budget.swingsHit >= budget.swings}>{Math.max(0, budget.swings - budget.swingsHit)}</b> of {budget.swings} swings
                left</span
            >
        {:else}<span><b>{budget.swingsHit}</b> swings</span>{/if}
        {#if budget.minutes !== null}<span
                ><b class:warn={budget.minutesUsed >= budget.minutes}>{Math.max(0, budget.minutes - budget.minutesUsed)}</b> of {budget.minutes}
                minutes left</span
            >
        {:else}<span><b>{budget.minutesUsed}</b> minutes</span>{/if}
    </p>
</section>

<style>
    .session {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto auto auto;
        gap: 18px;
        align-items: center;
        border-top: 1px solid var(--hair);
        padding-top: 4px;
    }
    .drift {
        color: var(--amber);
        font-size: var(--body);
        max-width: 190px;
    }
    .drift b {
        font-size: var(--lead);
    }
    .done {
        max-width: 200px;
    }
    .left {
        display: grid;
        color: var(--ink-2);
        white-space: nowrap;
    }
    .left b {
        font-size: 26px;
        line-height: 1.1;
        color: var(--ink);
    }
    @media (max-width: 700px) {
        .session {
            grid-template-columns: minmax(0, 1fr) auto;
        }
        .line {
            grid-column: 1 / -1;
        }
    }
</style>
