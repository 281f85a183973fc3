<script lang="ts">
    import { asked, patch } from '../../api/client';
    import type { Advice, Comparison, Fitting, Judging } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { followJudgement, getJudged } from '../../lib/judged.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { loadFitting, showFitting } from '../../lib/session.svelte';
    import BenchmarkReason from '../../parts/BenchmarkReason.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import { pricedText } from './choice';
    import Columns, { firstOf } from './Columns.svelte';
    import FigureTable from './FigureTable.svelte';
    import { alikeRows, expectedRows, shotRows } from './figures';
    import { besidesTexts, alikeText, findingText, railText, verdictText, withheldText } from './verdicts';
    import { say } from './words';

    /** Every figure of what was hit, in one table: as the models expect it, as the shots alone say, or hit alike. */
    let { fitting, judge, swing }: { fitting: Fitting; judge: Advice | null; swing: string | null } = $props();
    const KINDS = ['expected', 'these', 'alike'] as const;
    let picked = $state<(typeof KINDS)[number] | null>(null);
    const kind = $derived(picked ?? (judge ? 'expected' : 'these'));
    /** Only the shots of one visit; null: of all, each setup against the benchmark of its day. */
    let visit = $state<number | null>(null);
    let chosenByHand = $state<string[] | null>(null);
    const reading = new Loader<[Comparison, Judging]>();
    const sending = new Form();
    const units = $derived(fitting.player.units);
    const comparison = $derived(reading.value?.[0] ?? null);
    const judging = $derived(reading.value?.[1] ?? null);
    const chosen = $derived(chosenByHand ?? (comparison ? firstOf(comparison, 5, judge?.pick) : []));
    const hit = $derived(comparison?.sets.map((s) => s.tag) ?? []);
    const held = $derived(comparison?.benchmark ?? null);
    const tags = $derived([...(held ? [held] : []), ...hit.filter((t) => t !== held && chosen.includes(t))]);
    const judged = $derived(judging?.setups.filter((s) => tags.includes(s.tag)) ?? []);
    const rows = $derived(
        kind === 'expected' && judge
            ? expectedRows(judge, fitting, tags)
            : kind === 'alike'
              ? alikeRows(judged, units, tags)
              : comparison
                ? shotRows(comparison, units, tags)
                : [],
    );
    const rails = $derived(judging?.rails.filter((r) => r.tag === '' || tags.includes(r.tag)) ?? []);

    async function load() {
        await reading.load(() =>
            Promise.all([
                getJudged<Comparison>(`fittings/${fitting.id}/comparison${asked({ visit, swing })}`),
                getJudged<Judging>(`fittings/${fitting.id}/judging${asked({ swing })}`),
            ]),
        );
    }
    followJudgement(load, () => `${fitting.id} ${visit}`);

    /** The setup that wants a reason before the others are held against it. */
    let unreasoned = $state('');
    async function hold(tag: string, reason?: string) {
        const done = await sending.send(async () => {
            const benchmarkSetupId = fitting.setups.find((s) => s.tag === tag)!.id;
            showFitting(await patch<Fitting>(`fittings/${fitting.id}`, { version: fitting.version, benchmarkSetupId, reason }));
        });
        unreasoned = !done && sending.err('reason') ? tag : '';
        if (unreasoned) return;
        if (!done) await loadFitting(fitting.id);
        await load();
    }
</script>

{#if reading.problem || sending.problem}<Notice kind="error">{reading.problem || sending.problem}</Notice>{/if}
{#if !comparison || !judging}
    {#if !reading.problem}<Outline what={say('answer.waiting')} blocks={['table']} />{/if}
{:else if !hit.length}
    <p>{say('answer.figures.none')}</p>
{:else}
    <div class="bar no-print">
        <div class="kinds" role="radiogroup" aria-label={say('answer.part.figures')}>
            {#each KINDS as one (one)}<label class:on={kind === one}
                    ><input
                        type="radio"
                        name="figures"
                        disabled={one === 'expected' && !judge}
                        checked={kind === one}
                        onchange={() => (picked = one)}
                    />{say(`answer.figures.${one}`)}</label
                >{/each}
        </div>
        <Columns {hit} {held} {chosen} onpick={(tags) => (chosenByHand = tags)} />
        {#if fitting.visits.length > 1 && kind === 'these'}<label class="small"
                >{say('answer.figures.visit')}
                <select bind:value={visit}
                    ><option value={null}>{say('answer.figures.visits')}</option>{#each fitting.visits as v (v)}<option value={v}
                            >{v}</option
                        >{/each}</select
                ></label
            >{/if}
    </div>
    {#if unreasoned}<BenchmarkReason
            message={sending.err('reason')}
            give={(reason) => hold(unreasoned, reason)}
            leave={() => (unreasoned = '')}
        />{/if}
    <FigureTable
        label={say(`answer.figures.${kind}`)}
        {tags}
        {held}
        counts={Object.fromEntries(comparison.sets.map((s) => [s.tag, s.n]))}
        {rows}
        onhold={(tag) => void hold(tag)}
    />
    <p class="small">
        {kind === 'expected' && judge
            ? pricedText(judge, fitting)
            : say(`answer.figures.${kind}.note`, { benchmark: held ?? '', screening: judging.screening, turf: fitting.brief.turf })}
    </p>
    {#if rails.length}<ul class="rails">
            {#each rails as r, i (i)}<li>{railText(r, fitting.player.hand, units)}</li>{/each}
        </ul>{/if}
    {#if kind === 'these'}
        <ul>
            {#each judged.filter((s) => s.tag !== held) as s (s.tag)}<li>
                    <Glyph tag={s.tag} r={8} /><span
                        ><b>{s.withheld ? withheldText(s, held ?? '', fitting.player.hand, units) : verdictText(s, held ?? '', units)}</b>
                        {besidesTexts(s, units).join(' ')}</span
                    >
                </li>{/each}
            {#each judged as s (s.tag)}{#each s.diagnosis.slice(0, 4) as f (f.kind)}<li>
                        <Glyph tag={s.tag} r={8} /><span
                            >{findingText(f, fitting.player.hand, units)}
                            {f.forCoach ? say('answer.figures.coach') : ''}</span
                        >
                    </li>{/each}{/each}
        </ul>
    {:else if kind === 'alike'}
        <ul>
            {#each judged.filter((s) => s.alike) as s (s.tag)}<li>
                    <Glyph tag={s.tag} r={8} /><span>{alikeText(s.alike!, units)}</span>
                </li>{/each}
        </ul>
    {/if}
{/if}

<style>
    .bar,
    .kinds {
        display: flex;
        flex-wrap: wrap;
        gap: 6px 26px;
        align-items: center;
    }
    .kinds {
        gap: 4px 16px;
    }
    .kinds label {
        display: flex;
        gap: 5px;
        align-items: center;
        min-height: 24px;
    }
    .on {
        font-weight: 650;
    }
    select {
        width: auto;
    }
    ul {
        list-style: none;
        margin: 0;
        padding: 0;
        display: grid;
        gap: 6px;
    }
    .rails li {
        display: block;
        border-left: 3px solid var(--amber);
        padding-left: 10px;
    }
    li {
        display: grid;
        grid-template-columns: 22px 1fr;
        gap: 8px;
    }
</style>
