<script lang="ts">
    import { untrack } from 'svelte';
    import { push } from 'svelte-spa-router';
    import { asked, get, post } from '../../api/client';
    import type { Decision, Fitting, FittingAnswer, Found, FoundSetup, Setup } from '../../api/generated/types';
    import FourteenMap from '../../charts/FourteenMap.svelte';
    import { givesUp } from '../../format/advice';
    import { chanceWords } from '../../format/judged';
    import { list } from '../../format/sentences';
    import { builtLike } from '../../format/setups';
    import { Form } from '../../lib/form.svelte';
    import { hand, LAUNCH_FILES, takeNote } from '../../lib/handed';
    import { followJudgement, getJudged } from '../../lib/judged.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { current, loadFitting } from '../../lib/session.svelte';
    import { phone } from '../../lib/width';
    import Failures from '../../parts/Failures.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Icon from '../../parts/Icon.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import SwingSwitch from '../../parts/SwingSwitch.svelte';
    import Feel from './Feel.svelte';
    import Field from './Field.svelte';
    import Measure from './Measure.svelte';
    import Parts, { PARTS } from './Parts.svelte';
    import { nextText } from './rack';
    import { changesText, headline, priceText, rememberedText } from './sentences';
    import Windows from './Windows.svelte';
    import { say } from './words';

    let { params }: { params: { id: string; part?: string | null } } = $props();
    /** The same while its parts are opened and closed: nothing is read anew for that. */
    const id = $derived(params.id);
    /** What lies behind the answer opens below it, a part at a time. */
    const part = $derived(PARTS.find((one) => one === params.part) ?? null);
    const LOADED = {
        figures: () => import('./Figures.svelte'),
        why: () => import('./Why.svelte'),
        rack: () => import('./Rack.svelte'),
        choice: () => import('./Choice.svelte'),
        lofts: () => import('./Lofts.svelte'),
    };
    let below = $state<HTMLElement | null>(null);
    /** The part that was scrolled to: a newer judgement moves nothing under whoever reads. */
    let scrolledTo: string | null = null;
    $effect(() => {
        if (!below || !answer || part === scrolledTo) return;
        if (part) below.scrollIntoView();
        else scrollTo(0, 0);
        scrolledTo = part;
    });
    const reading = new Loader<FittingAnswer>();
    const answer = $derived(reading.value);
    const judge = $derived(answer?.judge ?? null);
    let found = $state<Found | null>(null);
    let decisions = $state<Decision[]>([]);
    type Viewpoint = { swing: string | null; memory: 'without' | null };
    /** Which of several swings is looked at, and whether with what earlier fittings showed of the heads. */
    let from = $state.raw<Viewpoint>({ swing: null, memory: null });
    /** What the shots alone would have it be, where earlier fittings were remembered. */
    let without = $state<FittingAnswer | null>(null);
    /** The player shall feel first: neither advice nor price is told. */
    let hidden = $state(false);
    /** The figures were seen: nothing is asked before them any more. */
    let saw = $state(false);
    /** Another setup than the advised one, with the fitter's reason. */
    let other = $state<{ tag: string; why: string } | null>(null);
    const sending = new Form();
    sending.note = takeNote();

    async function load() {
        const part = <T extends { age?: FittingAnswer['age'] }>(name: string) => getJudged<T>(`fittings/${id}/${name}${asked(from)}`);
        await reading.load(async () => {
            const [before, told] = await Promise.all([get<Decision[]>(`fittings/${id}/decisions`), part<FittingAnswer>('answer')]);
            decisions = before;
            return told;
        });
        const of = from;
        const all = await part<Found>('finder').catch(() => null);
        if (from === of) found = all;
    }
    $effect(() => {
        void id;
        untrack(() => {
            reading.forget();
            [found, decisions, without, other, hidden, saw] = [null, [], null, null, false, false];
            from = { swing: null, memory: null };
        });
    });
    followJudgement(load, () => id);
    const remembered = $derived(current.fitting?.id === Number(id) ? current.fitting.remembered : null);
    $effect(() => {
        if (!remembered || !judge || !answer?.age?.isCurrent || from.memory) return;
        const [of, path] = [from, `fittings/${id}/answer${asked({ ...from, memory: 'without' })}`];
        void get<FittingAnswer>(path).then(
            (told) => {
                if (from === of) without = told;
            },
            () => {},
        );
    });
    function look(anew: Viewpoint) {
        [from, without] = [anew, null];
        void load();
    }
    const of = (tag: string | null | undefined) => judge?.setups.find((s) => s.tag === tag);
    const before = $derived(of(answer?.before));
    const after = $derived(of(answer?.after));
    const latest = $derived(decisions[0]);
    const locked = $derived(latest && latest.lockedAt !== null && latest.reopenedAt === null ? latest : null);
    const drives = $derived(
        [answer?.before, answer?.after].flatMap((t) => (t && answer?.drives[t] ? [[t, answer.drives[t]] as [string, never]] : [])),
    );
    const asks = $derived(!saw && !locked && !part && (current.fitting?.unrated.length ?? 0) > 0);
    $effect(() => {
        if (answer && current.fitting && !asks) saw = true;
    });
    /** What is to be hit next, where that is what to do. */
    const next = $derived(found?.setups.find((s) => s.tag === answer?.step.tag));

    async function hit(fitting: Fitting, s: FoundSetup | undefined) {
        await sending.send(async () => {
            let tag = s?.setupTag ?? '';
            if (s && !tag) {
                ({ tag } = await post<Setup>(`fittings/${fitting.id}/setups`, builtLike(s, fitting)));
                await loadFitting(fitting.id);
            }
            await push(`/fitting/${fitting.id}/bay/${tag}`);
        });
    }
    const renew = async (fitting: Fitting) => {
        decisions = await get<Decision[]>(`fittings/${fitting.id}/decisions`);
        await loadFitting(fitting.id);
    };
    const idOf = (fitting: Fitting, tag: string) => fitting.setups.find((s) => s.tag === tag)!.id;
    const decide = (fitting: Fitting, tag: string, reason: string) =>
        post<Decision>(`fittings/${fitting.id}/decisions`, { setupId: idOf(fitting, tag), reason, swing: judge?.swing ?? null });
    /** Notes a choice without locking it. */
    async function note(fitting: Fitting, tag: string, reason: string) {
        await sending.send(async () => {
            await decide(fitting, tag, reason);
            other = null;
            sending.note = say('answer.saved', { tag });
            await renew(fitting);
        });
    }
    async function lock(fitting: Fitting, tag: string, reason: string) {
        await sending.send(async () => {
            // What was saved and not locked, as by a try that was cut short, is not saved once more.
            const isSaved = reason === '' && latest?.setupId === idOf(fitting, tag) && latest.lockedAt === null;
            const made = isSaved ? latest : await decide(fitting, tag, reason);
            await post(`decisions/${made.id}/lock`, {});
            await loadFitting(fitting.id);
            await push(`/fitting/${fitting.id}/sheet`);
        });
    }
    /** Why the advice leaves a setup out, said before it is chosen all the same. */
    const barOf = (tag: string) => {
        const kinds = of(tag)?.barredBy ?? [];
        return kinds.length && tag !== judge?.benchmark ? say('gives.barred', { tag, kinds: list(kinds) }) : '';
    };
    function keys(event: KeyboardEvent) {
        if ((event.target as HTMLElement).matches('input, textarea, select') || event.ctrlKey || event.metaKey || event.altKey) return;
        if (event.key === '.') hidden = !hidden;
    }
