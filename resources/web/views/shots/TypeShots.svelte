<script lang="ts">
    import { untrack } from 'svelte';
    import { ApiError, post } from '../../api/client';
    import type { Fitting } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { blank, forget, keep, keptLines, SEEN_EVERY_MS, type Line } from '../../lib/typed';
    import { MEASURES, unitOf } from '../../format/units';

    let {
        fitting,
        onbegin,
        onstored,
        setupId = null,
        settled = () => Promise.resolve(),
    }: {
        fitting: Fitting;
        onbegin: () => void;
        onstored: (message: string) => void;
        setupId?: number | null;
        /** what is under way on this screen comes first: a trial that is being begun is where these shots belong */
        settled?: () => Promise<void>;
    } = $props();
    const ALWAYS = ['ballSpeedMps', 'launchDeg', 'spinRpm'];
    const MORE = [
        'directionDeg',
        'spinAxisDeg',
        'clubSpeedMps',
        'carryM',
        'sideM',
        'totalM',
        'attackDeg',
        'pathDeg',
        'faceDeg',
        'strikeToeMm',
        'strikeHighMm',
    ];
    // What is typed outlives a reload and a lost connection, until it is stored or the fitter signs out.
    const id = untrack(() => fitting.id);
    const found = keptLines(
        id,
        untrack(() => fitting.player.units),
    );
    let lines = $state<Line[]>(found.length ? found : [blank()]);
    /** Lines that are on record with other values, perhaps because an answer got lost. */
    let differs = $state<string[]>([]);
    let picked = $state<number | null>(null);
    let extra = $state<string[]>(['directionDeg', 'spinAxisDeg', 'carryM']);
    const sending = new Form();
    const units = $derived(fitting.player.units);
    const fields = $derived([...ALWAYS, ...MORE.filter((m) => extra.includes(m))]);
    const chosen = $derived(picked ?? setupId ?? fitting.setups.find((s) => s.counted === 0)?.id ?? fitting.setups.at(-1)!.id);

    const save = () => keep(id, $state.snapshot(lines), fitting.player.units);
    $effect(save);
    $effect(() => {
        const timer = setInterval(save, SEEN_EVERY_MS);
        return () => clearInterval(timer);
    });
    const isFilled = (line: Line) => fields.some((f) => (line.values[f] ?? '').trim() !== '');

    function keys(event: KeyboardEvent, at: number) {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        if (at === lines.length - 1) lines.push(blank());
        setTimeout(() => document.getElementById(`line-${at + 1}-${ALWAYS[0]}`)?.focus());
    }
    const textOf = (line: Line) => JSON.stringify(fields.map((f) => [f, (line.values[f] ?? '').trim()]));
    async function store(event?: SubmitEvent) {
        event?.preventDefault();
        const filled = lines.filter(isFilled);
        differs = [];
        onbegin();
        if (!filled.length) {
            sending.problem = 'Type at least one shot: ball speed, launch angle and spin.';
            return;
        }
        const typedUnit = (f: string) => (unitOf(f, units) === '°' ? 'deg' : unitOf(f, units));
        const sent = new Map(filled.map((line) => [line.clientId, textOf(line)]));
        const stored = await sending.send(async () => {
            await settled();
            const done = await post<{ stored: number; already: number }>(`fittings/${id}/shots`, {
                setupId: chosen,
                shots: filled.map((line) => ({
                    clientId: line.clientId,
                    values: Object.fromEntries(
                        fields
                            .filter((f) => (line.values[f] ?? '').trim() !== '')
                            .map((f) => [f, { value: line.values[f], unit: typedUnit(f) }]),
                    ),
                })),
            });
            // What was typed or changed meanwhile stays.
            const isStored = (line: Line) => sent.get(line.clientId) === textOf(line);
            lines.filter(isStored).forEach((line) => forget(id, line.clientId));
            const left = lines.filter((line) => !isStored(line));
            lines = left.length ? left : [blank()];
            const before = done.already ? `; ${done.already} ${done.already === 1 ? 'was' : 'were'} on record already` : '';
            onstored(
                `${done.stored} typed shot${done.stored === 1 ? '' : 's'} stored for ${fitting.setups.find((s) => s.id === chosen)?.tag}${before}.`,
            );
        });
        const failure = sending.failure;
        if (stored || !(failure instanceof ApiError)) return;
        if (failure.status === 0) sending.problem += ' The lines are kept, also if this page is reloaded.';
        if (failure.status === 409) differs = (failure.body as { differs?: string[] } | null)?.differs ?? [];
    }
    /** They are shots of their own: under ids of their own. */
    function storeAsOthers() {
        lines = lines.map((line) => {
            if (!differs.includes(line.clientId)) return line;
            forget(id, line.clientId);
            return { ...blank(), values: line.values };
        });
        void store();
    }
    function drop(line: Line) {
        forget(id, line.clientId);
        lines = lines.length > 1 ? lines.filter((l) => l.clientId !== line.clientId) : [blank()];
    }
