<script lang="ts">
    import { post } from '../../api/client';
    import type { IntakePage, LinkPage } from '../../api/generated/types';
    import type { Words } from '../../lib/words';
    import Field from '../../parts/Field.svelte';
    import Paper from './Paper.svelte';
    import { Draft } from './draft.svelte';
    import { EMPTY, MISSES, NEVER, sent, SHAPES, TROUBLES, TURFS, WANTS, WIDTHS, wrong, type IntakeValues } from './intake';

    let { token, page, intake, words }: { token: string; page: LinkPage; intake: IntakePage; words: Words } = $props();
    const say = $derived(words.say);

    // svelte-ignore state_referenced_locally
    const draft = new Draft<IntakeValues>(`intake ${token.slice(0, 12)}`, { ...EMPTY, scale: page.units.distance === 'm' ? 'm' : 'yd' });
    const v = $derived(draft.values);
    let tried = $state(false);
    /** Answered before, and once more now. */
    let again = $state(false);
    const faults = $derived(wrong(v));
    const err = (field: string) => {
        const fault = faults[field];
        if (fault && tried)
            return fault === 'needed'
                ? say('error.needed')
                : fault === 'consent'
                  ? say('error.painConsent')
                  : say('error.number', { ...fault });
        return draft.err(field);
    };
    async function send(event: SubmitEvent) {
        event.preventDefault();
        tried = true;
        if (Object.keys(faults).length) {
            document.querySelector<HTMLElement>(`[data-field="${Object.keys(faults)[0]}"] :is(input, textarea)`)?.focus();
            return;
        }
        await draft.send('for-player/intake', { token, ...sent(v) }, words);
    }
    async function calendar() {
        const text = await post<string>('for-player/appointment', { token });
        const link = document.createElement('a');
        link.href = URL.createObjectURL(new Blob([text], { type: 'text/calendar' }));
        link.download = 'appointment.ics';
        link.click();
    }
    const of = (kind: string, word: string) =>
        kind === 'shape' && v.hand === 'left' && words.has(`shape.${word}_left`) ? say(`shape.${word}_left`) : say(`${kind}.${word}`);
    const flip = (list: 'wants' | 'never', word: string) => {
        draft.values[list] = v[list].includes(word) ? v[list].filter((w) => w !== word) : [...v[list], word];
    };
</script>

