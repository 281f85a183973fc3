<script lang="ts">
    import type { JudgedSetup, UnitChoice } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { factor, figure, MEASURES, signed, unitOf } from '../../format/units';
    import { digits } from './compare.svelte';
    import { alikeText } from './sentences';

    let { judged, units }: { judged: JudgedSetup[]; units: UnitChoice } = $props();
    const k = (measure: string) => factor(unitOf(measure, units));
    const SHOWN = ['carryM', 'totalM', 'spinRpm', 'launchDeg'];
</script>

<h2>Like for like</h2>
<Scroll label="Like for like">
    <table>
        <thead
            ><tr
                ><th>Setup</th>{#each SHOWN as m (m)}<th>{MEASURES[m]!.label} <small>{unitOf(m, units)}</small></th>{/each}</tr
            ></thead
        >
        <tbody>
            {#each judged.filter((s) => s.alike) as s (s.tag)}
                <tr>
                    <td><Glyph tag={s.tag} r={8} /></td>
                    {#each SHOWN as m (m)}
                        {@const row = s.alike!.rows.find((r) => r.measure === m)}
                        <td
                            >{#if !row}–{:else}{figure(m, row.alike, units, digits(m))}
                                <small>measured {figure(m, row.measured, units, digits(m))}</small>
                                {#if row.against}<small
                                        >{signed(row.against.value * k(m), digits(m))}, {signed(row.against.interval.low * k(m), digits(m))} to
                                        {signed(row.against.interval.high * k(m), digits(m))}</small
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
    As if each had been hit with this player’s typical swing and strike. It helps carry, total, spin and launch; for side and strokes it
    does not.
</p>

<style>
    td small {
        display: block;
        white-space: nowrap;
        font-weight: 400;
    }
    td:not(:first-child) {
        font-weight: 600;
    }
    .note td {
        text-align: left;
        border-top: 0;
        font-weight: 400;
    }
</style>