</script>

<form class="panel" onsubmit={store}>
    <div class="row">
        <label
            >Hit with <select value={chosen} onchange={(e) => (picked = Number(e.currentTarget.value))}
                >{#each fitting.setups as s (s.id)}<option value={s.id}>{s.tag} · {s.head} {s.sleeveLabel}</option>{/each}</select
            ></label
        >
        <details>
            <summary class="small">Other measures</summary>
            <div class="more">
                {#each MORE as m (m)}<label><input type="checkbox" value={m} bind:group={extra} /> {MEASURES[m]!.label}</label>{/each}
            </div>
        </details>
    </div>
    <Scroll label="Typed shots">
        <table>
            <thead
                ><tr
                    ><th>#</th>{#each fields as f (f)}<th
                            >{MEASURES[f]!.label}<br /><small>{unitOf(f, units)}{MEASURES[f]!.side === 'side' ? ', 4 L or −4' : ''}</small
                            ></th
                        >{/each}<th></th></tr
                ></thead
            >
            <tbody>
                {#each lines as line, i (line.clientId)}
                    <tr>
                        <td>{i + 1}</td>
                        {#each fields as f (f)}
                            <td
                                ><input
                                    id="line-{i}-{f}"
                                    aria-label="{MEASURES[f]!.label} of shot {i + 1}"
                                    inputmode={MEASURES[f]!.side ? 'text' : 'decimal'}
                                    autocomplete="off"
                                    bind:value={line.values[f]}
                                    onkeydown={(e) => keys(e, i)}
                                /></td
                            >
                        {/each}
                        <td><button type="button" class="plain" aria-label="Remove line {i + 1}" onclick={() => drop(line)}>×</button></td>
                    </tr>
                {/each}
            </tbody>
        </table>
    </Scroll>
    {#if sending.problem}<Notice kind="error"
            >{sending.problem}{#if differs.length}&nbsp;<button type="button" class="plain" onclick={storeAsOthers}
                    >Yes, store it as another shot</button
                >{/if}</Notice
        >{/if}
    <div class="row">
        <button type="button" class="quiet" onclick={() => lines.push(blank())}>Another shot <small>(Enter)</small></button>
        <button disabled={sending.busy}>Store {lines.filter(isFilled).length || ''} shots</button>
    </div>
</form>

<style>
    form {
        display: grid;
        gap: 12px;
    }
    .row {
        display: flex;
        justify-content: space-between;
        gap: 16px;
        align-items: center;
    }
    .row label {
        display: flex;
        gap: 8px;
        align-items: center;
        white-space: nowrap;
    }
    .more {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 14px;
        padding-top: 6px;
        font-size: var(--small);
    }
    td input {
        text-align: right;
        padding: 4px 6px;
        min-width: 76px;
    }
    .row button small {
        color: inherit;
    }
</style>
