<script lang="ts">
    import type { PlayerRecord } from '../../api/generated/types';
    import { moment, when } from '../../format/times';
    import { session } from '../../lib/session.svelte';

    // What was and what comes, the newest first, along one line; what is still to come is an open dot.
    let { record }: { record: PlayerRecord } = $props();
    const SHOWN = 12;
    const isDesk = $derived(session.user?.role === 'desk');
    let all = $state(false);
    const shown = $derived(all ? record.story : record.story.slice(0, SHOWN));
    type Event = PlayerRecord['story'][number];
    const page = (s: Event) =>
        s.kind === 'appointment' && s.fittingId === null
            ? `#/calendar/${s.at.slice(0, 10)}`
            : s.kind === 'order'
              ? '#/orders'
              : s.kind === 'round' && !isDesk
                ? `#/fitting/${s.fittingId}/follow-up`
                : s.fittingId
                  ? `#/fitting/${s.fittingId}/${isDesk ? 'sheet' : 'answer'}`
                  : null;
    const isAhead = (s: Event) => s.kind === 'appointment' && Date.parse(s.at) > Date.now();
</script>

<section aria-label="Story">
    {#if record.story.length === 0}<p>Nothing yet.</p>{/if}
    <ol>
        {#each shown as s (`${s.kind} ${s.at} ${s.words}`)}
            {@const to = page(s)}
            <li class={s.kind} class:ahead={isAhead(s)}>
                <span class="small">{s.kind === 'appointment' ? moment(s.at) : when(s.at)}</span>
                {#if to}<a href={to}>{s.words}</a>{:else}<span>{s.words}</span>{/if}
            </li>
        {/each}
    </ol>
    {#if record.story.length > SHOWN && !all}<button class="plain" onclick={() => (all = true)}>All {record.story.length}</button>{/if}
</section>

<style>
    ol {
        list-style: none;
        margin: 0;
        padding: 0;
    }
    li {
        position: relative;
        display: grid;
        grid-template-columns: 150px minmax(0, 1fr);
        gap: 2px 40px;
        padding: 5px 0;
    }
    li::before,
    li::after {
        content: '';
        position: absolute;
        left: 168px;
    }
    li::before {
        top: 0;
        bottom: 0;
        width: 2px;
        background: var(--hair);
    }
    li::after {
        top: 10px;
        width: 10px;
        height: 10px;
        margin-left: -6px;
        border: 2px solid var(--mint);
        border-radius: 50%;
        background: var(--mint);
    }
    .ahead::after {
        background: var(--paper);
    }
    .fitting {
        font-weight: 620;
    }
    .small {
        text-align: right;
        font-weight: 400;
    }
    @media (max-width: 500px) {
        li {
            grid-template-columns: minmax(0, 1fr);
            padding-left: 24px;
        }
        li::before,
        li::after {
            left: 7px;
        }
        .small {
            text-align: left;
        }
    }
</style>
