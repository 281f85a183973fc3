<script lang="ts">
    import type { Advice, FlightFigure, UnitChoice } from '../api/generated/types';
    import { MEASURES, unitOf } from '../format/units';
    import { bandText, FLIGHT, flightText } from '../format/wishes';
    import Glyph from './Glyph.svelte';
    import Scroll from './Scroll.svelte';

    // Launch, spin, apex and descent that are expected of each setup, under what this player wants of them.
    type Row = { tag: string; name: string; flight?: Record<string, FlightFigure> };
    let { rows, wanted, units }: { rows: Row[]; wanted: Advice['wanted']; units: UnitChoice } = $props();
</script>

{#if rows.some((r) => r.flight && Object.keys(r.flight).length)}
    <Scroll label="Expected flight">
        <table>
            <caption>How it should fly</caption>
            <thead>
                <tr
                    ><th></th>{#each FLIGHT as field (field)}<th>{MEASURES[field]!.label} <small>{unitOf(field, units)}</small></th
                        >{/each}</tr
                >
            </thead>
            <tbody>
                {#if wanted}<tr class="wanted"
                        ><td>Wanted with this swing</td>{#each FLIGHT as field (field)}<td>{bandText(field, wanted, units)}</td>{/each}</tr
                    >{/if}
                {#each rows as r (r.tag + r.name)}
                    <tr>
                        <td
                            >{#if r.tag}<Glyph tag={r.tag} r={9} />{/if}
                            {r.name}</td
                        >
                        {#each FLIGHT as field (field)}<td class:off={r.flight?.[field] && r.flight[field].standing !== 'wanted'}
                                >{flightText(field, r.flight?.[field], units)}</td
                            >{/each}
                    </tr>
                {/each}
            </tbody>
        </table>
    </Scroll>
{/if}

<style>
    caption {
        text-align: left;
        font-weight: 650;
        padding-bottom: 4px;
    }
    td,
    th {
        white-space: nowrap;
    }
    .wanted td {
        color: var(--ink-2);
    }
    .off {
        color: var(--amber-ink, var(--ink));
        font-weight: 600;
    }
</style>
