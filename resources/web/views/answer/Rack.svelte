<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { asked, post } from '../../api/client';
    import type { Fitting, Found, FoundSetup, Setup } from '../../api/generated/types';
    import ScorePlane from '../../charts/ScorePlane.svelte';
    import TradeChart from '../../charts/TradeChart.svelte';
    import { foundName } from '../../format/found';
    import { guardedOfFound } from '../../format/guard';
    import { DRIVES, drivesOf } from '../../format/judged';
    import { calibrationText, list } from '../../format/sentences';
    import { builtLike } from '../../format/setups';
    import { factor, figure, plain, signed, unitOf } from '../../format/units';
    import { FLIGHT, flightText, wishTexts } from '../../format/wishes';
    import { Form } from '../../lib/form.svelte';
    import { followJudgement, getJudged } from '../../lib/judged.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { loadFitting } from '../../lib/session.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import GuardPicture from '../../parts/GuardPicture.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Picture from '../../parts/Picture.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { guardSays, learnedRows, oneTexts, ownEffectRows } from './rack';
    import { say } from './words';

    /** Every setup of the rack, the best first. */
    let { fitting, swing }: { fitting: Fitting; swing: string | null } = $props();
    const ROOM = 25;
    const WHICH = ['all', 'stock', 'order', 'own'];
    const reading = new Loader<Found>();
    const found = $derived(reading.value);
    const units = $derived(fitting.player.units);
    const d = $derived(factor(units.distance));
    /** Null until somebody chooses: then the brief presets. */
    let only = $state<string | null>(null);
    const sending = new Form();
    let chosen = $state<string | null>(null);
    let done = $state('');
    let all = $state(false);

    async function load() {
        const told = await reading.load(() => getJudged<Found>(`fittings/${fitting.id}/finder${asked({ only, swing })}`));
        if (told && !told.setups.some((s) => s.tag === chosen)) chosen = told.next?.tag ?? told.best;
        else if (reading.problem) reading.value = null;
    }
    followJudgement(load, () => `${fitting.id} ${only}`);
    const one = $derived(found?.setups.find((s) => s.tag === chosen) ?? null);
    const never = $derived(fitting.brief.never[0] ?? null);
    const name = (s: FoundSetup) => (s.tag === found?.own ? say('answer.rack.ownClub') : foundName(s, units));
    const price = (s: FoundSetup) => (s.price === null ? '–' : `${plain(s.price, 0)} ${s.currency}`);

    /** Puts a found setup on the bench, so that it can be hit. */
    const take = (s: FoundSetup) =>
        sending.send(async () => {
            const made = await post<Setup>(`fittings/${fitting.id}/setups`, builtLike(s, fitting));
            await loadFitting(fitting.id);
            done = say('answer.rack.done', { tag: made.tag, name: foundName(s, units) });
            await load();
        });
</script>

