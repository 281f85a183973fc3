<script lang="ts">
    import type { Schools } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { schoolsText, SHORT_POLICY } from './sentences';

    let { schools, pick, own }: { schools: Schools; pick: string; own: string } = $props();
</script>

<section>
    <h2>Who would pick what</h2>
    <p>{schoolsText(schools)}</p>
    <Scroll label="Picks by school and by which shots count">
        <table>
            <thead>
                <tr
                    ><th>Best at</th>{#each schools.policies as p, i (p.name)}<th class:now={i === 0}>{SHORT_POLICY[p.name] ?? p.name}</th
                        >{/each}</tr
                >
            </thead>
            <tbody>
                {#each schools.rows as row (row.scoring)}
                    <tr class:declared={row.declared}>
                        <td
                            >{row.scoring}{#if row.declared}<small>the brief’s</small>{/if}</td
                        >
                        {#each row.cells as cell, i (i)}
                            <td class:other={cell !== null && cell.pick !== pick}>
                                {#if cell}<Glyph tag={cell.pick} r={9} />{#if cell.ownIsLevel && cell.pick !== own}<small>{own} level</small
                                        >{:else if cell.ties.length}<small>≈ {cell.ties.join(' ')}</small>{:else}<small>alone</small
                                        >{/if}{:else}–{/if}
                            </td>
                        {/each}
                    </tr>
                {/each}
            </tbody>
        </table>
    </Scroll>
    <p class="small">
        Each school names the best of its own figure. “{own} level”: the own club does as well. ≈ cannot be told from it. First column: the shots
        that count now.
    </p>
</section>

<style>
    section {
        display: grid;
        gap: 8px;
        align-content: start;
    }
    td {
        white-space: nowrap;
    }
    td small {
        margin-left: 5px;
        color: var(--ink-2);
    }
    .declared td:first-child {
        font-weight: 640;
    }
    .now {
        border-bottom-color: var(--mint);
    }
    .other {
        background: var(--amber-wash);
    }
</style>
