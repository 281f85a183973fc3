<script lang="ts">
    import type { BayView } from '../../api/generated/types';
    import { list } from '../../format/sentences';
    import { MEASURES, unitOf } from '../../format/units';
    import type { BayScreen } from './bay.svelte';
    import { meanText } from './sentences';
    import { say } from './words';

    // Before the first shot: what the brief asks for, and what is to be beaten.
    let { bay, view }: { bay: BayScreen; view: BayView } = $props();
    const SHOWN = ['carryM', 'launchDeg', 'spinRpm', 'apexM'];
    const units = $derived(bay.fitting.player.units);
    const { wish, wants, never } = $derived(bay.fitting.brief);
    const means = $derived(bay.isBenchmark || !view.benchmarkMeans ? [] : SHOWN.filter((m) => view.benchmarkMeans?.[m]));
</script>

<dl>
    {#if wants.length || wish}<dt>{say('bay.start.wants')}</dt>
        <dd>{wants.length ? list(wants.map((w) => say(`want.${w}`))) : wish}</dd>{/if}
    {#if never.length}<dt>{say('bay.start.never')}</dt>
        <dd class="never">{list(never.map((kind) => say('bay.never', { kind })))}</dd>{/if}
    {#if means.length && bay.benchmark}<dt>{say('bay.start.beat', { tag: bay.benchmark.tag })}</dt>
        <dd>
            {#each means as m (m)}<span
                    ><small>{MEASURES[m]!.label}</small>
                    {meanText(m, view.benchmarkMeans?.[m], units)} <small>{unitOf(m, units)}</small></span
                >{/each}
        </dd>{/if}
</dl>
{#if !view.trials.length}<p class="small">{say('bay.start.own')}</p>{/if}

<style>
    dl {
        display: grid;
        gap: 2px;
        margin: 8px 0 0;
    }
    dt {
        color: var(--ink-2);
    }
    dd {
        margin: 0 0 8px;
        font-size: var(--far, 28px);
        line-height: 1.2;
        display: flex;
        flex-wrap: wrap;
        gap: 2px 22px;
    }
    dd span {
        white-space: nowrap;
    }
    .never {
        color: var(--brick);
    }
</style>
