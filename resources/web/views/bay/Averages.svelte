<script lang="ts">
    import type { BayView } from '../../api/generated/types';
    import { POLICIES } from '../../api/generated/vocabulary';
    import { MEASURES, unitOf } from '../../format/units';
    import Scroll from '../../parts/Scroll.svelte';
    import type { BayScreen } from './bay.svelte';
    import { mixedText } from '../../format/speeds';
    import { meanText } from './sentences';

    // The averages of the trial and of the benchmark, and which shots they are of.
    let { bay, view }: { bay: BayScreen; view: BayView } = $props();
    const MEANS = ['carryM', 'totalM', 'ballSpeedMps', 'launchDeg', 'spinRpm', 'apexM'];
    const units = $derived(bay.fitting.player.units);
    /** The policies that are usual, and the one that is in force where it is another. */
    const policies = $derived({ ...POLICIES, [view.screening.name]: view.screening.label } as Record<string, string>);
</script>

<Scroll label="Averages of this trial and of the benchmark">
    <table>
        <thead
            ><tr
                ><th></th>{#each MEANS as m (m)}<th>{MEASURES[m]!.label} <small>{unitOf(m, units)}</small></th>{/each}</tr
            ></thead
        >
        <tbody>
            {#if bay.running}<tr
                    ><td>{bay.running.tag || 'Blind'} <small>this trial</small></td>{#each MEANS as m (m)}<td
                            >{meanText(m, view.means[m], units)}</td
                        >{/each}</tr
                >{/if}
            {#if bay.running && view.setupMeans}<tr
                    ><td>{bay.running.tag} <small>all {view.setupMeans.ballSpeedMps?.n ?? view.setupMeans.carryM?.n ?? ''} shots</small></td
                    >{#each MEANS as m (m)}<td>{meanText(m, view.setupMeans[m], units)}</td>{/each}</tr
                >{/if}
            <tr
                ><td>{bay.benchmark?.tag} <small>benchmark</small></td>{#each MEANS as m (m)}<td
                        >{meanText(m, view.benchmarkMeans?.[m], units)}</td
                    >{/each}</tr
            >
        </tbody>
    </table>
</Scroll>
{#if view.mixed}<p class="warn">{mixedText(view.mixed, units)}</p>{/if}
<p class="small policy">
    <label
        >Averages of <select
            value={view.screening.name}
            onchange={(e) => bay.changeFitting({ screening: e.currentTarget.value })}
            aria-label="Screening policy"
            >{#each Object.entries(policies) as [name, label] (name)}<option value={name}>{label}</option>{/each}</select
        ></label
    >{#if view.screening.warning}<span class="warn">{view.screening.warning}</span>{/if}
</p>

<style>
    td small {
        display: inline;
    }
    .policy {
        display: flex;
        gap: 12px;
        flex-wrap: wrap;
        align-items: center;
    }
    .policy label {
        display: flex;
        gap: 6px;
        align-items: center;
    }
    .policy select {
        width: auto;
    }
</style>
