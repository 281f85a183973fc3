<script lang="ts">
    import Failures from '../../parts/Failures.svelte';
    import BenchmarkReason from '../../parts/BenchmarkReason.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Monitors from '../../parts/Monitors.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import SwingSwitch from '../../parts/SwingSwitch.svelte';
    import { current } from '../../lib/session.svelte';
    import { Compared, DRAWN } from './compare.svelte';
    import { guardedOfHit, paysText } from '../../format/guard';
    import { say } from '../../format/sentences';
    import { nameOf } from '../../format/setups';
    import GuardPicture from '../../parts/GuardPicture.svelte';
    import Later from '../../parts/Later.svelte';
    import LoftLadder from '../../parts/LoftLadder.svelte';
    import Differences from './Differences.svelte';
    import LikeForLike from './LikeForLike.svelte';
    import OffCentre from './OffCentre.svelte';
    import Pictures from './Pictures.svelte';
    import Questions from './Questions.svelte';
    import Says from './Says.svelte';
    import Speeds from './Speeds.svelte';
    import Strikes from './Strikes.svelte';
    import { candidateName } from '../finder/sentences';
    import { followJudgement } from '../../lib/judged.svelte';
    import { stepText } from '../../format/judged';
    import { railText } from './sentences';

    let { params }: { params: { id: string; part?: string } } = $props();
    /** What of the figures is shown: the table and what it says, why setups differ, or what lofts, speeds and strikes would do. */
    const part = $derived(params.part === 'why' || params.part === 'lofts' ? params.part : 'figures');
    const compared = new Compared(() => params.id);
    const { comparison, judging, chosen, columns, judged, others, rails } = $derived(compared);
    followJudgement(
        () => compared.load(),
        () => params.id,
    );
    /** What each setup that is compared pays for its safety, against the benchmark. */
    function guardSays(kind: string): string {
        const judge = judging?.judge;
        if (!judge) return '';
        const told = judge.setups.filter((s) => columns.includes(s.tag) && s.tag !== judge.benchmark);
        const units = current.fitting!.player.units;
        return told
            .flatMap((s) => {
                const n = s.never?.find((one) => one.kind === kind);
                return n ? [`${s.tag}: ${paysText(s, n.chance, n.ofBenchmark, judge.benchmark, units)}.`] : [];
            })
            .join(' ');
    }
</script>

