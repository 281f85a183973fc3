<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { readNumber } from '../../lib/numbers';
    import { untrack } from 'svelte';
    import { ApiError, get, patch, post } from '../../api/client';
    import type { Fitting, HeadDetail, Rack, Setup } from '../../api/generated/types';
    import SetupPlane from '../../charts/SetupPlane.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import { changes, lengthText } from '../../format/setups';
    import { faceWords, factor, plain } from '../../format/units';
    import { loftAgainstPrint, supplyText } from '../rack/sentences';
    import Weights from '../rack/Weights.svelte';

    let {
        fitting,
        rack,
        setup,
        from,
        onsaved,
        oncancel,
    }: { fitting: Fitting; rack: Rack; setup: Setup | null; from: Setup | null; onsaved: () => void; oncancel: () => void } = $props();
    const model = untrack(() => setup ?? from);
    const unit = untrack(() => fitting.player.units.length);
    const heads = $derived(rack.heads.filter((h) => h.hand === fitting.player.hand));
    const parts = (kind: string) => rack.parts.filter((p) => p.kind === kind);
    const inUnit = (mm: number | null | undefined, digits: number) =>
        mm === null || mm === undefined ? '' : String(+(mm * factor(unit)).toFixed(digits));
    let form = $state({
        headId: model?.headId ?? untrack(() => heads[0]?.id ?? null),
        sleeveLabel: model?.headId ? model.sleeveLabel : '',
        shaftId: model?.shaftId ?? null,
        gripId: model?.gripId ?? null,
        ballId: model?.ballId ?? null,
        length: inUnit(model?.lengthMm ?? 1149.35, unit === 'in' ? 2 : 0),
        tee: inUnit(model?.teeMm, unit === 'in' ? 2 : 0),
        cue: model?.cue ?? '',
        swingWeight: untrack(() => (setup?.swingWeight?.measured ? setup.swingWeight.label : '')),
        swingWeightSource: untrack(() => (setup?.swingWeight?.measured ? setup.swingWeight.source : 'measured')),
        note: untrack(() => setup?.note ?? ''),
    });
    let masses = $state<Record<string, number>>({ ...(model?.masses ?? {}) });
    const reading = new Loader<HeadDetail>();
    const head = $derived(reading.value);
    const preview = new Loader<Setup>();
    const seen = $derived(preview.value);
    const sending = new Form();
    const frozen = $derived((setup?.shots ?? 0) > 0);
    const { err } = sending;
    let shownHead = untrack(() => model?.headId ?? null);

    // Another head: its own home position and standard weights to begin with.
    $effect(() => {
        const id = form.headId;
        if (id === null) return;
        void take(id);
    });
    async function take(id: number) {
        const h = await reading.load(() => get<HeadDetail>(`heads/${id}?squaringShare=${fitting.squaringShare}`));
        if (!h) return;
        if (shownHead !== id) {
            masses = { ...h.standard };
            form.sleeveLabel = h.plane.home;
            shownHead = id;
        } else if (!h.positions.includes(form.sleeveLabel)) form.sleeveLabel = h.plane.home;
    }
    // What was not touched goes back as it was kept, not as it was rounded for the screen.
    const [lengthWas, teeWas] = untrack(() => [form.length, form.tee]);
    const sent = (now: string, was: string, mm: number | null | undefined) =>
        now === was && mm !== null && mm !== undefined ? { value: String(mm), unit: 'mm' } : { value: now, unit };
    const body = () => ({
        ...$state.snapshot(form),
        masses: $state.snapshot(masses),
        length: sent(form.length, lengthWas, model?.lengthMm),
        tee: sent(form.tee, teeWas, model?.teeMm),
        branchedFromId: from?.id ?? null,
    });
    $effect(() => {
        const b = body();
        if (!head || head.id !== b.headId) return;
        const wait = setTimeout(async () => {
            const as = await preview.load(() => post<Setup>(`fittings/${fitting.id}/setups/preview`, b));
            if (as) sending.problems = {};
            else if (preview.failure instanceof ApiError && preview.failure.status === 422) sending.problems = preview.failure.fields;
        }, 150);
        return () => clearTimeout(wait);
    });
    async function weigh() {
        await sending.send(async () => {
            const read = await post<{ swingWeight: string; source: string }>(`fittings/${fitting.id}/setups/balance`, {
                ...body(),
                swingWeight: '',
            });
            [form.swingWeight, form.swingWeightSource] = [read.swingWeight, read.source];
        });
    }
    async function save(event: SubmitEvent) {
        event.preventDefault();
        await sending.send(async () => {
            if (setup) await patch(`setups/${setup.id}`, body());
            else await post(`fittings/${fitting.id}/setups`, body());
            onsaved();
        });
    }
    const changed = $derived(seen && from ? changes(seen, from, fitting.player.units) : []);
    const lengthMm = $derived.by(() => {
        const v = readNumber(form.length);
        return v !== null && v > 0 ? v / factor(unit) : null;
    });
