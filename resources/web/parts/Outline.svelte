<script lang="ts">
    // The outline of a screen while it is on its way: at once, after half a second with what is being worked out, from then on with the seconds.
    let { what, blocks = [] }: { what: string; blocks?: ('lines' | 'picture' | 'table')[] } = $props();
    let slow = $state(false);
    let seconds = $state(0);
    $effect(() => {
        const wait = setTimeout(() => (slow = true), 500);
        const count = setInterval(() => (seconds += 1), 1000);
        return () => (clearTimeout(wait), clearInterval(count));
    });
</script>

<div class="outline" aria-busy="true">
    <p class="small" role="status">
        {slow ? what : ''}{#if seconds > 1}<span aria-hidden="true">&nbsp;{seconds} s</span>{/if}
    </p>
    {#each blocks as block, i (i)}<div class={block}></div>{/each}
</div>

<style>
    .outline {
        display: flex;
        flex-wrap: wrap;
        gap: 16px 28px;
        align-items: flex-start;
    }
    .outline div {
        border: 1.5px solid var(--hair);
        border-radius: 8px;
        flex: 1 1 400px;
    }
    .lines {
        height: 120px;
    }
    .picture {
        height: 320px;
    }
    .table {
        height: 240px;
        flex-basis: 100%;
    }
    p {
        flex-basis: 100%;
        min-height: 1.5em;
    }
</style>
