<script lang="ts">
    import type { Fitting, JudgedSetup, Judging } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import { findingText, rangeText, verdictText, withheldText } from './sentences';

    let { judging, judged, others, fitting }: { judging: Judging; judged: JudgedSetup[]; others: JudgedSetup[]; fitting: Fitting } =
        $props();
    const units = $derived(fitting.player.units);

    /** What is told beside the verdict on the declared measure: a sentence each. */
    const besides = (s: JudgedSetup): string[] => [
        ...s.verdicts
            .filter((x) => !x.declared && x.verdict !== 'open')
            .map((x) => {
                const name = x.name.charAt(0).toUpperCase() + x.name.slice(1);
                const told = x.verdict === 'better' ? name : x.verdict === 'same' ? `${name}: the same` : `Not ${x.name}`;
                return `${told} (${rangeText(x, units)}).`;
            }),
        ...s.verdicts
            .filter((x) => x.name === 'tighter' && x.verdict === 'open')
            .map((x) => `Spread: a few shots cannot tell (${rangeText(x, units)}).`),
        ...s.flips.map((f) => `With ${f.policy} it would be “${f.verdict}”.`),
    ];
</script>

<h2>What these shots say</h2>
<ul class="says">
    {#each others as s (s.tag)}<li>
            <Glyph tag={s.tag} r={8} />
            <span>
                <b
                    >{s.withheld
                        ? withheldText(s, judging.benchmark ?? '', fitting.player.hand, units)
                        : verdictText(s, judging.benchmark ?? '', units)}</b
                >
                {besides(s).join(' ')}
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

<style>
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
</style>
