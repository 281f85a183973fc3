<script lang="ts">
    import type { Snippet } from 'svelte';
    let { label, hint = '', error = '', children }: { label: string; hint?: string; error?: string; children: Snippet } = $props();

    const id = $props.id();
    let field: HTMLElement;
    // The error stands beside the field: it describes it, and is no part of its name.
    $effect(() => {
        const control = field.querySelector('input, select, textarea');
        if (error) control?.setAttribute('aria-describedby', id);
        else control?.removeAttribute('aria-describedby');
        control?.setAttribute('aria-invalid', String(error !== ''));
    });
</script>

<div class="field" class:bad={error !== ''} bind:this={field}>
    <label>
        <span
            >{label}{#if hint}<small class="hint">{hint}</small>{/if}</span
        >
        {@render children()}
    </label>
    {#if error}<em {id} role="alert">{error}</em>{/if}
</div>

<style>
    .field,
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
