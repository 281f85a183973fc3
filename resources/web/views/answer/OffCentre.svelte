<script lang="ts">
    import type { JudgedSetup, UnitChoice } from '../../api/generated/types';
    import { factor, figure, signed } from '../../format/units';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { say } from './words';

    let { judged, units }: { judged: JudgedSetup[]; units: UnitChoice } = $props();
    const told = $derived(judged.flatMap((s) => (s.forgiveness ? [[s.tag, s.forgiveness] as const] : [])));
</script>

{#if told.length}<Scroll label={say('answer.why.offCentre')}>
        <table>
            <thead
                ><tr
                    ><th>{say('answer.why.against')} <small>{units.distance}</small></th><th>10 mm heel</th><th>10 mm toe</th><th
                        >8 mm low</th
                    ><th>8 mm high</th><th>{say('answer.why.worst')}</th></tr
                ></thead
            >
            <tbody>
                {#each told as [tag, of] (tag)}
                    <tr>
                        <td><Glyph {tag} r={8} /> <small>{say('answer.why.model', { n: of.seen })}</small></td>
                        {#each ['heel', 'toe', 'low', 'high'] as zone (zone)}<td
                                >{signed(of.costs[zone]!.carryM * factor(units.distance), 0)}</td
                            >{/each}
                        <td>{figure('carryM', of.worstCarryM, units)} <small>{of.worstAt}</small></td>
                    </tr>
                {/each}
            </tbody>
        </table>
    </Scroll>{/if}
