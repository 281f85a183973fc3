<script lang="ts">
    import type { BayView } from '../../api/types';
    import { confirmText } from './words';

    let { confirm, ready, onnext, onend }: { confirm: NonNullable<BayView['confirm']>; ready: boolean; onnext: () => void; onend: () => void } = $props();
    const done = $derived(confirm.leg === 0 || confirm.n >= confirm.shotsEach);
</script>

<section aria-label="Confirm run">
    <p><b>{confirmText(confirm)}</b></p>
    <div class="row">
        {#if done}
            <button disabled={!ready} onclick={onnext}
                >{confirm.next ? `Begin leg ${confirm.leg + 1}: ${confirm.next}` : 'What it says'} <small>=</small></button
            >
        {/if}
        <button class="plain" onclick={onend}>End the run</button>
    </div>
</section>

<style>
    section {
        display: grid;
        gap: 8px;
        border: 1.5px solid var(--ink);
        border-radius: 8px;
        padding: 8px 12px;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: center;
    }
</style>
