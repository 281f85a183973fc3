<script lang="ts" generics="T">
    import type { Snippet } from 'svelte';
    import { judgedTurn } from '../lib/judged.svelte';
    import { Loader } from '../lib/load.svelte';
    import Notice from './Notice.svelte';

    /** A question that is worked out once somebody opens it, and anew where what it hangs on changes. */
    let {
        title,
        load,
        key = '',
        open = $bindable(false),
        children,
    }: { title: string; load: () => Promise<T>; key?: unknown; open?: boolean; children: Snippet<[T, () => void]> } = $props();
    const reading = new Loader<T>();
    const again = () => void reading.load(load);

    $effect(() => {
        void key;
        void judgedTurn();
        if (!open) return;
        // What stands open from the first waits until the screen does.
        const timer = setTimeout(again);
        return () => clearTimeout(timer);
    });
</script>

<details bind:open>
    <summary><h2>{title}</h2></summary>
    <div class="inside">
        {#if reading.problem}<Notice>{reading.problem}</Notice>{/if}
        {#if reading.value && !reading.problem}{@render children(reading.value, again)}
        {:else if !reading.problem}<p class="small" role="status">Working it out …</p>{/if}
    </div>
</details>

<style>
    details {
        border-top: 1px solid var(--hair);
        padding-top: 8px;
        min-width: 0;
    }
    summary {
        cursor: pointer;
        min-height: 26px;
    }
    summary h2 {
        display: inline;
    }
    .inside {
        display: grid;
        gap: 10px;
        padding: 8px 0 6px;
        min-width: 0;
    }
    .inside :global(section),
    .inside > :global(p) {
        max-width: 860px;
    }
</style>