</script>

<svelte:window onkeydown={keys} />

<Frame {id} step="answer" isBare>
    {#snippet children(fitting)}
        {@const units = fitting.player.units}
        {#if sending.problem || reading.problem}<Notice kind="error">{sending.problem || reading.problem}</Notice>{/if}
        {#if sending.note}<Notice kind="good">{sending.note}</Notice>{/if}
        {#if !answer}
            {#if !reading.problem}<Outline what={say('answer.waiting')} blocks={['lines', 'picture', 'table']} />{/if}
        {:else}
            {@const pick = fitting.setups.find((s) => s.tag === (judge?.pick ?? ''))}
            <Failures failures={judge?.failures} />
            <!-- What nobody asked yet is asked before the figures; who opens a part has seen them. -->
            {#if asks}<Feel {fitting} />{:else}
                <div class="answer" class:alone={!drives.length}>
                    <section class="say">
                        {#if fitting.brief.wish}<p class="wish">{say('answer.wish', { wish: fitting.brief.wish })}</p>{/if}
                        {#if hidden}<h1>{say('answer.feel')}</h1>
                        {:else}
                            <div class="head">
                                {#if answer.kind !== 'hit' && judge}<Glyph tag={judge.pick} r={phone.current ? 12 : 18} />{/if}
                                <div>
                                    <h1>{headline(answer, fitting, found)}</h1>
                                    {#if answer.kind === 'take' && pick}<p class="hand">
                                            {[
                                                changesText(pick, fitting),
                                                priceText(
                                                    found?.setups.find((s) => s.setupTag === pick.tag),
                                                    pick,
                                                    fitting,
                                                ),
                                            ]
                                                .filter(Boolean)
                                                .join(' · ')}
                                        </p>{:else if answer.kind === 'hit'}<p class="hand">
                                            {answer.why ?? (found && answer.step.kind === 'hit' ? nextText(found) : '')}
                                        </p>{/if}
                                </div>
                            </div>
                        {/if}
                        {#if judge}<SwingSwitch
                                swing={judge.swing}
                                swings={judge.swings}
                                {units}
                                onpick={(name) => {
                                    look({ ...from, swing: name });
                                }}
                            />{/if}
                        <div>
                            {#each answer.rows as row (row.what)}<Measure {row} {fitting} {after} />{/each}
                        </div>
                        {#if judge && before}<Windows {judge} {before} {after} {units} />{/if}
                        {#if judge && after && !hidden}
                            {@const ties = judge.ties.filter((t) => t !== after.tag)}
                            <p class="sure">
                                <svg viewBox="0 0 184 20" width="184" height="20" aria-hidden="true"
                                    >{#each { length: 10 }, n}<circle
                                            cx={9 + n * 18}
                                            cy="10"
                                            r="7"
                                            class:full={n < Math.round((answer.chance ?? 0) * 10)}
                                        />{/each}</svg
                                >
                                <span
                                    ><b
                                        >{say('answer.sure', {
                                            chance: chanceWords(answer.chance ?? 0),
                                            tag: after.tag,
                                            benchmark: answer.before ?? '',
                                            own: answer.before === fitting.setups[0]?.tag ? 'yes' : 'no',
                                        })}</b
                                    >
                                    {#if ties.length}{say('answer.level', {
                                            n: ties.length,
                                            tags: list(ties),
                                            by: judge.tieBreak?.by ?? 'none',
                                        })}{/if}
                                    {givesUp(judge, fitting, answer.kind === 'take' ? judge.pick : after.tag)}
                                    {#if fitting.remembered}<small>{rememberedText(answer, without, from.memory !== null, fitting)}</small>
                                        {#if from.memory || without}<button
                                                class="plain no-print"
                                                onclick={() => look({ ...from, memory: from.memory ? null : 'without' })}
                                                >{say('answer.remembered.look', { without: from.memory ? 'yes' : 'no' })}</button
                                            >{/if}{/if}</span
                                >
                            </p>
                        {/if}
                        <div class="do no-print">
                            {#if from.memory}
                                <span>{say('answer.remembered.noted')}</span>
                            {:else if locked}
                                <button onclick={() => push(`/fitting/${fitting.id}/sheet`)}>{say('answer.do.sheet')}</button>
                                <span role="status">{say('answer.locked', { tag: locked.tag, version: locked.version })}</span>
                            {:else if answer.kind === 'hit' || !judge}
                                <button disabled={sending.busy} onclick={() => hit(fitting, next)}
                                    ><Icon name="hit" />
                                    {next ? say('answer.do.hit', { tag: next.setupTag ?? 'it' }) : say('answer.do.bay')}</button
                                >
                            {:else}
                                <button disabled={sending.busy} onclick={() => lock(fitting, judge.pick, '')}
                                    ><Icon name="lock" /> {say('answer.do.lock', { tag: judge.pick })}</button
                                >
                                {#if judge.setups.length > 1}<a href="#/fitting/{fitting.id}/answer/choice">{say('answer.do.confirm')}</a
                                    >{/if}
                            {/if}
                            {#if fitting.setups.every((s) => s.shots === 0)}<label class="file"
                                    ><Icon name="files" />
                                    {say('answer.do.file')}
                                    <input
                                        class="visually-hidden"
                                        type="file"
                                        accept={LAUNCH_FILES}
                                        onchange={(e) => {
                                            hand({ file: e.currentTarget.files?.[0] ?? null });
                                            void push(`/fitting/${fitting.id}/answer/shots`);
                                        }}
                                    /></label
                                >{/if}
                            {#if judge && !locked && !from.memory}<button
                                    class="quiet"
                                    aria-expanded={other !== null}
                                    onclick={() => (other = other ? null : { tag: answer.after ?? judge.pick, why: '' })}
                                    >{say('answer.do.other')}</button
                                >{/if}
                            <button class="plain feel" onclick={() => (hidden = !hidden)} title=". on the keyboard"
                                >{say('answer.do.feel', { hidden: hidden ? 'yes' : 'no' })}</button
                            >
                        </div>
                        {#if other && judge && !locked && !from.memory}<form
                                class="panel"
                                onsubmit={(e) => {
                                    e.preventDefault();
                                    void lock(fitting, other!.tag, other!.why);
                                }}
                            >
                                <div class="choices" role="radiogroup" aria-label={say('answer.do.other')}>
                                    {#each judge.setups as s (s.tag)}<label class:on={other.tag === s.tag}
                                            ><input
                                                type="radio"
                                                name="choice"
                                                value={s.tag}
                                                aria-label="Setup {s.tag}"
                                                bind:group={other.tag}
                                            /><Glyph tag={s.tag} r={11} /></label
                                        >{/each}
                                </div>
                                <label class="why"
                                    >{say('answer.do.why', {
                                        tag: other.tag,
                                        pick: judge.pick,
                                        same: other.tag === judge.pick ? 'yes' : 'no',
                                    })}
                                    <textarea rows="2" maxlength="2000" bind:value={other.why}></textarea></label
                                >
                                {#if barOf(other.tag)}<p class="warn">{barOf(other.tag)}</p>{/if}
                                <span class="do">
                                    <button disabled={sending.busy}>{say('answer.do.lock', { tag: other.tag })}</button>
                                    <button
                                        type="button"
                                        class="quiet"
                                        disabled={sending.busy}
                                        onclick={() => note(fitting, other!.tag, other!.why)}
                                        >{say('answer.do.save', { tag: other.tag })}</button
                                    >
                                </span>
                            </form>{/if}
                    </section>
                    {#if drives.length}<section class="map" aria-label={say('fourteen')}><FourteenMap {fitting} {drives} /></section>{/if}
                </div>
                {#if answer.field.length}<Field {answer} {fitting} {found} {hidden} />{/if}
            {/if}
            <div bind:this={below} class="below">
                {#if !from.memory}<Parts id={fitting.id} {part} />{/if}
                {#if part && !hidden && !from.memory}
                    {#key `${part} ${from.swing}`}
                        <section class="part" aria-label={say(`answer.part.${part}`)}>
                            <h2>{say(`answer.part.${part}`)}</h2>
                            {#await LOADED[part]() then { default: Part }}<Part
                                    {fitting}
                                    {judge}
                                    swing={from.swing}
                                    {decisions}
                                    onchange={() => renew(fitting)}
                                />{/await}
                        </section>
                    {/key}
                {/if}
            </div>
        {/if}
    {/snippet}
</Frame>

<style>
    .answer {
        display: grid;
        grid-template-columns: minmax(0, 1fr) clamp(400px, 33.5vw, 600px);
        gap: 24px;
        align-items: start;
    }
    .alone {
        grid-template-columns: minmax(0, 1fr);
    }
    .say {
        display: grid;
        gap: 8px;
        min-width: 0;
    }
    .wish {
        margin: 0;
        font-size: 16px;
        color: var(--ink-2);
    }
    .head {
        display: flex;
        gap: 12px;
        align-items: center;
    }
    h1 {
        margin: 0;
        font-size: 34px;
        line-height: 1.05;
        font-weight: 650;
        letter-spacing: -0.02em;
    }
    .hand {
        margin: 4px 0 0;
        font-size: 16px;
        color: var(--ink-2);
    }
    .sure {
        display: flex;
        gap: 12px;
        align-items: center;
        margin: 0;
        border-top: 1px solid var(--hair);
        padding-top: 8px;
        font-size: 16px;
    }
    .sure button {
        min-height: 0;
        padding: 0 4px;
        font-size: 13px;
        line-height: 1;
    }
    .sure svg {
        flex: none;
    }
    circle {
        fill: none;
        stroke: var(--mint);
        stroke-width: 1.3;
    }
    .full {
        fill: var(--mint);
    }
    .do {
        display: flex;
        flex-wrap: wrap;
        gap: 10px;
        align-items: center;
    }
    .file:focus-within {
        outline: 3px solid var(--mint);
    }
    .file,
    .do a {
        border: 1px solid var(--ink-2);
        border-radius: 8px;
        padding: 7px 13px;
        color: var(--ink);
        text-decoration: none;
        cursor: pointer;
    }
    .do > button:first-child {
        font-size: 17px;
        font-weight: 600;
    }
    .feel {
        margin-left: auto;
    }
    form {
        display: grid;
        gap: 10px;
        justify-items: start;
    }
    .choices {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
    }
    .choices label {
        display: flex;
        align-items: center;
        border: 1.5px solid var(--hair);
        border-radius: 8px;
        padding: 2px 8px;
        cursor: pointer;
    }
    .choices .on {
        border-color: var(--ink);
    }
    .why {
        display: grid;
        gap: 3px;
        width: 100%;
    }
    .below {
        display: grid;
        gap: var(--gap);
        margin: 0 -20px;
    }
    .part {
        display: grid;
        gap: 14px;
        align-content: start;
        padding: 0 20px 24px;
        min-width: 0;
        /* It is scrolled to before its figures are there. */
        min-height: 100vh;
    }
    .part > h2 {
        font-size: 21px;
    }
    .map {
        border-left: 1px solid var(--hair);
        padding-left: 14px;
        min-width: 0;
    }
    @media (max-width: 1000px) {
        .answer {
            grid-template-columns: minmax(0, 1fr);
        }
        .map {
            border: 0;
            padding: 0;
        }
    }
    @media (max-width: 700px) {
        h1 {
            font-size: 26px;
        }
        .sure {
            display: grid;
        }
        /* The one thing to do stays under the thumb. */
        .do {
            position: sticky;
            bottom: 0;
            padding: 8px 0;
            background: var(--paper);
        }
    }
</style>