</script>

<form class="panel" onsubmit={save} novalidate>
    <h2>{setup ? `Setup ${setup.tag}` : from ? `New setup from ${from.tag}` : 'The player’s own club'}</h2>
    {#if frozen}<p class="small">
            {setup?.tag} was hit, so it cannot change any more. You can still add its swing weight and a note. Gauge readings belong to the head.
        </p>{/if}
    <div class="columns">
        <div class="choices">
            <Field label="Head on the rack" error={err('headId') || err('head')}
                ><select disabled={frozen} bind:value={form.headId}
                    >{#each heads as h (h.id)}<option value={h.id}>{h.label}, {plain(h.statedLoftDeg, 1)}°</option>{/each}</select
                ></Field
            >
            {#if head}
                <p class="small" class:warn={head.loftOffWarn}>
                    Stated {plain(head.statedLoftDeg, 1)}°, {loftAgainstPrint(head)}. <a href="#/rack/head/{head.id}">Readings</a>. {supplyText(
                        head.supply,
                    )}
                </p>
                <Field label="Sleeve position" error={err('position')}
                    ><select disabled={frozen} bind:value={form.sleeveLabel}
                        >{#each head.positions as p (p)}<option value={p}
                                >{p || 'not adjustable'}{p === head.plane.home && p ? ' (home)' : ''}</option
                            >{/each}</select
                    ></Field
                >
            {/if}
            <div class="grid">
                {#each [['shaftId', 'Shaft', 'shaft'], ['gripId', 'Grip', 'grip'], ['ballId', 'Ball', 'ball']] as const as [key, label, kind] (key)}
                    <Field {label} error={err(key)}
                        ><select disabled={frozen} bind:value={form[key]}
                            ><option value={null}>–</option>{#each parts(kind) as p (p.id)}<option value={p.id}>{p.label}</option
                                >{/each}</select
                        ></Field
                    >
                {/each}
                <Field label="Length" hint={unit} error={err('length')}
                    ><input inputmode="decimal" disabled={frozen} bind:value={form.length} /></Field
                >
                <Field label="Tee height" hint={unit} error={err('tee')}
                    ><input inputmode="decimal" disabled={frozen} bind:value={form.tee} /></Field
                >
                <div class="balance">
                    <Field label="Swing weight" hint="measured" error={err('swingWeight')}
                        ><input
                            placeholder="D2.5"
                            bind:value={form.swingWeight}
                            oninput={() => (form.swingWeightSource = 'measured')}
                        /></Field
                    >
                    {#if form.swingWeightSource === 'simulated'}<Simulated />{/if}
                    <button type="button" class="plain" disabled={sending.busy || !head} onclick={weigh}>From the balance</button>
                </div>
            </div>
            <Field label="Cue" hint="if the player gets one" error={err('cue')}
                ><input maxlength="80" disabled={frozen} bind:value={form.cue} /></Field
            >
            <Field label="Note"><input maxlength="500" bind:value={form.note} /></Field>
        </div>
        {#if head}
            <div class="picture">
                <SetupPlane
                    plane={head.plane}
                    hand={fitting.player.hand}
                    at={form.sleeveLabel}
                    from={head.plane.home}
                    onpick={frozen ? undefined : (l) => (form.sleeveLabel = l)}
                />
                {#if seen}
                    <dl class="facts">
                        <div>
                            <dt>Plays for this player</dt>
                            <dd>
                                {plain(seen.playing.plays.loftDeg, 1)}°, {faceWords(seen.playing.plays.faceOpenDeg)}, lie {plain(
                                    seen.playing.plays.lieDeg,
                                    1,
                                )}°
                            </dd>
                        </div>
                        <div>
                            <dt>Left on its sole</dt>
                            <dd>{plain(seen.playing.soled.loftDeg, 1)}°, {faceWords(seen.playing.soled.faceOpenDeg)}</dd>
                        </div>
                        <div>
                            <dt>Swing weight</dt>
                            <dd>
                                {seen.swingWeight
                                    ? `${seen.swingWeight.label}${seen.swingWeight.source === 'simulated' ? ' simulated' : seen.swingWeight.measured ? ' measured' : ' computed'}`
                                    : 'needs shaft balance and length'}
                            </dd>
                        </div>
                        <div>
                            <dt>Length</dt>
                            <dd>{lengthText(seen.lengthMm, fitting.player.units) || '–'}</dd>
                        </div>
                    </dl>
                    {#if seen.playing.loftFromPrint}<p class="small warn">The loft is the printed one: put the head on the gauge.</p>{/if}
                    {#each seen.warnings as w (w)}<p class="small warn">{w}</p>{/each}
                {/if}
            </div>
            <div class="mass">
                {#if frozen}<p class="small">Weights: {setup?.weights}</p>{:else}<Weights
                        {head}
                        hand={fitting.player.hand}
                        bind:masses
                        shaftId={form.shaftId}
                        {lengthMm}
                    />{/if}
                {#each Object.keys(sending.problems).filter((k) => k.startsWith('masses')) as k (k)}<Notice kind="error">{err(k)}</Notice
                    >{/each}
            </div>
        {/if}
    </div>
    {#if from && !setup && seen}
        <p class="changed" class:warn={changed.length > 1}>
            {#if changed.length === 0}Nothing changed from {from.tag} yet.{:else}Changed from {from.tag}: {changed.join(', ')}.{/if}
            {#if changed.length > 1}That is {changed.length} things at once: nobody will know which of them made the difference.{/if}
        </p>
    {/if}
    {#if sending.problem || reading.problem}<Notice kind="error">{sending.problem || reading.problem}</Notice>{/if}
    <div class="row">
        <button disabled={sending.busy || !head}>{setup ? 'Save' : 'Add setup'}</button><button
            type="button"
            class="quiet"
            onclick={oncancel}>Cancel</button
        >
    </div>
</form>

<style>
    form {
        display: grid;
        gap: 12px;
    }
    .columns {
        display: grid;
        grid-template-columns: 300px minmax(300px, 400px) minmax(0, 1fr);
        gap: 22px;
        align-items: start;
    }
    .choices,
    .picture,
    .mass {
        display: grid;
        gap: 9px;
    }
    .grid {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 9px 12px;
    }
    .mass :global(.weights) {
        grid-template-columns: minmax(0, 1fr);
    }
    .mass :global(.weights > svg) {
        max-width: 270px;
    }
    .balance {
        display: grid;
        justify-items: start;
    }
    .balance button {
        font-size: var(--small);
    }
    .changed {
        font-weight: 550;
    }
    .row {
        display: flex;
        gap: 10px;
    }
    @media (max-width: 1100px) {
        .columns {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
