<script lang="ts">
    import type { Fitting, Setup } from '../../api/generated/types';
    import { VERSION } from '../../api/generated/vocabulary';
    import { lengthText, loftText, madeUpText } from '../../format/setups';
    import { faceWords, factor, plain } from '../../format/units';
    import Simulated from '../../parts/Simulated.svelte';
    import { clubFigure, FIGURES } from '../orders/sentences';
    import { say } from './words';

    /** What the workshop needs to build the club that was decided for. */
    let { fitting, setup }: { fitting: Fitting; setup: Setup } = $props();
    const units = $derived(fitting.player.units);
    const built = $derived(fitting.order?.built ?? null);
    const BUILT = ['loftDeg', 'lieDeg', 'faceOpenDeg', 'lengthMm', 'swingWeightPoints', 'massG'] as const;
    const angle = (loftDeg: number, faceOpenDeg: number) => say('sheet.angle', { loft: loftDeg.toFixed(1), face: faceWords(faceOpenDeg) });
    const rows = $derived(
        (
            [
                ['head', `${setup.head}, ${loftText(setup)}, ${say(`sheet.hand.${fitting.player.hand}`)}`],
                ['sleeve', setup.sleeveLabel || say('sheet.noSleeve')],
                [
                    'plays',
                    `${angle(setup.playing.plays.loftDeg, setup.playing.plays.faceOpenDeg)}, ${say('sheet.lie', {
                        lie: setup.playing.plays.lieDeg.toFixed(1),
                        assumed: setup.playing.lieAssumed ? 'yes' : 'no',
                    })}`,
                ],
                ['soled', angle(setup.playing.soled.loftDeg, setup.playing.soled.faceOpenDeg)],
                ['weights', setup.weights],
                ['shaft', setup.shaft],
                ['grip', setup.grip],
                ['length', lengthText(setup.lengthMm, units)],
                [
                    'balance',
                    setup.swingWeight &&
                        say('sheet.swingWeight', {
                            label: setup.swingWeight.label,
                            from:
                                setup.swingWeight.source === 'simulated'
                                    ? 'simulated'
                                    : setup.swingWeight.measured
                                      ? 'balance'
                                      : 'computed',
                        }),
                ],
                ['ball', setup.ball],
                ['tee', setup.teeMm === null ? '' : `${plain(setup.teeMm, 0)} mm`],
                ['cue', setup.cue],
                ['note', setup.note],
            ] as [string, string | null | undefined][]
        ).filter(([, value]) => value),
    );
</script>

<h1>{say('sheet.build', { name: fitting.player.name, head: setup.head })}</h1>
{#if madeUpText(fitting.setups)}<p class="small"><Simulated /> {madeUpText(fitting.setups)}.</p>{/if}
<dl>
    {#each rows as [name, value] (name)}<div>
            <dt>{say(`sheet.row.${name}`)}</dt>
            <dd>{value}</dd>
        </div>{/each}
</dl>
{#if built}<p>
        <b>{say('sheet.built')}</b>
        {BUILT.filter((f) => built[f] !== null)
            .map((f) => `${FIGURES[f]!.toLowerCase()} ${clubFigure(f, built[f], units)}`)
            .join(', ')}. {say('sheet.builtNote')}
    </p>{/if}
{#if setup.playing.loftFromPrint}<p class="warn">{say('sheet.printed')}</p>{/if}
<p class="small">{say('sheet.safety')}</p>
<p class="small">{say('sheet.rules')}</p>
<p class="small">
    {say('sheet.air', {
        temperature: fitting.brief.temperatureC,
        altitude: `${plain(fitting.brief.altitudeM * factor(units.distance), 0)} ${units.distance}`,
        turf: fitting.brief.turf,
        version: VERSION,
    })}
</p>

<style>
    dl div {
        display: grid;
        grid-template-columns: 200px 1fr;
        gap: 12px;
        border-top: 1px solid var(--hair);
        padding: 5px 0;
    }
    dt {
        color: var(--ink-2);
    }
    dd {
        font-weight: 550;
    }
    @media (max-width: 600px) {
        dl div {
            grid-template-columns: 1fr;
            gap: 0;
        }
    }
</style>
