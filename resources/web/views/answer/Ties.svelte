<script lang="ts">
    import type { Fitting, TieBreak } from '../../api/generated/types';
    import { criterionText, tieText } from './choice';
    import { say } from './words';

    let { tie, fitting, onorder }: { tie: TieBreak; fitting: Fitting; onorder: (order: string[]) => void } = $props();
    const raised = (i: number) => tie.order.with(i - 1, tie.order[i]!).with(i, tie.order[i - 1]!);
</script>

<section aria-label={say('answer.tie')}>
    <h2>{say('answer.tie')}</h2>
    <p>{tieText(tie)}</p>
    <ol>
        {#each tie.order as one, i (one)}
            <li>
                <b>{one}</b>
                {criterionText(
                    one,
                    tie.steps.find((s) => s.criterion === one),
                    tie,
                    fitting,
                )}
                {#if i > 0}<button
                        class="plain"
                        aria-label={say('answer.tie.before', { one, other: tie.order[i - 1]! })}
                        onclick={() => onorder(raised(i))}>↑</button
                    >{/if}
            </li>
        {/each}
    </ol>
</section>

<style>
    section {
        display: grid;
        gap: 6px;
        align-content: start;
    }
    ol {
        padding-left: 20px;
    }
</style>
