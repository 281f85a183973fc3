<script lang="ts">
    import type { Fitting, TieBreak } from '../../api/generated/types';
    import { criterionText, tieText } from './sentences';

    let { tie, fitting, onorder }: { tie: TieBreak; fitting: Fitting; onorder: (order: string[]) => void } = $props();
    function up(i: number) {
        const order = [...tie.order];
        [order[i - 1], order[i]] = [order[i]!, order[i - 1]!];
        onorder(order);
    }
</script>

<section aria-label="What breaks the tie">
    <h2>What breaks the tie</h2>
    <p>{tieText(tie)}</p>
    <ol>
        {#each tie.order as criterion, i (criterion)}
            {@const step = tie.steps.find((s) => s.criterion === criterion)}
            <li>
                <span><b>{criterion}</b> {criterionText(criterion, step, tie, fitting)}</span>
                {#if i > 0}<button class="plain" aria-label="{criterion} before {tie.order[i - 1]}" onclick={() => up(i)}>↑</button>{/if}
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
        margin: 0;
        padding-left: 20px;
        display: grid;
        gap: 2px;
    }
    li > span {
        margin-right: 6px;
    }
</style>
