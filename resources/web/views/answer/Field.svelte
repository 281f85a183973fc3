<script lang="ts">
    import type { AnswerCard, Fitting, FittingAnswer, Found, FoundSetup } from '../../api/generated/types';
    import { drivesOf } from '../../format/judged';
    import { say } from './words';
    import { nameOf } from '../../format/setups';
    import { factor, plain, signed } from '../../format/units';
    import { amountOf } from '../../format/wishes';
    import Glyph from '../../parts/Glyph.svelte';
    import { foundName } from '../../format/found';

    /** A card for each setup that was hit, in the order of the trail, and for the best that nobody hit. */
    let { answer, fitting, found, hidden }: { answer: FittingAnswer; fitting: Fitting; found: Found | null; hidden: boolean } = $props();
    const units = $derived(fitting.player.units);
    const k = $derived(factor(units.distance));
    const never = $derived(fitting.brief.never[0] ?? null);
    const neverWord = $derived(never === null ? '' : say('answer.never', { never: never.replace(' ', '_') }));
    const order = $derived(new Map(fitting.setups.map((s, i) => [s.tag, i])));
    const cards = $derived([...answer.field].sort((a, b) => (order.get(a.tag) ?? 0) - (order.get(b.tag) ?? 0)));
    const unhit = $derived(
        (['turn', 'best'] as const).flatMap((kind) => {
            const s = found?.setups.find((one) => one.tag === answer.unhit[kind]);
            return s ? [[kind, s] as [string, FoundSetup]] : [];
        }),
    );
    const half = (i: { low: number; high: number }) => plain(((i.high - i.low) / 2) * k, 0);
    const carry = (c: Pick<AnswerCard, 'carryGainM' | 'carryGainInterval'>) =>
        `${signed(c.carryGainM * k, 0)} ±${half(c.carryGainInterval)}`;
    const spin = (rpm: number | null | undefined) => (rpm == null ? '–' : amountOf('spinRpm', rpm, units));
    const standing = (c: AnswerCard) =>
        c.tag === answer.judge?.benchmark && c.standing !== 'pick'
            ? say('answer.card.benchmark')
            : say(`answer.card.${c.standing}`, { kind: answer.kind, never: c.never ?? 'none' });
    const nameOfTag = (tag: string) =>
        nameOf(
            fitting.setups.find((s) => s.tag === tag)!,
            fitting,
        );
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="field" role="region" aria-label={say('answer.field')} tabindex="0">
    {#each cards as c (c.tag)}
        <article class:pick={c.standing === 'pick' && !hidden} class:held={c.tag === answer.before}>
            <h2><Glyph tag={c.tag} r={9} /><span>{nameOfTag(c.tag)}</span></h2>
            <p>
                {#if !hidden}<span class="standing {c.standing.replace(' ', '-')}">{standing(c)}</span>{/if}
                <small>{say('answer.card.shots', { n: c.n })}</small>
            </p>
            <dl>
                <dt>{say('answer.carry')}</dt>
                <dd>{c.tag === answer.judge?.benchmark ? `${plain(c.carryM * k, 0)} ${units.distance}` : carry(c)}</dd>
                <dt>{say('answer.fairways')}</dt>
                <dd>{c.fairway ?? '–'}</dd>
                {#if never}<dt>{neverWord}</dt>
                    <dd>{c.neverDrives ?? '–'}</dd>{/if}
                <dt>{say('answer.spin')}</dt>
                <dd>{spin(c.spinRpm)}</dd>
            </dl>
        </article>
    {/each}
    {#each hidden ? [] : unhit as [kind, s] (s.tag)}
        {@const bad = s.never.find((n) => n.kind === never)}
        <article class="unhit">
            <h2><span>{foundName(s, units)}</span></h2>
            <p><span class="standing open">{say(`answer.card.${kind}`)}</span></p>
            <dl>
                <dt>{say('answer.carry')}</dt>
                <dd>{carry(s)}</dd>
                <dt>{say('answer.fairways')}</dt>
                <dd>{drivesOf(s.share)}</dd>
                {#if bad}<dt>{neverWord}</dt>
                    <dd>{drivesOf(bad.chance)}</dd>{/if}
                <dt>{say('answer.spin')}</dt>
                <dd>{spin(s.flight.spinRpm?.value)}</dd>
            </dl>
        </article>
    {/each}
</div>

<style>
    .field {
        display: flex;
        overflow-x: auto;
        margin: 0 -20px;
        border-top: 1px solid var(--hair);
        background: var(--sheet);
    }
    article {
        flex: 1 0 190px;
        max-width: 300px;
        padding: 8px 14px 10px;
        border-right: 1px solid var(--hair);
        display: grid;
        gap: 3px;
        align-content: start;
    }
    /* With more than the strip can show, the pick and what it is held against stay in sight. */
    article.held,
    article.pick {
        position: sticky;
        left: 0;
        z-index: 1;
        background: var(--sheet);
    }
    article.pick {
        right: 0;
        background: var(--mint-wash);
    }
    article.pick:not(.held) {
        left: 190px;
    }
    @media (max-width: 700px) {
        article.held,
        article.pick {
            position: static;
        }
    }
    h2 {
        margin: 0;
        font-size: 15px;
        font-weight: 650;
        line-height: 1.15;
        display: flex;
        gap: 6px;
        align-items: center;
        min-height: 36px;
    }
    h2 span {
        overflow: hidden;
        display: -webkit-box;
        line-clamp: 2;
        -webkit-line-clamp: 2;
        -webkit-box-orient: vertical;
    }
    p {
        margin: 0;
        display: flex;
        gap: 8px;
        align-items: center;
    }
    .standing {
        font-size: 13px;
        font-weight: 600;
        padding: 1px 8px;
        border-radius: 20px;
        background: var(--band);
    }
    .standing.pick,
    .level,
    .likely-better {
        background: var(--mint-wash);
        color: var(--mint);
    }
    .open {
        background: var(--amber-wash);
        color: var(--amber);
    }
    .barred,
    .worse,
    .likely-worse {
        background: var(--brick-wash);
        color: var(--brick);
    }
    dl {
        margin: 2px 0 0;
        display: grid;
        grid-template-columns: 1fr auto;
        font-size: 14px;
        line-height: 1.3;
    }
    dt {
        color: var(--ink-2);
    }
    dd {
        margin: 0;
        text-align: right;
        font-weight: 600;
        white-space: nowrap;
    }
</style>
