<script lang="ts">
    import Frame from '../../parts/Frame.svelte';
    import Live from './Live.svelte';

    let { params }: { params: { id: string } } = $props();
</script>

<Frame id={params.id} step="bay">
    {#snippet children(fitting)}
        {#key fitting.id}<Live {fitting} />{/key}
    {/snippet}
</Frame>
