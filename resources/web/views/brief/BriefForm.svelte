<script lang="ts">
    import { untrack } from 'svelte';
    import type { Fitting, UnitChoice } from '../../api/generated/types';
    import { PLAYER_UNITS } from '../../api/generated/vocabulary';
    import CorridorSketch from '../../charts/CorridorSketch.svelte';
    import Ridge from '../../charts/Ridge.svelte';
    import { when } from '../../format/times';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import { BriefScreen } from './brief.svelte';
    import BriefFields from './BriefFields.svelte';
    import { CARDS, errorNames, type BriefCard } from './fields';
    import { attackText, carriesText, loftText, missingText, priceText, shownValue, speedText, strokesText, targetText } from './sentences';
    import { say } from './words';

    let { fitting }: { fitting: Fitting } = $props();
    const brief = untrack(() => new BriefScreen(() => fitting));
    brief.watch();
    const units = $derived(brief.units);
    const UNIT_KINDS: (keyof UnitChoice)[] = ['distance', 'speed', 'height', 'length'];
    const isWrong = $derived(Object.keys(brief.problems).length > 0);
    const said = $derived(fitting.intake);
    /** What is wrong behind "more" is not hidden there. */
    const isOpen = ({ name, more }: BriefCard) =>
        (name === 'player' && brief.err('name') !== '') || more.some((f) => errorNames(f.field).some((one) => brief.err(one) !== ''));
    const unfolded: Record<string, boolean> = $state({});
    let form: HTMLFormElement;
    /** One key agrees what a returning player brought along. */
    function agree(event: KeyboardEvent) {
        const at = event.target as HTMLElement;
        if (event.key !== 'Enter' || brief.agreed || event.defaultPrevented || at.matches('input, textarea, select, button, a, summary'))
            return;
        form.requestSubmit();
    }
</script>

<svelte:window onkeydown={agree} />

