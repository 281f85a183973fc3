<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { get, patch, remove } from '../../api/client';
    import type { HeldDetail, HeldShot } from '../../api/generated/types';
    import Notice from '../../parts/Notice.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import { MEASURES } from '../../format/units';

    let { held, inAll, onsettled }: { held: HeldShot[]; inAll: number; onsettled: () => void } = $props();
    const ASKED = ['ballSpeedMps', 'launchDeg', 'spinRpm'];
    const SHOWN = 3;
    let open = $state<HeldDetail | null>(null);
    let values = $state<Record<string, { value: string; unit?: string }>>({});
    const sending = new Form();
    const reading = new Loader<HeldDetail>();
    let all = $state(false);

    /** One of them whole, as it was sent; its values as they can be put right: a bare number is in the unit its field names. */
    async function look(h: HeldShot) {
        const detail = await reading.load(() => get<HeldDetail>(`held/${h.id}`));
        sending.problem = reading.problem;
        if (!detail) return;
        open = detail;
        const sent = detail.values;
        const text = (v: unknown) =>
            v && typeof v === 'object'
                ? { value: String((v as { value?: unknown }).value ?? ''), unit: (v as { unit?: string }).unit }
                : { value: v === undefined || v === null ? '' : String(v) };
        values = Object.fromEntries(
            [...new Set([...ASKED, ...Object.keys(sent).filter((k) => MEASURES[k])])].map((k) => [k, text(sent[k])]),
        );
    }
    async function settle(h: HeldShot, take: boolean) {
        await sending.send(async () => {
            if (take)
                await patch(`held/${h.id}`, {
                    values: Object.fromEntries(Object.entries($state.snapshot(values)).filter(([, v]) => v.value.trim() !== '')),
                });
            else await remove(`held/${h.id}`);
            open = null;
        });
        onsettled(); // another screen may have been first
    }
    const kept = (field: string) =>
        field.endsWith('Mps')
            ? 'm/s'
            : field.endsWith('Mm')
              ? 'mm'
              : field.endsWith('M')
                ? 'm'
                : field.endsWith('Deg')
                  ? '°'
                  : field.endsWith('Rpm')
                    ? 'rpm'
                    : '';
</script>

{#if held.length}
    <Notice>
        <b>{inAll} shot{inAll === 1 ? '' : 's'} held</b>
        <ul>
            {#each all ? held : held.slice(0, SHOWN) as h (h.id)}
                <li>
                    {h.reason}
                    {#if h.source === 'simulated'}<Simulated />{/if}
                    {#if open?.id === h.id}
                        <form onsubmit={(e) => (e.preventDefault(), settle(h, true))}>
                            {#each Object.entries(values) as [k, v] (k)}<label
                                    >{MEASURES[k]?.label} <small>{v.unit ?? kept(k)}</small><input
                                        inputmode="decimal"
                                        bind:value={v.value}
                                    /></label
                                >{/each}
                            <button>Take it</button>
                            <button type="button" class="plain" onclick={() => settle(h, false)}>Discard</button>
                        </form>
                        <details>
                            <summary class="small">As it was sent{open.hitAt ? `, hit ${open.hitAt}` : ''}</summary>
                            <code>{open.sent.slice(0, 2000)}{open.sent.length > 2000 ? ' …' : ''}</code>
                        </details>
                    {:else}
                        <button class="plain" onclick={() => look(h)}>Look</button>
                        <button class="plain" onclick={() => settle(h, false)}>Discard</button>
                    {/if}
                </li>
            {/each}
        </ul>
        {#if sending.problem}<p class="warn">{sending.problem}</p>{/if}
        {#if held.length > SHOWN}<button class="plain" onclick={() => (all = !all)}>{all ? `The first ${SHOWN}` : `All ${inAll}`}</button
            >{/if}
        {#if all && inAll > held.length}<span class="small">The first {held.length} are shown; settle some to see the others.</span>{/if}
    </Notice>
{/if}

<style>
    ul {
        margin: 0;
        padding-left: 18px;
    }
    form {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: end;
    }
    code {
        display: block;
        overflow-wrap: anywhere;
        font-size: var(--small);
        max-height: 160px;
        overflow-y: auto;
    }
    label {
        display: grid;
        width: 108px;
        font-size: var(--small);
    }
</style>
