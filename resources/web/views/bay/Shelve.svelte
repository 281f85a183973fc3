<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { patch } from '../../api/client';
    import type { Setup } from '../../api/generated/types';

    // Parking and dropping keep the letter, the shots and the place on the trail; only the why is asked.
    let { setup, shelf = $bindable(), done }: { setup: Setup; shelf: string; done: () => void } = $props();
    let reason = $state('');
    const sending = new Form();
    async function save(event: SubmitEvent) {
        event.preventDefault();
        await sending.send(async () => {
            await patch(`setups/${setup.id}/shelf`, { shelf, reason });
            shelf = '';
            done();
        });
    }
    const focus = (node: HTMLElement) => node.focus();
</script>

<form onsubmit={save}>
    <label
        >Why is {setup.tag}
        {shelf}? <input maxlength="300" bind:value={reason} use:focus onkeydown={(e) => e.key === 'Escape' && (shelf = '')} /></label
    >
    <button class="quiet">{shelf === 'parked' ? 'Park' : 'Drop'} {setup.tag}</button>
    <button type="button" class="plain" onclick={() => (shelf = '')}>Leave it</button>
    {#if sending.problem}<p class="warn">{sending.problem}</p>{/if}
</form>

<style>
    form {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: end;
    }
    label {
        flex: 1 1 200px;
    }
</style>
