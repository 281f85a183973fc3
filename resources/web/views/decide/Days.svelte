<script lang="ts">
    import type { Grounds, UnitChoice } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { factor, plain } from '../../format/units';
    import { dayText, daysText, pct } from './sentences';

    let { grounds, units }: { grounds: Grounds; units: UnitChoice } = $props();
    const k = $derived(grounds.unit === 'm' ? factor(units.distance) : 1);
    const digits = $derived(grounds.unit === 'strokes' ? 2 : 1);
</script>

<section>
    <h2>On another day</h2>
    <p>{daysText(grounds, units)}</p>
    <Scroll label="The pick on other days">
        <table>
            <thead>
                <tr
                    ><th>Day</th><th>Pick</th><th
                        >{grounds.unit === 'strokes'
                            ? `Strokes ${grounds.days[0]?.of} saves over ${grounds.benchmark}`
                            : `${grounds.days[0]?.of} over ${grounds.benchmark}`}
                        <small
                            >{grounds.unit === 'strokes' ? '' : `${grounds.unit === 'm' ? units.distance : grounds.unit}, `}95&nbsp;%</small
                        ></th
                    ><th>Chance</th></tr
                >
            </thead>
            <tbody>
                {#each grounds.days as day (day.day)}
                    <tr class:turns={day.turns}>
                        <td>{dayText(day.day, units)}</td>
                        <td><Glyph tag={day.pick} r={9} /></td>
                        <td
                            >{plain(day.gain * k, digits)}<small
                                >{plain(day.interval.low * k, digits)} to {plain(day.interval.high * k, digits)}</small
                            ></td
                        >
                        <td>{pct(day.chance)}</td>
                    </tr>
                {/each}
            </tbody>
        </table>
    </Scroll>
</section>

<style>
    section {
        display: grid;
        gap: 8px;
        align-content: start;
    }
    td small {
        margin-left: 6px;
        white-space: nowrap;
    }
    .turns td {
        background: var(--amber-wash);
    }
</style>
