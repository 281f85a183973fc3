<script lang="ts">
    import type { BayView } from '../../api/generated/types';
    import { nameOf } from '../../format/setups';
    import { figure } from '../../format/units';
    import Glyph from '../../parts/Glyph.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import Averages from './Averages.svelte';
    import type { BayScreen } from './bay.svelte';
    import RatingCard from './RatingCard.svelte';
    import { stepText } from '../../format/judged';
    import { candidateName } from '../finder/sentences';
    import { budgetText, judgeText, nextMove, repeatText, shotSentence, verdictMark, verdictsShown } from './sentences';

    // What is read from where the player stands: what is in the hand, the last shot, and what the shots say.
    let { bay, view }: { bay: BayScreen; view: BayView } = $props();
    const units = $derived(bay.fitting.player.units);
    const { last, running } = $derived(bay);
    const carry = $derived(last ? (last.measured.carryM ?? last.computed.carryM) : undefined);
    const move = $derived(nextMove(view, bay.benchmark?.tag ?? null, units));
    const again = $derived(running ? repeatText(view, running.tag, units) : '');
</script>

<section class="now" class:big={bay.big} aria-live="polite">
    <div class="hand">
        {#if running && view.blind && !bay.inHand}
            <div>
                <b>Blind: setting {view.blind.ordinal} of {view.blind.of}</b>
                <span class="small">trial {running.number} · {view.counted} count{budgetText(view.budget)}</span>
            </div>
        {:else if bay.inHand && running}
            <Glyph tag={bay.inHand.tag} r={15} />
            <div>
                <b>{running.kind === 'warm-up' ? 'Warm-up with ' : ''}{nameOf(bay.inHand, bay.fitting)}{bay.inHand.starred ? ' ★' : ''}</b>
                <span class="small"
                    >trial {running.number}{bay.isBenchmark ? ', the benchmark' : ''} · {view.counted} count{budgetText(view.budget)}{view
                        .visit.number > 1
                        ? ` · visit ${view.visit.number}`
                        : ''}</span
                >
            </div>
        {:else}<b>Nothing in the hand yet</b>{/if}
    </div>
    {#if bay.asks}
        <RatingCard open={bay.asks.open} rate={bay.rate} skip={bay.skipRating} />
    {:else}
        {#if last && carry !== undefined}
            <p class="carry">
                <span class:left={last.leftOut}>{figure('carryM', carry, units)}</span><small
                    >{units.distance} carry{last.inWind.carryM !== undefined
                        ? ', without the wind'
                        : last.computed.carryM !== undefined
                          ? ', computed'
                          : ''}</small
                >{#if last.source === 'simulated'}<Simulated />{/if}
            </p>
            <p class="line">{shotSentence(last, units)}{last.leftOut ? ` — left out: ${last.leftOut.reason}` : ''}</p>
            {#if last.flags.length}<p class="flags">{last.flags.join(' ')}</p>{/if}
        {:else}
            <p class="carry"><small>No shot in this trial yet.</small></p>
        {/if}
        <p class="verdicts">
            {#each verdictsShown(view.verdicts) as v (v.name)}<span class={v.verdict}
                    >{verdictMark(v)}<span class="visually-hidden"> ({v.verdict})</span></span
                >{/each}
        </p>
        {#if move}<p class="next">{move}</p>{/if}
        {#if bay.judged && !view.blind && running?.kind !== 'warm-up'}
            {#if bay.isJudged}<p class="step"><b>Next:</b> {stepText(bay.judged.step, candidateName(bay.judged, bay.fitting))}</p>{/if}
            {#if judgeText(bay.judged, running?.tag ?? '', units)}<p class="again">
                    {judgeText(bay.judged, running?.tag ?? '', units)}
                </p>{/if}
        {/if}
        {#if bay.offers}<button onclick={bay.promote}>Make {running?.tag} the benchmark <small>+</small></button>{/if}
        {#if again}<p class="again">{again}</p>{/if}
        {#if view.flips.length}<p class="again">
                {view.flips.map((f) => `With ${f.policy} the verdict would be “${f.verdict}”.`).join(' ')}
            </p>{/if}
        {#if bay.revealed.length}<p class="again" role="status">The settings were {bay.revealed.join(', ')}.</p>{/if}
    {/if}
    {#if view.lastDone}<p class="undo" role="status">
            You {view.lastDone.words}.
            {#if view.lastDone.undoable}<button class="plain" onclick={bay.takeBack}>Undo</button>{/if}
        </p>{/if}
    {#if !bay.big && !bay.asks}<Averages {bay} {view} />{/if}
</section>

<style>
    .now {
        display: grid;
        grid-template-columns: minmax(0, 1fr);
        gap: 8px;
        align-content: start;
    }
    .hand {
        display: flex;
        gap: 12px;
        align-items: center;
        font-size: 20px;
    }
    .hand .small {
        display: block;
    }
    .carry {
        display: flex;
        flex-wrap: wrap;
        align-items: baseline;
        gap: 14px;
        line-height: 0.9;
    }
    .carry span {
        font-size: 120px;
        font-weight: 640;
        letter-spacing: -0.03em;
    }
    .carry small {
        font-size: 28px;
    }
    .carry .left {
        color: var(--ink-2);
        text-decoration: line-through;
        text-decoration-thickness: 6px;
    }
    .big .carry span {
        font-size: 250px;
    }
    .line {
        font-size: 22px;
    }
    .flags {
        color: var(--amber);
        font-size: var(--small);
    }
    .big .line {
        font-size: 32px;
    }
    .verdicts {
        display: flex;
        flex-wrap: wrap;
        gap: 2px 26px;
        font-size: 40px;
        font-weight: 620;
        line-height: 1.15;
        min-height: 46px;
    }
    .verdicts .better {
        color: var(--mint);
    }
    .verdicts .worse {
        color: var(--brick);
    }
    .verdicts .open {
        color: var(--ink-2);
        font-weight: 450;
    }
    .next {
        font-size: 28px;
        line-height: 1.2;
    }
    .step {
        font-size: var(--lead);
    }
    .big .step {
        font-size: 28px;
    }
    .undo {
        color: var(--ink-2);
    }
    button small {
        color: inherit;
        opacity: 0.7;
        margin-left: 4px;
    }
    .again {
        font-size: var(--lead);
        color: var(--ink-2);
    }
    @media (max-width: 1000px) {
        .carry span,
        .big .carry span {
            font-size: 96px;
        }
        .verdicts {
            font-size: 30px;
        }
    }
</style>
