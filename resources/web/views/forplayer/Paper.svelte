<script lang="ts">
    import type { Snippet } from 'svelte';

    // What a player fills in with a thumb: large fields, chips to press, one thing under another.
    let { onsubmit, children }: { onsubmit: (event: SubmitEvent) => void; children: Snippet } = $props();
</script>

<form {onsubmit} novalidate>{@render children()}</form>

<style>
    form {
        display: grid;
        gap: 14px;
    }
    form :global(.lead) {
        color: var(--ink-2);
    }
    form :global(h2) {
        margin-top: 14px;
        padding-top: 10px;
        border-top: 1px solid var(--hair);
        font-size: var(--lead);
    }
    form :global(input:not([type='checkbox'], [type='radio'])),
    form :global(select),
    form > :global(button) {
        min-height: 46px;
        font-size: 16px;
    }
    form :global(textarea) {
        font-size: 16px;
    }
    form :global(fieldset) {
        border: 0;
        padding: 0;
        margin: 0;
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
    }
    form :global(legend) {
        font-size: var(--small);
        font-weight: 550;
        padding: 0 0 4px;
    }
    form :global(.chip) {
        display: flex;
        align-items: center;
        gap: 6px;
        min-height: 44px;
        padding: 4px 14px 4px 10px;
        border: 1px solid var(--hair);
        border-radius: 22px;
        background: var(--sheet);
    }
    form :global(.on) {
        background: var(--mint-wash);
        border-color: var(--mint);
    }
    form :global(.problem) {
        color: var(--brick);
        font-weight: 560;
    }
</style>
