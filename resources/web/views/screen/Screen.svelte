<script lang="ts">
    import { get } from '../../api/client';
    import type { Fitting } from '../../api/generated/types';
    import { session } from '../../lib/session.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Onlook from './Onlook.svelte';

    // A guest screen: one bay, read only, for whoever stands there. It finds out by itself who is in the bay.
    let bay = $state('');
    let fitting = $state<Fitting | null>(null);
    let lost = $state(false);

    async function look() {
        try {
            const now = await get<{ bay: string; fitting: Fitting | null }>('screen');
            [bay, fitting, lost] = [now.bay, now.fitting, false];
        } catch (error) {
            lost = true;
            if ((error as { status?: number }).status === 401) session.user = null;
        }
    }
    $effect(() => {
        void look();
        const timer = setInterval(look, 4000);
        return () => clearInterval(timer);
    });
</script>

<main>
    {#if lost}<Notice kind="error">No connection to the studio’s server. This screen catches up when it is back.</Notice>{/if}
    {#if fitting}
        {#key fitting.id}<Onlook {fitting} {bay} again={look} />{/key}
    {:else if bay}
        <div class="empty">
            <h1>{bay}</h1>
            <p>Nobody is in this bay now. The next fitting shows here by itself.</p>
        </div>
    {/if}
</main>

<style>
    main {
        min-height: 100vh;
        padding: 18px 26px;
        display: grid;
    }
    .empty {
        display: grid;
        gap: 14px;
        place-content: center;
        text-align: center;
    }
    .empty h1 {
        font-size: clamp(40px, 8vw, 110px);
    }
    .empty p {
        font-size: clamp(18px, 2.4vw, 34px);
        color: var(--ink-2);
    }
</style>
