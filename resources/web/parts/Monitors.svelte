<script lang="ts">
    import type { BallTold, MonitorVisit, UnitChoice } from '../api/generated/types';
    import { ballText } from '../format/sentences';
    import { factor, plain, signed } from '../format/units';
    import Scroll from './Scroll.svelte';

    let { visits, balls, units }: { visits: MonitorVisit[]; balls: BallTold[]; units: UnitChoice } = $props();
    const k = $derived(factor(units.distance));
    const share = (value: number | null) => (value === null ? '–' : `${signed(value * 100, 1)} %`);
    const nameOf = (v: MonitorVisit) => (v.monitor === '' ? 'Monitor not named' : v.monitor === 'simulated' ? 'Practice shots' : v.monitor);
</script>

<!-- How far each monitor is from the flight model, before and after its own shots have calibrated it. -->
<Scroll label="Monitors beside physics">
    <table>
        <thead>
            <tr
                ><th>Monitor</th><th>Shots</th><th>Carry, measured over computed</th><th>Apex</th><th
                    >Left over <small>{units.distance}</small></th
                ><th>Drag, lift, spin</th></tr
            >
        </thead>
        <tbody>
            {#each visits as v (`${v.monitor}/${v.visit}`)}
                <tr class:off={v.disagrees}>
                    <td
                        >{nameOf(v)}{#if v.visit !== null}<small>visit {v.visit}</small>{/if}</td
                    >
                    <td>{v.n}</td>
                    <td>{share(v.carryShare)} <small>calibrated {share(v.carryShareAfter)}</small></td>
                    <td>{share(v.apexShare)} <small>calibrated {share(v.apexShareAfter)}</small></td>
                    <td>± {plain(v.residualBeforeM * k, 1)} <small>calibrated ± {plain(v.residualAfterM * k, 1)}</small></td>
                    <td
                        >{signed(v.dragOffset, 3)}, {signed(v.liftOffset, 3)}, {signed(v.spinOffset * 100, 1)} %
                        <small>± {plain(v.sd[0], 3)}, {plain(v.sd[1], 3)}, {plain(v.sd[2] * 100, 1)} %</small></td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
</Scroll>
{#each balls as b (b.ball)}<p>{ballText(b, units)}</p>{/each}

<style>
    td small {
        display: block;
        white-space: nowrap;
        font-weight: 400;
    }
    .off td:nth-child(3) {
        font-weight: 700;
        color: var(--amber);
    }
</style>
