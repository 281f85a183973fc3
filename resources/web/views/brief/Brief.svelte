<script lang="ts">
    import Frame from '../../parts/Frame.svelte';
    import BriefForm from './BriefForm.svelte';

    let { params }: { params: { id: string } } = $props();
</script>

<Frame id={params.id} step="brief" isBare>
    {#snippet children(fitting)}
        {#key fitting.id}<BriefForm {fitting} />{/key}
    {/snippet}
</Frame>
