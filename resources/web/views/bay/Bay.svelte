<script lang="ts">
    import Frame from '../../parts/Frame.svelte';
    import Live from './Live.svelte';

    /** @prop params.tag the setup that is to be in the hand next */
    let { params }: { params: { id: string; tag?: string } } = $props();
</script>

<Frame id={params.id} step="bay">
    {#snippet children(fitting)}
        {#key `${fitting.id} ${params.tag ?? ''}`}<Live {fitting} wanted={params.tag} />{/key}
    {/snippet}
</Frame>
