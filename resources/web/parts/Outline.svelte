<script lang="ts">
    // The outline of a screen while it is on its way: at once, and after half a second with what is being worked out.
    let { what, blocks = [] }: { what: string; blocks?: ('lines' | 'picture' | 'table')[] } = $props();
    let slow = $state(false);
    $effect(() => {
        const wait = setTimeout(() => (slow = true), 500);
        return () => clearTimeout(wait);
    });
</script>

<div class="outline" aria-busy="true">
    <p class="small" role="status">{slow ? what : ''}</p>
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
