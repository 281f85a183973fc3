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
    import { ApiError, patch, say } from '../../api/client';
    import Notice from '../../parts/Notice.svelte';

    let { noting = $bindable(), kept }: { noting: Noting | null; kept: () => void } = $props();
    let problem = $state('');

    /** What is written stays here until it is on record; another screen's words are shown beside it before they are replaced. */
    async function keep(event: SubmitEvent) {
        event.preventDefault();
        if (!noting) return;
        problem = '';
        try {
            await patch(noting.path, { note: noting.draft, was: noting.was });
            noting = null;
            kept();
        } catch (e) {
            const current = e instanceof ApiError && e.status === 409 ? ((e.body as { current?: string | null }).current ?? '') : null;
            if (current !== null && noting) noting.was = current;
            problem = current === null ? say(e) : `Changed on another screen meanwhile: “${current}”. Keep puts yours in its place.`;
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
        {#if problem}<Notice kind="error">{problem}</Notice>{/if}
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
