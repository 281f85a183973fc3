<script lang="ts">
    import type { SessionState, SignedIn } from '../api/generated/types';
    import { session, signedOut } from '../lib/session.svelte';
    import SignInForm from './SignInForm.svelte';

    /** Over a screen whose sign-in ran out, or ended in another tab. What is under it stays as it was, and is done afterwards. */
    let { user, end }: { user: SignedIn; end: (is: boolean) => void } = $props();
    let box: HTMLDialogElement;
    $effect(() => {
        if (!box.open) box.showModal();
    });
    function entered(now: SessionState) {
        // Nothing of one person's screen is done in another's name.
        if (now.user?.id !== user.id) return location.reload();
        [session.user, session.locked] = [now.user, now.locked];
        end(true);
    }
    function leave() {
        end(false);
        signedOut();
    }
</script>

<dialog bind:this={box} oncancel={(e) => e.preventDefault()} aria-labelledby="again">
    <SignInForm {entered}>
        <h1 id="again">Signed out</h1>
        <p>{user.name}, nothing that you typed is lost. It goes on where it was.</p>
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