<form onsubmit={brief.save} novalidate bind:this={form}>
    <div class="cards">
        <h1 class="visually-hidden">{say('brief.title')}</h1>
        {#if said?.pain}<p class="pain" title={said.pain}>{say('brief.pain', { pain: said.pain })}</p>{/if}
        {#each CARDS as card (card.name)}
            <section class={card.name} aria-labelledby="card-{card.name}">
                <h2 id="card-{card.name}">
                    {say(`brief.card.${card.name}`)}{#if card.name === 'wants'}<small>{say('brief.note.wants')}</small>{/if}
                </h2>
                {#if said && card.name === 'player'}<q
                        >{say('brief.said', {
                            name: fitting.player.name,
                            at: when(said.at),
                            club: said.club || 'none',
                            consent: said.consentAt ? when(said.consentAt) : 'none',
                        })}</q
                    >{:else if said?.course && card.name === 'course'}<q>{say('brief.saidCourse', { course: said.course })}</q>{/if}
                <div class="grid">
                    <BriefFields fields={card.fields} bind:values={brief.values.brief} {units} err={brief.err} theirs={said?.standing} />
                </div>
                {#if card.name === 'never'}<p class="small">{say('brief.note.never')}</p>{/if}
                {#if card.more.length}
                    <details class="more" bind:open={() => unfolded[card.name] || isOpen(card), (on) => (unfolded[card.name] = on)}>
                        <summary class="small">{say(`brief.more.${card.name}`)}</summary>
                        <div class="grid">
                            {#if card.name === 'player'}
                                <Field label={say('brief.player')} error={brief.err('name')}
                                    ><input required maxlength="80" bind:value={brief.values.name} /></Field
                                >
                                <Field label={say('brief.hand')}
                                    ><select bind:value={brief.values.hand}
                                        >{#each ['right', 'left'] as hand (hand)}<option value={hand}>{say(`brief.hand.${hand}`)}</option
                                            >{/each}</select
                                    ></Field
                                >
                                {#each UNIT_KINDS as kind (kind)}
                                    <Field label={say('brief.units', { kind })}
                                        ><select
                                            value={units[kind]}
                                            onchange={(e) => brief.readIn({ ...units, [kind]: e.currentTarget.value })}
                                            >{#each PLAYER_UNITS[kind] as unit (unit)}<option>{unit}</option>{/each}</select
                                        ></Field
                                    >
                                {/each}
                            {/if}
                            <BriefFields
                                fields={card.more}
                                bind:values={brief.values.brief}
                                {units}
                                err={brief.err}
                                theirs={said?.standing}
                            />
                        </div>
                    </details>
                {/if}
            </section>
        {/each}
        {#if fitting.earlier.length}
            <section class="wide">
                <h2>{say('brief.earlier')}</h2>
                <ul>
                    {#each fitting.earlier as e (e.id)}<li>
                            <a href="#/fitting/{e.id}/{e.decided ? 'sheet' : 'answer'}">{when(e.at)}</a>:
                            {say('brief.earlier.one', {
                                decided: e.decided ? (e.clubs[0]?.name ?? e.decided) : 'none',
                                n: e.clubs.length,
                            })}
                        </li>{/each}
                </ul>
            </section>
        {/if}
        {#if brief.changes.length}
            <section class="wide">
                <h2>{say('brief.changes')}</h2>
                <ul>
                    {#each brief.changes as c (c.at + c.why)}
                        <li>
                            <b>{c.why}</b> <small>{when(c.at)}, {c.by}</small><br />
                            {#each c.changes as x (x.field)}<span class="small"
                                    >{say('brief.change', { label: x.label, from: shownValue(x.from), to: shownValue(x.to) })}
                                </span>{/each}
                        </li>
                    {/each}
                </ul>
            </section>
        {/if}
    </div>

    <aside aria-label={say('brief.means')}>
        <h3>{say('brief.means')}</h3>
        <CorridorSketch brief={brief.sketch} {units} />
        {#if brief.outlook && brief.seen}
            {@const { outlook, seen } = brief}
            <div class="says" class:stale={isWrong}>
                {#if isWrong}<p class="small">{say('brief.stale')}</p>{/if}
                <p>{targetText(outlook, seen.school, seen.sketch, units)}</p>
                <p>{priceText(outlook, units)} {loftText(outlook)}</p>
                <p class="small">
                    {carriesText(outlook, units)}
                    {strokesText(outlook, seen.sketch, units)}
                    {speedText(outlook, units)}
                    {attackText(outlook)}
                </p>
            </div>
            <Ridge {outlook} {units} />
        {:else}
            <Outline what={say('brief.waiting')} blocks={['picture']} />
        {/if}
    </aside>

    <footer>
        {#if brief.problem}<Notice kind="error">{brief.problem}</Notice>{/if}
        {#if brief.agreed && brief.dirty}<Field label={say('brief.why')} error={brief.err('why')}
                ><input maxlength="300" bind:value={brief.why} /></Field
            >{/if}
        <span class="small" role="status"
            >{fitting.briefAgreedAt
                ? `${say('brief.title')} ${say('brief.agreedAt', { at: when(fitting.briefAgreedAt) })}. `
                : ''}{missingText(brief.values.brief, brief.outlook?.speedFrom ?? '')}
            {brief.note}</span
        >
        {#if brief.agreed && !brief.dirty}<a class="go" href="#/fitting/{fitting.id}/bench">{say('brief.bench')}</a>{:else}<button
                disabled={brief.busy}
                >{brief.agreed ? say('brief.save') : say('brief.agree')}{#if !brief.agreed}<kbd aria-hidden="true">{say('brief.key')}</kbd
                    >{/if}</button
            >{/if}
    </footer>
</form>

<style>
    form {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 380px;
        gap: 0 22px;
        align-items: start;
    }
    .cards {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        gap: 12px 14px;
    }
    section {
        display: grid;
        gap: 8px;
        align-content: start;
        background: var(--sheet);
        border: 1px solid var(--hair);
        border-radius: 12px;
        padding: 12px 16px;
    }
    .wants,
    .wide,
    .pain {
        grid-column: 1 / -1;
    }
    .pain {
        color: var(--brick);
        font-weight: 600;
        border-left: 3px solid var(--brick);
        padding-left: 10px;
        overflow: hidden;
        display: -webkit-box;
        line-clamp: 2;
        -webkit-line-clamp: 2;
        -webkit-box-orient: vertical;
    }
    h2 {
        font-size: 17px;
    }
    h2 small {
        font-weight: 400;
        margin-left: 12px;
    }
    q {
        quotes: none;
        font-size: 14px;
        color: var(--ink-2);
        border-left: 3px solid var(--mint-wash);
        padding-left: 9px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(3, minmax(0, 1fr));
        gap: 8px 12px;
        align-items: end;
    }
    .wants .grid {
        grid-template-columns: repeat(6, minmax(0, 1fr));
    }
    section {
        position: relative;
    }
    summary {
        position: absolute;
        top: 12px;
        right: 16px;
        list-style: none;
        cursor: pointer;
        min-height: 24px;
        text-decoration: underline;
    }
    summary::-webkit-details-marker {
        display: none;
    }
    aside {
        position: sticky;
        top: 10px;
        display: grid;
        gap: 8px;
        border-left: 1px solid var(--hair);
        padding-left: 18px;
    }
    .says {
        display: grid;
        gap: 6px;
        font-size: 16px;
    }
    .stale {
        color: var(--ink-2);
    }
    /* The button is never out of sight. */
    footer {
        grid-column: 1 / -1;
        position: sticky;
        bottom: 0;
        z-index: 2;
        display: flex;
        flex-wrap: wrap;
        gap: 8px 16px;
        align-items: center;
        justify-content: space-between;
        margin: 12px -20px -14px;
        padding: 9px 20px;
        background: var(--sheet);
        border-top: 1px solid var(--hair);
    }
    footer > :global(.field) {
        flex: 1 1 300px;
    }
    footer button,
    .go {
        font-size: 17px;
        font-weight: 600;
        padding: 9px 18px;
        border-radius: 8px;
    }
    .go {
        background: var(--ink);
        color: var(--paper);
        text-decoration: none;
    }
    kbd {
        font: inherit;
        font-size: 12px;
        font-weight: 400;
        opacity: 0.75;
        margin-left: 10px;
    }
    ul {
        padding-left: 18px;
        display: grid;
        gap: 6px;
    }
    @media (max-width: 1000px) {
        form,
        .cards {
            grid-template-columns: minmax(0, 1fr);
        }
        aside {
            position: static;
            border: 0;
            padding: 12px 0 0;
        }
        summary {
            position: static;
        }
        .wants .grid {
            grid-template-columns: repeat(2, minmax(0, 1fr));
        }
    }
</style>
