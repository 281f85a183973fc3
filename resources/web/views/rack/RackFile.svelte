<script lang="ts">
    import { call, say } from '../../api/client';
    import Notice from '../../parts/Notice.svelte';

    let { onchange }: { onchange: () => void } = $props();
    let file = $state<File | null>(null);
    let seen = $state<{ added: string[]; there: string[] } | null>(null);
    let problem = $state('');
    let note = $state('');

    async function send(keep: boolean) {
        problem = note = '';
        const body = new FormData();
        body.append('file', file!);
        body.append('keep', keep ? '1' : '0');
        try {
            const done = await call<{ added: string[]; there: string[] }>('POST', 'rack/import', body);
            if (keep) {
                note = `${done.added.length} added to the rack.`;
                seen = null;
                file = null;
                onchange();
            } else seen = done;
        } catch (e) {
            problem = say(e);
            seen = null;
        }
    }
    function choose(event: Event & { currentTarget: HTMLInputElement }) {
        file = event.currentTarget.files?.[0] ?? null;
        event.currentTarget.value = '';
        if (file) void send(false);
    }
</script>

<div class="two">
    <section>
        <h2>Take the rack along</h2>
        <p>
            <a href="/api/rack.json" download>Rack as JSON</a>: everything, with readings, slots and weights. <a href="/api/rack.csv" download>Rack as CSV</a>:
            what fits into a table.
        </p>
        <p class="small">The JSON follows the published schema in docs/schemas/rack.schema.json.</p>
    </section>
    <section>
        <h2>Bring one in</h2>
        <label class="drop"><span>Choose a rack file, JSON or CSV</span><input type="file" accept=".json,.csv,.txt" onchange={choose} /></label>
        <p class="small">What is already on the rack stays as it is; only what is new is added.</p>
        {#if seen}
            <Notice>
                {file?.name}: {seen.added.length} new{seen.added.length ? ` (${seen.added.slice(0, 6).join(', ')}${seen.added.length > 6 ? ' …' : ''})` : ''}, {seen
                    .there.length} already here.
                {#if seen.added.length}<button class="plain" onclick={() => send(true)}>Add {seen.added.length} to the rack</button>{/if}
            </Notice>
        {/if}
        {#if problem}<Notice kind="error">{problem}</Notice>{/if}
        {#if note}<Notice kind="good">{note}</Notice>{/if}
    </section>
</div>

<style>
    .two {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
        gap: 30px;
    }
    section {
        display: grid;
        gap: 10px;
        align-content: start;
    }
    .drop {
        display: grid;
        gap: 8px;
        border: 1.5px dashed var(--ink-2);
        border-radius: 10px;
        padding: 16px;
    }
</style>
