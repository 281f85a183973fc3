<script lang="ts">
    import { get, post, remove } from '../../api/client';
    import type { Bay } from '../../api/generated/types';
    import { when } from '../../format/times';
    import { plain } from '../../format/units';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';

    // What is connected: the monitors of the bays by their tokens, and the gauge and the balance.
    const reading = new Loader<Bay[]>();
    const load = () => void reading.load(() => get<Bay[]>('bays'));
    $effect(load);
    const acting = new Form();
    let token = $state<{ bay: string; id: number; token: string } | null>(null);
    let name = $state('');
    const act = async (what: () => Promise<unknown>) => {
        if (await acting.send(what)) load();
    };
    interface Check {
        off: Record<string, number>;
        source: string;
    }
    let checks = $state<Record<string, string>>({});
    const UNITS: Record<string, string> = { massG: 'g', loftDeg: '°', lieDeg: '°', faceOpenDeg: '°' };
    const WORDS: Record<string, string> = { massG: 'mass', loftDeg: 'loft', lieDeg: 'lie', faceOpenDeg: 'face' };
    async function check(device: string) {
        checks[device] = 'asking …';
        try {
            const answer = await post<Check>(`devices/${device}/check`, {});
            const off = Object.entries(answer.off).map(
                ([k, v]) => `${WORDS[k] ?? k} ${v < 0 ? '−' : '+'}${plain(Math.abs(v), 2)} ${UNITS[k] ?? ''}`,
            );
            checks[device] =
                `on its check piece: ${off.join(', ') || 'no reading'}${answer.source === 'simulated' ? ' (a stand-in: simulated)' : ''}`;
        } catch (error) {
            checks[device] = error instanceof Error ? error.message : 'It did not answer.';
        }
    }
</script>

{#if acting.problem}<Notice kind="error">{acting.problem}</Notice>{/if}
{#if token}<Notice kind="good"
        >Token of {token.bay}, shown once: <code>{token.token}</code> for <code>POST /api/bays/{token.id}/shots</code>. The one before
        stopped working.</Notice
    >{/if}
<section aria-label="Monitors">
    <h2>Monitors</h2>
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    {#if reading.value}
        <Scroll label="Bays"
            ><table>
                <thead><tr><th>Bay</th><th class="words">Now</th><th class="words">Its monitor’s token</th><th></th></tr></thead>
                <tbody
                    >{#each reading.value as b (b.id)}<tr
                            ><td><b>{b.name}</b></td><td class="words"
                                >{#if b.fittingId}<a href="#/fitting/{b.fittingId}/bay">a fitting is in it</a>{:else}empty{/if}</td
                            ><td class="words">{b.tokenMadeAt ? `made ${when(b.tokenMadeAt)}` : 'none: no monitor can post here'}</td><td
                                class="actions"
                                ><button
                                    class="plain"
                                    onclick={() =>
                                        act(
                                            async () =>
                                                (token = {
                                                    bay: b.name,
                                                    id: b.id,
                                                    token: (await post<{ token: string }>(`bays/${b.id}/token`, {})).token,
                                                }),
                                        )}>{b.tokenMadeAt ? 'New token' : 'Make a token'}</button
                                >{#if b.tokenMadeAt}<button class="plain" onclick={() => act(() => remove(`bays/${b.id}/token`))}
                                        >Revoke</button
                                    >{/if}</td
                            ></tr
                        >{/each}</tbody
                >
            </table></Scroll
        >
        <form
            onsubmit={(e) => {
                e.preventDefault();
                void act(async () => (await post('bays', { name }), (name = '')));
            }}
        >
            <label>A new bay <input required maxlength="40" bind:value={name} /></label> <button class="quiet">Add</button>
        </form>
    {:else if !reading.problem}<Outline what="Opening …" blocks={['table']} />{/if}
</section>
<section aria-label="Gauge and balance">
    <h2>Gauge and balance</h2>
    {#each ['gauge', 'balance'] as device (device)}
        <p>
            <b>{device === 'gauge' ? 'Loft and lie gauge' : 'Balance'}</b>
            <button class="quiet" onclick={() => check(device)}>Read the check piece</button>
            <span role="status">{checks[device] ?? ''}</span>
        </p>
    {/each}
    <p class="small">Their addresses stand in the server’s settings, and belong to one studio (docs/devices.md).</p>
</section>

<style>
    section {
        display: grid;
        gap: 10px;
    }
    form {
        display: flex;
        gap: 10px;
        align-items: end;
    }
    .words,
    .actions {
        text-align: left;
    }
    .actions button {
        margin-right: 10px;
    }
    code {
        overflow-wrap: anywhere;
    }
</style>
