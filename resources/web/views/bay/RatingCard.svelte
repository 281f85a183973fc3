<script lang="ts">
    import KeyCap from './KeyCap.svelte';

    // After the last shot of a trial: what the player says of what was in the hand. One keystroke; the rest behind one more.
    let {
        open,
        more,
        rate,
        skip,
        askMore,
    }: { open: string[]; more: boolean; rate: (kind: string, stars: number) => void; skip: () => void; askMore: () => void } = $props();
    const kind = $derived(open[0] ?? '');
    const WORDS: Record<string, [string, string]> = {
        looks: ['wrong', 'right'],
        feel: ['dead', 'alive'],
        sound: ['bad', 'good'],
        confidence: ['none', 'full'],
    };
</script>

<section aria-label="What the player says">
    <p class="small">What does the player say?{open.length > 1 ? ` ${open.length} to go.` : ''}</p>
    <h2>{kind}?</h2>
    <div class="stars">
        <span>{WORDS[kind]?.[0]}</span>
        {#each [1, 2, 3, 4, 5] as n (n)}<button class="quiet" onclick={() => rate(kind, n)} aria-label="{kind} {n}">{n}</button>{/each}
        <span>{WORDS[kind]?.[1]}</span>
    </div>
    <p class="row">
        <button class="plain" onclick={skip}>Skip for this setup <KeyCap name="0" /></button>
        {#if more}<button class="plain" onclick={askMore}>Ask for looks, feel and sound too <KeyCap name="6" /></button>{/if}
    </p>
</section>

<style>
    section {
        display: grid;
        gap: 12px;
        border: 1.5px solid var(--mint);
        border-radius: 8px;
        padding: 18px 22px;
    }
    h2 {
        font-size: 56px;
        line-height: 1;
    }
    .stars,
    .row {
        display: flex;
        gap: 8px;
        align-items: center;
        flex-wrap: wrap;
    }
    .stars button {
        font-size: 32px;
        width: 58px;
        height: 58px;
        padding: 0;
    }
    .stars span {
        color: var(--ink-2);
        min-width: 38px;
    }
</style>
