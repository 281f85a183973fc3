<script lang="ts">
    import type { Snippet } from 'svelte';
    let { label, hint = '', error = '', children }: { label: string; hint?: string; error?: string; children: Snippet } = $props();
</script>

<label class:bad={error !== ''}>
    <span
        >{label}{#if hint}<small class="hint">{hint}</small>{/if}</span
    >
    {@render children()}
    {#if error}<em role="alert">{error}</em>{/if}
</label>

<style>
    label {
        display: grid;
        gap: 3px;
        align-content: start;
        min-width: 0;
    }
    span {
        font-size: var(--small);
        font-weight: 550;
    }
    .hint {
        font-weight: 400;
        margin-left: 5px;
    }
    em {
        font-style: normal;
        font-size: var(--small);
        color: var(--brick);
    }
</style>
