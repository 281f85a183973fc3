<script lang="ts">
    import type { JudgedSetup, UnitChoice } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { factor, figure, signed, unitOf } from '../../format/units';

    let { judged, units }: { judged: JudgedSetup[]; units: UnitChoice } = $props();
    const k = (measure: string) => factor(unitOf(measure, units));
</script>

<Scroll label="What an off-centre strike costs">
    <table>
        <thead
            ><tr
                ><th>Carry against the CG line <small>{units.distance}</small></th><th>10 mm heel</th><th>10 mm toe</th><th>8 mm low</th><th
                    >8 mm high</th
                ><th>Worst usual</th></tr
            ></thead
        >
        <tbody>
            {#each judged.filter((s) => s.forgiveness) as s (s.tag)}
                <tr>
                    <td
                        ><Glyph tag={s.tag} r={8} />
                        <small>{s.forgiveness!.seen ? `model, corrected by ${s.forgiveness!.seen} strikes` : 'model'}</small></td
                    >
                    {#each ['heel', 'toe', 'low', 'high'] as z (z)}<td>{signed(s.forgiveness!.costs[z]!.carryM * k('carryM'), 0)}</td
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

<style>
    td small {
        display: block;
        white-space: nowrap;
        font-weight: 400;
    }
    td:first-child small {
        display: inline;
    }
    td:not(:first-child) {
        font-weight: 600;
    }
</style>
