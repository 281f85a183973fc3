<script lang="ts">
    import type { SessionState, SignedIn } from '../api/generated/types';
    import { session, signedOut } from '../lib/session.svelte';
    import Cover from './Cover.svelte';
    import SignInForm from './SignInForm.svelte';

    /** Over a screen whose sign-in ran out, or ended in another tab. What is under it stays as it was, and is done afterwards. */
    let { user, end }: { user: SignedIn; end: (is: boolean) => void } = $props();
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

<Cover title="again">
    <SignInForm {entered}>
        <h1 id="again">Signed out</h1>
        <p>{user.name}, nothing that you typed is lost. It goes on where it was.</p>
    </SignInForm>
    <button type="button" class="plain" onclick={leave}>Leave this screen</button>
</Cover>
