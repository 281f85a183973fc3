<script lang="ts">
    import { asked, get } from '../../api/client';
    import type { Comparison, Fitting, Judging, Shot } from '../../api/generated/types';
    import FlightPaths from '../../charts/FlightPaths.svelte';
    import LandingMap from '../../charts/LandingMap.svelte';
    import LaunchSpin from '../../charts/LaunchSpin.svelte';
    import StrikeField from '../../charts/StrikeField.svelte';
    import { figure, plain } from '../../format/units';
    import { followJudgement, getJudged } from '../../lib/judged.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Monitors from '../../parts/Monitors.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Picture from '../../parts/Picture.svelte';
    import Bridge from './Bridge.svelte';
    import Columns, { firstOf } from './Columns.svelte';
    import OffCentre from './OffCentre.svelte';
    import { say } from './words';

    /** Why setups differ, in pictures of their shots. */
    let { fitting, swing }: { fitting: Fitting; swing: string | null } = $props();
    /** So many shots of a setup are drawn; every one of them is in the figures. */
    const DRAWN = 150;
    const reading = new Loader<[Comparison, Judging, Shot[]]>();
    const told = $derived(reading.value);
    const units = $derived(fitting.player.units);
    let chosenByHand = $state<string[] | null>(null);
    const chosen = $derived(chosenByHand ?? (told ? firstOf(told[0], 4) : []));
    const tagOf = $derived(new Map(fitting.setups.map((s) => [s.id, s.tag])));
    const judged = $derived(told?.[1].setups.filter((s) => chosen.includes(s.tag)) ?? []);
    const shots = $derived(told?.[2].filter((s) => chosen.includes(tagOf.get(s.setupId) ?? '')) ?? []);

    async function load() {
        await reading.load(() =>
            Promise.all([
                getJudged<Comparison>(`fittings/${fitting.id}/comparison${asked({ swing })}`),
                getJudged<Judging>(`fittings/${fitting.id}/judging${asked({ swing })}`),
                get<Shot[]>(`fittings/${fitting.id}/shots?each=${DRAWN}`),
            ]),
        );
    }
    followJudgement(load, () => fitting.id);
    const tag = (s: Shot) => tagOf.get(s.setupId) ?? '';
    const zone = (v: number | null, field: string) => (v === null ? '–' : figure(field, v, units));
</script>

{#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
{#if !told}
    {#if !reading.problem}<Outline what={say('answer.waiting')} blocks={['picture', 'picture']} />{/if}
{:else if !told[0].sets.length}
    <p>{say('answer.why.none')}</p>
{:else}
    {@const [comparison, judging] = told}
    <Columns hit={comparison.sets.map((s) => s.tag)} held={comparison.benchmark} {chosen} onpick={(tags) => (chosenByHand = tags)} />
    <div class="two">
        <Picture
            title={say('answer.why.landing')}
            name="landing"
            head={['Setup', 'Shot', `Carry ${units.distance}`, `Side ${units.distance}`, 'Counts']}
            rows={shots.map((s) => [
                tag(s),
                s.sequence,
                figure('carryM', s.measured.carryM ?? s.computed.carryM, units),
                figure('sideM', s.measured.sideM ?? s.computed.sideM, units),
                s.leftOut ? s.leftOut.reason : 'yes',
            ])}
        >
            <LandingMap {fitting} {shots} sets={comparison.sets} {chosen} />
        </Picture>
        <Bridge others={judged.filter((s) => s.tag !== judging.benchmark)} benchmark={judging.benchmark ?? ''} {units} />
        <Picture
            title={say('answer.why.flight')}
            name="flight"
            head={['Setup', `Carry of the mean ball ${units.distance}`, `Apex ${units.height}`]}
            rows={judged
                .filter((s) => s.path)
                .map((s) => [s.tag, figure('carryM', s.path!.carryM, units), figure('apexM', s.path!.apexM, units)])}
        >
            <FlightPaths setups={judged} {units} />
        </Picture>
        <Picture
            title={say('answer.why.launch')}
            name="launch-spin"
            head={['Setup', 'Shot', 'Launch °', 'Spin rpm']}
            rows={shots
                .filter((s) => s.measured.launchDeg !== undefined)
                .map((s) => [tag(s), s.sequence, plain(s.measured.launchDeg!, 1), figure('spinRpm', s.measured.spinRpm, units)])}
        >
            <LaunchSpin {fitting} {shots} {comparison} {chosen} />
        </Picture>
        <Picture
            title={say('answer.why.strike')}
            name="strike"
            head={['Setup', 'Zone', 'n', `Ball speed ${units.speed}`, 'Spin rpm', `Carry ${units.distance}`]}
            rows={judged.flatMap((s) =>
                (s.forgiveness?.zones ?? [])
                    .filter((z) => z.n)
                    .map((z) => [
                        s.tag,
                        z.zone,
                        z.n,
                        zone(z.ballSpeedMps, 'ballSpeedMps'),
                        zone(z.spinRpm, 'spinRpm'),
                        zone(z.carryM, 'carryM'),
                    ]),
            )}
        >
            <StrikeField {fitting} {shots} setups={judged} />
        </Picture>
        <OffCentre {judged} {units} />
        {#if judging.calibration.length}
            <section>
                <h2>{say('answer.why.monitor')}</h2>
                <Monitors visits={judging.calibration} balls={judging.balls} {units} />
                <p class="small">{say('answer.why.monitorNote')}</p>
            </section>
        {/if}
    </div>
    {#if fitting.setups.some((s) => chosen.includes(s.tag) && s.shots > DRAWN)}<p class="small">
            {say('answer.why.drawn', { n: DRAWN })}
        </p>{/if}
{/if}

<style>
    .two {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(min(100%, 460px), 1fr));
        gap: 28px;
        align-items: start;
    }
    section {
        display: grid;
        gap: 8px;
        min-width: 0;
    }
</style>
