<script lang="ts">
    import { getJudged } from '../../lib/judged.svelte';
    import type { Fitting, SpeedLadder } from '../../api/generated/types';
    import SpeedRungs from '../../charts/SpeedRungs.svelte';
    import { MEASURES, figure, plain } from '../../format/units';
    import Asked from '../../parts/Asked.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Picture from '../../parts/Picture.svelte';
    import { mixedText } from '../../format/speeds';
    import { bothText, oneSpeedText, perText, rungText } from './lofts';
    import { say } from './words';

    /** What the shots did at each speed of this player’s range, the loft wanted there, and which setup serves both ends. */
    let { fitting, tags }: { fitting: Fitting; tags: string[] } = $props();
    const SHOWN = ['carryM', 'launchDeg', 'spinRpm', 'apexM'] as const;
    let setup = $state<string | null>(null);
    let measure = $state<(typeof SHOWN)[number]>('carryM');
    const units = $derived(fitting.player.units);
    const load = () => getJudged<SpeedLadder>(`fittings/${fitting.id}/speed-ladder${setup === null ? '' : `?setup=${setup}`}`);
</script>

<Asked title={say('answer.speed')} {load} key={`${setup} ${fitting.version}`}>
    {#snippet children(ladder)}
        <div class="row small">
            <label
                >{say('answer.speed.setup')}
                <select value={ladder.tag} onchange={(e) => (setup = e.currentTarget.value)}
                    >{#each tags as tag (tag)}<option>{tag}</option>{/each}</select
                ></label
            >
            <label
                >{say('answer.speed.show')}
                <select aria-label={say('answer.speed.figure')} bind:value={measure}
                    >{#each SHOWN as m (m)}<option value={m}>{MEASURES[m]!.label}</option>{/each}</select
                ></label
            >
        </div>
        {#if ladder.mixed}<Notice>{mixedText(ladder.mixed, units)}</Notice>{/if}
        {#if oneSpeedText(ladder)}<p>{oneSpeedText(ladder)}</p>{/if}
        <Picture
            title={say('answer.speed.over', { measure: MEASURES[measure]!.label, tag: ladder.tag })}
            name="speed-ladder"
            head={[
                'Group',
                'n',
                `Speed ${units.speed}`,
                `Carry ${units.distance}`,
                'Launch °',
                'Spin rpm',
                `Apex ${units.height}`,
                'Loft delivered °',
                'Loft wanted °',
            ]}
            rows={ladder.rungs.map((r) => [
                r.name,
                r.n,
                figure('clubSpeedMps', r.speedMps, units),
                ...SHOWN.map((m) => figure(m, r.figures[m]?.mean, units)),
                r.deliveredLoftDeg === null ? '–' : plain(r.deliveredLoftDeg, 1),
                `${plain(r.wantedBandDeg[0], 1)} to ${plain(r.wantedBandDeg[1], 1)}`,
            ])}
        >
            <SpeedRungs {ladder} {measure} {units} />
        </Picture>
        <ul class="small">
            {#each ladder.rungs as r (r.name)}<li>{rungText(r, units)}</li>{/each}
            {#if perText(ladder, units)}<li>{perText(ladder, units)}</li>{/if}
        </ul>
        {#if ladder.both}<p><b>{bothText(ladder, fitting)[0]}</b> {bothText(ladder, fitting).slice(1).join(' ')}</p>
            <p class="small">{say('answer.speed.priced')}</p>{/if}
    {/snippet}
</Asked>

<style>
    .row {
        display: flex;
        gap: 16px;
        flex-wrap: wrap;
    }
    .row label {
        display: flex;
        gap: 6px;
        align-items: center;
    }
    .row select {
        width: auto;
    }
    ul {
        padding-left: 18px;
        display: grid;
        gap: 4px;
    }
</style>