{#snippet choice(field: 'shape' | 'miss' | 'turf' | 'width' | 'left' | 'right', label: string, options: readonly string[], kind: string)}
    <Field label={say(label)} error={err(field)}
        ><select bind:value={draft.values[field]}
            ><option value="">{say('intake.unknown')}</option>{#each options as o (o)}<option value={o}>{of(kind, o)}</option
                >{/each}</select
        ></Field
    >
{/snippet}
{#snippet chips(field: 'wants' | 'never', label: string, options: readonly string[], kind: string)}
    <fieldset>
        <legend>{say(label)}</legend>
        {#each options as o (o)}<label class="chip" class:on={v[field].includes(o)}
                ><input type="checkbox" checked={v[field].includes(o)} onchange={() => flip(field, o)} /> {say(`${kind}.${o}`)}</label
            >{/each}
    </fieldset>
{/snippet}

{#if draft.isSent || (intake.isSent && !again)}
    <h1>{say('intake.sent')}</h1>
    {#if intake.mayAnswer}
        <p>{say('intake.sentAgain')}</p>
        <button
            onclick={() => {
                again = true;
                draft.another($state.snapshot(draft.values));
            }}>{say('intake.again')}</button
        >
    {/if}
{:else}
    <Paper onsubmit={send}>
        <h1>{say('intake.title')}</h1>
        <p class="lead">{say('intake.lead')}</p>
        {#if intake.appointment}<p>
                {say('intake.appointment', intake.appointment)}
                <button type="button" class="plain" onclick={calendar}>{say('intake.calendar')}</button>
            </p>{/if}
        <h2>{say('intake.you')}</h2>
        <fieldset>
            <legend>{say('intake.hand')}</legend>
            {#each ['right', 'left'] as const as hand (hand)}<label class="chip" class:on={v.hand === hand}
                    ><input type="radio" value={hand} bind:group={draft.values.hand} /> {say(`hand.${hand}`)}</label
                >{/each}
        </fieldset>
        <fieldset>
            <legend>{say('intake.units')}</legend>
            {#each [['yd', 'intake.unitsYd'], ['m', 'intake.unitsM']] as const as [scale, label] (scale)}<label
                    class="chip"
                    class:on={v.scale === scale}><input type="radio" value={scale} bind:group={draft.values.scale} /> {say(label)}</label
                >{/each}
        </fieldset>
        <div data-field="handicap">
            <Field label={say('intake.handicap')} hint={say('intake.handicapHint')} error={err('handicap')}
                ><input inputmode="decimal" bind:value={draft.values.handicap} /></Field
            >
        </div>
        <h2>{say('intake.ball')}</h2>
        {@render choice('shape', 'intake.shape', SHAPES, 'shape')}
        {@render choice('miss', 'intake.miss', MISSES, 'miss')}
        <div data-field="carry">
            <Field label={say('intake.carry')} hint={v.scale} error={err('carry') || err('carryM')}
                ><input inputmode="decimal" bind:value={draft.values.carry} /></Field
            >
        </div>
        {@render chips('wants', 'intake.wants', WANTS, 'want')}
        {@render chips('never', 'intake.never', NEVER, 'never')}
        <Field label={say('intake.wish')} hint={say('intake.wishHint')} error={err('wish')}
            ><textarea rows="3" maxlength="500" bind:value={draft.values.wish}></textarea></Field
        >
        <h2>{say('intake.course')}</h2>
        <Field label={say('intake.courseName')} error={err('course')}><input maxlength="120" bind:value={draft.values.course} /></Field>
        {@render choice('turf', 'intake.turf', TURFS, 'turf')}
        {@render choice('width', 'intake.width', WIDTHS, 'width')}
        {@render choice('left', 'intake.troubleLeft', TROUBLES, 'trouble')}
        {@render choice('right', 'intake.troubleRight', TROUBLES, 'trouble')}
        <h2>{say('intake.gear')}</h2>
        <Field label={say('intake.club')} hint={say('intake.clubHint')} error={err('club')}
            ><input maxlength="200" bind:value={draft.values.club} /></Field
        >
        <Field label={say('intake.ballPlayed')} error={err('ball')}><input maxlength="80" bind:value={draft.values.ball} /></Field>
        <h2>{say('intake.health')}</h2>
        <div data-field="pain">
            <Field label={say('intake.pain')} error={err('pain')}
                ><textarea rows="2" maxlength="500" bind:value={draft.values.pain}></textarea></Field
            >
        </div>
        <p class="small">{say('intake.painHint')}</p>
        <h2>{say('intake.consent')}</h2>
        <blockquote>{intake.consentText}</blockquote>
        <label class="check"><input type="checkbox" bind:checked={draft.values.consent} /> {say('intake.agree')}</label>
        <label class="check"><input type="checkbox" bind:checked={draft.values.isMinor} /> {say('intake.minor')}</label>
        {#if v.isMinor}<div data-field="guardian">
                <Field label={say('intake.guardian')} error={err('guardian')}
                    ><input maxlength="80" bind:value={draft.values.guardian} /></Field
                >
            </div>{/if}
        {#if draft.problem}<p class="problem" role="alert">{draft.problem}</p>{/if}
        <button disabled={draft.busy}>{say('intake.send')}</button>
    </Paper>
{/if}

<style>
    blockquote {
        margin: 0;
        padding-left: 12px;
        border-left: 4px solid var(--hair);
    }
    .check {
        display: flex;
        gap: 10px;
        align-items: center;
        min-height: 44px;
    }
</style>
