<script lang="ts">
    import type { Snippet } from 'svelte';
    import { post } from '../api/client';
    import type { SessionState } from '../api/generated/types';
    import { Form } from '../lib/form.svelte';
    import Field from './Field.svelte';
    import Notice from './Notice.svelte';

    /** E-mail and password, then the code where one is wanted. */
    let { entered, children }: { entered: (now: SessionState) => void; children?: Snippet } = $props();
    let email = $state('');
    let password = $state('');
    let code = $state('');
    let wantsCode = $state(false);
    const sending = new Form();

    async function enter(event: SubmitEvent) {
        event.preventDefault();
        await sending.send(async () => {
            const now = wantsCode
                ? await post<SessionState>('session/code', { code })
                : await post<SessionState>('session', { email, password });
            wantsCode = now.wantsCode;
            if (now.user) entered(now);
        });
        code = '';
    }
</script>

<form onsubmit={enter}>
    {@render children?.()}
    {#if wantsCode}
        <Field label="Code of your authenticator, or a recovery code"
            ><input autocomplete="one-time-code" required maxlength="40" bind:value={code} /></Field
        >
    {:else}
        <Field label="E-mail"><input type="email" autocomplete="username" required bind:value={email} /></Field>
        <Field label="Password"><input type="password" autocomplete="current-password" required bind:value={password} /></Field>
    {/if}
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
    <button disabled={sending.busy}>Sign in</button>
    {#if wantsCode}<button type="button" class="plain" onclick={() => ((wantsCode = false), sending.clear())}>Begin again</button>{/if}
</form>

<style>
    form {
        display: grid;
        gap: 14px;
    }
</style>
