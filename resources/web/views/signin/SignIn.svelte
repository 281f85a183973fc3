<script lang="ts">
    import SignInForm from '../../parts/SignInForm.svelte';
    import { session } from '../../lib/session.svelte';
</script>

<main>
    <SignInForm entered={(now) => ([session.user, session.locked] = [now.user, now.locked])}>
        <svg viewBox="0 0 320 74" aria-hidden="true">
            <path class="far" d="M4 68C70 8 176 -14 262 68" />
            <path d="M4 68C84 22 214 6 312 68" />
            <line x1="0" x2="320" y1="69" y2="69" />
        </svg>
        <h1>mint<i>carry</i></h1>
        <p>Which head, sleeve position and weights — and how sure the shots make you.</p>
    </SignInForm>
</main>

<style>
    main {
        min-height: 100vh;
        display: grid;
        place-items: center;
        padding: 20px;
    }
    main > :global(form) {
        width: min(360px, 100%);
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
