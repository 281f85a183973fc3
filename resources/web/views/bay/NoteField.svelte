<script lang="ts" module>
    /** A note while it is written: on what, what stood there when it was opened, and what is written so far. */
    export interface Noting {
        path: string;
        label: string;
        was: string | null;
        draft: string;
    }
</script>

<script lang="ts">
    import { ApiError, patch } from '../../api/client';
    import { Form } from '../../lib/form.svelte';
    import Notice from '../../parts/Notice.svelte';

    let { noting = $bindable(), kept }: { noting: Noting | null; kept: (path: string, note: string) => void } = $props();
    const sending = new Form();

    /** What is written stays here until it is on record; another screen's words are shown beside it before they are replaced. */
    async function keep(event: SubmitEvent) {
        event.preventDefault();
        if (!noting) return;
        const { path, draft, was } = noting;
        if (await sending.send(() => patch(path, { note: draft, was }))) {
            noting = null;
            kept(path, draft);
        } else if (sending.failure instanceof ApiError && sending.failure.status === 409) {
            const current = (sending.failure.body as { current?: string | null }).current ?? '';
            if (noting) noting.was = current;
            sending.problem = `Changed on another screen meanwhile: “${current}”. Keep puts yours in its place.`;
        }
    }
    const focus = (node: HTMLElement) => node.focus();
</script>

{#if noting}
    <form onsubmit={keep}>
        <label
            >{noting.label}
            <input maxlength="500" bind:value={noting.draft} use:focus onkeydown={(e) => e.key === 'Escape' && (noting = null)} /></label
        >
        <button class="plain">Keep</button>
        {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
    </form>
{/if}

<style>
    form {
        display: grid;
        grid-template-columns: 1fr auto;
        gap: 4px 8px;
        align-items: end;
    }
    label {
        display: grid;
        gap: 5px;
        font-size: var(--small);
    }
    form > :global(div) {
        grid-column: 1 / -1;
    }
</style>
