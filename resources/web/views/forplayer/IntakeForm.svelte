<script lang="ts">
    import { ApiError, post } from '../../api/client';
    import type { IntakePage, LinkPage } from '../../api/generated/types';
    import type { Words } from '../../lib/words';
    import Field from '../../parts/Field.svelte';
    import { EMPTY, MISSES, NEVER, sent, SHAPES, TROUBLES, TURFS, WANTS, WIDTHS, wrong, type IntakeValues } from './intake';

    let { token, page, intake, words }: { token: string; page: LinkPage; intake: IntakePage; words: Words } = $props();
    const say = $derived(words.say);

    // What is written stays on this phone until it was sent: a call, a dead battery, a tunnel lose nothing.
    const place = () => `intake ${token.slice(0, 12)}`;
    interface Kept {
        key: string;
        values: IntakeValues;
    }
    function kept(): Kept {
        try {
            const found = JSON.parse(localStorage.getItem(place()) ?? '') as Kept;
            return { key: found.key, values: { ...EMPTY, ...found.values } };
        } catch {
            return { key: crypto.randomUUID(), values: { ...EMPTY, scale: page.units.distance === 'm' ? 'm' : 'yd' } };
        }
    }
    const began = kept();
    let v = $state(began.values);
    let isSent = $state(false);
    let busy = $state(false);
    let problem = $state('');
    let refused = $state<Record<string, string>>({});
    let tried = $state(false);
    $effect(() => {
        const values = $state.snapshot(v);
        if (!isSent) localStorage.setItem(place(), JSON.stringify({ key: began.key, values }));
    });
    const faults = $derived(wrong(v));
    const err = (field: string) => {
        const fault = faults[field];
        if (fault && tried) return fault === 'needed' ? say('error.needed') : say('error.number', { ...fault });
        return refused[field] ?? '';
    };
    async function send(event: SubmitEvent) {
        event.preventDefault();
        tried = true;
        if (Object.keys(faults).length) {
            document.querySelector<HTMLElement>(`[data-field="${Object.keys(faults)[0]}"] input`)?.focus();
            return;
        }
        busy = true;
        [problem, refused] = ['', {}];
        try {
            await post('for-player/intake', { token, language: words.language, key: began.key, ...sent(v) });
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
                      : (refused.token ?? say('error.field', { why: '' }));
        } finally {
            busy = false;
        }
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
        v[list] = v[list].includes(word) ? v[list].filter((w) => w !== word) : [...v[list], word];
    };
</script>

{#snippet choice(field: 'shape' | 'miss' | 'turf' | 'width' | 'left' | 'right', label: string, options: readonly string[], kind: string)}
    <Field label={say(label)} error={err(field)}
        ><select bind:value={v[field]}
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

{#if isSent || (intake.isSent && v === began.values && !tried)}
    <h1>{say('intake.sent')}</h1>
    <p>{say('intake.sentAgain')}</p>
{:else}
    <form onsubmit={send} novalidate>
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
                    ><input type="radio" value={hand} bind:group={v.hand} /> {say(`hand.${hand}`)}</label
                >{/each}
        </fieldset>
        <fieldset>
            <legend>{say('intake.units')}</legend>
            {#each [['yd', 'intake.unitsYd'], ['m', 'intake.unitsM']] as const as [scale, label] (scale)}<label
                    class="chip"
                    class:on={v.scale === scale}><input type="radio" value={scale} bind:group={v.scale} /> {say(label)}</label
                >{/each}
        </fieldset>
        <div data-field="handicap">
            <Field label={say('intake.handicap')} hint={say('intake.handicapHint')} error={err('handicap')}
                ><input inputmode="decimal" bind:value={v.handicap} /></Field
            >
        </div>
        <h2>{say('intake.ball')}</h2>
        {@render choice('shape', 'intake.shape', SHAPES, 'shape')}
        {@render choice('miss', 'intake.miss', MISSES, 'miss')}
        <div data-field="carry">
            <Field label={say('intake.carry')} hint={v.scale} error={err('carry') || err('carryM')}
                ><input inputmode="decimal" bind:value={v.carry} /></Field
            >
        </div>
        {@render chips('wants', 'intake.wants', WANTS, 'want')}
        {@render chips('never', 'intake.never', NEVER, 'never')}
        <Field label={say('intake.wish')} hint={say('intake.wishHint')} error={err('wish')}
            ><textarea rows="3" maxlength="500" bind:value={v.wish}></textarea></Field
        >
        <h2>{say('intake.course')}</h2>
        <Field label={say('intake.courseName')} error={err('course')}><input maxlength="120" bind:value={v.course} /></Field>
        {@render choice('turf', 'intake.turf', TURFS, 'turf')}
        {@render choice('width', 'intake.width', WIDTHS, 'width')}
        {@render choice('left', 'intake.troubleLeft', TROUBLES, 'trouble')}
        {@render choice('right', 'intake.troubleRight', TROUBLES, 'trouble')}
        <h2>{say('intake.gear')}</h2>
        <Field label={say('intake.club')} hint={say('intake.clubHint')} error={err('club')}
            ><input maxlength="200" bind:value={v.club} /></Field
        >
        <Field label={say('intake.ballPlayed')} error={err('ball')}><input maxlength="80" bind:value={v.ball} /></Field>
        <h2>{say('intake.health')}</h2>
        <Field label={say('intake.pain')} error={err('pain')}><textarea rows="2" maxlength="500" bind:value={v.pain}></textarea></Field>
        <p class="small">{say('intake.painHint')}</p>
        <h2>{say('intake.consent')}</h2>
        <blockquote>{intake.consentText}</blockquote>
        <label class="check"><input type="checkbox" bind:checked={v.consent} /> {say('intake.agree')}</label>
        <label class="check"><input type="checkbox" bind:checked={v.isMinor} /> {say('intake.minor')}</label>
        {#if v.isMinor}<div data-field="guardian">
                <Field label={say('intake.guardian')} error={err('guardian')}><input maxlength="80" bind:value={v.guardian} /></Field>
            </div>{/if}
        {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
        <button disabled={busy}>{say('intake.send')}</button>
    </form>
{/if}

<style>
    form {
        display: grid;
        gap: 14px;
    }
    h2 {
        margin-top: 14px;
        padding-top: 10px;
        border-top: 1px solid var(--hair);
        font-size: var(--lead);
    }
    .lead {
        color: var(--ink-2);
    }
    form :global(input:not([type='checkbox'], [type='radio'])),
    form :global(select),
    form > button {
        min-height: 46px;
        font-size: 16px;
    }
    form :global(textarea) {
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
    .problem {
        color: var(--brick);
        font-weight: 560;
    }
</style>
