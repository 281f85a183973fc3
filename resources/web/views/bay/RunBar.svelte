<script lang="ts">
    import type { Snippet } from 'svelte';

    /** What goes on in the bay besides a plain trial: where it stands, what can be done, and more where there is more. */
    let { label, head, actions, children }: { label: string; head: Snippet; actions: Snippet; children?: Snippet } = $props();
</script>

<section aria-label={label}>
    <p>{@render head()}</p>
    <div class="row">{@render actions()}</div>
    {@render children?.()}
</section>

<style>
    section {
        display: grid;
        gap: 8px;
        border: 1.5px solid var(--ink);
        border-radius: 8px;
        padding: 8px 12px;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: center;
    }
</style>
