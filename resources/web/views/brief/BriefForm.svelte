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
    import { SECTIONS } from './fields';
    import { apexText, attackText, loftText, priceText, shownValue, speedText, targetText } from './sentences';

    let { fitting }: { fitting: Fitting } = $props();
    const brief = untrack(() => new BriefScreen(() => fitting));
    brief.watch();
    const units = $derived(brief.units);
    const UNIT_KINDS: [keyof UnitChoice, string][] = [
        ['distance', 'Distances in'],
        ['speed', 'Speeds in'],
        ['height', 'Heights in'],
        ['length', 'Lengths in'],
    ];
    const isWrong = $derived(Object.keys(brief.problems).length > 0);
</script>

<form onsubmit={brief.save} novalidate>
    <div class="talk">
        <h1>
            Brief{#if fitting.briefAgreedAt}<small> agreed {when(fitting.briefAgreedAt)}</small>{/if}
        </h1>
        {#if fitting.intake}
            {@const said = fitting.intake}
            <section class="said" aria-label="What they said by link">
                <p>
                    {fitting.player.name} answered by link on {when(said.at)}; what still stands as they said it is marked.
                    {#if said.course}Plays at {said.course}.{/if}
                    {#if said.club}Own club, in their words: {said.club}.{/if}
                    {said.consentAt
                        ? `They agreed to what is kept on ${when(said.consentAt)}.`
                        : 'They gave no consent to what is kept: ask for it.'}
                </p>
                {#if said.pain}<Notice kind="error"
                        >Pain or injury, in their words: “{said.pain}”. A player with pain is for a physician first; stop if something
                        hurts. Only fitters see this.</Notice
                    >{/if}
            </section>
        {/if}
        {#each SECTIONS as [title, fields], i (title)}
            <section>
                <h2>{title}</h2>
                <div class="grid">
                    {#if i === 0}
                        <Field label="Player" error={brief.err('name')}
                            ><input required maxlength="80" bind:value={brief.values.name} /></Field
                        >
                        <Field label="Hand"
                            ><select bind:value={brief.values.hand}
                                ><option value="right">right-handed</option><option value="left">left-handed</option></select
                            ></Field
                        >
                        {#each UNIT_KINDS as [kind, label] (kind)}
                            <Field {label}
                                ><select value={units[kind]} onchange={(e) => brief.readIn({ ...units, [kind]: e.currentTarget.value })}
                                    >{#each PLAYER_UNITS[kind] as unit (unit)}<option>{unit}</option>{/each}</select
                                ></Field
                            >
                        {/each}
                    {/if}
                    <BriefFields {fields} bind:values={brief.values.brief} {units} err={brief.err} theirs={fitting.intake?.standing} />
                </div>
            </section>
        {/each}
        {#if fitting.earlier.length}
            <section>
                <h2>Here before</h2>
                <ul>
                    {#each fitting.earlier as e (e.id)}<li>
                            <a href="#/fitting/{e.id}/{e.decided ? 'sheet' : 'compare'}">{when(e.at)}</a>{e.decided
                                ? `: decided ${e.clubs[0]?.name ?? e.decided}`
                                : e.clubs.length
                                  ? `: ${e.clubs.length === 1 ? 'one club' : `${e.clubs.length} clubs`}, nothing decided`
                                  : ': no club'}
                        </li>{/each}
                </ul>
            </section>
        {/if}
        {#if brief.changes.length}
            <section>
                <h2>Changed since it was agreed</h2>
                <ul>
                    {#each brief.changes as c (c.at + c.why)}
                        <li>
                            <b>{c.why}</b> <small>{when(c.at)}, {c.by}</small><br />
                            {#each c.changes as x (x.field)}<span class="small"
                                    >{x.label}: {shownValue(x.from)} → {shownValue(x.to)}.
                                </span>{/each}
                        </li>
                    {/each}
                </ul>
            </section>
        {/if}
    </div>

    <aside>
        <CorridorSketch brief={brief.sketch} {units} />
        {#if brief.outlook && brief.seen}
            {@const { outlook, seen } = brief}
            <Ridge {outlook} {units} />
            <div class="says" class:stale={isWrong}>
                {#if isWrong}<p class="small">As it was before what cannot be read: see the fields in red.</p>{/if}
                <p><b>{seen.school[0]!.toUpperCase() + seen.school.slice(1)}:</b> {targetText(outlook, units)} {loftText(outlook)}</p>
                <p>{apexText(outlook, seen.sketch, units)} <span class="small">{speedText(outlook, units)} {attackText(outlook)}</span></p>
                <p>{priceText(outlook, seen.sketch, units)}</p>
            </div>
        {:else}
            <Outline what="Working out what this means …" blocks={['picture']} />
        {/if}
        <div class="save">
            {#if brief.agreed && brief.dirty}<Field label="Why does the brief change?" error={brief.err('why')}
                    ><input maxlength="300" bind:value={brief.why} /></Field
                >{/if}
            {#if brief.problem}<Notice kind="error">{brief.problem}</Notice>{/if}
            <div class="row">
                <button disabled={brief.busy || (brief.agreed && !brief.dirty)}
                    >{brief.agreed ? 'Save the change' : 'Agree the brief'}</button
                ><span class="small" role="status">{brief.note}</span>
            </div>
        </div>
    </aside>
</form>

<style>
    form {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 430px;
        gap: 28px;
        align-items: start;
    }
    .talk {
        display: grid;
        gap: 16px;
    }
    h1 small {
        font-weight: 400;
        margin-left: 8px;
        letter-spacing: 0;
    }
    section {
        display: grid;
        gap: 8px;
        border-top: 1px solid var(--hair);
        padding-top: 10px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 9px 12px;
        align-items: start;
    }
    aside {
        position: sticky;
        top: 10px;
        display: grid;
        gap: 10px;
        max-height: calc(100vh - 20px);
        overflow: auto;
    }
    .says {
        display: grid;
        gap: 6px;
    }
    .stale {
        color: var(--ink-2);
    }
    .save {
        display: grid;
        gap: 8px;
        position: sticky;
        bottom: 0;
        background: var(--paper);
        padding: 8px 0;
    }
    .row {
        display: flex;
        gap: 12px;
        align-items: center;
    }
    ul {
        margin: 0;
        padding-left: 18px;
        display: grid;
        gap: 6px;
    }
    @media (max-width: 1000px) {
        form {
            grid-template-columns: minmax(0, 1fr);
        }
        aside {
            position: static;
            max-height: none;
        }
        .grid {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
