<script lang="ts" module>
    /** So many are listed at most. */
    export const ROOM = 300;
</script>

<script lang="ts">
    import { patch } from '../api/client';
    import type { Fitting, Shot } from '../api/generated/types';
    import { LEFT_OUT_REASONS } from '../api/generated/vocabulary';
    import { Form } from '../lib/form.svelte';
    import { figure, MEASURES, unitOf } from '../format/units';
    import Glyph from './Glyph.svelte';
    import Notice from './Notice.svelte';
    import Scroll from './Scroll.svelte';
    import Simulated from './Simulated.svelte';

    let {
        fitting,
        shots = $bindable(),
        onchange,
        only = null,
        room = ROOM,
    }: { fitting: Fitting; shots: Shot[]; onchange: () => void; only?: string[] | null; room?: number } = $props();
    const COLUMNS = [
        'carryM',
        'totalM',
        'sideM',
        'ballSpeedMps',
        'launchDeg',
        'spinRpm',
        'apexM',
        'descentDeg',
        'clubSpeedMps',
        'strikeToeMm',
    ];
    const sending = new Form();
    let asking = $state<number | null>(null);
    /** of which shot the remarks are open */
    let told = $state<number | null>(null);
    const units = $derived(fitting.player.units);
    const tagOf = $derived(new Map(fitting.setups.map((s) => [s.id, s.tag])));
    const rows = $derived(shots.filter((s) => !only || only.includes(tagOf.get(s.setupId) ?? '')));
    /** Also those that were not sent to this screen. */
    const all = $derived(fitting.setups.filter((s) => !only || only.includes(s.tag)).reduce((n, s) => n + s.shots, 0));
    const columns = $derived(COLUMNS.filter((c) => rows.some((s) => s.measured[c] !== undefined || s.computed[c] !== undefined)));

    const set = (shot: Shot, reason: string | null) => change(shot, { leftOut: reason === null ? null : { reason } });
    const otherTrials = (shot: Shot) => fitting.trials.filter((t) => t.id !== shot.trialId).reverse();
    async function change(shot: Shot, what: Record<string, unknown>) {
        await sending.send(async () => {
            const fresh = await patch<Shot>(`shots/${shot.id}`, what);
            shots = shots.map((s) => (s.id === fresh.id ? fresh : s));
            asking = null;
            onchange();
        });
    }
</script>

{#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
<Scroll label="The shots" height="high" framed>
    <table>
        <thead>
            <tr
                ><th>Shot</th><th>Setup</th>{#each columns as c (c)}<th>{MEASURES[c]!.label} <small>{unitOf(c, units)}</small></th
                    >{/each}<th>Counts</th></tr
            >
        </thead>
        <tbody>
            {#each rows.slice(-room).reverse() as shot (shot.id)}
                <tr class:out={shot.leftOut}>
                    <td>{shot.sequence}</td>
                    <td><Glyph tag={tagOf.get(shot.setupId) ?? '?'} r={8} open={!!shot.leftOut} /></td>
                    {#each columns as c (c)}
                        <td
                            class="value"
                            class:computed={shot.computed[c] !== undefined}
                            title={shot.inWind[c] === undefined ? undefined : `${figure(c, shot.inWind[c], units)} measured in the wind`}
                            >{figure(c, shot.measured[c] ?? shot.computed[c], units)}</td
                        >
                    {/each}
                    <td class="act">
                        {#if shot.source === 'simulated'}<Simulated />{/if}
                        {#if shot.leftOut}
                            <span>{shot.leftOut.reason}</span>
                            <button class="plain" onclick={() => set(shot, null)}
                                >Bring back<span class="visually-hidden"> shot {shot.sequence}</span></button
                            >
                        {:else if asking === shot.id}
                            <select
                                aria-label="Why is shot {shot.sequence} left out?"
                                onchange={(e) => e.currentTarget.value && set(shot, e.currentTarget.value)}
                            >
                                <option value="">why?</option>
                                {#each LEFT_OUT_REASONS as r (r)}<option>{r}</option>{/each}
                            </select>
                        {:else}
                            {#if shot.flags.length}<button
                                    class="flag"
                                    aria-expanded={told === shot.id}
                                    title={shot.flags.join('; ')}
                                    onclick={() => (told = told === shot.id ? null : shot.id)}
                                    >look<span class="visually-hidden"> at shot {shot.sequence}: {shot.flags.join('; ')}</span></button
                                >{/if}
                            <button class="plain" onclick={() => (asking = shot.id)}
                                >Leave out<span class="visually-hidden"> shot {shot.sequence}</span></button
                            >
                        {/if}
                    </td>
                </tr>
                {#if told === shot.id}<tr class="told"
                        ><td colspan={columns.length + 3}
                            >{shot.flags.join(' ')}
                            {#if otherTrials(shot).length}<select
                                    aria-label="Shot {shot.sequence} was hit in another trial"
                                    value=""
                                    onchange={(e) => e.currentTarget.value && change(shot, { trialId: Number(e.currentTarget.value) })}
                                    ><option value="">It was hit in …</option>{#each otherTrials(shot) as t (t.id)}<option value={t.id}
                                            >{t.kind === 'warm-up' ? 'warm-up, ' : ''}trial {t.number} with {t.tag}</option
                                        >{/each}</select
                                >{/if}</td
                        ></tr
                    >{/if}
            {/each}
        </tbody>
    </table>
</Scroll>
<p class="small">
    Slanted figures were computed by the flight model, not measured.{#if all > Math.min(room, rows.length)}
        {Math.min(room, rows.length)} of {all.toLocaleString('en')} shots are listed; all of them count.{/if}
</p>

<style>
    thead th {
        position: sticky;
        top: 0;
        background: var(--sheet);
        z-index: 1;
    }
    .computed {
        font-style: italic;
        color: var(--ink-2);
    }
    .out .value {
        text-decoration: line-through;
        color: var(--ink-2);
    }
    .act {
        white-space: nowrap;
        min-width: 150px;
    }
    .act select {
        padding: 2px 4px;
    }
    .flag {
        color: var(--amber);
        font-weight: 600;
        margin-right: 8px;
        padding: 2px 2px;
        min-height: 24px;
        background: none;
        border: 0;
        border-bottom: 1px dotted;
    }
    .told select {
        width: auto;
        margin-left: 12px;
    }
    .told td {
        color: var(--amber);
        text-align: left;
        white-space: normal;
    }
</style>
