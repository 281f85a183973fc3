<script lang="ts">
    import { asked, get, getToWrite, patch } from '../../api/client';
    import type { Decision, DecisionWithProof, Fitting, Grounds, Schools as SchoolsTold } from '../../api/generated/types';
    import { otherSwingsText } from '../../format/speeds';
    import { when } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import { followJudgement, getJudged } from '../../lib/judged.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { loadFitting } from '../../lib/session.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import { worthText } from './choice';
    import Confirm from './Confirm.svelte';
    import Days from './Days.svelte';
    import Decided from './Decided.svelte';
    import { expectedRows } from './figures';
    import FigureTable from './FigureTable.svelte';
    import Schools from './Schools.svelte';
    import Ties from './Ties.svelte';
    import { say } from './words';

    /** What the answer hangs on: a run to confirm it, schools, other days, money, ties; and what was decided before. */
    let {
        fitting: now,
        swing,
        decisions,
        onchange,
    }: { fitting: Fitting; swing: string | null; decisions: Decision[]; onchange: () => Promise<void> } = $props();
    const reading = new Loader<Grounds>();
    let schoolsNow = $state<SchoolsTold | null>(null);
    /** A locked version that is looked at, in place of what holds now. */
    let kept = $state<DecisionWithProof | null>(null);
    const grounds = $derived<Grounds | null>(kept?.proof ?? reading.value);
    const schools = $derived(kept?.proof?.schools ?? schoolsNow);
    const fitting = $derived(kept?.proof?.brief ? { ...now, brief: kept.proof.brief } : now);
    const units = $derived(fitting.player.units);
    const worth = $derived(grounds && worthText(grounds.worth, grounds.unit, fitting));
    const sending = new Form();

    async function load() {
        const part = <T,>(name: string) => getJudged<T & { age?: Grounds['age'] }>(`fittings/${now.id}/${name}${asked({ swing })}`);
        if (await reading.load(() => part<Grounds>('grounds')))
            await part<SchoolsTold>('schools').then(
                (told) => void (schoolsNow = told),
                (e) => sending.fail(e),
            );
    }
    followJudgement(load, () => now.id);
    const order = (tieOrder: string[]) =>
        sending.send(async () => {
            await patch(`fittings/${now.id}`, { version: (await getToWrite<Fitting>(`fittings/${now.id}`)).version, tieOrder });
            await loadFitting(now.id);
            await load();
        });
    const look = (d: Decision) => void sending.send(async () => void (kept = await get<DecisionWithProof>(`decisions/${d.id}`)));
</script>

{#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
{#if kept}<Notice
        >{say('answer.kept', { version: kept.version, tag: kept.tag, at: when(kept.lockedAt!) })}
        <button class="plain" onclick={() => (kept = null)}>{say('answer.kept.back')}</button></Notice
    >
    {#if grounds}{@const tags = grounds.setups.map((s) => s.tag)}
        <FigureTable
            label={say('answer.figures.expected')}
            {tags}
            held={grounds.benchmark}
            counts={Object.fromEntries(grounds.setups.map((s) => [s.tag, s.n]))}
            rows={expectedRows(grounds, fitting, tags)}
        />{/if}
{/if}
{#if reading.problem && !kept}<p>{say('answer.choice.none')}</p>{/if}
<div class="two">
    {#if grounds && grounds.setups.length > 1}
        <div>
            {#if !kept || grounds.confirm}<Confirm {grounds} {fitting} past={kept !== null} onchange={load} />{/if}
            {#if schools}<Schools {schools} pick={grounds.pick} own={grounds.benchmark} />{:else}<Outline
                    what={say('answer.choice.weighing')}
                    blocks={['table']}
                />{/if}
        </div>
        <div>
            {#if worth}<section aria-label={say('answer.worth')}>
                    <h2>{say('answer.worth')}</h2>
                    {#if worth.price}<p><b>{worth.price}</b></p>{/if}
                    <p>{worth.head} {worth.rest} {otherSwingsText(grounds, units)}</p>
                </section>{/if}
            {#if grounds.tieBreak && !kept}<Ties tie={grounds.tieBreak} {fitting} onorder={order} />{/if}
            {#if grounds.days.length}<Days {grounds} {fitting} />{/if}
        </div>
    {:else if !reading.problem && !grounds}<Outline what={say('answer.choice.weighing')} blocks={['table']} />{/if}
</div>
{#if decisions.length}<Decided {decisions} {onchange} onlook={look} />{/if}

<style>
    .two {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(min(100%, 460px), 1fr));
        gap: 26px 34px;
        align-items: start;
    }
    .two > div {
        display: grid;
        gap: 20px;
        min-width: 0;
    }
    section {
        display: grid;
        gap: 6px;
    }
</style>
