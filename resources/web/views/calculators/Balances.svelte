<script lang="ts">
    import type { LengthBalance } from '../../api/generated/types';
    import { factor, plain, signed } from '../../format/units';
    import Scroll from '../../parts/Scroll.svelte';
    import { kindText, whyText } from './sentences';

    /** The ways to bring a club to another length, those that can be built first. */
    let {
        balance,
        lengthUnit,
        onkeep = undefined,
    }: { balance: LengthBalance; lengthUnit: string; onkeep?: (solution: LengthBalance['solutions'][number]) => void } = $props();
    const cut = (mm: number) =>
        Math.abs(mm) < 0.05 ? '–' : `${signed(-mm * factor(lengthUnit), lengthUnit === 'in' ? 2 : 0)} ${lengthUnit}`;
    const grams = (g: number) => (Math.abs(g) < 0.05 ? '–' : `${signed(g, 1)} g`);
</script>

<p>
    It balances at {balance.was.swingWeight} and weighs {plain(balance.was.totalG, 0)} g. Cut at the butt and nothing else done: {balance
        .free.swingWeight},
    {plain(balance.free.totalG, 0)} g.
</p>
<Scroll label="Ways to hold the balance">
    <table>
        <thead
            ><tr
                ><th>Way</th><th>Head</th><th>Under the butt</th><th>Grip <small>g</small></th><th>Tip cut</th><th>Butt cut</th><th
                    >Swing weight</th
                ><th>Total <small>g</small></th><th class="note"></th></tr
            ></thead
        >
        <tbody>
            {#each balance.solutions as s, i (i)}
                <tr class:cannot={s.why.length > 0}>
                    <td>{kindText(s.kind)}</td>
                    <td>{grams(s.headG)}</td>
                    <td>{grams(s.buttG)}</td>
                    <td>{plain(s.gripG, 0)}</td>
                    <td>{cut(s.tipCutMm)}</td>
                    <td>{cut(s.buttCutMm)}</td>
                    <td>{s.swingWeight}</td>
                    <td>{plain(s.totalG, 0)}</td>
                    <td class="note"
                        >{#if s.why.length}<small>{s.why.map(whyText).join('; ')}</small>{:else if onkeep}<button
                                class="plain"
                                onclick={() => onkeep(s)}>For the build page</button
                            >{/if}</td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
</Scroll>
<p class="small">
    What can be built comes first, with the least added mass on top. Cutting also changes how the shaft bends, which is not computed here: a
    shaft cut at the tip plays stiffer.
</p>

<style>
    .cannot td {
        color: var(--ink-2);
    }
    td {
        white-space: nowrap;
    }
    .note {
        text-align: left;
        white-space: normal;
        min-width: 130px;
    }
</style>
