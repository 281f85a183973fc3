<script lang="ts">
    import type { Snippet } from 'svelte';
    let { kind = 'note', children }: { kind?: 'note' | 'error' | 'good'; children: Snippet } = $props();
</script>

<div class={kind} role={kind === 'error' ? 'alert' : 'status'}>{@render children()}</div>

<style>
    div {
        border-radius: 8px;
        padding: 9px 13px;
        background: var(--amber-wash);
        border-left: 4px solid var(--amber);
    }
    .error {
        background: var(--brick-wash);
        border-color: var(--brick);
    }
    .good {
        background: var(--mint-wash);
        border-color: var(--mint);
    }
</style>
