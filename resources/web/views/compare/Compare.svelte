<script lang="ts">
    import { get, patch, say } from '../../api/client';
    import type { Comparison, Fitting, Judging, Setup, Shot } from '../../api/generated/types';
    import FlightPaths from '../../charts/FlightPaths.svelte';
    import LandingMap from '../../charts/LandingMap.svelte';
    import LaunchSpin from '../../charts/LaunchSpin.svelte';
    import StrikeField from '../../charts/StrikeField.svelte';
    import WhyBridge from '../../charts/WhyBridge.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Picture from '../../parts/Picture.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import ShotTable from '../../parts/ShotTable.svelte';
    import { current, loadFitting } from '../../lib/session.svelte';
    import { factor, figure, MEASURES, plain, signed, unitOf } from '../../format/units';
    import { alikeText, findingText, nextText, railText, rangeText, verdictText, zoneText } from './sentences';

    let { params }: { params: { id: string } } = $props();
    const MOST = 6;
    let comparison = $state<Comparison | null>(null);
    let judging = $state<Judging | null>(null);
    let shots = $state<Shot[]>([]);
    let bridged = $state('');
    let measure = $state('carryM');
    let chosen = $state<string[] | null>(null);
    let problem = $state('');

    async function load() {
        try {
            [comparison, shots, judging] = await Promise.all([
                get<Comparison>(`fittings/${params.id}/comparison`),
                get<Shot[]>(`fittings/${params.id}/shots`),
                get<Judging>(`fittings/${params.id}/judging`),
            ]);
            const hit = comparison.sets.map((s) => s.tag);
            chosen = (chosen ?? hit.slice(0, 4)).filter((t) => hit.includes(t));
            if (comparison.benchmark && !chosen.includes(comparison.benchmark)) chosen = [comparison.benchmark, ...chosen];
        } catch (e) {
            problem = say(e);
        }
    }
    $effect(() => void load());

    function pick(setup: Setup) {
        if (!comparison || !chosen || setup.tag === comparison.benchmark || setup.counted === 0) return;
        chosen = chosen.includes(setup.tag) ? chosen.filter((t) => t !== setup.tag) : [...chosen, setup.tag].slice(-MOST);
    }
    async function hold(fitting: Fitting, tag: string) {
        try {
            current.fitting = await patch<Fitting>(`fittings/${fitting.id}`, {
                version: fitting.version,
                benchmarkSetupId: fitting.setups.find((s) => s.tag === tag)!.id,
            });
        } catch (e) {
            problem = say(e);
            await loadFitting(params.id);
        }
        await load();
    }
    const columns = $derived(
        comparison && chosen
            ? [
                  ...(comparison.benchmark ? [comparison.benchmark] : []),
                  ...comparison.sets.map((s) => s.tag).filter((t) => t !== comparison!.benchmark && chosen!.includes(t)),
              ]
            : [],
    );
    const rows = $derived(comparison?.rows.filter((r) => columns.some((t) => r.cells[t]?.summary)) ?? []);
    const marks = $derived(
        Object.fromEntries((judging?.setups ?? []).map((s) => [s.tag, s.verdicts.find((x) => x.declared)?.verdict ?? ''])),
    );
    const judged = $derived(judging?.setups.filter((s) => columns.includes(s.tag)) ?? []);
    const others = $derived(judged.filter((s) => s.tag !== judging?.benchmark));
    const withBridge = $derived(others.filter((s) => s.bridges.length));
    const why = $derived(withBridge.find((s) => s.tag === bridged) ?? withBridge[0] ?? null);
    const bridge = $derived(why?.bridges.find((b) => b.measure === measure) ?? why?.bridges[0] ?? null);
    const rails = $derived(judging?.rails.filter((r) => r.tag === '' || columns.includes(r.tag)) ?? []);
    const setOf = (tag: string) => comparison?.sets.find((s) => s.tag === tag);
    const tagOf = $derived(new Map(current.fitting?.setups.map((s) => [s.id, s.tag]) ?? []));
    const digits = (m: string) =>
        MEASURES[m]?.kind === 'spin' ? 0 : MEASURES[m]?.kind === 'ratio' ? 2 : MEASURES[m]?.kind === 'strike' ? 0 : 1;
    const pct = (v: number) => `${Math.round(v * 100)}\u00a0%`;
