<script lang="ts">
    import { get, patch } from '../../api/client';
    import type { Fitting, Rack, Setup } from '../../api/generated/types';
    import { GAUGE_WARNS_BEYOND_DEG } from '../../api/generated/vocabulary';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import BenchmarkReason from '../../parts/BenchmarkReason.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import { loadFitting, showFitting } from '../../lib/session.svelte';
    import { changes, lengthText, loftText, nameOf, parentOf } from '../../format/setups';
    import { faceWords, plain } from '../../format/units';
    import BenchPlan from './BenchPlan.svelte';
    import SetupBuilder from './SetupBuilder.svelte';
    import SetupForm from './SetupForm.svelte';
    import LengthPanel from './LengthPanel.svelte';
    import LoftLadder from '../../parts/LoftLadder.svelte';
    import Notice from '../../parts/Notice.svelte';

    let { params }: { params: { id: string } } = $props();
    let editing = $state<{ setup: Setup | null; from: Setup | null } | null>(null);
    let described = $state(false);
    /** The setup whose length and balance are looked at. */
    let measuring = $state<Setup | null>(null);
    const reading = new Loader<Rack>();
    const rack = $derived(reading.value);
    const sending = new Form();
    $effect(() => void reading.load(() => get<Rack>('rack')));
    /** A setup of a head on the rack is built; one of a head that is only known by its print is described. */
    function edit(setup: Setup | null, from: Setup | null, fitting: Fitting) {
        const fits = rack?.heads.some((h) => h.hand === fitting.player.hand) ?? false;
        // The player's own club is seldom on the rack.
        described = setup ? setup.headId === null : !fits || from === null;
        editing = { setup, from };
    }

    /** The setup that wants a reason before it is the benchmark. */
    let unreasoned = $state<Setup | null>(null);
    async function makeBenchmark(fitting: Fitting, setup: Setup, reason?: string) {
        const done = await sending.send(async () => {
            const change = { version: fitting.version, benchmarkSetupId: setup.id, reason };
            showFitting(await patch<Fitting>(`fittings/${fitting.id}`, change));
        });
        unreasoned = !done && sending.err('reason') ? setup : null;
        if (!done && !unreasoned) await loadFitting(fitting.id);
    }
    async function saved() {
        editing = measuring = null;
        await loadFitting(params.id);
    }
    const far = (s: Setup) => Math.abs(s.loftOffDeg ?? 0) > GAUGE_WARNS_BEYOND_DEG;
</script>

