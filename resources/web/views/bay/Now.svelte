<script lang="ts">
    import type { BayView } from '../../api/generated/types';
    import { nameOf } from '../../format/setups';
    import { faceWords, figure, plain } from '../../format/units';
    import Glyph from '../../parts/Glyph.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import type { BayScreen } from './bay.svelte';
    import KeyCap from './KeyCap.svelte';
    import RatingCard from './RatingCard.svelte';
    import { stepText } from '../../format/judged';
    import { candidateName } from '../../format/found';
    import { blindText, judgeText, nextMove, repeatText, shotSentence } from './sentences';
    import Start from './Start.svelte';
    import Strips from './Strips.svelte';
    import { neverStrips, strips } from './strips';

    // What is read from where the player stands: what is in the hand, the last shot, and what the shots say.
    let { bay, view }: { bay: BayScreen; view: BayView } = $props();
    const units = $derived(bay.fitting.player.units);
    const { last, running } = $derived(bay);
    const carry = $derived(last ? (last.measured.carryM ?? last.computed.carryM) : undefined);
    const move = $derived(nextMove(view, bay.benchmark?.tag ?? null, units));
    const again = $derived(running ? repeatText(view, running.tag, units) : '');
    const lines = $derived(
        view.blind ? [] : bay.isBenchmark ? neverStrips(bay.judged, running?.tag ?? '') : strips(view, bay.judged, units),
    );
    /** Where what is in the hand plays, for this player. */
    const plays = $derived.by(() => {
        const plays = bay.inHand?.playing.plays;
        return plays ? ` · plays ${plain(plays.loftDeg, 1)}°, ${faceWords(plays.faceOpenDeg)}` : '';
    });
    const told = $derived(blindText(view));
</script>

