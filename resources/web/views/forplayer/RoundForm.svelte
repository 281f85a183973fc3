<script lang="ts">
    import { ApiError, post } from '../../api/client';
    import type { LinkPage, RoundsPage } from '../../api/generated/types';
    import type { Words } from '../../lib/words';
    import Field from '../../parts/Field.svelte';
    import { dayOf, emptyRound, MOST_HOLES, sentRound, sumOf, type RoundValues } from './rounds';
    import Stepper from './Stepper.svelte';

    let { token, page, rounds, words }: { token: string; page: LinkPage; rounds: RoundsPage; words: Words } = $props();
    const say = $derived(words.say);
    // svelte-ignore state_referenced_locally
    let told = $state(rounds.told);
    // svelte-ignore state_referenced_locally
    let courses = $state(rounds.courses);
    const place = () => `round ${token.slice(0, 12)}`;
    const today = dayOf(new Date());
    function kept(): { key: string; values: RoundValues } {
        try {
            const found = JSON.parse(localStorage.getItem(place()) ?? '') as { key: string; values: RoundValues };
            return { key: found.key, values: { ...emptyRound(today), ...found.values } };
        } catch {
            return { key: crypto.randomUUID(), values: emptyRound(today, courses[0] ?? '') };
        }
    }
    let key = $state(kept().key);
    let v = $state(kept().values);
    let isSent = $state(false);
    let busy = $state(false);
    let problem = $state('');
    let refused = $state<Record<string, string>>({});
    $effect(() => {
        const values = $state.snapshot(v);
        if (!isSent) localStorage.setItem(place(), JSON.stringify({ key, values }));
    });
    const sum = $derived(sumOf(v));
    const isTooMany = $derived(sum > v.holes || v.lost > v.holes - v.hit);
    const err = (field: string) => refused[field] ?? '';
    const COUNTS = ['hit', 'left', 'right', 'lost'] as const;
    async function send(event: SubmitEvent) {
        event.preventDefault();
        if (isTooMany || v.course.trim() === '') {
            refused = v.course.trim() === '' ? { course: say('error.needed') } : {};
            return;
        }
        busy = true;
        [problem, refused] = ['', {}];
        try {
            const now = await post<RoundsPage>('for-player/rounds', {
                token,
                language: words.language,
                key,
                ...sentRound(v, page.units.distance),
            });
            [told, courses] = [now.told, now.courses];
            isSent = true;
            localStorage.removeItem(place());
            scrollTo(0, 0);
        } catch (error) {
            const failure = error instanceof ApiError ? error : null;
            refused = Object.fromEntries(Object.entries(failure?.fields ?? {}).map(([field, says]) => [field, says[0] ?? '']));
            problem =
                failure?.status === 0
                    ? say('error.connection')
                    : (failure?.status ?? 500) >= 500
                      ? say('error.server')
                      : (refused.token ?? refused.key ?? say('error.field', { why: '' }));
        } finally {
            busy = false;
        }
    }
    function another() {
        v = emptyRound(today, v.course, v.club);
        key = crypto.randomUUID();
        isSent = false;
    }
</script>

{#if isSent}
    <h1>{say('rounds.thanks', { n: told.length })}</h1>
    <button onclick={another}>{say('rounds.another')}</button>
{:else}
    <form onsubmit={send} novalidate>
        <h1>{say('rounds.title')}</h1>
        <p class="lead">{say('rounds.lead')}</p>
        <div class="pair">
            <Field label={say('rounds.played')} error={err('playedOn')}><input type="date" max={today} bind:value={v.playedOn} /></Field>
            <Field label={say('rounds.course')} error={err('course')}><input maxlength="120" list="courses" bind:value={v.course} /></Field>
        </div>
        <datalist id="courses"
            >{#each courses as c (c)}<option value={c}></option>{/each}</datalist
        >
        <fieldset>
            <legend>{say('rounds.club')}</legend>
            {#each [['new', 'rounds.clubNew'], ['before', 'rounds.clubBefore']] as const as [club, label] (club)}<label
                    class="chip"
                    class:on={v.club === club}><input type="radio" value={club} bind:group={v.club} /> {say(label)}</label
                >{/each}
        </fieldset>
        <Stepper label={say('rounds.holes')} bind:value={v.holes} low={1} high={MOST_HOLES} />
        {#each COUNTS as field (field)}
            <Stepper label={say(`rounds.${field}`)} bind:value={v[field]} low={0} high={v.holes} />
            {#if err(field)}<p class="problem">{err(field)}</p>{/if}
        {/each}
        {#if isTooMany}<p class="problem" role="alert">
                {say('rounds.tooMany', { sum: Math.max(sum, v.hit + v.lost), holes: v.holes })}
            </p>{/if}
        <fieldset class="drives">
            <legend>{say('rounds.drives')}</legend>
            <Field label={say('rounds.drive', { n: 1 })} hint={page.units.distance} error={err('drives')}
                ><input inputmode="decimal" bind:value={v.drive1} /></Field
            >
            <Field label={say('rounds.drive', { n: 2 })} hint={page.units.distance}
                ><input inputmode="decimal" bind:value={v.drive2} /></Field
            >
        </fieldset>
        <fieldset>
            <legend>{say('rounds.feel')}</legend>
            {#each [1, 2, 3, 4, 5] as feel (feel)}<label class="chip" class:on={v.feel === feel}
                    ><input type="radio" value={feel} bind:group={v.feel} />
                    {feel === 1 ? `1 ${say('rounds.feel1')}` : feel === 5 ? `5 ${say('rounds.feel5')}` : feel}</label
                >{/each}
        </fieldset>
        <Field label={say('rounds.words')} error={err('words')}><textarea rows="2" maxlength="500" bind:value={v.words}></textarea></Field>
        {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
        <button disabled={busy || isTooMany}>{say('rounds.send')}</button>
    </form>
{/if}
{#if told.length}
    <section>
        <h2>{say('rounds.told')}</h2>
        <ul>
            {#each told as r, i (i)}<li>
                    {words.date(`${r.playedOn}T12:00:00`)}, {r.course}, {say(r.club === 'new' ? 'rounds.clubNew' : 'rounds.clubBefore')}
                </li>{/each}
        </ul>
    </section>
{/if}

<style>
    form {
        display: grid;
        gap: 14px;
    }
    .lead {
        color: var(--ink-2);
    }
    .pair,
    .drives {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        gap: 10px;
    }
    .drives legend {
        grid-column: 1 / -1;
    }
    form :global(input:not([type='checkbox'], [type='radio'])),
    button {
        min-height: 46px;
        font-size: 16px;
    }
    fieldset {
        border: 0;
        padding: 0;
        margin: 0;
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
    }
    legend {
        font-size: var(--small);
        font-weight: 550;
        padding: 0 0 4px;
    }
    .chip {
        display: flex;
        align-items: center;
        gap: 6px;
        min-height: 44px;
        padding: 4px 14px 4px 10px;
        border: 1px solid var(--hair);
        border-radius: 22px;
        background: var(--sheet);
    }
    .on {
        background: var(--mint-wash);
        border-color: var(--mint);
    }
    .problem {
        color: var(--brick);
        font-weight: 560;
    }
    section {
        margin-top: 26px;
        padding-top: 10px;
        border-top: 1px solid var(--hair);
        display: grid;
        gap: 6px;
    }
</style>
