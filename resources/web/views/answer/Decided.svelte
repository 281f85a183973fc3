<script lang="ts">
    import { post } from '../../api/client';
    import type { Decision } from '../../api/generated/types';
    import { when } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { versionText } from './choice';
    import { say } from './words';

    let { decisions, onchange, onlook }: { decisions: Decision[]; onchange: () => Promise<void>; onlook: (d: Decision) => void } = $props();
    let why = $state('');
    const sending = new Form();
    const latest = $derived(decisions[0]!);
    const locked = $derived(latest.lockedAt !== null && latest.reopenedAt === null);
    const aside = (d: Decision) =>
        [
            `, ${when(d.at)}, ${d.by}`,
            d.setupId === d.advisedSetupId ? '' : `, ${say('answer.decided.other', { pick: d.advice.pick })}`,
            `. ${d.reason}`,
            d.reopenWhy ? ` ${say('answer.decided.reopened', { why: d.reopenWhy })}` : '',
        ].join('');
    const send = (path: string, body: Record<string, unknown>) =>
        sending.send(async () => {
            await post(path, body);
            why = '';
            await onchange();
        });
</script>

<section aria-label={say('answer.decided')}>
    <h2>{say('answer.decided')}</h2>
    <ul>
        {#each decisions as d (d.id)}
            <li>
                <Glyph tag={d.tag} r={10} />
                <span
                    ><b>{versionText(d)}</b>{aside(d)}
                    {#if d.lockedAt}<button class="plain" onclick={() => onlook(d)}
                            >{say('answer.decided.look', { version: d.version })}</button
                        >{/if}</span
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
            <label>{say('answer.decided.reopen')} <input bind:value={why} maxlength="300" /></label>
            <button class="quiet" disabled={sending.busy}>{say('answer.decided.doReopen')}</button>
            <span class="small">{say('answer.decided.stays', { version: latest.version })}</span>
        </form>
    {:else if latest.lockedAt === null}
        <p>
            <button class="quiet" disabled={sending.busy} onclick={() => send(`decisions/${latest.id}/lock`, {})}
                >{say('answer.decided.lock', { tag: latest.tag })}</button
            >
        </p>
    {/if}
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
</section>

<style>
    section,
    ul {
        list-style: none;
        padding: 0;
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
        align-items: end;
        flex-wrap: wrap;
    }
</style>
