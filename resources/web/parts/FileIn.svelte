<script lang="ts" generics="Seen">
    import type { Snippet } from 'svelte';
    import { call, say } from '../api/client';
    import Notice from './Notice.svelte';

    /** A file is looked at first; nothing is stored before it is confirmed. */
    let {
        label,
        accept,
        path,
        look,
        done,
    }: { label: string; accept: string; path: string; look: Snippet<[Seen, string, () => void]>; done: (answer: Seen) => string } =
        $props();
    let file = $state<File | null>(null);
    let seen = $state<Seen | null>(null);
    let problem = $state('');
    let note = $state('');
    let busy = $state(false);

    async function send(keep: boolean) {
        busy = true;
        problem = note = '';
        const body = new FormData();
        body.append('file', file!);
        body.append('keep', keep ? '1' : '0');
        try {
            const answer = await call<Seen>('POST', path, body);
            if (keep) {
                note = done(answer);
                seen = null;
                file = null;
            } else seen = answer;
        } catch (e) {
            problem = say(e);
            seen = null;
        }
        busy = false;
    }
    function choose(event: Event & { currentTarget: HTMLInputElement }) {
        file = event.currentTarget.files?.[0] ?? null;
        event.currentTarget.value = '';
        if (file) void send(false);
    }
</script>

<label class="drop"><span>{label}</span><input type="file" {accept} disabled={busy} onchange={choose} /></label>
{#if seen}<Notice>{@render look(seen, file?.name ?? '', () => void send(true))}</Notice>{/if}
{#if problem}<Notice kind="error">{problem}</Notice>{/if}
{#if note}<Notice kind="good">{note}</Notice>{/if}

<style>
    .drop {
        display: grid;
        gap: 8px;
        border: 1.5px dashed var(--ink-2);
        border-radius: 10px;
        padding: 16px;
    }
    input {
        max-width: 100%;
    }
</style>