<fieldset class="bar no-print">
    <legend class="visually-hidden">{say('answer.rack.which')}</legend>
    {#each WHICH as which (which)}
        <label
            ><input
                type="radio"
                name="only"
                value={which}
                checked={which === (only ?? found?.only ?? 'all')}
                onchange={() => (only = which)}
            />
            {say(`answer.rack.${which}`)}</label
        >
    {/each}
</fieldset>
{#if reading.waiting && found}<p class="small" role="status">{say('answer.rack.judging')}</p>{/if}
{#if reading.problem || sending.problem}<Notice kind="error">{reading.problem || sending.problem}</Notice>{/if}
{#if done}<Notice kind="good"
        >{done} <button class="plain" onclick={() => push(`/fitting/${fitting.id}/bay`)}>{say('answer.rack.toBay')}</button></Notice
    >{/if}
{#if !found}
    {#if !reading.problem}<Outline what={say('answer.rack.judging')} blocks={['table', 'picture']} />{/if}
{:else}
    <div class="two">
        <section>
            <Scroll label={say('answer.rack.table')} height="high" framed>
                <table>
                    <thead
                        ><tr
                            ><th>{say('answer.rack.setup')}</th><th>{say('answer.row.carryM')} <small>{units.distance}</small></th><th
                                >{say('answer.row.share')} <small>{say('answer.of', { n: DRIVES })}</small></th
                            >{#if never}<th>{say('answer.never', { never: never.replace(' ', '_') })}</th
                                >{/if}{#each FLIGHT as field (field)}<th
                                    >{say(`answer.flight.${field}`)} <small>{unitOf(field, units)}</small></th
                                >{/each}<th>{say('answer.rack.price')}</th><th
                                >{say('answer.rack.chance', { benchmark: found.benchmark })}</th
                            ></tr
                        ></thead
                    >
                    <tbody>
                        {#each all ? found.setups : found.setups.slice(0, ROOM) as s (s.tag)}
                            {@const bad = s.never.find((n) => n.kind === never)}
                            <tr class:tied={s.tied || s.tag === found.best} class:chosen={s.tag === chosen}>
                                <td
                                    ><button class="plain name" onclick={() => (chosen = s.tag)}
                                        >{#if s.setupTag}<Glyph tag={s.setupTag} r={8} />{/if}
                                        {name(s)}</button
                                    >{#if s.tag === found.pick}&nbsp;<b>{say('answer.rack.pick')}</b>{:else if s.tag === found.best}&nbsp;<b
                                            >{say('answer.rack.best')}</b
                                        >{/if}</td
                                >
                                <td>{signed(s.carryGainM * d, 0)}</td>
                                <td>{drivesOf(s.share)}</td>
                                {#if never}<td>{bad ? drivesOf(bad.chance) : '–'}</td>{/if}
                                {#each FLIGHT as field (field)}<td>{flightText(field, s.flight[field], units)}</td>{/each}
                                <td>{price(s)}</td>
                                <td>{plain(s.chance * 100, 0)} %</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
            </Scroll>
            <p class="small">
                {say('answer.rack.note', { benchmark: found.benchmark, n: found.ties })}
                {#if found.tooDear.length}{say('answer.rack.tooDear', { heads: list(found.tooDear) })}{/if}
                {calibrationText(found.calibration)}
                {#if found.count > ROOM}<button class="plain" onclick={() => (all = !all)}
                        >{all ? say('answer.rack.few', { n: ROOM }) : say('answer.rack.every', { n: found.count })}</button
                    >{/if}
            </p>
            {#each found.unreadable as why (why)}<p class="small warn">{why}</p>{/each}
        </section>
        <section>
            {#if one}
                <div class="panel">
                    <h2>{one.setupTag ? `${one.setupTag}: ` : ''}{name(one)}</h2>
                    <p class="small">{wishTexts(one, units).join(' ')} {oneTexts(one, found, units).join(' ')}</p>
                    {#if !one.setupTag && one.headId !== null}<button class="quiet" onclick={() => take(one)}
                            >{say('answer.rack.add')}</button
                        >{/if}
                </div>
            {/if}
            <Picture
                title={say('answer.rack.trade')}
                name="trade"
                head={[say('answer.rack.setup'), `Carry ${units.distance}`, 'Fairways of 14', `Gain ${found.unit}`, 'Chance %']}
                rows={found.setups.map((s) => [
                    foundName(s, units),
                    figure('carryM', s.carryM, units),
                    drivesOf(s.share),
                    signed(s.gain, 2),
                    plain(s.chance * 100, 0),
                ])}
            >
                <TradeChart {found} {units} {chosen} onpick={(s) => (chosen = s.tag)} />
            </Picture>
        </section>
    </div>
    <details>
        <summary>{say('answer.rack.more')}</summary>
        <div class="two even">
            <Picture
                title={say('answer.rack.plane')}
                name="score-plane"
                head={[say('answer.rack.setup'), 'Loft °', 'Face open °', `Gain ${found.unit}`]}
                rows={found.setups.map((s) => [foundName(s, units), plain(s.loftDeg, 1), signed(s.faceOpenDeg, 1), signed(s.gain, 2)])}
            >
                <ScorePlane {found} hand={fitting.player.hand} {units} {chosen} />
            </Picture>
            {#each found.guard as g (g.kind)}
                <div>
                    <GuardPicture
                        setups={guardedOfFound(found, g.kind, (s) => foundName(s, units))}
                        kind={g.kind}
                        {units}
                        says={guardSays(found, g, one, units)}
                    />
                </div>
            {:else}
                <p class="small"><a href="#/fitting/{fitting.id}/brief">{say('answer.rack.noNever')}</a></p>
            {/each}
        </div>
    </details>
    <details>
        <summary>{say('answer.rack.learned')}</summary>
        <div class="two even">
            <table>
                <thead><tr><th></th><th>{say('answer.rack.usual')}</th><th>{say('answer.rack.player')}</th></tr></thead>
                <tbody>
                    {#each learnedRows(found, units) as [what, before, now] (what)}<tr><td>{what}</td><td>{before}</td><td>{now}</td></tr
                        >{/each}
                </tbody>
            </table>
            {#if found.ownEffects.length}
                <Scroll label={say('answer.rack.ownEffects')}>
                    <table>
                        <caption class="small">{say('answer.rack.ownEffects')}</caption>
                        <thead
                            ><tr
                                ><th></th><th>strike toe <small>mm</small></th><th>high <small>mm</small></th><th>spin <small>%</small></th
                                ><th>loft <small>°</small></th><th>club speed <small>{units.speed}</small></th></tr
                            ></thead
                        >
                        <tbody>
                            {#each ownEffectRows(found, units) as row (row[0])}<tr
                                    >{#each row as cell, i (i)}<td>{cell}</td>{/each}</tr
                                >{/each}
                        </tbody>
                    </table>
                </Scroll>
            {/if}
        </div>
    </details>
{/if}

<style>
    .bar {
        display: flex;
        flex-wrap: wrap;
        gap: 6px 18px;
        border: 0;
        padding: 0;
        margin: 0;
    }
    .bar label {
        display: flex;
        gap: 5px;
        align-items: center;
        min-height: 24px;
    }
    .two {
        display: grid;
        grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
        gap: 28px;
        align-items: start;
    }
    .even {
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
        padding-top: 10px;
    }
    section,
    .panel {
        display: grid;
        gap: 8px;
        min-width: 0;
        justify-items: start;
    }
    section > :global(*) {
        width: 100%;
    }
    .name {
        text-align: left;
        min-width: 170px;
    }
    td:not(:first-child) {
        white-space: nowrap;
    }
    .tied td {
        background: var(--mint-wash);
    }
    .chosen td {
        font-weight: 650;
    }
    @media (max-width: 1000px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
