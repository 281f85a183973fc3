<script lang="ts">
    import type { Comparison, Fitting } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { factor, figure, MEASURES, plain, signed, unitOf } from '../../format/units';
    import { digits } from './compare.svelte';

    let {
        comparison,
        columns,
        fitting,
        onbenchmark,
    }: { comparison: Comparison; columns: string[]; fitting: Fitting; onbenchmark: (tag: string) => void } = $props();
    const units = $derived(fitting.player.units);
    const k = (measure: string) => factor(unitOf(measure, units));
    const rows = $derived(comparison.rows.filter((r) => columns.some((t) => r.cells[t]?.summary)));
    const setOf = (tag: string) => comparison.sets.find((s) => s.tag === tag);
    const pct = (v: number) => `${Math.round(v * 100)}\u00a0%`;
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
                <td>In the corridor <small>at rest, aim fixed</small></td>
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
    .share td {
        background: var(--mint-wash);
    }
</style>
