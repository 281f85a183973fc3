<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { ApiError, post } from '../../api/client';
    import type { HeadDetail } from '../../api/generated/types';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import { when } from '../../format/times';
    import { plain } from '../../format/units';
    import { checkText, QUANTITIES, stated } from './sentences';

    let { head, onsaved }: { head: HeadDetail; onsaved: (head: HeadDetail) => void } = $props();
    const blank = () => Object.fromEntries(QUANTITIES.map(([q]) => [q, ['', '', '']])) as Record<string, string[]>;
    let values = $state(blank());
    // svelte-ignore state_referenced_locally
    let position = $state(head.plane.home);
    let readAs = $state('soled');
    let way = $state('hand');
    let source = $state('measured');
    const sending = new Form();
    let canKeep = $state(false);

    /** One press: the next empty field of each value that the device reads. */
    async function press(device: 'gauge' | 'balance') {
        await sending.send(async () => {
            const { values: read, source: from } = await post<{ values: Record<string, number>; source: string }>(
                `heads/${head.id}/read/${device}`,
                {
                    position,
                    readAs,
                },
            );
            for (const [q, value] of Object.entries(read)) {
                const i = values[q]?.findIndex((v) => v.trim() === '') ?? -1;
                if (i >= 0) values[q]![i] = String(value);
            }
            way = device;
            // One made-up value makes the set made up.
            if (from === 'simulated') source = from;
            sending.note = `The ${from === 'simulated' ? 'stand-in ' : ''}${device} read ${Object.entries(read)
                .map(([q, v]) => `${QUANTITIES.find(([k]) => k === q)?.[1].toLowerCase() ?? q} ${plain(v, 1)}`)
                .join(', ')}.`;
        });
    }
    async function check(device: 'gauge' | 'balance', zero: boolean) {
        await sending.send(async () => {
            if (zero) await post(`devices/${device}/zero`, {});
            const { off } = await post<{ off: Record<string, number> }>(`devices/${device}/check`, {});
            sending.note = checkText(device, off);
        });
    }
    async function save(event: Event, confirm = false) {
        event.preventDefault();
        await sending.send(async () => {
            const body = { values: $state.snapshot(values), position, readAs, way, source, confirm };
            onsaved(await post<HeadDetail>(`heads/${head.id}/readings`, body));
            values = blank();
            source = 'measured';
            way = 'hand';
            sending.note = 'Saved; in force from now on.';
        });
        const { failure } = sending;
        canKeep = failure instanceof ApiError && Array.isArray((failure.body as { doubtful?: unknown } | null)?.doubtful);
    }
</script>

<section>
    <table>
        <thead><tr><th>Value</th><th>Stated</th><th>In force</th><th>Spread</th></tr></thead>
        <tbody>
            {#each QUANTITIES as [q, label, unit, digits] (q)}
                {@const m = head.measured[q]}
                {@const s = stated(head, q)}
                <tr>
                    <td>{label} <small>{unit}</small></td>
                    <td>{s === null ? '–' : plain(s, digits)}</td>
                    <td
                        >{#if m}<b class:warn={q === 'loftDeg' && head.loftOffWarn}>{plain(m.value, digits)}</b><small
                                >{m.n}× at {m.position || 'the fixed hosel'}, {m.readAs}</small
                            >{#if m.source === 'simulated'}<Simulated />{/if}{:else}<small>not read: the stated value is used</small
                            >{/if}</td
                    >
                    <td>{m && m.n > 1 ? plain(m.spread, digits) : '–'}</td>
                </tr>
            {/each}
        </tbody>
    </table>
    <form onsubmit={save}>
        <h3>New readings</h3>
        <div class="how">
            <Field label="Sleeve at"
                ><select bind:value={position}
                    >{#each head.positions as p (p)}<option value={p}>{p || 'fixed'}</option>{/each}</select
                ></Field
            >
            <Field label="Head held"
                ><select bind:value={readAs}><option value="soled">on its sole</option><option value="squared">face square</option></select
                ></Field
            >
        </div>
        <div class="cells">
            {#each QUANTITIES as [q, label, unit] (q)}
                <span>{label} <small>{unit}</small></span>
                {#each [0, 1, 2] as i (i)}<input
                        inputmode="decimal"
                        autocomplete="off"
                        aria-label="{label}, reading {i + 1}"
                        bind:value={values[q]![i]}
                    />{/each}
            {/each}
        </div>
        <div class="row">
            <button type="button" class="quiet" disabled={sending.busy} onclick={() => press('gauge')}>Read the gauge</button>
            <button type="button" class="quiet" disabled={sending.busy} onclick={() => press('balance')}>Weigh</button>
            <button disabled={sending.busy}>Save readings</button>
        </div>
        <div class="row small">
            <button type="button" class="plain" disabled={sending.busy} onclick={() => check('gauge', false)}>Gauge on check piece</button>
            <button type="button" class="plain" disabled={sending.busy} onclick={() => check('gauge', true)}>Zero gauge</button>
            <button type="button" class="plain" disabled={sending.busy} onclick={() => check('balance', false)}
                >Balance on check piece</button
            >
            <button type="button" class="plain" disabled={sending.busy} onclick={() => check('balance', true)}>Zero balance</button>
        </div>
        <p class="small" role="status">{sending.note}</p>
        {#if sending.problem}<Notice kind="error"
                >{sending.problem}{#if canKeep}&nbsp;<button type="button" class="plain" onclick={(e) => save(e, true)}
                        >Keep it as it is</button
                    >{/if}</Notice
            >{/if}
    </form>
    {#if head.history.length}
        <details>
            <summary>{head.history.length} set{head.history.length === 1 ? '' : 's'} of readings</summary>
            <ul>
                {#each head.history as h (h.id)}
                    <li class:old={h.inForce.length === 0}>
                        {when(h.at)}, {h.by}, by {h.source === 'simulated' ? `a stand-in ${h.way}` : h.way} at {h.position ||
                            'the fixed hosel'}, {h.readAs}:
                        {Object.entries(h.values)
                            .map(
                                ([q, v]) =>
                                    `${QUANTITIES.find(([k]) => k === q)?.[1].toLowerCase()} ${v.map((n) => plain(n, 1)).join(' / ')}`,
                            )
                            .join('; ')}{h.inForce.length ? '' : ' (no longer in force)'}
                    </li>
                {/each}
            </ul>
        </details>
    {/if}
</section>

<style>
    section,
    form {
        display: grid;
        gap: 10px;
    }
    td small {
        display: block;
    }
    td:first-child small,
    span small {
        display: inline;
    }
    .how {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 10px;
    }
    .cells {
        display: grid;
        grid-template-columns: 1.3fr 1fr 1fr 1fr;
        gap: 5px 8px;
        align-items: center;
    }
    .cells input {
        text-align: right;
        padding: 3px 8px;
    }
    .row {
        display: flex;
        gap: 8px;
        flex-wrap: wrap;
    }
    .old {
        color: var(--ink-2);
    }
    ul {
        padding-left: 18px;
        font-size: var(--small);
    }
</style>