</script>

<Frame id={params.id} step="compare" chosen={columns} onpick={pick} {marks}>
    {#snippet children(fitting)}
        {@const units = fitting.player.units}
        {@const k = (m: string) => factor(unitOf(m, units))}
        {#if problem}<Notice kind="error">{problem}</Notice>{/if}
        {#if comparison && comparison.sets.length === 0}
            <h1>Nothing to compare yet</h1>
            <p>Two setups with shots are needed. <a href="#/fitting/{fitting.id}/shots">Read a file or type shots</a>.</p>
        {:else if comparison && chosen}
            <div class="two">
                <section>
                    <h1>{columns.length > 1 ? `${columns.slice(1).join(', ')} against ${columns[0]}` : `${columns[0]} alone`}</h1>
                    <p class="small">
                        Mean ± SD for the benchmark; for the others the difference from it, with its 95 % interval. Bold: the interval
                        leaves zero out. Grey: the shots cannot tell. Click a stop on the trail to add or drop a setup.
                    </p>
                    <Scroll label="Differences">
                        <table>
                            <thead>
                                <tr>
                                    <th>Measure</th>
                                    {#each columns as tag (tag)}
                                        <th
                                            ><Glyph {tag} r={9} />
                                            {#if tag === comparison.benchmark}<span class="held">benchmark</span>{:else}<button
                                                    class="plain"
                                                    onclick={() => hold(fitting, tag)}>hold</button
                                                >{/if}<br /><small>{setOf(tag)?.n} shots</small></th
                                        >
                                    {/each}
                                </tr>
                            </thead>
                            <tbody>
                                <tr class="share">
                                    <td>Plays, squared <small>loft, from the gauge</small></td>
                                    {#each columns as tag (tag)}
                                        {@const setup = fitting.setups.find((x) => x.tag === tag)}
                                        <td
                                            >{setup ? `${plain(setup.playing.squared.loftDeg, 1)}°` : '–'}<small
                                                >{setup?.playing.loftFromPrint
                                                    ? 'print, not read'
                                                    : setup && Math.abs(setup.loftOffDeg ?? 0) > 0.05
                                                      ? `print says ${plain(setup.playing.squared.loftDeg + (setup.loftOffDeg ?? 0), 1)}°`
                                                      : ''}</small
                                            ></td
                                        >
                                    {/each}
                                </tr>
                                <tr class="share">
                                    <td>In the corridor <small>aim held</small></td>
                                    {#each columns as tag (tag)}
                                        {@const s = setOf(tag)?.share}
                                        <td
                                            >{s && s.n ? pct(s.share) : 'unknown'}<small
                                                >{s && s.n
                                                    ? `${Math.round(s.interval.low * 100)} to ${pct(s.interval.high)}`
                                                    : 'side not measured'}</small
                                            ></td
                                        >
                                    {/each}
                                </tr>
                                {#each rows as row (row.measure)}
                                    <tr>
                                        <td>{MEASURES[row.measure]!.label} <small>{unitOf(row.measure, units)}</small></td>
                                        {#each columns as tag (tag)}
                                            {@const cell = row.cells[tag]}
                                            {#if !cell?.summary}
                                                <td class="vague">–</td>
                                            {:else if cell.difference}
                                                <td class:vague={!cell.difference.clear}>
                                                    {signed(cell.difference.value * k(row.measure), digits(row.measure))}
                                                    <small
                                                        >{cell.difference.interval
                                                            ? `${signed(cell.difference.interval.low * k(row.measure), digits(row.measure))} to ${signed(cell.difference.interval.high * k(row.measure), digits(row.measure))}`
                                                            : 'one shot: no interval'}</small
                                                    >
                                                </td>
                                            {:else}
                                                <td class:computed={cell.computed === cell.summary.n}
                                                    >{figure(row.measure, cell.summary.mean, units, digits(row.measure))}
                                                    <small
                                                        >{cell.summary.sd === null
                                                            ? 'one shot'
                                                            : `± ${plain(cell.summary.sd * k(row.measure), digits(row.measure))}`}{cell.computed
                                                            ? ' computed'
                                                            : ''}</small
                                                    ></td
                                                >
                                            {/if}
                                        {/each}
                                    </tr>
                                {/each}
                            </tbody>
                        </table>
                    </Scroll>
                    <p class="small">
                        Averages of {judging?.screening ?? ''}. Side, curve, direction and axis: + is right. Total is computed on {fitting
                            .brief.turf} ground unless measured: the roughest figure here.
                    </p>
                    {#if judging}
                        <h2>What the shots say</h2>
                        <ul class="says">
                            {#each others as s (s.tag)}<li>
                                    <Glyph tag={s.tag} r={8} />
                                    <span>
                                        <b>{verdictText(s, judging.benchmark ?? '', units)}</b>
                                        {#each s.verdicts.filter((x) => !x.declared && x.verdict !== 'open') as x (x.name)}
                                            {x.verdict === 'better'
                                                ? x.name
                                                : x.verdict === 'same'
                                                  ? `${x.name}: the same`
                                                  : `not ${x.name}`} ({rangeText(x, units)}).
                                        {/each}
                                        {#each s.verdicts.filter((x) => x.name === 'tighter' && x.verdict === 'open') as x (x.name)}
                                            Spread: a few shots cannot tell ({rangeText(x, units)}).
                                        {/each}
                                        {#each s.flips as f (f.policy)}With {f.policy} it would be “{f.verdict}”.
                                        {/each}
                                    </span>
                                </li>{/each}
                            {#each judged as s (s.tag)}
                                {#each s.diagnosis.slice(0, 4) as f (f.kind)}<li>
                                        <Glyph tag={s.tag} r={8} /><span
                                            >{findingText(f, fitting.player.hand, units)}{f.forCoach
                                                ? ' Likely the delivery, not the club: one for a coach.'
                                                : ''}</span
                                        >
                                    </li>{/each}
                            {/each}
                        </ul>
                        {#if judging.next}<p class="next"><b>Next.</b> {nextText(judging.next, units)}</p>{/if}
                        <h2>Like for like</h2>
                        <Scroll label="Like for like">
                            <table>
                                <thead
                                    ><tr
                                        ><th>Setup</th>{#each ['carryM', 'totalM', 'spinRpm', 'launchDeg'] as m (m)}<th
                                                >{MEASURES[m]!.label} <small>{unitOf(m, units)}</small></th
                                            >{/each}</tr
                                    ></thead
                                >
                                <tbody>
                                    {#each judged.filter((s) => s.alike) as s (s.tag)}
                                        <tr>
                                            <td><Glyph tag={s.tag} r={8} /></td>
                                            {#each ['carryM', 'totalM', 'spinRpm', 'launchDeg'] as m (m)}
                                                {@const row = s.alike!.rows.find((r) => r.measure === m)}
                                                <td
                                                    >{#if !row}–{:else}{figure(m, row.alike, units, digits(m))}
                                                        <small>measured {figure(m, row.measured, units, digits(m))}</small>
                                                        {#if row.against}<small
                                                                >{signed(row.against.value * k(m), digits(m))}, {signed(
                                                                    row.against.interval.low * k(m),
                                                                    digits(m),
                                                                )} to {signed(row.against.interval.high * k(m), digits(m))}</small
                                                            >{/if}{/if}</td
                                                >
                                            {/each}
                                        </tr>
                                        <tr class="note"><td></td><td colspan="4" class="small">{alikeText(s.alike!, units)}</td></tr>
                                    {/each}
                                </tbody>
                            </table>
                        </Scroll>
                        <p class="small">
                            As if each had been hit with this player’s typical swing and strike. It helps carry, total, spin and launch; for
                            side and strokes it does not.
                        </p>
                        {#if rails.length}
                            <h2>To keep in mind</h2>
                            <ul class="rails small">
                                {#each rails as r, i (i)}<li>{railText(r, fitting.player.hand, units)}</li>{/each}
                            </ul>
                        {/if}
                    {/if}
                </section>
                <section class="pictures">
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
                    {#if why && bridge}
                        <Picture
                            title="Why {why.tag} differs from {judging?.benchmark}"
                            name="why-{why.tag}-{measure}"
                            head={[
                                'Cause',
                                `Happened ${unitOf(bridge.measure, units)}`,
                                `Would repeat ${unitOf(bridge.measure, units)}`,
                                'Standard error',
                                '',
                            ]}
                            rows={[
                                ...bridge.lines.map((l) => [
                                    l.cause,
                                    signed(l.happened * k(bridge.measure), digits(bridge.measure)),
                                    signed(l.repeats * k(bridge.measure), digits(bridge.measure)),
                                    plain(l.error * k(bridge.measure), digits(bridge.measure)),
                                    l.noise ? 'noise' : '',
                                ]),
                                ['difference', signed(bridge.difference * k(bridge.measure), digits(bridge.measure)), '', '', ''],
                            ]}
                        >
                            <div class="choose no-print">
                                <label
                                    >Setup <select value={why.tag} onchange={(e) => (bridged = e.currentTarget.value)}
                                        >{#each withBridge as s (s.tag)}<option>{s.tag}</option>{/each}</select
                                    ></label
                                >
                                <label
                                    >Figure <select bind:value={measure}
                                        >{#each why.bridges as b (b.measure)}<option value={b.measure}>{MEASURES[b.measure]!.label}</option
                                            >{/each}</select
                                    ></label
                                >
                            </div>
                            <WhyBridge {bridge} tag={why.tag} benchmark={judging?.benchmark ?? ''} {units} />
                        </Picture>
                    {/if}
                    <Picture
                        title="How they fly"
                        name="flight"
                        head={['Setup', `Carry of the mean ball ${units.distance}`, `Apex ${units.height}`]}
                        rows={judged
                            .filter((s) => s.path)
                            .map((s) => [s.tag, figure('carryM', s.path!.carryM, units), figure('apexM', s.path!.apexM, units)])}
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
                    <Scroll label="What an off-centre strike costs">
                        <table>
                            <thead
                                ><tr
                                    ><th>Carry against the CG line <small>{units.distance}</small></th><th>10 mm heel</th><th>10 mm toe</th
                                    ><th>8 mm low</th><th>8 mm high</th><th>Worst usual</th></tr
                                ></thead
                            >
                            <tbody>
                                {#each judged.filter((s) => s.forgiveness) as s (s.tag)}
                                    <tr>
                                        <td
                                            ><Glyph tag={s.tag} r={8} />
                                            <small
                                                >{s.forgiveness!.seen
                                                    ? `model, corrected by ${s.forgiveness!.seen} strikes`
                                                    : 'model'}</small
                                            ></td
                                        >
                                        {#each ['heel', 'toe', 'low', 'high'] as z (z)}<td
                                                >{signed(s.forgiveness!.costs[z]!.carryM * k('carryM'), 0)}</td
                                            >{/each}
                                        <td
                                            >{figure('carryM', s.forgiveness!.worstCarryM, units)}
                                            <small>{s.forgiveness!.worstAt}</small></td
                                        >
                                    </tr>
                                {/each}
                            </tbody>
                        </table>
                    </Scroll>
                </section>
            </div>
            <h2>The shots</h2>
            <ShotTable {fitting} bind:shots only={columns} onchange={() => void Promise.all([load(), loadFitting(params.id)])} />
        {/if}
    {/snippet}
</Frame>

<style>
    .two {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        gap: 28px;
        align-items: start;
    }
    section {
        display: grid;
        gap: 8px;
        min-width: 0;
    }
    td small {
        display: block;
        white-space: nowrap;
    }
    td:first-child small {
        display: inline;
    }
    .says {
        list-style: none;
        margin: 0;
        padding: 0;
        display: grid;
        gap: 6px;
    }
    .says li {
        display: grid;
        grid-template-columns: 22px 1fr;
        gap: 8px;
        align-items: start;
    }
    .rails {
        margin: 0;
        padding-left: 18px;
    }
    .note td {
        text-align: left;
        border-top: 0;
        font-weight: 400;
    }
    .next {
        border-left: 3px solid var(--mint);
        padding-left: 10px;
    }
    .choose {
        display: flex;
        gap: 16px;
    }
    .choose label {
        display: flex;
        gap: 6px;
        align-items: center;
    }
    .vague {
        color: var(--ink-2);
    }
    td:not(.vague):not(:first-child) {
        font-weight: 600;
    }
    td small {
        font-weight: 400;
    }
    .computed {
        font-style: italic;
    }
    .held {
        color: var(--mint);
        font-weight: 620;
    }
    .share td {
        background: var(--mint-wash);
    }
    @media (max-width: 1000px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
