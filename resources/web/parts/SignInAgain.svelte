<script lang="ts">
    import { session, signedOut } from '../lib/session.svelte';
    import SignInForm from './SignInForm.svelte';

    /** Over a screen whose sign-in ran out, or ended in another tab. What is under it stays as it was, and is done afterwards. */
    let { email, end }: { email: string; end: (is: boolean) => void } = $props();
    let box: HTMLDialogElement;
    $effect(() => {
        if (!box.open) box.showModal();
    });
    function leave() {
        end(false);
        signedOut();
    }
</script>

<dialog bind:this={box} oncancel={(e) => e.preventDefault()} aria-labelledby="again">
    <SignInForm
        {email}
        entered={(now) => {
            [session.user, session.locked] = [now.user, now.locked];
            end(true);
        }}
    >
        <h1 id="again">Signed out</h1>
        <p>{email}: nothing that you typed is lost. It goes on where it was.</p>
    </SignInForm>
    <button type="button" class="plain" onclick={leave}>Leave this screen</button>
</dialog>

<style>
    dialog {
        border: 0;
        border-radius: 12px;
        padding: 26px;
        width: min(400px, 92vw);
        background: var(--sheet);
        color: var(--ink);
    }
    dialog::backdrop {
        background: var(--paper);
    }
</style>
