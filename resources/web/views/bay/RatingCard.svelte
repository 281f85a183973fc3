<script lang="ts">
    // Asked before the numbers: what the player says is not to be said by the figures. One keystroke each.
    let { open, rate, skip }: { open: string[]; rate: (kind: string, stars: number) => void; skip: () => void } = $props();
    const kind = $derived(open[0] ?? '');
    const WORDS: Record<string, [string, string]> = {
        looks: ['wrong', 'right'],
        feel: ['dead', 'alive'],
        sound: ['bad', 'good'],
        confidence: ['none', 'full'],
    };
</script>

<section aria-label="Before the numbers">
    <p class="small">Before the numbers, what does the player say? {open.length} to go.</p>
    <h2>{kind}?</h2>
    <div class="stars">
        <span>{WORDS[kind]?.[0]}</span>
        {#each [1, 2, 3, 4, 5] as n (n)}<button class="quiet" onclick={() => rate(kind, n)} aria-label="{kind} {n}">{n}</button>{/each}
        <span>{WORDS[kind]?.[1]}</span>
    </div>
    <button class="plain" onclick={skip}>Skip for this setup <small>0</small></button>
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
    .stars {
        display: flex;
        gap: 12px;
        align-items: center;
        flex-wrap: wrap;
    }
    .stars button {
        font-size: 34px;
        width: 64px;
        height: 64px;
    }
    .stars span {
        color: var(--ink-2);
        min-width: 46px;
    }
    section > button {
        justify-self: start;
    }
</style>
