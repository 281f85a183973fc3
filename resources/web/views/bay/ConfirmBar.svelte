<script lang="ts">
    import type { BayView } from '../../api/generated/types';
    import KeyCap from './KeyCap.svelte';
    import RunBar from './RunBar.svelte';
    import { confirmText } from './sentences';

    let {
        confirm,
        done,
        ready,
        onnext,
        onend,
    }: { confirm: NonNullable<BayView['confirm']>; done: boolean; ready: boolean; onnext: () => void; onend: () => void } = $props();
</script>

<RunBar label="Confirm run">
    {#snippet head()}<b>{confirmText(confirm)}</b>{/snippet}
    {#snippet actions()}
        {#if done}
            <button disabled={!ready} onclick={onnext}
                >{confirm.next ? `Begin leg ${confirm.leg + 1}: ${confirm.next}` : 'What it says'} <KeyCap name="Enter" /></button
            >
        {/if}
        <button class="plain" onclick={onend}>End the run</button>
    {/snippet}
</RunBar>
