<script lang="ts">
    import { keysOf } from './keys';
    let { simulates, close }: { simulates: boolean; close: () => void } = $props();
</script>

<section class="help" aria-label="Keys">
    <h2>Keys</h2>
    <dl>
        {#each keysOf(simulates) as [key, what] (key)}<dt><kbd>{key}</kbd></dt>
            <dd>{what}</dd>{/each}
    </dl>
    <button class="quiet" onclick={close}>Close <small>?</small></button>
</section>

<style>
    .help {
        position: fixed;
        inset: 60px auto auto 50%;
        transform: translateX(-50%);
        width: min(640px, 94vw);
        max-height: 84vh;
        overflow-y: auto;
        background: var(--sheet);
        border: 1.5px solid var(--ink);
        border-radius: 8px;
        padding: 14px 20px;
        z-index: 5;
    }
    dl {
        display: grid;
        grid-template-columns: 110px 1fr;
        gap: 4px 12px;
        margin: 8px 0 12px;
    }
    dd {
        margin: 0;
    }
</style>
