<script lang="ts">
    import { post, remove } from '../api/client';
    import type { SessionState } from '../api/generated/types';
    import { Form } from '../lib/form.svelte';
    import { session, signedOut } from '../lib/session.svelte';
    import Cover from './Cover.svelte';
    import Field from './Field.svelte';
    import Notice from './Notice.svelte';

    // Over a screen that was left alone. What is under it stays as it was.
    let password = $state('');
    const sending = new Form();

    async function open(event: SubmitEvent) {
        event.preventDefault();
        await sending.send(async () => {
            const now = await post<SessionState>('session/unlock', { password });
            [session.user, session.locked] = [now.user, now.locked];
            password = '';
        });
        if (sending.failure && (sending.failure as { status?: number }).status === 401) signedOut();
    }
    async function leave() {
        await remove('session');
        signedOut();
    }
</script>

<Cover title="locked">
    <form onsubmit={open}>
        <h1 id="locked">Locked</h1>
        <p>{session.user?.name}, this screen was left alone. What you typed is still under it.</p>
        <Field label="Password" error={sending.err('password')}
            ><input type="password" autocomplete="current-password" required bind:value={password} /></Field
        >
        {#if sending.problem && !sending.err('password')}<Notice kind="error">{sending.problem}</Notice>{/if}
        <div class="row">
            <button disabled={sending.busy}>Open</button>
            <button type="button" class="plain" onclick={leave}>Sign out instead</button>
        </div>
    </form>
</Cover>

<style>
    form {
        display: grid;
        gap: 14px;
    }
    .row {
        display: flex;
        gap: 14px;
        align-items: center;
    }
</style>
