<script lang="ts">
    import { get, post } from '../../api/client';
    import type { KnownPlayer, LogEntry, PlayerRecord } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';

    // Two records of one person become this one; it can be taken back.
    let { record, joined }: { record: PlayerRecord; joined: (now: PlayerRecord) => void } = $props();
    const form = new Form({ name: '' });
    let found = $state<KnownPlayer[]>([]);
    let done = $state<LogEntry | null>(null);
    $effect(() => {
        const q = form.values.name.trim();
        if (q.length < 2) return void (found = []);
        const wait = setTimeout(
            () => void get<KnownPlayer[]>(`players?q=${encodeURIComponent(q)}`).then((p) => (found = p.filter((k) => k.id !== record.id))),
            250,
        );
        return () => clearTimeout(wait);
    });
    const join = (other: KnownPlayer) =>
        form.send(async () => {
            joined(await post<PlayerRecord>(`players/${record.id}/join`, { otherId: other.id }));
            form.values.name = '';
            done = (await get<LogEntry[]>('studio-log'))[0] ?? null;
        });
    const undo = () =>
        form.send(async () => {
            await post(`studio-log/${done!.id}/undo`, {});
            done = null;
            joined(await get<PlayerRecord>(`players/${record.id}`));
        });
</script>

<details>
    <summary>Another record is the same person</summary>
    <Field label="Name of the other record" error={form.err('otherId')}><input maxlength="80" bind:value={form.values.name} /></Field>
    {#each found as one (one.id)}<p>
            {one.name}, {one.hand}-handed, {one.fittings.length} fittings
            <button class="quiet" disabled={form.busy} onclick={() => join(one)}>Join it into {record.name}</button>
        </p>{/each}
    {#if form.problem && !form.err('otherId')}<Notice kind="error">{form.problem}</Notice>{/if}
    {#if done}<p role="status">Done: {done.words}. <button class="plain" onclick={undo}>Undo</button></p>{/if}
</details>

<style>
    details {
        display: grid;
        gap: 8px;
    }
</style>
