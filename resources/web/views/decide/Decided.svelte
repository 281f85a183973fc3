<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { post } from '../../api/client';
    import type { Decision } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { when } from '../../format/times';
    import { versionText } from './sentences';

    let { decisions, onchange, onlook }: { decisions: Decision[]; onchange: () => Promise<void>; onlook: (d: Decision) => Promise<void> } =
        $props();
    let why = $state('');
    const sending = new Form();
    const latest = $derived(decisions[0]!);
    const locked = $derived(latest.lockedAt !== null && latest.reopenedAt === null);

    async function send(path: string, body: Record<string, unknown>) {
        await sending.send(async () => {
            await post(path, body);
            why = '';
            await onchange();
        });
    }
</script>

<h2>Decided</h2>
<ul>
    {#each decisions as d (d.id)}
        <li>
            <Glyph tag={d.tag} r={10} />
            <span
                ><b>{versionText(d)}</b>, {when(d.at)}, {d.by}{d.setupId === d.advisedSetupId
                    ? ''
                    : `, otherwise than advised (${d.advice.pick})`}. {d.reason}{d.reopenWhy ? ` Reopened: ${d.reopenWhy}` : ''}
                {#if d.lockedAt}<button class="plain" onclick={() => onlook(d)}>What version {d.version} rested on</button>{/if}</span
            >
        </li>
    {/each}
</ul>
{#if locked}
    <form
        onsubmit={(e) => {
            e.preventDefault();
            void send(`decisions/${latest.id}/reopen`, { why });
        }}
    >
        <label>Reopen, because <input bind:value={why} maxlength="300" /></label>
        <button class="quiet" disabled={sending.busy}>Reopen</button>
        <span class="small">Version {latest.version} stays as it was locked.</span>
    </form>
{:else if latest.lockedAt === null}
    <p>
        <button disabled={sending.busy} onclick={() => send(`decisions/${latest.id}/lock`, {})}>Lock the decision for {latest.tag}</button>
        <span class="small">Keeps it with all it rests on. Reopening makes a new version.</span>
    </p>
{/if}
{#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}

<style>
    ul {
        list-style: none;
        padding: 0;
        margin: 0;
        display: grid;
        gap: 6px;
    }
    li {
        display: flex;
        gap: 8px;
        align-items: center;
    }
    form {
        display: flex;
        gap: 10px;
        align-items: center;
        flex-wrap: wrap;
    }
    form input {
        width: 26em;
        max-width: 100%;
    }
</style>
