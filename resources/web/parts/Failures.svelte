<script lang="ts">
    import type { Failure } from '../api/generated/types';
    import Notice from './Notice.svelte';

    // What could not be worked out, and is therefore missing here. Our fault, with what to quote.
    let { failures = [] }: { failures?: Failure[] } = $props();
</script>

{#each failures as failure, i (i)}<Notice kind="error">{failure.line}</Notice>{/each}
