<script lang="ts">
    import type { LinkPage, RoundsPage } from '../../api/generated/types';
    import type { Words } from '../../lib/words';
    import Field from '../../parts/Field.svelte';
    import { Draft } from './draft.svelte';
    import Paper from './Paper.svelte';
    import { emptyRound, missing, MOST_HOLES, sentRound, sumOf, type RoundValues } from './rounds';
    import Stepper from './Stepper.svelte';

    let { token, page, rounds, words }: { token: string; page: LinkPage; rounds: RoundsPage; words: Words } = $props();
    const say = $derived(words.say);
    // svelte-ignore state_referenced_locally
    let told = $state(rounds.told);
    // svelte-ignore state_referenced_locally
    let courses = $state(rounds.courses);
    const today = $derived(page.today);
    // svelte-ignore state_referenced_locally
    const draft = new Draft<RoundValues>(`round ${token.slice(0, 12)}`, emptyRound(today, courses[0] ?? ''));
    const v = $derived(draft.values);
    const sum = $derived(sumOf(v));
    const open = $derived(missing(v));
    const isTooMany = $derived(v.holes !== null && (sum > v.holes || (v.lost ?? 0) > v.holes - (v.hit ?? 0)));
    const isTooFew = $derived(!open.length && !v.forgotMisses && sum < v.holes!);
    const counts = $derived(v.forgotMisses ? (['hit', 'lost'] as const) : (['hit', 'left', 'right', 'lost'] as const));
    async function send(event: SubmitEvent) {
        event.preventDefault();
        if (open.length) return draft.refuse(open[0]!, say('error.needed'));
        if (isTooMany || isTooFew) return;
        if (v.course.trim() === '') return draft.refuse('course', say('error.needed'));
        const now = await draft.send<RoundsPage>('for-player/rounds', { token, ...sentRound(v, page.units.distance) }, words);
        if (now) [told, courses] = [now.told, now.courses];
    }
    const another = () => draft.another(emptyRound(today, v.course, v.club));
</script>

{#if draft.isSent}
    <h1>{say('rounds.thanks', { n: told.length })}</h1>
    <button onclick={another}>{say('rounds.another')}</button>
{:else}
    <Paper onsubmit={send}>
        <h1>{say('rounds.title')}</h1>
        <p class="lead">{say('rounds.lead')}</p>
        <div class="pair">
            <Field label={say('rounds.played')} error={draft.err('playedOn')}
                ><input type="date" max={today} bind:value={draft.values.playedOn} /></Field
            >
            <Field label={say('rounds.course')} error={draft.err('course')}
                ><input maxlength="120" list="courses" bind:value={draft.values.course} /></Field
            >
        </div>
        <datalist id="courses"
            >{#each courses as c (c)}<option value={c}></option>{/each}</datalist
        >
        <fieldset>
            <legend>{say('rounds.club')}</legend>
            {#each [['new', 'rounds.clubNew'], ['before', 'rounds.clubBefore']] as const as [club, label] (club)}<label
                    class="chip"
                    class:on={v.club === club}><input type="radio" value={club} bind:group={draft.values.club} /> {say(label)}</label
                >{/each}
        </fieldset>
        <Stepper label={say('rounds.holes')} bind:value={draft.values.holes} low={1} high={MOST_HOLES} usual={14} />
        {#if draft.err('holes')}<p class="problem">{draft.err('holes')}</p>{/if}
        {#each counts as field (field)}
            <Stepper label={say(`rounds.${field}`)} bind:value={draft.values[field]} low={0} high={v.holes ?? MOST_HOLES} />
            {#if draft.err(field)}<p class="problem">{draft.err(field)}</p>{/if}
        {/each}
        {#if isTooMany}<p class="problem" role="alert">
                {say('rounds.tooMany', { sum: Math.max(sum, (v.hit ?? 0) + (v.lost ?? 0)), holes: v.holes! })}
            </p>{/if}
        {#if isTooFew}<p class="problem" role="alert">{say('rounds.tooFew', { sum, holes: v.holes! })}</p>{/if}
        <label class="check"><input type="checkbox" bind:checked={draft.values.forgotMisses} /> {say('rounds.forgotMisses')}</label>
        <fieldset class="drives">
            <legend>{say('rounds.drives')}</legend>
            <Field label={say('rounds.drive', { n: 1 })} hint={page.units.distance} error={draft.err('drives')}
                ><input inputmode="decimal" bind:value={draft.values.drive1} /></Field
            >
            <Field label={say('rounds.drive', { n: 2 })} hint={page.units.distance}
                ><input inputmode="decimal" bind:value={draft.values.drive2} /></Field
            >
        </fieldset>
        <fieldset>
            <legend>{say('rounds.feel')}</legend>
            {#each [1, 2, 3, 4, 5] as feel (feel)}<label class="chip" class:on={v.feel === feel}
                    ><input type="radio" value={feel} bind:group={draft.values.feel} />
                    {feel === 1 ? `1 ${say('rounds.feel1')}` : feel === 5 ? `5 ${say('rounds.feel5')}` : feel}</label
                >{/each}
        </fieldset>
        <Field label={say('rounds.words')} error={draft.err('words')}
            ><textarea rows="2" maxlength="500" bind:value={draft.values.words}></textarea></Field
        >
        {#if draft.problem}<p class="problem" role="alert">{draft.problem}</p>{/if}
        <button disabled={draft.busy || isTooMany || isTooFew}>{say('rounds.send')}</button>
    </Paper>
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
    .pair,
    .drives {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        gap: 10px;
    }
    .drives legend {
        grid-column: 1 / -1;
    }
    button {
        min-height: 46px;
        font-size: 16px;
    }
    .check {
        display: flex;
        gap: 10px;
        align-items: center;
        min-height: 44px;
    }
    section {
        margin-top: 26px;
        padding-top: 10px;
        border-top: 1px solid var(--hair);
        display: grid;
        gap: 6px;
    }
</style>
