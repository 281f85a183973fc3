<script lang="ts">
    import type { Comparison, Fitting, JudgedSetup, Judging, Shot } from '../../api/generated/types';
    import FlightPaths from '../../charts/FlightPaths.svelte';
    import LandingMap from '../../charts/LandingMap.svelte';
    import LaunchSpin from '../../charts/LaunchSpin.svelte';
    import StrikeField from '../../charts/StrikeField.svelte';
    import Picture from '../../parts/Picture.svelte';
    import { figure, plain } from '../../format/units';
    import { zoneText } from './sentences';
    import Why from './Why.svelte';

    let {
        fitting,
        comparison,
        judging,
        shots,
        columns,
        judged,
        others,
    }: {
        fitting: Fitting;
        comparison: Comparison;
        judging: Judging | null;
        shots: Shot[];
        columns: string[];
        judged: JudgedSetup[];
        others: JudgedSetup[];
    } = $props();
    const units = $derived(fitting.player.units);
    const tagOf = $derived(new Map(fitting.setups.map((s) => [s.id, s.tag])));
</script>

<Picture
    title="Where they land"
    name="landing"
    head={['Setup', 'Shot', `Carry ${units.distance}`, `Side ${units.distance}`, 'Counts']}
    rows={shots
        .filter((s) => columns.includes(tagOf.get(s.setupId) ?? ''))
        .map((s) => [
            tagOf.get(s.setupId) ?? '',
            s.sequence,
            figure('carryM', s.measured.carryM ?? s.computed.carryM, units),
            figure('sideM', s.measured.sideM ?? s.computed.sideM, units),
            s.leftOut ? s.leftOut.reason : 'yes',
        ])}
>
    <LandingMap {fitting} {shots} sets={comparison.sets} chosen={columns} />
</Picture>
<Why {others} benchmark={judging?.benchmark ?? ''} {units} />
<Picture
    title="How they fly"
    name="flight"
    head={['Setup', `Carry of the mean ball ${units.distance}`, `Apex ${units.height}`]}
    rows={judged.filter((s) => s.path).map((s) => [s.tag, figure('carryM', s.path!.carryM, units), figure('apexM', s.path!.apexM, units)])}
>
    <FlightPaths setups={judged} {units} />
</Picture>
<Picture
    title="Launch against spin"
    name="launch-spin"
    head={['Setup', 'Shot', 'Launch °', 'Spin rpm']}
    rows={shots
        .filter((s) => columns.includes(tagOf.get(s.setupId) ?? '') && s.measured.launchDeg !== undefined)
        .map((s) => [
            tagOf.get(s.setupId) ?? '',
            s.sequence,
            plain(s.measured.launchDeg!, 1),
            figure('spinRpm', s.measured.spinRpm, units),
        ])}
>
    <LaunchSpin {fitting} {shots} {comparison} chosen={columns} />
</Picture>
<Picture
    title="Strike and forgiveness"
    name="strike"
    head={['Setup', 'Zone', 'n', `Ball speed ${units.speed}`, 'Spin rpm', `Carry ${units.distance}`]}
    rows={judged.flatMap((s) =>
        (s.forgiveness?.zones ?? [])
            .filter((z) => z.n)
            .map((z) => [
                s.tag,
                z.zone,
                z.n,
                zoneText(z.ballSpeedMps, 'ballSpeedMps', units),
                zoneText(z.spinRpm, 'spinRpm', units),
                zoneText(z.carryM, 'carryM', units),
            ]),
    )}
>
    <StrikeField {fitting} {shots} setups={judged} />
</Picture>
