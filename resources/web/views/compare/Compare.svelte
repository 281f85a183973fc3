<script lang="ts">
    import { get, patch, say } from '../../api/client';
    import type { Comparison, Fitting, Setup, Shot } from '../../api/types';
    import LandingMap from '../../charts/LandingMap.svelte';
    import LaunchSpin from '../../charts/LaunchSpin.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import ShotTable from '../../parts/ShotTable.svelte';
    import { current, loadFitting } from '../../state/session.svelte';
    import { factor, figure, MEASURES, plain, signed, unitOf } from '../../units/units';

    let { params }: { params: { id: string } } = $props();
    const MOST = 6;
    let comparison = $state<Comparison | null>(null);
    let shots = $state<Shot[]>([]);
    let chosen = $state<string[] | null>(null);
    let problem = $state('');

    async function load() {
        try {
            [comparison, shots] = await Promise.all([get<Comparison>(`fittings/${params.id}/comparison`), get<Shot[]>(`fittings/${params.id}/shots`)]);
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
    const setOf = (tag: string) => comparison?.sets.find((s) => s.tag === tag);
    const digits = (m: string) => (MEASURES[m]?.kind === 'spin' ? 0 : MEASURES[m]?.kind === 'ratio' ? 2 : MEASURES[m]?.kind === 'strike' ? 0 : 1);
    const pct = (v: number) => `${Math.round(v * 100)}\u00a0%`;
</script>

<Frame id={params.id} step="compare" chosen={columns} onpick={pick}>
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
                        Mean ± SD for the benchmark; for the others the difference from it, with its 95 % interval. Bold: the interval leaves zero out. Grey:
                        the shots cannot tell. Click a stop on the trail to add or drop a setup.
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
                                                >{s && s.n ? `${Math.round(s.interval.low * 100)} to ${pct(s.interval.high)}` : 'side not measured'}</small
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
                        Side, curve, direction and axis: + is right. Total is computed on {fitting.brief.turf} ground unless measured: the roughest figure here.
                    </p>
                </section>
                <section class="pictures">
                    <h2>Where they land</h2>
                    <LandingMap {fitting} {shots} sets={comparison.sets} chosen={columns} />
                    <h2>Launch against spin</h2>
                    <LaunchSpin {fitting} {shots} {comparison} chosen={columns} />
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
