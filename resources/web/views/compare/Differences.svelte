<script lang="ts">
    import type { Advice, Comparison, Fitting } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { drivesOf, pct } from '../../format/judged';
    import { factor, figure, MEASURES, plain, signed, unitOf } from '../../format/units';
    import { seenText } from '../../format/wishes';
    import { digits } from './compare.svelte';

    let {
        comparison,
        judge,
        columns,
        fitting,
        onbenchmark,
    }: {
        comparison: Comparison;
        judge: Advice | null;
        columns: string[];
        fitting: Fitting;
        onbenchmark: (tag: string) => void;
    } = $props();
    const units = $derived(fitting.player.units);
    const k = (measure: string) => factor(unitOf(measure, units));
    const rows = $derived(comparison.rows.filter((r) => columns.some((t) => r.cells[t]?.summary)));
    const setOf = (tag: string) => comparison.sets.find((s) => s.tag === tag);
    const judgedOf = (tag: string) => judge?.setups.find((s) => s.tag === tag);
    const d = $derived(factor(units.distance));
</script>

<Scroll label="Differences">
    <table>
        <thead>
            <tr>
                <th>Measure</th>
                {#each columns as tag (tag)}
                    <th
                        ><Glyph {tag} r={9} />
                        {#if tag === comparison.benchmark}<span class="benchmark">benchmark</span>{:else}<button
                                class="plain"
                                onclick={() => onbenchmark(tag)}>make benchmark</button
                            >{/if}<br /><small>{setOf(tag)?.n} shots</small></th
                    >
                {/each}
            </tr>
        </thead>
        <tbody>
            <tr class="share">
                <td>Plays <small>loft, for this player</small></td>
                {#each columns as tag (tag)}
                    {@const setup = fitting.setups.find((x) => x.tag === tag)}
                    <td
                        title={setup && Math.abs(setup.loftOffDeg ?? 0) > 0.05
                            ? `By its print it would play ${plain(setup.playing.plays.loftDeg + (setup.loftOffDeg ?? 0), 1)}°`
                            : undefined}
                        >{setup ? `${plain(setup.playing.plays.loftDeg, 1)}°` : '–'}<small
                            >{setup?.playing.loftFromPrint
                                ? 'print, not read'
                                : setup && Math.abs(setup.loftOffDeg ?? 0) > 0.05
                                  ? `stamped ${plain(setup.statedLoftDeg, 1)}°`
                                  : ''}</small
                        ></td
                    >
                {/each}
            </tr>
            {#if judge}
                <tr class="share">
                    <td>Carry against {judge.benchmark} <small>{units.distance}, judged</small></td>
                    {#each columns as tag (tag)}
                        {@const j = judgedOf(tag)}
                        <td
                            >{tag === judge.benchmark || !j?.carryGainInterval ? '' : signed(j.carryGainM! * d, 0)}<small
                                >{tag === judge.benchmark || !j?.carryGainInterval
                                    ? ''
                                    : `${signed(j.carryGainInterval.low * d, 0)} to ${signed(j.carryGainInterval.high * d, 0)}`}</small
                            ></td
                        >
                    {/each}
                </tr>
                <tr class="share">
                    <td>Fairways <small>of 14, expected</small></td>
                    {#each columns as tag (tag)}
                        {@const j = judgedOf(tag)}
                        <td
                            >{j?.sideKnown ? drivesOf(j.share) : 'unknown'}<small
                                >{j?.sideKnown
                                    ? `${drivesOf(j.shareInterval.low)} to ${drivesOf(j.shareInterval.high)}${seenText(j) ? `; seen ${seenText(j)}` : ''}`
                                    : 'side not measured'}</small
                            ></td
                        >
                    {/each}
                </tr>
                {#each judge.setups[0]?.never ?? [] as { kind }, i (kind)}
                    <tr class="share">
                        <td>Never: {kind} <small>of 14 drives, judged</small></td>
                        {#each columns as tag (tag)}
                            {@const n = judgedOf(tag)?.never?.[i]}
                            <td class:harm={n?.isBarred && tag !== judge.benchmark}
                                >{n ? drivesOf(n.chance) : '–'}<small
                                    >{n?.isBarred && tag !== judge.benchmark ? 'likelier: not advised' : n ? pct(n.chance) : ''}</small
                                ></td
                            >
                        {/each}
                    </tr>
                {/each}
            {/if}
            <tr class="alone"><th colspan={columns.length + 1}>What these shots alone say</th></tr>
            {#if !judge}<tr>
                    <td>Seen in the fairway</td>
                    {#each columns as tag (tag)}
                        {@const s = setOf(tag)?.inCorridor}
                        <td class="vague">{s && s.of ? `${s.in} of ${s.of}` : '–'}</td>
                    {/each}
                </tr>{/if}
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

<style>
    td small {
        display: block;
        white-space: nowrap;
        font-weight: 400;
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
    .computed {
        font-style: italic;
    }
    .benchmark {
        color: var(--mint);
        font-weight: 620;
    }
    .alone th {
        text-align: left;
        padding-top: 12px;
    }
    .harm {
        color: var(--brick);
    }
    .share td {
        background: var(--mint-wash);
    }
</style>
