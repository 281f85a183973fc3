<script lang="ts">
    import { replace } from 'svelte-spa-router';
    import { post } from '../../api/client';
    import type { SessionState } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { session } from '../../lib/session.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';

    let { params }: { params: { token: string } } = $props();
    interface Link {
        kind: 'invitation' | 'reset' | 'screen';
        name: string;
        studio: string;
        email: string | null;
    }
    const looking = new Loader<Link>();
    const sending = new Form();
    let password = $state('');
    let again = $state('');
    $effect(() => void looking.load(() => post<Link>('welcome/look', { token: params.token })));

    async function enter(event: SubmitEvent) {
        event.preventDefault();
        if (looking.value?.kind !== 'screen' && password !== again) {
            sending.clear();
            sending.problems = { password: ['The two are not the same. Type the second again.'] };
            return;
        }
        await sending.send(async () => {
            const now = await post<SessionState>('welcome', {
                token: params.token,
                ...(looking.value?.kind === 'screen' ? {} : { password }),
            });
            // The link is used up: it must not stand in the address, nor in what "back" leads to.
            await replace('/');
            [session.user, session.locked] = [now.user, now.locked];
        });
    }
</script>

<main>
    {#if looking.problem}
        <h1>mint<i>carry</i></h1>
        <Notice kind="error">{looking.problem}</Notice>
        <p><a href="#/">To the sign-in</a></p>
    {:else if looking.value}
        {@const link = looking.value}
        <form onsubmit={enter}>
            <h1>{link.studio}</h1>
            {#if link.kind === 'screen'}
                <p>This makes the screen you are looking at the guest screen “{link.name}”. It shows one bay and changes nothing.</p>
                {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
                <button disabled={sending.busy}>Make this the guest screen</button>
            {:else}
                <p>
                    {link.kind === 'invitation' ? `Welcome, ${link.name}. Choose` : `${link.name}, choose`} a password: a few words that you will
                    remember, 12 letters or more.
                </p>
                <Field label="E-mail"><input type="email" autocomplete="username" readonly value={link.email} /></Field>
                <Field label="New password" error={sending.err('password')}
                    ><input type="password" autocomplete="new-password" required bind:value={password} /></Field
                >
                <Field label="The same again"><input type="password" autocomplete="new-password" required bind:value={again} /></Field>
                {#if sending.problem && !sending.err('password')}<Notice kind="error">{sending.problem}</Notice>{/if}
                <button disabled={sending.busy}>Sign in with it</button>
            {/if}
        </form>
    {/if}
</main>

<style>
    main {
        min-height: 100vh;
        display: grid;
        align-content: center;
        justify-content: center;
        gap: 14px;
        padding: 20px;
    }
    form {
        width: min(380px, 88vw);
        display: grid;
        gap: 14px;
    }
    i {
        font-style: normal;
        color: var(--mint);
    }
</style>
