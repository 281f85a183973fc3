<script lang="ts">
    import { getJudged } from '../lib/judged.svelte';
    import type { Fitting, LoftLadder } from '../api/generated/types';
    import LoftRungs from '../charts/LoftRungs.svelte';
    import { ladderHead, ladderRows, ladderText } from '../format/ladder';
    import Asked from './Asked.svelte';
    import Picture from './Picture.svelte';

    /** “Your swing with 9, 10.5 and 12, soled and squared.” */
    let { fitting, open = false }: { fitting: Fitting; open?: boolean } = $props();
    let head = $state<string | null>(null);
    const units = $derived(fitting.player.units);
    const load = () =>
        getJudged<LoftLadder>(`fittings/${fitting.id}/loft-ladder${head === null ? '' : `?head=${encodeURIComponent(head)}`}`);
</script>

<Asked title="This swing in other lofts" {load} key={`${head} ${fitting.version}`} {open}>
    {#snippet children(ladder)}
        {#if ladder.heads.length > 1}<label class="small head"
                >Head
                <select aria-label="Head of the ladder" value={ladder.head} onchange={(e) => (head = e.currentTarget.value)}
                    >{#each ladder.heads as name (name)}<option>{name}</option>{/each}</select
                ></label
            >{/if}
        <p>{ladderText(ladder, units)}</p>
        <Picture
            title="{ladder.head}: this swing in each loft"
            name="loft-ladder"
            head={ladderHead(units)}
            rows={ladderRows(ladder, units)}
        >
            <LoftRungs {ladder} {units} />
        </Picture>
    {/snippet}
</Asked>

<style>
    .head {
        display: flex;
        gap: 8px;
        align-items: center;
    }
    .head select {
        /* A width in percent: a long name does not widen what stands around it. */
        width: 100%;
        max-width: 24rem;
        min-width: 0;
    }
</style>