<Frame id={params.id} step="bench">
    {#snippet children(fitting)}
        {#if unreasoned}<BenchmarkReason
                message={sending.err('reason')}
                give={(reason) => makeBenchmark(fitting, unreasoned!, reason)}
                leave={() => (unreasoned = null)}
            />{:else if reading.problem || sending.problem}<Notice kind="error">{reading.problem || sending.problem}</Notice>{/if}
        <section>
            <div class="row">
                <h1>Setups</h1>
                <a class="gaps" href="#/fitting/{fitting.id}/gaps">Gaps to the long clubs</a>
                {#if !editing}<button onclick={() => edit(null, fitting.setups.at(-1) ?? null, fitting)}
                        >{fitting.setups.length ? 'Add a setup' : 'Add the player’s own club'}</button
                    >{/if}
            </div>
            {#if editing}
                <!-- There before the rack is, and whatever is on it, so that nothing moves under a hand that is pressing a button. -->
                {#if !editing.setup}
                    {@const fits = rack?.heads.some((h) => h.hand === fitting.player.hand) ?? false}
                    <div class="ways" role="group" aria-label="From the rack, or only described">
                        <button
                            class="quiet"
                            disabled={!fits}
                            title={rack && !fits ? `No ${fitting.player.hand}-handed head is on the rack` : undefined}
                            aria-pressed={!described}
                            onclick={() => (described = false)}>From the rack</button
                        >
                        <button class="quiet" aria-pressed={described} onclick={() => (described = true)}>Only described</button>
                    </div>
                {/if}
                {#key editing}
                    {#if described}
                        <SetupForm {fitting} setup={editing.setup} from={editing.from} onsaved={saved} oncancel={() => (editing = null)} />
                    {:else if rack}
                        <SetupBuilder
                            {fitting}
                            {rack}
                            setup={editing.setup}
                            from={editing.from}
                            onsaved={saved}
                            oncancel={() => (editing = null)}
                        />
                    {:else}<p class="small" role="status">Reading the rack …</p>{/if}
                {/key}
            {/if}
            {#if fitting.setups.length === 0 && !editing}
                <p class="none">
                    Begin with the club the player came with. It becomes the baseline and the benchmark that everything else must beat.
                </p>
            {/if}
            <ul>
                {#each fitting.setups as setup (setup.id)}
                    {@const parent = parentOf(setup, fitting)}
                    {@const diff = changes(setup, parent, fitting.player.units)}
                    <li>
                        <Glyph tag={setup.tag} r={14} open={setup.counted === 0} />
                        <div>
                            <b>{nameOf(setup, fitting)}</b>
                            <p class="small">
                                <span class:warn={far(setup)}
                                    >{loftText(setup)}{#if far(setup)}: print and gauge differ by {plain(
                                            Math.abs(setup.loftOffDeg!),
                                            1,
                                        )}°{/if}</span
                                >
                                · {[
                                    setup.shaft,
                                    lengthText(setup.lengthMm, fitting.player.units),
                                    setup.ball,
                                    setup.cue && `cue: ${setup.cue}`,
                                ]
                                    .filter(Boolean)
                                    .join(' · ')}
                            </p>
                            {#if setup.lengthPlan}<p class="small">
                                    Planned at {lengthText(setup.lengthPlan.lengthMm, fitting.player.units)}: on the build page.
                                </p>{/if}
                            {#if diff.length > 1}<p class="small warn">
                                    {diff.length} things changed from {parent?.tag}: {diff.join(', ')}. Then nobody knows which of them made
                                    the difference.
                                </p>{/if}
                        </div>
                        <dl>
                            <div>
                                <dt>Plays for this player</dt>
                                <dd>{setup.playing.plays.loftDeg.toFixed(1)}°, {faceWords(setup.playing.plays.faceOpenDeg)}</dd>
                            </div>
                            <div>
                                <dt>Left on its sole</dt>
                                <dd>{setup.playing.soled.loftDeg.toFixed(1)}°, {faceWords(setup.playing.soled.faceOpenDeg)}</dd>
                            </div>
                            {#if setup.swingWeight}<div>
                                    <dt>Swing weight</dt>
                                    <dd>
                                        {setup.swingWeight.label}<small
                                            >{setup.swingWeight.source === 'simulated'
                                                ? ' simulated'
                                                : setup.swingWeight.measured
                                                  ? ' measured'
                                                  : ''}</small
                                        >
                                    </dd>
                                </div>{/if}
                            <div>
                                <dt>Lie</dt>
                                <dd>
                                    {setup.playing.squared.lieDeg.toFixed(1)}°{#if setup.playing.lieAssumed}<small> assumed</small>{/if}
                                </dd>
                            </div>
                        </dl>
                        <div class="acts">
                            <a href="#/fitting/{fitting.id}/bay/{setup.tag}"
                                >In the hand<span class="visually-hidden">: {setup.tag}</span></a
                            >
                            {#if fitting.benchmarkSetupId === setup.id}<em>benchmark</em>{:else}<button
                                    class="plain"
                                    onclick={() => makeBenchmark(fitting, setup)}
                                    >Make benchmark<span class="visually-hidden">: {setup.tag}</span></button
                                >{/if}
                            <button class="plain" onclick={() => edit(setup, parent ?? null, fitting)}
                                >{setup.shots ? (setup.headId === null ? 'Readings' : 'Note') : 'Change'}<span class="visually-hidden">
                                    of {setup.tag}</span
                                ></button
                            >
                            <button class="plain" onclick={() => edit(null, setup, fitting)}>New from {setup.tag}</button>
                            {#if setup.headId !== null}<button
                                    class="plain"
                                    onclick={() => (measuring = measuring?.id === setup.id ? null : setup)}
                                    >Length and balance<span class="visually-hidden"> of {setup.tag}</span></button
                                >{/if}
                        </div>
                    </li>
                {/each}
            </ul>
            <p class="small foot">
                Playing loft is worked out from the gauge reading and the sleeve. A printed loft change holds with the face turned back to
                square; left on its sole the head keeps its loft and the face turns.
            </p>
        </section>
        <BenchPlan {fitting} made={() => loadFitting(params.id)} />
        {#if measuring}{#key measuring.id}<LengthPanel
                    {fitting}
                    setup={measuring}
                    onsaved={saved}
                    oncancel={() => (measuring = null)}
                />{/key}{/if}
        {#if rack?.heads.some((h) => h.hand === fitting.player.hand)}<LoftLadder {fitting} open />{/if}
    {/snippet}
</Frame>

<style>
    .ways {
        display: flex;
        gap: 8px;
    }
    .ways [aria-pressed='true'] {
        background: var(--mint-wash);
        border-color: var(--mint);
    }
    section,
    ul {
        display: grid;
        gap: 12px;
    }
    .row {
        display: flex;
        gap: 8px 18px;
        flex-wrap: wrap;
        align-items: center;
    }
    .gaps {
        margin-left: auto;
    }
    ul {
        list-style: none;
        margin: 0;
        padding: 0;
        gap: 0;
    }
    li {
        display: grid;
        grid-template-columns: 40px minmax(0, 1fr) auto;
        gap: 6px 12px;
        padding: 10px 0;
        border-top: 1px solid var(--hair);
        align-items: start;
    }
    dl {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 22px;
    }
    dt {
        font-size: var(--small);
        color: var(--ink-2);
    }
    dd {
        white-space: nowrap;
    }
    .acts {
        grid-column: 2 / -1;
        display: flex;
        flex-wrap: wrap;
        gap: 2px 18px;
        align-items: baseline;
        font-size: var(--small);
    }
    li > :global(:first-child) {
        grid-row: span 2;
    }
    em {
        font-style: normal;
        font-weight: 620;
        color: var(--mint);
    }
    .none {
        padding: 20px 0;
        color: var(--ink-2);
    }
    .foot {
        border-top: 1px solid var(--hair);
        padding-top: 10px;
    }
    @media (max-width: 1000px) {
        li {
            grid-template-columns: 40px minmax(0, 1fr);
        }
        dl {
            grid-column: 2;
        }
    }
</style>
