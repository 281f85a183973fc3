<script lang="ts">
    /** Says that something was made up and not measured: by a word, never by colour alone. */
    let { what = 'simulated' }: { what?: string } = $props();
</script>

<mark>{what}</mark>

<style>
    mark {
        background: none;
        border: 1px dashed var(--amber);
        border-radius: 4px;
        padding: 0 4px;
        color: var(--amber);
        font-size: var(--small);
        font-weight: 600;
        white-space: nowrap;
        line-height: 1.35;
        justify-self: start;
    }
</style>
