<script lang="ts">
    import { get, post, remove } from '../../api/client';
    import type { PlayerLink } from '../../api/generated/types';
    import { when } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import QrCode from '../../parts/QrCode.svelte';

    // Private links for a player: what they want before they come, their report, their rounds. Shown again as long as they are good.
    let {
        playerId,
        fittingId = null,
        kinds = ['intake'],
    }: { playerId: number; fittingId?: number | null; kinds?: PlayerLink['kind'][] } = $props();
    const NAMES = { intake: 'What they want, before they come', report: 'Their report', rounds: 'Their three rounds' };
    const ASK = { intake: 'A link to ask before they come', report: 'A link to their report', rounds: 'A link to tell of their rounds' };
    const reading = new Loader<PlayerLink[]>();
    const acting = new Form();
    let shown = $state<number | null>(null);
    let copied = $state<number | null>(null);
    const load = () => void reading.load(() => get<PlayerLink[]>(`players/${playerId}/links`));
    $effect(load);
    const mine = $derived(
        (reading.value ?? []).filter(
            (l) => kinds.includes(l.kind) && (l.kind === 'intake' || fittingId === null || l.fittingId === fittingId),
        ),
    );
    const address = (l: PlayerLink) => `${location.origin}${l.path}`;
    const make = (kind: PlayerLink['kind']) =>
        acting.send(async () => {
            const made = await post<PlayerLink>(`players/${playerId}/links`, { kind, ...(kind === 'intake' ? {} : { fittingId }) });
            shown = made.id;
            load();
        });
    const end = (l: PlayerLink) =>
        acting.send(async () => {
            await remove(`players/${playerId}/links/${l.id}`);
            load();
        });
    async function copy(l: PlayerLink) {
        await navigator.clipboard?.writeText(address(l));
        copied = l.id;
    }
    const told = (l: PlayerLink) =>
        l.usedAt && l.kind === 'intake'
            ? `answered ${when(l.usedAt)}`
            : !l.isGood
              ? 'ended'
              : l.openedAt
                ? `opened ${when(l.openedAt)}`
                : 'not opened yet';
</script>

<section aria-label="Private links">
    {#each mine as l (l.id)}
        <div class="link" class:over={!l.isGood}>
            <p>
                <b>{NAMES[l.kind]}</b>: {told(l)}. <small>By {l.by}, {when(l.at)}; {l.isGood ? `good until ${when(l.until)}` : ''}</small>
            </p>
            {#if l.isGood}
                <p class="acts">
                    {#if l.path}
                        <button type="button" class="quiet" onclick={() => copy(l)}>{copied === l.id ? 'Copied' : 'Copy'}</button>
                        <button type="button" class="quiet" onclick={() => (shown = shown === l.id ? null : l.id)}
                            >{shown === l.id ? 'Hide' : 'Show'}</button
                        >
                    {:else}This address cannot be shown again, because the key that encrypted it is gone.{/if}
                    <button type="button" class="plain" onclick={() => end(l)}>End it</button>
                </p>
                {#if l.path && shown === l.id}<code>{address(l)}</code><QrCode text={address(l)} label="The link as a square code" />{/if}
            {/if}
        </div>
    {/each}
    {#if acting.problem}<Notice kind="error">{acting.problem}</Notice>{/if}
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    <p class="acts">
        {#each kinds.filter((k) => k === 'intake' || fittingId !== null) as kind (kind)}<button
                type="button"
                class="quiet"
                disabled={acting.busy}
                onclick={() => make(kind)}>{ASK[kind]}</button
            >{/each}
    </p>
</section>

<style>
    section,
    .link {
        display: grid;
        gap: 8px;
    }
    .link {
        padding: 10px 12px;
        border-left: 4px solid var(--mint);
        background: var(--mint-wash);
        border-radius: 6px;
    }
    .over {
        border-color: var(--hair);
        background: none;
        padding-block: 0;
    }
    .acts {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
    }
    code {
        overflow-wrap: anywhere;
        font-size: var(--small);
    }
</style>
