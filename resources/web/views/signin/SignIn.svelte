<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { post } from '../../api/client';
    import type { SessionState } from '../../api/generated/types';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { session } from '../../lib/session.svelte';

    let email = $state('');
    let password = $state('');
    const sending = new Form();

    let code = $state('');
    let wantsCode = $state(false);

    async function enter(event: SubmitEvent) {
        event.preventDefault();
        await sending.send(async () => {
            const now = wantsCode
                ? await post<SessionState>('session/code', { code })
                : await post<SessionState>('session', { email, password });
            [session.user, session.locked, wantsCode] = [now.user, now.locked, now.wantsCode];
        });
        code = '';
    }
</script>

<main>
    <form onsubmit={enter}>
        <svg viewBox="0 0 320 74" aria-hidden="true">
            <path class="far" d="M4 68C70 8 176 -14 262 68" />
            <path d="M4 68C84 22 214 6 312 68" />
            <line x1="0" x2="320" y1="69" y2="69" />
        </svg>
        <h1>mint<i>carry</i></h1>
        <p>Which head, sleeve position and weights — and how sure the shots make you.</p>
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
</main>

<style>
    main {
        min-height: 100vh;
        display: grid;
        place-items: center;
        padding: 20px;
    }
    form {
        width: min(360px, 100%);
        display: grid;
        gap: 14px;
    }
    h1 {
        font-size: 34px;
    }
    i {
        font-style: normal;
        color: var(--mint);
    }
    p {
        color: var(--ink-2);
        margin-bottom: 8px;
    }
    path {
        fill: none;
        stroke: var(--mint);
        stroke-width: 2.5;
    }
    path.far {
        stroke: var(--amber);
        stroke-dasharray: 2 5;
    }
    line {
        stroke: var(--ink);
    }
</style>
