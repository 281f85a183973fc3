<script lang="ts">
    import type { Snippet } from 'svelte';

    /** Over a screen that nobody may see or touch meanwhile; what is under it stays as it was. `title` is the id of its heading. */
    let { title, children }: { title: string; children: Snippet } = $props();
    let box: HTMLDialogElement;
    $effect(() => {
        if (!box.open) box.showModal();
    });
</script>

<dialog bind:this={box} oncancel={(e) => e.preventDefault()} aria-labelledby={title}>{@render children()}</dialog>

<style>
    dialog {
        border: 0;
        border-radius: 12px;
        padding: 26px;
        width: min(400px, 92vw);
        background: var(--sheet);
        color: var(--ink);
    }
    dialog::backdrop {
        background: var(--paper);
    }
</style>
