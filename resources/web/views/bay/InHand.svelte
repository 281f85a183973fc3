<script lang="ts">
    import { nameOf } from '../../format/setups';
    import Glyph from '../../parts/Glyph.svelte';
    import type { BayScreen } from './bay.svelte';
    import ChangeOver from './ChangeOver.svelte';
    import HandPlane from './HandPlane.svelte';
    import KeyCap from './KeyCap.svelte';
    import { expectedTexts, turnText } from './sentences';
    import Shelve from './Shelve.svelte';

    // The control of what is in the hand: turned by arrows or taps, told before anybody turns it, ticked off, begun.
    let { bay }: { bay: BayScreen } = $props();
    const { hand, to, steps } = $derived(bay);
    const units = $derived(bay.fitting.player.units);
    const next = $derived(bay.judged?.next && hand && bay.judged.next.head === hand.head ? bay.judged.next.sleeve : null);
    const heading = $derived(
        bay.isTurned ? turnText(bay.next, to, hand) : bay.next ? `${bay.next.tag}: ${nameOf(bay.next, bay.fitting)}` : '',
    );
    /** "heel" points where the heel points for the one who looks at the clubhead from above, ball on the left for a right-hander. */
    const ends = $derived(bay.fitting.player.hand === 'right' ? ['heel', 'toe'] : ['toe', 'heel']);
</script>

<section class="hand-zone" aria-label="In the hand">
    <div class="row setups" role="radiogroup" aria-label="Setup for the next trial">
        {#each bay.shown as s (s.id)}
            <label class:on={bay.next?.id === s.id && !bay.isTurned} title={nameOf(s, bay.fitting)}
                ><input
                    type="radio"
                    name="hand"
                    aria-label="Setup {s.tag}"
                    checked={bay.next?.id === s.id && !bay.isTurned}
                    onchange={() => bay.choose(s)}
                /><Glyph tag={s.tag} r={7} />{#if s.starred}<span class="star" title="starred">★</span>{/if}</label
            >
        {/each}
    </div>
    {#if hand?.positions.length}
        <HandPlane
            positions={hand.positions}
            hand={bay.fitting.player.hand}
            now={bay.inHand && bay.inHand.headId === bay.next?.headId ? bay.inHand.sleeveLabel : hand.sleeve}
            to={to?.sleeve ?? hand.sleeve}
            {next}
            onpick={(label) => bay.turnTo(label)}
        />
        {#if hand.arrangements.length > 1}
            <div class="weights">
                <b>{to?.weights ?? ''}</b>
                <span>
                    <button class="plain" onclick={() => bay.shift(-1, 0)}>← {ends[0]}</button>
                    <button class="plain" onclick={() => bay.shift(0, -1)}>↑ front</button>
                    <KeyCap name="Shift" />
                    <button class="plain" onclick={() => bay.shift(0, 1)}>↓ back</button>
                    <button class="plain" onclick={() => bay.shift(1, 0)}>{ends[1]} →</button>
                </span>
            </div>
        {/if}
    {:else if bay.next}
        <p class="small">
            {bay.next.tag} was typed in without its head, so its other positions are unknown. Put the head on the rack to turn it here.
        </p>
    {/if}
    {#if bay.next}
        <div class="then">
            <p class="what">{heading}</p>
            {#if bay.expected}
                <ul class="expected" aria-label="Expected of it">
                    {#each expectedTexts(bay.expected, units) as line (line)}<li>{line}</li>{/each}
                </ul>
            {:else if bay.isTurned && bay.told}<p class="small">What it changes is not known yet: hit the own club first.</p>{/if}
            {#if !bay.ready}<ChangeOver {steps} bind:ticked={bay.ticked} />{/if}
            <div class="row">
                {#if !bay.ready}<button onclick={bay.tickAll}>All done <KeyCap name="Enter" /></button>
                {:else}<button onclick={() => bay.begin()}>Begin the trial <KeyCap name="Enter" /></button>{/if}
                {#if !bay.running}<button class="quiet" onclick={() => bay.begin('warm-up')}>Warm-up</button>{/if}
                {#if bay.isTurned || (bay.running && bay.next.id !== bay.running.setupId)}<button class="quiet" onclick={bay.back}
                        ><KeyCap name="Esc" /> back</button
                    >{/if}
            </div>
        </div>
    {/if}
    {#if bay.ready}<div class="row foot">
            {#if bay.benchmark && !bay.isBenchmark && bay.next?.id !== bay.benchmark.id}<button
                    class="quiet"
                    onclick={() => bay.choose(bay.benchmark)}><KeyCap name={bay.benchmark.tag} /> back to {bay.benchmark.tag}</button
                >{/if}
            {#if bay.judged?.next}<button class="quiet" onclick={bay.takeNext}><KeyCap name="9" /> the finder’s next</button>{/if}
            <button class="quiet" onclick={() => (bay.palette = true)}><KeyCap name="7" /> another head or part</button>
            <button class="quiet" onclick={() => (bay.menu = true)}><KeyCap name="Comma" /> more</button>
        </div>{/if}
    {#if bay.next && bay.shelf}<Shelve setup={bay.next} bind:shelf={bay.shelf} done={() => void bay.reread()} />{/if}
    {#each bay.aside as s (s.id)}<p class="small">
            {s.tag}
            {s.shelf}: {s.shelfReason}
            <button class="plain" onclick={() => bay.bringBack(s)}>Bring {s.tag} back</button>
        </p>{/each}
</section>

<style>
    .hand-zone {
        display: grid;
        gap: 6px;
        align-content: start;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 6px 8px;
        align-items: center;
    }
    .setups label {
        position: relative;
        display: flex;
        gap: 3px;
        align-items: center;
        border: 1px solid var(--hair);
        border-radius: 18px;
        padding: 0 5px 0 2px;
        cursor: pointer;
    }
    .setups input {
        position: absolute;
        inset: 0;
        width: 100%;
        height: 100%;
        margin: 0;
        opacity: 0;
        cursor: pointer;
    }
    .setups .on {
        border-color: var(--mint);
        background: var(--mint-wash);
    }
    .star {
        color: var(--amber);
    }
    .setups label:focus-within {
        outline: 3px solid var(--mint);
        outline-offset: 2px;
    }
    .weights {
        border-top: 1px solid var(--hair);
        padding-top: 3px;
        text-align: center;
        line-height: 1.2;
    }
    .weights span {
        display: flex;
        justify-content: space-between;
        align-items: center;
        flex-wrap: wrap;
        font-size: var(--small);
    }
    .then {
        border-top: 1px solid var(--hair);
        padding-top: 5px;
        display: grid;
        gap: 5px;
    }
    .what {
        font-size: 17px;
        font-weight: 640;
        line-height: 1.2;
    }
    .expected {
        list-style: none;
        margin: 0;
        padding: 0;
        font-size: var(--small);
        line-height: 1.25;
    }
    .foot button {
        padding: 4px 8px;
        border-color: var(--hair);
    }
</style>
