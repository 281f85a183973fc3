<script lang="ts">
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { push } from 'svelte-spa-router';
    import { get, post } from '../../api/client';
    import type { DayBookEntry, EarlierFitting, Fitting, Hand, KnownPlayer, UnitChoice } from '../../api/generated/types';
    import Field from '../../parts/Field.svelte';
    import FileIn from '../../parts/FileIn.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import { say } from '../../format/sentences';
    import { when } from '../../format/times';
    import Today from './Today.svelte';
    import { session } from '../../lib/session.svelte';

    const SCALES: Record<string, [string, UnitChoice]> = {
        yards: ['yards, mph, feet', { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' }],
        metresKmh: ['metres, km/h', { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' }],
        metresMps: ['metres, m/s', { speed: 'm/s', distance: 'm', height: 'm', length: 'mm' }],
        mixed: ['metres, mph', { speed: 'mph', distance: 'm', height: 'm', length: 'in' }],
    };
    const reading = new Loader<DayBookEntry[]>();
    const entries = $derived(reading.value);
    let wanted = $state('');
    let name = $state('');
    let hand = $state<Hand>('right');
    let scale = $state(localStorage.getItem('scale') ?? 'yards');
    const sending = new Form();
    /** Who has been here before under a name like this, and whom and what of theirs this fitting starts from. */
    let known = $state<KnownPlayer[]>([]);
    let player = $state<KnownPlayer | null>(null);
    let fromId = $state<number | null>(null);
    let clubId = $state<number | null>(null);
    const from = $derived(player?.fittings.find((f) => f.id === fromId) ?? null);

    $effect(() => {
        const q = name.trim();
        if (q.length < 2 || player) return void (known = []);
        // Who is known is a help: without an answer one types on.
        const found = (players: KnownPlayer[]) => (known = players);
        const wait = setTimeout(() => void get<KnownPlayer[]>(`players?q=${encodeURIComponent(q)}`).then(found, () => undefined), 250);
        return () => clearTimeout(wait);
    });
    function choose(one: KnownPlayer | null) {
        player = one;
        if (!one) return;
        [name, hand] = [one.name, one.hand];
        startFrom(one.fittings[0] ?? null);
    }
    function startFrom(one: EarlierFitting | null) {
        fromId = one?.id ?? null;
        clubId = one?.clubs[0]?.id ?? null;
    }

    const PAGE = 60;
    /** Only what was changed up to this day. */
    let upTo = $state('');
    let turning = $state(false);
    let isAll = $state(false);
    const query = (q: string, day: string) => `fittings?q=${encodeURIComponent(q)}${day ? `&upTo=${day}` : ''}`;
    $effect(() => {
        const [q, day] = [wanted, upTo];
        const wait = setTimeout(
            () => void reading.load(() => get<DayBookEntry[]>(query(q, day))).then((page) => (isAll = (page?.length ?? 0) < PAGE)),
            q === '' ? 0 : 200,
        );
        return () => clearTimeout(wait);
    });
    /** The page that follows; what stands there stays. */
    async function turn() {
        const last = entries?.at(-1);
        if (!last || turning) return;
        turning = true;
        const more = `&before=${encodeURIComponent(last.updatedAt)}&beforeId=${last.id}`;
        const page = await get<DayBookEntry[]>(`${query(wanted, '')}${more}`).catch((e) => (sending.fail(e), null));
        if (page && reading.value) {
            reading.value = [...reading.value, ...page.filter((p) => !reading.value!.some((e) => e.id === p.id))];
            isAll = page.length < PAGE;
        }
        turning = false;
    }
    const practising = new Form();
    const practise = () =>
        practising.send(async () => {
            const { fittingId } = await post<{ fittingId: number }>('practice', {});
            push(`/fitting/${fittingId}/brief`);
        });
    const isDesk = $derived(session.user?.role === 'desk');
    async function begin(event: SubmitEvent) {
        event.preventDefault();
        await sending.send(async () => {
            localStorage.setItem('scale', scale);
            const made = await post<Fitting>(
                'fittings',
                player
                    ? { playerId: player.id, fromFittingId: fromId, ...(fromId && clubId ? { setupId: clubId } : {}) }
                    : { name, hand, units: (SCALES[scale] ?? SCALES.yards!)[1] },
            );
            push(isDesk ? `/player/${made.player.id}` : `/fitting/${made.id}/brief`);
        });
    }
    interface Brought {
        player: string;
        hand: Hand;
        setups: string[];
        shots: number;
        rack: { added: string[]; there: string[] };
        fittingId: number | null;
    }
    function done(answer: Brought): string {
        push(`/fitting/${answer.fittingId}/answer`);
        return '';
    }
    function waits(entry: DayBookEntry): string {
        return entry.order?.waitsFor
            ? `${entry.order.isLate ? 'late: ' : ''}${entry.order.state}, waits ${entry.order.waitsFor}`
            : entry.order?.state === 'handed over'
              ? 'handed over'
              : entry.decided
                ? `decided: ${entry.decided}`
                : (['brief', 'bench', 'bay', 'answer'] as const).map((s) => entry.missing[s]).filter(Boolean)[0] || 'ready to decide';
    }
    const nextStep = (entry: DayBookEntry) =>
        entry.decided
            ? 'sheet'
            : entry.missing.brief && entry.missing.bay
              ? 'brief'
              : entry.setups.length === 0
                ? 'bench'
                : entry.setups.filter((s) => s.counted > 0).length < 2
                  ? 'bay'
                  : 'answer';
</script>

<TopBar />
<main>
    <!-- Before the book: the keyboard need not pass sixty fittings to begin one. -->
    <div class="side">
        {#if session.user?.isDemo}<section class="panel practice" aria-label="Practice">
                <h2>New here?</h2>
                <p>The real screens, a made-up player, eight short hints.</p>
                <button disabled={practising.busy} onclick={practise}>Fit a made-up player in five minutes</button>
                {#if practising.problem}<Notice kind="error">{practising.problem}</Notice>{/if}
            </section>{/if}
        <form class="panel" onsubmit={begin}>
            <h2>New fitting</h2>
            <Field label="Player"
                ><input required maxlength="80" autocomplete="off" bind:value={name} oninput={() => (player = null)} /></Field
            >
            {#if player}
                <p class="small">
                    {player.hand}-handed, {player.units.distance === 'yd' ? 'yards' : 'metres'}, has been here before.
                    <button type="button" class="plain" onclick={() => choose(null)}>It is somebody else</button>
                </p>
                {#if player.fittings.length}
                    <Field label="Start from">
                        <select
                            value={fromId}
                            onchange={(e) => startFrom(player?.fittings.find((f) => f.id === Number(e.currentTarget.value)) ?? null)}
                        >
                            {#each player.fittings as f (f.id)}<option value={f.id}
                                    >the brief of {when(f.at)}{f.decided ? `, decided: ${f.decided}` : ''}</option
                                >{/each}<option value={0}>an empty brief</option></select
                        >
                    </Field>
                {/if}
                {#if from?.clubs.length}
                    <Field label="Own club now">
                        <select bind:value={clubId}
                            >{#each from.clubs as c (c.id)}<option value={c.id}
                                    >{c.tag}: {c.name}{c.tag === from.decided ? ' (decided)' : ''}</option
                                >{/each}<option value={null}>another one</option></select
                        >
                    </Field>
                {/if}
            {:else}
                <fieldset>
                    <legend>Plays</legend>
                    <label><input type="radio" value="right" bind:group={hand} /> right-handed</label>
                    <label><input type="radio" value="left" bind:group={hand} /> left-handed</label>
                </fieldset>
                <Field label="Units">
                    <select bind:value={scale}
                        >{#each Object.entries(SCALES) as [key, [label]] (key)}<option value={key}>{label}</option>{/each}</select
                    >
                </Field>
            {/if}
            {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
            <button disabled={sending.busy}>Begin</button>
            <!-- Under the button: what comes while a name is typed must not move what is about to be pressed. -->
            {#if !player}{#each known.slice(0, 4) as one (one.id)}<button type="button" class="plain known" onclick={() => choose(one)}
                        >{one.name}, {one.hand}-handed: {one.fittings.length
                            ? `here ${when(one.fittings[0]!.at)}${one.fittings.length > 1 ? ` and ${one.fittings.length - 1} times before` : ''}`
                            : 'in the book'}. Start from there</button
                    >{/each}{/if}
        </form>
        {#if !isDesk}<section class="panel" aria-label="Bring a fitting in">
                <h2>Bring a fitting in</h2>
                <FileIn label="Choose a fitting file" accept=".json" path="fittings/import" {done}>
                    {#snippet look(seen: Brought, name: string, keep: () => void)}
                        {name}: {seen.player}, {seen.hand}-handed, setups {seen.setups.join(', ') || 'none'}, {seen.shots} shots.
                        {seen.rack.added.length ? `New on the rack: ${seen.rack.added.join(', ')}.` : 'Nothing new for the rack.'}
                        <button class="plain" onclick={keep}>Add it to the day book</button>
                    {/snippet}
                </FileIn>
            </section>{/if}
    </div>
    <section class="book">
        <h1>Day book</h1>
        <Today />
        <div class="top">
            <h2>
                {say('daybook.all')}{#if entries?.some((e) => e.simulated)}<small class="made">{say('daybook.simulated')}</small>{/if}
            </h2>
            <span class="ways">
                <label class="small">up to <input type="date" bind:value={upTo} /></label>
                <input type="search" placeholder="Player, head or wish" aria-label="Search the day book" bind:value={wanted} />
            </span>
        </div>
        {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
        {#if entries === null && !reading.problem}
            <Outline what="Opening the book …" blocks={['table']} />
        {:else if entries?.length === 0}
            <p class="none">
                {wanted ? `Nothing found for “${wanted}”.` : 'No fitting yet. Begin one on the right: a name and a hand are enough.'}
            </p>
        {:else if entries}
            <ul>
                {#each entries as entry (entry.id)}
                    <li>
                        <a href={isDesk && !entry.decided ? `#/player/${entry.player.id}` : `#/fitting/${entry.id}/${nextStep(entry)}`}>
                            <span class="name"
                                ><b
                                    >{entry.player.name}{#if entry.simulated}<span title={say('daybook.simulated')}
                                            >&nbsp;*<span class="visually-hidden"> simulated</span></span
                                        >{/if}</b
                                ><small>{entry.player.hand}-handed · {entry.player.units.distance === 'yd' ? 'yards' : 'metres'}</small
                                ></span
                            >
                            <span class="wish">{entry.wants || 'no wish written down'}</span>
                            <span class="setups"
                                >{#each entry.setups.slice(0, 8) as s (s.tag)}<Glyph
                                        tag={s.tag}
                                        r={9}
                                        open={s.counted === 0}
                                    />{/each}{#if entry.setups.length > 8}<small>+{entry.setups.length - 8}</small>{/if}</span
                            >
                            <span class="state" class:done={entry.decided && !entry.order?.isLate}
                                >{waits(entry)}<small>{when(entry.updatedAt)}</small></span
                            >
                        </a>
                    </li>
                {/each}
            </ul>
            {#if !isAll}<button class="quiet older" disabled={turning} onclick={turn}>Older ones</button>{/if}
        {/if}
    </section>
</main>

<style>
    main {
        display: grid;
        grid-template-columns: 1fr 290px;
        gap: 28px;
        padding: 22px 20px;
        align-items: start;
        max-width: 1280px;
        margin: 0 auto;
    }
    .book {
        grid-area: 1 / 1;
        min-width: 0;
    }
    .side {
        grid-area: 1 / 2;
        display: grid;
        gap: 20px;
    }
    .side section {
        display: grid;
        gap: 10px;
    }
    .top {
        display: flex;
        gap: 20px;
        align-items: center;
        justify-content: space-between;
        margin: 22px 0 12px;
    }
    .made {
        font-weight: 400;
        margin-left: 12px;
    }
    h1 {
        margin-bottom: 12px;
    }
    .top input[type='search'] {
        max-width: 260px;
    }
    .ways {
        display: flex;
        gap: 12px;
        align-items: center;
    }
    .ways label {
        display: flex;
        gap: 6px;
        align-items: center;
        white-space: nowrap;
    }
    .older {
        margin-top: 14px;
    }
    ul {
        list-style: none;
        margin: 0;
        padding: 0;
        border-top: 1px solid var(--ink);
    }
    li a {
        display: grid;
        grid-template-columns: 190px 1fr auto 170px;
        gap: 18px;
        align-items: center;
        padding: 12px 6px;
        border-bottom: 1px solid var(--hair);
        color: inherit;
        text-decoration: none;
    }
    li a:hover {
        background: var(--sheet);
    }
    .name,
    .state {
        display: grid;
    }
    .name b {
        font-size: var(--lead);
        font-weight: 620;
    }
    .wish {
        color: var(--ink-2);
        display: -webkit-box;
        -webkit-box-orient: vertical;
        -webkit-line-clamp: 2;
        line-clamp: 2;
        overflow: hidden;
        overflow-wrap: anywhere;
    }
    .state {
        color: var(--amber);
        font-weight: 560;
    }
    .state.done {
        color: var(--mint);
    }
    .state small {
        font-weight: 400;
    }
    form {
        display: grid;
        gap: 12px;
    }
    .known {
        text-align: left;
        overflow-wrap: anywhere;
    }
    fieldset {
        border: 0;
        padding: 0;
        margin: 0;
        display: flex;
        gap: 14px;
    }
    legend {
        font-size: var(--small);
        font-weight: 550;
        padding: 0;
        margin-bottom: 3px;
    }
    .none {
        padding: 30px 0;
        color: var(--ink-2);
    }
    @media (max-width: 860px) {
        .top,
        .ways {
            flex-wrap: wrap;
        }
        main {
            grid-template-columns: 1fr;
            padding: 14px;
        }
        .side {
            grid-area: 2 / 1;
        }
        form {
            order: 2;
        }
        h1 {
            white-space: nowrap;
        }
        li a {
            grid-template-columns: 1fr auto;
            gap: 4px 12px;
        }
        .wish {
            grid-column: 1 / -1;
            grid-row: 2;
        }
        .state {
            text-align: right;
            grid-row: 1;
            grid-column: 2;
        }
        .setups {
            grid-column: 1 / -1;
        }
    }
</style>
