<script lang="ts">
    import Notice from './Notice.svelte';

    /** Why a setup that brings more of what must never come shall be the benchmark all the same. */
    let { message, give, leave }: { message: string; give: (reason: string) => void; leave: () => void } = $props();
    let reason = $state('');
    const focus = (node: HTMLElement) => node.focus();
</script>

<form
    onsubmit={(event) => {
        event.preventDefault();
        give(reason);
    }}
>
    <Notice kind="error">{message}</Notice>
    <label>Why all the same? <input maxlength="300" required bind:value={reason} use:focus /></label>
    <button>Make it the benchmark</button>
    <button type="button" class="plain" onclick={leave}>Leave it</button>
</form>

<style>
    form {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: end;
    }
    form > :global(div) {
        flex-basis: 100%;
    }
    label {
        display: grid;
        gap: 5px;
        flex: 1 1 220px;
    }
</style>
