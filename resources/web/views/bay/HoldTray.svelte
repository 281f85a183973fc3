<script lang="ts">
    import { patch, say } from '../../api/client';
    import type { HeldShot } from '../../api/types';
    import Notice from '../../parts/Notice.svelte';
    import { MEASURES } from '../../units/units';

    let { held, onsettled }: { held: HeldShot[]; onsettled: () => void } = $props();
    const ASKED = ['ballSpeedMps', 'launchDeg', 'spinRpm'];
    let open = $state<number | null>(null);
    let values = $state<Record<string, { value: string; unit?: string }>>({});
    let problem = $state('');

    /** What came, as it can be put right: a bare number is in the unit its field names. */
    function begin(h: HeldShot) {
        const text = (v: unknown) =>
            v && typeof v === 'object'
                ? { value: String((v as { value?: unknown }).value ?? ''), unit: (v as { unit?: string }).unit }
                : { value: v === undefined || v === null ? '' : String(v) };
        values = Object.fromEntries([...new Set([...ASKED, ...Object.keys(h.values).filter((k) => MEASURES[k])])].map((k) => [k, text(h.values[k])]));
        problem = '';
        open = h.id;
    }
    async function settle(h: HeldShot, take: boolean) {
        problem = '';
        try {
            await patch(`held/${h.id}`, {
                values: take ? Object.fromEntries(Object.entries($state.snapshot(values)).filter(([, v]) => v.value.trim() !== '')) : null,
            });
            open = null;
            onsettled();
        } catch (e) {
            problem = say(e);
        }
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
        <b>{held.length} shot{held.length === 1 ? '' : 's'} held</b>
        <ul>
            {#each held.slice(0, 3) as h (h.id)}
                <li>
                    {h.reason}
                    {#if open === h.id}
                        <form onsubmit={(e) => (e.preventDefault(), settle(h, true))}>
                            {#each Object.entries(values) as [k, v] (k)}<label
                                    >{MEASURES[k]?.label} <small>{v.unit ?? kept(k)}</small><input inputmode="decimal" bind:value={v.value} /></label
                                >{/each}
                            <button>Take it</button>
                        </form>
                        {#if problem}<p class="warn">{problem}</p>{/if}
                    {:else}
                        <button class="plain" onclick={() => begin(h)}>Put right</button>
                    {/if}
                    <button class="plain" onclick={() => settle(h, false)}>Set aside</button>
                </li>
            {/each}
        </ul>
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
    label {
        display: grid;
        width: 108px;
        font-size: var(--small);
    }
</style>
