<script lang="ts">
    import type { Fitting, JudgedSetup, Judging } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import { findingText, nextText, rangeText, verdictText } from './sentences';

    let { judging, judged, others, fitting }: { judging: Judging; judged: JudgedSetup[]; others: JudgedSetup[]; fitting: Fitting } =
        $props();
    const units = $derived(fitting.player.units);
</script>

<h2>What the shots say</h2>
<ul class="says">
    {#each others as s (s.tag)}<li>
            <Glyph tag={s.tag} r={8} />
            <span>
                <b>{verdictText(s, judging.benchmark ?? '', units)}</b>
                {#each s.verdicts.filter((x) => !x.declared && x.verdict !== 'open') as x (x.name)}
                    {x.verdict === 'better' ? x.name : x.verdict === 'same' ? `${x.name}: the same` : `not ${x.name}`} ({rangeText(
                        x,
                        units,
                    )}).
                {/each}
                {#each s.verdicts.filter((x) => x.name === 'tighter' && x.verdict === 'open') as x (x.name)}
                    Spread: a few shots cannot tell ({rangeText(x, units)}).
                {/each}
                {#each s.flips as f (f.policy)}With {f.policy} it would be “{f.verdict}”.
                {/each}
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
{#if judging.next}<p class="next"><b>Next.</b> {nextText(judging.next, units)}</p>{/if}

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
    .next {
        border-left: 3px solid var(--mint);
        padding-left: 10px;
    }
</style>
