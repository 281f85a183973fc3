<script lang="ts">
    import type { Fitting, Grounds } from '../../api/generated/types';
    import { pct } from '../../format/judged';
    import { factor, plain } from '../../format/units';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { dayText, daysText, windText } from './choice';
    import { say } from './words';

    let { grounds, fitting }: { grounds: Grounds; fitting: Fitting } = $props();
    const units = $derived(fitting.player.units);
    const k = $derived(grounds.unit === 'm' ? factor(units.distance) : 1);
    const digits = $derived(grounds.unit === 'strokes' ? 2 : 1);
</script>

<section>
    <h2>{say('answer.other')}</h2>
    <p>{daysText(grounds, units)} {windText(grounds, fitting)}</p>
    <Scroll label={say('answer.other.table')}>
        <table>
            <thead>
                <tr
                    ><th>{say('answer.other.day')}</th><th>{say('answer.other.pick')}</th><th
                        >{say('answer.other.gain', {
                            unit: grounds.unit === 'm' ? units.distance : grounds.unit,
                            tag: grounds.days[0]?.of ?? '',
                            benchmark: grounds.benchmark,
                        })}</th
                    ><th>{say('answer.other.chance')}</th></tr
                >
            </thead>
            <tbody>
                {#each grounds.days as day (day.day)}
                    <tr class:turns={day.turns}>
                        <td>{dayText(day.day, units)}</td>
                        <td><Glyph tag={day.pick} r={9} /></td>
                        <td
                            >{plain(day.gain * k, digits)}
                            <small
                                >{say('answer.figures.range', {
                                    low: plain(day.interval.low * k, digits),
                                    high: plain(day.interval.high * k, digits),
                                })}</small
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
    small {
        white-space: nowrap;
    }
    .turns td {
        background: var(--amber-wash);
    }
</style>
