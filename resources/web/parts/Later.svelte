<script lang="ts">
    import type { Snippet } from 'svelte';

    /** What is drawn once the screen can be used: pictures and tables that nobody reads first. */
    let { children }: { children: Snippet } = $props();
    let isShown = $state(false);
    $effect(() => {
        let timer: ReturnType<typeof setTimeout>;
        const frame = requestAnimationFrame(() => (timer = setTimeout(() => (isShown = true))));
        return () => {
            cancelAnimationFrame(frame);
            clearTimeout(timer);
        };
    });
</script>

{#if isShown}{@render children()}{/if}
