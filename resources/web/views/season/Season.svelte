<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import { get } from '../../api/client';
    import type { Season } from '../../api/generated/types';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Picture from '../../parts/Picture.svelte';
    import WillBe from '../../parts/WillBe.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import Memory from './Memory.svelte';
    import { countsText, headText, overruledText, tenths, trustText } from './sentences';

    const reading = new Loader<Season>();
    const season = $derived(reading.value);
    let months = $state(12);
    $effect(() => {
        const wanted = months;
        void reading.load(() => get<Season>(`season?months=${wanted}`));
    });
    const W = 420;
    const H = 260;
    const x = scaleLinear([0.3, 1], [46, W - 12]);
    const y = scaleLinear([0, 1], [H - 34, 12]);
</script>

<TopBar place="season" />
<main>
    <div class="top">
        <h1>Season</h1>
        <span class="ways">
            <label
                >The last <select bind:value={months}
                    >{#each [3, 6, 12, 24, 60] as m (m)}<option value={m}>{m} months</option>{/each}</select
                ></label
            >
            <a href="/api/season.csv?months={months}" download="season.csv">Without names (CSV)</a>
        </span>
    </div>
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    {#if season}
        <section aria-label="What the promises were worth">
            <h2>What the promises were worth</h2>
            <p class="trust {season.ledger.verdict.replace(' ', '-')}">{trustText(season.ledger)}</p>
            <p>{countsText(season.ledger)} {overruledText(season.ledger)}</p>
            {#if !season.ledger.chances.length}<WillBe picture="dots">
                    <p>The chances that were told will stand here beside what the course showed.</p>
                    <a href={season.handedOver ? '#/orders' : '#/'}
                        >{season.handedOver ? 'Ask for rounds with a club that was handed over' : 'Begin a fitting in the day book'}</a
                    >
                </WillBe>{:else}
                <Picture
                    title="Chances, told and come true"
                    name="chances"
                    head={['told', 'would show', 'came', 'low', 'high', 'clubs']}
                    rows={season.ledger.chances.map((c) =>
                        [c.told, c.shows, c.came, c.interval.low, c.interval.high, c.n].map((v) => v.toFixed(2)),
                    )}
                >
                    <svg viewBox="0 0 {W} {H}" role="img" aria-label="How often more fairways came, by the chance that was told">
                        {#each [0, 0.25, 0.5, 0.75, 1] as t (t)}
                            <path d="M46 {y(t)}H{W - 12}" class="hair" />
                            <text x="40" y={y(t) + 4} text-anchor="end">{Math.round(t * 100)}</text>
                        {/each}
                        {#each [0.4, 0.6, 0.8, 1] as t (t)}<text x={x(t)} y={H - 16} text-anchor="middle">{Math.round(t * 100)}</text
                            >{/each}
                        <text x={W / 2} y={H - 2} text-anchor="middle">chance told, %</text>
                        {#each season.ledger.chances as c (c.from)}
                            <path d="M{x(c.told)} {y(c.interval.low)}V{y(c.interval.high)}" class="bar" />
                            <circle cx={x(c.told)} cy={y(c.came)} r="5" class="came" />
                            <path d="M{x(c.told) - 9} {y(c.shows)}h18" class="shows" />
                            <text x={x(c.told) + 11} y={y(c.came) + 4}>{c.n}</text>
                        {/each}
                    </svg>
                </Picture>
                <p class="small">
                    Dots: how often more fairways were counted, with 95 %. Marks: how often they would be, on so few drives, if every chance
                    were true. {season.ledger.chances
                        .map((c) => `Told ${tenths(c.told)} in ten, came ${tenths(c.came)}, would show ${tenths(c.shows)}`)
                        .join('; ')}.
                </p>
            {/if}
            {#each season.ledger.heads as h (h.head)}<p><b>{h.head}</b>: {headText(h)}.</p>{/each}
        </section>
        {#if season.memory}<Memory memory={season.memory} />{/if}
        <section aria-label="What was fitted">
            <h2>What was fitted</h2>
            <p>
                {season.fittings} fittings, {season.decided} decided: {season.keptOwn} kept the own club, {season.overruled} chose against the
                advice. {season.ordered}
                clubs ordered, {season.handedOver} handed over, {season.returned} came back, {season.cancelled} cancelled.
            </p>
            {#if season.why.length}<p class="small">Why they came back: {season.why.join('; ')}.</p>{/if}
            <Scroll label="Heads of the season"
                ><table>
                    <thead
                        ><tr><th>Head</th><th>Hand</th><th>Hit in fittings</th><th>Chosen</th><th>Ordered</th><th>Came back</th></tr></thead
                    >
                    <tbody>
                        {#each season.heads as h (h.id)}<tr class:idle={h.won === 0 && h.inStock}
                                ><td
                                    ><a href="#/rack/head/{h.id}">{h.label}</a>{h.won === 0 && h.inStock
                                        ? h.hit > 0
                                            ? ': hit and never chosen'
                                            : ': never hit'
                                        : ''}</td
                                ><td>{h.hand}</td><td>{h.hit}</td><td>{h.won}</td><td>{h.ordered}</td><td>{h.returned}</td></tr
                            >{/each}
                    </tbody>
                </table></Scroll
            >
        </section>
    {:else if !reading.problem}<Outline what="Looking over the season …" blocks={['lines', 'table']} />{/if}
</main>

<style>
    main {
        max-width: 980px;
        margin: 0 auto;
        padding: 22px 20px;
        display: grid;
        gap: 24px;
    }
    .top,
    .ways {
        display: flex;
        gap: 10px 16px;
        align-items: center;
        justify-content: space-between;
        flex-wrap: wrap;
    }
    label {
        display: flex;
        gap: 6px;
        align-items: center;
        white-space: nowrap;
    }
    section {
        display: grid;
        gap: 10px;
    }
    .trust {
        font-size: var(--lead);
        padding: 10px 14px;
        border-left: 4px solid var(--hair);
        background: var(--sheet);
    }
    .trust-it,
    .too-low {
        border-color: var(--mint);
        background: var(--mint-wash);
    }
    .too-high {
        border-color: var(--brick);
        background: var(--brick-wash);
    }
    td:nth-child(-n + 2),
    th:nth-child(-n + 2) {
        text-align: left;
    }
    .idle td:first-child {
        color: var(--amber);
    }
    svg {
        width: min(460px, 100%);
    }
    .hair {
        stroke: var(--hair);
    }
    .bar {
        stroke: var(--mint);
        stroke-width: 2;
    }
    .came {
        fill: var(--mint);
    }
    .shows {
        stroke: var(--ink);
        stroke-width: 2.5;
    }
    text {
        font-size: 12px;
        fill: var(--ink-2);
    }
</style>