<Frame id={params.id} step="answer" {part} chosen={columns} onpick={(s) => compared.pick(s)} marks={compared.marks}>
    {#snippet children(fitting)}
        {@const units = fitting.player.units}
        {#if compared.problem}<Notice kind="error">{compared.problem}</Notice>{/if}
        {#if comparison && comparison.sets.length === 0}
            <h1>Nothing to compare yet</h1>
            <p>Two setups with shots are needed. <a href="#/fitting/{fitting.id}/answer/shots">Read a file or type shots</a>.</p>
        {:else if comparison && chosen}
            <Failures failures={judging?.failures} />
            {#if part === 'figures'}
                <section>
                    {#if fitting.visits.length > 1}<label class="small"
                            >Shots of
                            <select bind:value={compared.visit} onchange={() => void compared.load()}
                                ><option value={null}>all visits</option>{#each fitting.visits as v (v)}<option value={v}>visit {v}</option
                                    >{/each}</select
                            ></label
                        >{/if}
                    <SwingSwitch
                        swing={comparison.swing}
                        swings={comparison.swings}
                        {units}
                        onpick={(name) => {
                            compared.swing = name;
                            void compared.load();
                        }}
                    />
                    <h1>{columns.length > 1 ? `${columns.slice(1).join(', ')} against ${columns[0]}` : `${columns[0]} alone`}</h1>
                    <p class="small">
                        Judged: by the models from all that was hit, the same figures as on the answer and the sheet. These shots alone:
                        mean ± SD for the benchmark; for the others the difference from it within each visit, with its 95 % interval. Bold:
                        told apart also when all measures and setups are asked at once. Click a stop on the trail to add or drop one.
                    </p>
                    {#if compared.unreasoned}<BenchmarkReason
                            message={compared.sending.err('reason')}
                            give={(reason) => compared.makeBenchmark(fitting, compared.unreasoned, reason)}
                            leave={() => (compared.unreasoned = '')}
                        />{/if}
                    <Differences
                        {comparison}
                        judge={judging?.judge ?? null}
                        {columns}
                        {fitting}
                        onbenchmark={(tag) => compared.makeBenchmark(fitting, tag)}
                    />
                    <p class="small">
                        Averages of {judging?.screening ?? ''}. Side, curve, direction and axis: + is right. Total is computed on {fitting
                            .brief.turf} ground unless measured: the roughest figure here.
                    </p>
                    <div class="two">
                        {#if judging}
                            <section>
                                <Says {judging} {judged} {others} {fitting} />
                                {#if compared.step}<p class="next">
                                        <b>Next.</b>
                                        {stepText(compared.step.step, candidateName(compared.step, fitting))}
                                    </p>{/if}
                            </section>
                            <section>
                                <LikeForLike {judged} {units} />
                                {#if rails.length}
                                    <h2>To keep in mind</h2>
                                    <ul class="rails small">
                                        {#each rails as r, i (i)}<li>{railText(r, fitting.player.hand, units)}</li>{/each}
                                    </ul>
                                {/if}
                            </section>
                        {/if}
                    </div>
                </section>
            {:else if part === 'why'}
                <h1>{say('answer.part.why')}</h1>
                <Later
                    ><div class="two">
                        <Pictures {fitting} {comparison} {judging} shots={compared.shots} {columns} {judged} {others} />
                        {#if fitting.setups.some((s) => columns.includes(s.tag) && s.shots > DRAWN)}<p class="small">
                                Of each setup up to {DRAWN} shots are drawn, spread evenly over them; every one of them is in the figures.
                            </p>{/if}
                        <OffCentre {judged} {units} />
                        {#each fitting.brief.never as kind (kind)}
                            {@const setups = guardedOfHit(judging?.judge?.setups ?? [], kind, (tag) =>
                                nameOf(
                                    fitting.setups.find((s) => s.tag === tag)!,
                                    fitting,
                                ),
                            )}
                            {#if setups.length > 1}<GuardPicture {setups} {kind} {units} says={guardSays(kind)} />{/if}
                        {/each}
                        {#if judging?.calibration.length}
                            <section>
                                <h2>The monitor beside physics</h2>
                                <Monitors visits={judging.calibration} balls={judging.balls} {units} />
                                <p class="small">
                                    Shots with a measured carry or apex set drag, lift and spin for their monitor and visit; what it did not
                                    measure is computed with them, and so is what is predicted.
                                </p>
                            </section>
                        {/if}
                    </div></Later
                >
            {:else}
                <h1>{say('answer.part.lofts')}</h1>
                <Later>
                    {#if judging}
                        {@const hit = comparison.sets.map((s) => s.tag)}
                        <section class="asked" aria-label="More that this player’s shots answer">
                            <Speeds {fitting} tags={hit} />
                            <Strikes {fitting} tags={hit} />
                            <LoftLadder {fitting} />
                            <Questions {fitting} />
                        </section>
                    {/if}
                </Later>
            {/if}
        {:else if !compared.problem}
            <Outline what="Judging the shots …" blocks={['table', 'picture']} />
        {/if}
    {/snippet}
</Frame>

<style>
    .two {
        display: grid;
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        gap: 28px;
        align-items: start;
    }
    section {
        display: grid;
        gap: 8px;
        min-width: 0;
    }
    .asked {
        gap: 6px;
    }
    .next {
        border-left: 3px solid var(--mint);
        padding-left: 10px;
    }
    .rails {
        margin: 0;
        padding-left: 18px;
    }
    @media (max-width: 1000px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
