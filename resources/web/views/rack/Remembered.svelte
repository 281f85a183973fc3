<script lang="ts">
    import { scaleLinear } from 'd3-scale';
    import type { HeadDetail } from '../../api/generated/types';
    import { signed } from '../../format/units';
    import { say } from './words';

    // What earlier fittings show of this head: each effect with its interval, about the usual head.
    let { memory }: { memory: NonNullable<HeadDetail['memory']> } = $props();
    const W = 240;
    /** What one unit is worth on the common scale, and how it is said. */
    const SHOWN: Record<string, { reach: number; by: number; digits: number }> = {
        faceDeg: { reach: 2, by: 1, digits: 1 },
        loftDeg: { reach: 2, by: 1, digits: 1 },
        spinShare: { reach: 0.12, by: 100, digits: 0 },
        speedMps: { reach: 1, by: 1, digits: 1 },
        toeMm: { reach: 6, by: 1, digits: 0 },
        highMm: { reach: 6, by: 1, digits: 0 },
    };
    const rows = $derived(
        memory.effects.map((e) => {
            const { reach, by, digits } = SHOWN[e.effect]!;
            const x = scaleLinear([-reach, reach], [4, W - 4]).clamp(true);
            const size = (v: number) => Math.abs(v * by).toFixed(digits);
            return {
                ...e,
                x,
                words: say('head.effect', {
                    effect: e.effect,
                    size: size(e.mean),
                    way: e.low * e.high < 0 || Number(size(e.mean)) === 0 ? 'open' : e.mean > 0 ? 'plus' : 'minus',
                }),
                range: say('head.range', { low: signed(e.low * by, digits), high: signed(e.high * by, digits), effect: e.effect }),
            };
        }),
    );
</script>

<section aria-label={say('head.memory')}>
    <h2>{say('head.memory')}</h2>
    <p class="small">
        {say(memory.elsewhere ? 'head.restsElsewhere' : 'head.rests', { players: memory.players, fittings: memory.fittings })}
    </p>
    <ul>
        {#each rows as r (r.effect)}
            <li>
                <span class:warn={r.moved}
                    >{r.words}{#if r.moved}<br />{say('head.moved')}{/if}</span
                >
                <svg viewBox="0 0 {W} 22" width={W} height="22" role="img" aria-label="{r.words}, {r.range}">
                    <path d="M{W / 2} 1V21" class="zero" />
                    <path d="M{r.x(r.low)} 11H{r.x(r.high)}" class="reach" />
                    <circle cx={r.x(r.mean)} cy="11" r="5" />
                </svg>
                <span class="small">{r.range}</span>
            </li>
        {/each}
    </ul>
</section>

<style>
    section {
        display: grid;
        gap: 6px;
    }
    ul {
        list-style: none;
        padding: 0;
    }
    li {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto 130px;
        gap: 12px;
        align-items: center;
        border-top: 1px solid var(--hair);
        padding: 3px 0;
    }
    .zero {
        stroke: var(--ink-2);
        stroke-dasharray: 2 3;
    }
    .reach {
        stroke: var(--mint);
        stroke-width: 2.5;
    }
    circle {
        fill: var(--mint);
    }
    @media (max-width: 560px) {
        li {
            grid-template-columns: minmax(0, 1fr);
            gap: 2px;
        }
    }
</style>
