<script lang="ts">
    import type { Snippet } from 'svelte';

    let {
        label,
        height = '',
        framed = false,
        children,
    }: { label: string; height?: '' | 'low' | 'high'; framed?: boolean; children: Snippet } = $props();
</script>

<!-- A part that scrolls can be reached and scrolled by keyboard. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroll {height}" class:framed role="region" aria-label={label} tabindex="0">{@render children()}</div>

<style>
    .scroll {
        overflow: auto;
        position: relative;
        max-width: 100%;
    }
    .low {
        max-height: 300px;
    }
    .high {
        max-height: 420px;
    }
    .framed {
        background: var(--sheet);
        border: 1px solid var(--hair);
        border-radius: 8px;
    }
</style>
