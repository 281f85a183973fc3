<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { clock, moment } from '../../format/times';
    import { get, post } from '../../api/client';
    import type { LogEntry } from '../../api/generated/types';

    let { fittingId, stamp, onchange }: { fittingId: number; stamp: number | undefined; onchange: () => void } = $props();
    const reading = new Loader<LogEntry[]>();
    const entries = $derived(reading.value ?? []);
    let open = $state(false);
    const sending = new Form();

    const load = () => reading.load(() => get<LogEntry[]>(`fittings/${fittingId}/log`));
    $effect(() => {
        void stamp;
        if (open) void load();
    });
    async function back(entry: LogEntry) {
        await sending.send(async () => {
            await post(`log/${entry.id}/undo`, {});
            onchange();
        });
        await load();
    }
</script>

<details bind:open>
    <summary>Log of this fitting</summary>
    {#if sending.problem || reading.problem}<p class="warn">{sending.problem || reading.problem}</p>{/if}
    <ol>
        {#each entries as e (e.id)}
            <li class:undone={e.undone}>
                <span class="small"><time datetime={e.at} title={moment(e.at)}>{clock(e.at)}</time> {e.by}</span>
                <span>{e.words}{e.undone ? ' (taken back)' : ''}</span>
                {#if e.undoable}<button class="plain" onclick={() => back(e)}
                        >Take back<span class="visually-hidden"> {e.words}</span></button
                    >{/if}
            </li>
        {:else}<li class="small">Nothing yet.</li>{/each}
    </ol>
</details>

<style>
    ol {
        list-style: none;
        margin: 6px 0 0;
        padding: 0;
        max-height: 260px;
        overflow-y: auto;
    }
    li {
        display: grid;
        grid-template-columns: 150px minmax(0, 1fr) auto;
        gap: 8px;
        border-top: 1px solid var(--hair);
        padding: 2px 0;
        align-items: baseline;
    }
    .undone {
        color: var(--ink-2);
    }
</style>
