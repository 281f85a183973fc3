<script lang="ts" module>
    export const PARTS = ['figures', 'why', 'rack', 'choice', 'lofts'] as const;
</script>

<script lang="ts">
    import { say } from './words';

    /** What lies behind the answer, a part at a time, each with an address. */
    let { id, part = null }: { id: number; part?: string | null } = $props();
    const ORDER = ['figures', 'shots', 'why', 'rack', 'choice', 'lofts'];
</script>

<nav aria-label={say('answer.more')} class="no-print">
    {#if part === null}<b>{say('answer.more')}</b>{:else}<a href="#/fitting/{id}/answer">{say('answer.back')}</a>{/if}
    {#each ORDER as one (one)}<a href="#/fitting/{id}/answer/{one}" aria-current={part === one ? 'page' : undefined}
            >{say(`answer.part.${one}`)}</a
        >{/each}
</nav>

<style>
    nav {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 26px;
        align-items: center;
        border-top: 1px solid var(--hair);
        padding: 8px 20px;
        background: var(--paper);
    }
    a {
        padding: 2px 0;
    }
    [aria-current] {
        color: var(--ink);
        font-weight: 650;
        text-decoration: none;
        border-bottom: 3px solid var(--mint);
    }
</style>