<section class="now" aria-live="polite">
    <div class="hand">
        {#if running && view.blind && !bay.inHand}
            <div>
                <b>Blind: setting {view.blind.ordinal} of {view.blind.of}</b>
                <span class="small">trial {running.number} · {view.counted} count</span>
            </div>
        {:else if bay.inHand && running}
            <Glyph tag={bay.inHand.tag} r={15} />
            <div>
                <b>{running.kind === 'warm-up' ? 'Warm-up with ' : ''}{nameOf(bay.inHand, bay.fitting)}{bay.inHand.starred ? ' ★' : ''}</b>
                <span class="small"
                    >trial {running.number}{bay.isBenchmark ? ', the benchmark' : ''} · {view.counted} count{plays}{view.visit.number > 1
                        ? ` · visit ${view.visit.number}`
                        : ''}</span
                >
            </div>
        {:else}<b>Nothing in the hand yet</b>{/if}
    </div>
    {#if bay.asked}
        <RatingCard open={bay.asked.open} more={bay.asked.more} rate={bay.rate} skip={bay.skipRating} askMore={bay.askMore} />
    {:else}
        {#if last && carry !== undefined}
            {#key last.id}<p class="carry">
                    <span class:left={last.leftOut}>{figure('carryM', carry, units)}</span><small
                        >{units.distance}
                        <em
                            >carry{last.inWind.carryM !== undefined
                                ? ', without the wind'
                                : last.computed.carryM !== undefined
                                  ? ', computed'
                                  : ''}{#if last.source === 'simulated'}&nbsp;<Simulated />{/if}</em
                        ></small
                    >
                </p>{/key}
            <p class="line">{shotSentence(last, units)}{last.leftOut ? ` — left out: ${last.leftOut.reason}` : ''}</p>
            {#if last.flags.length}<p class="flags">{last.flags.join(' ')}</p>{/if}
        {:else if running && !view.blind}
            <p class="first">No shot in this trial yet.</p>
            {#if bay.simulates && bay.bay}<button class="hit" onclick={() => bay.hit(1)}
                    >Hit a simulated shot <KeyCap name="Space" /></button
                >{:else if bay.bay}<p class="line">Hit: the shot shows here by itself.</p>{/if}
        {/if}
        {#if !view.shots.length && !view.blind && (bay.isBenchmark || !lines.length)}<Start {bay} {view} />
        {/if}
        {#if lines.length && running}<Strips strips={lines} tag={running.tag} benchmark={bay.benchmark?.tag ?? ''} />{/if}
        {#if told.length}<div class="told" role="status">
                <p class="next">{told[0]}</p>
                {#each told.slice(1) as t (t)}<p>{t}</p>{/each}
            </div>{/if}
        <div class="then">
            {#if move}<p class="next">{move}</p>{/if}
            {#if bay.judged && !view.blind && running?.kind !== 'warm-up'}
                {#if bay.isJudged}<p class="step">
                        <b>Next:</b>
                        {stepText(bay.judged.step, candidateName(bay.judged, bay.fitting))}
                        {#if bay.judged.next && bay.judged.step.kind === 'hit'}<button class="quiet" onclick={bay.takeNext}
                                >Into the hand <KeyCap name="9" /></button
                            >{/if}
                    </p>{/if}
                {#if judgeText(bay.judged, running?.tag ?? '', units)}<p class="small">
                        {judgeText(bay.judged, running?.tag ?? '', units)}
                    </p>{/if}
            {/if}
            {#if bay.barredBy.length && running}<p class="next" role="status">
                    {running.tag} brings more of what must never come ({bay.barredBy.join(', ')}): it is not offered as the benchmark.
                </p>{/if}
            {#if bay.offers}<button onclick={bay.promote}>Make {running?.tag} the benchmark</button>{/if}
            {#if again}<p class="small">{again}</p>{/if}
            {#if view.flips.length}<p class="small">
                    {view.flips.map((f) => `With ${f.policy} the verdict would be “${f.verdict}”.`).join(' ')}
                </p>{/if}
        </div>
    {/if}
</section>

<style>
    .now {
        display: grid;
        grid-template-columns: minmax(0, 1fr);
        gap: 6px;
        align-content: start;
        --far: 28px;
    }
    .hand {
        display: flex;
        gap: 10px;
        align-items: center;
        font-size: 20px;
        line-height: 1.2;
    }
    .hand .small {
        display: block;
    }
    .carry {
        display: flex;
        align-items: baseline;
        gap: 12px;
        line-height: 0.86;
        animation: land 150ms ease-out;
    }
    @keyframes land {
        from {
            opacity: 0.2;
            transform: translateY(-6px);
        }
    }
    .carry > span {
        flex: none;
        white-space: nowrap;
        font-size: var(--carry, 116px);
        font-weight: 660;
        letter-spacing: -0.03em;
    }
    .carry small {
        min-width: 0;
        font-size: var(--far);
    }
    .carry em {
        display: block;
        font-style: normal;
        font-size: var(--lead);
        line-height: 1.3;
        color: var(--ink-2);
    }
    .carry .left {
        color: var(--ink-2);
        text-decoration: line-through;
        text-decoration-thickness: 6px;
    }
    .line {
        font-size: var(--sentence, 21px);
        line-height: 1.25;
    }
    .first {
        font-size: 40px;
        line-height: 1.1;
        color: var(--ink-2);
    }
    .hit {
        font-size: var(--far);
        padding: 16px 24px;
        justify-self: start;
    }
    .flags {
        color: var(--amber);
        font-size: var(--small);
    }
    .then,
    .told {
        display: grid;
        gap: 4px;
    }
    .then:has(.next),
    .told {
        background: var(--mint-wash);
        border-radius: 10px;
        padding: 8px 12px;
    }
    .next {
        font-size: var(--move, 22px);
        font-weight: 620;
        line-height: 1.2;
    }
    .step {
        font-size: var(--lead);
        line-height: 1.25;
    }
    .step button {
        padding: 2px 8px;
        margin-left: 4px;
    }
    .then > button {
        justify-self: start;
    }
</style>
