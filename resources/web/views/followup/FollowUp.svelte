<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { get, post, remove } from '../../api/client';
    import type { Fitting, FollowUp } from '../../api/generated/types';
    import { when } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { session } from '../../lib/session.svelte';
    import FileIn from '../../parts/FileIn.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import Links from '../player/Links.svelte';
    import RoundWritten from './RoundWritten.svelte';
    import RoundsDrawn from './RoundsDrawn.svelte';
    import TweakDrawn from './TweakDrawn.svelte';
    import { adviceText, cameText, drivesText, promiseText, tweakText, verdictText } from './sentences';

    let { params }: { params: { id: string } } = $props();
    const reading = new Loader<FollowUp>();
    const acting = new Form();
    let seen = $derived(reading.value);
    const load = () => void reading.load(() => get<FollowUp>(`fittings/${params.id}/follow-up`));
    $effect(load);
    const refit = (fitting: Fitting) =>
        acting.send(async () => {
            const from = seen!.refit!;
            const made = await post<Fitting>('fittings', {
                playerId: fitting.player.id,
                fromFittingId: from.fittingId,
                setupId: from.setupId,
            });
            await push(`/fitting/${made.id}/brief`);
        });
    const takeOut = (id: number) => acting.send(async () => (reading.value = await remove<FollowUp>(`fittings/${params.id}/rounds/${id}`)));
    interface Read {
        lines: number;
        stored: number;
        courses: string[];
    }
    function done(answer: Read): string {
        load();
        return `${answer.lines} rounds read, ${answer.stored} of them new.`;
    }
</script>

<Frame id={params.id} step="sheet">
    {#snippet children(fitting)}
        {@const units = fitting.player.units}
        <div class="page">
            <div class="top">
                <h1>Three rounds after</h1>
                <a href="#/fitting/{fitting.id}/sheet">The sheet</a>
            </div>
            {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
            {#if acting.problem}<Notice kind="error">{acting.problem}</Notice>{/if}
            {#if seen === null && !reading.problem}<Outline what="Looking at the rounds …" blocks={['lines', 'table']} />
            {:else if seen && (!seen.promise || !seen.seen)}
                <p>Nothing was decided yet, so nothing was promised. <a href="#/fitting/{fitting.id}/answer">Decide first.</a></p>
            {:else if seen?.promise && seen.seen}
                {@const s = seen.seen}
                <section class="story">
                    <p>{promiseText(seen.promise, units)}</p>
                    <p class="verdict {s.fairways.replace(' ', '-')}">{verdictText(s)}</p>
                    <p>{cameText(s)} {drivesText(s, seen.promise, units)}</p>
                    {#if s.feel !== null}<p>It feels {s.feel.toFixed(1)} of 5.</p>{/if}
                    <RoundsDrawn {seen} />
                    <p class="advice"><b>{adviceText(s)}</b></p>
                    {#each seen.tweaks as t (t.kind)}
                        <div class="tweak">
                            <TweakDrawn {fitting} tweak={t} tag={seen.promise.tag} />
                            <p>{tweakText(t, units)} <small>Between rounds, never during one.</small></p>
                        </div>
                    {/each}
                    {#if seen.refit && session.user?.role !== 'desk'}<p>
                            <button class="quiet" disabled={acting.busy} onclick={() => refit(fitting)}>Fit again from here</button>
                            <small
                                >A new fitting with this brief, and the club as it was delivered as the own club: its baseline is hit anew.</small
                            >
                        </p>{/if}
                </section>
                <section>
                    <h2>Rounds</h2>
                    {#if seen.rounds.length}
                        <Scroll label="Rounds that were told"
                            ><table>
                                <thead
                                    ><tr
                                        ><th>Played</th><th>Course</th><th>With</th><th>Fairways</th><th>Left</th><th>Right</th><th>Lost</th
                                        ><th>Feel</th><th></th></tr
                                    ></thead
                                >
                                <tbody>
                                    {#each seen.rounds as r (r.id)}
                                        <tr
                                            ><td>{when(r.playedOn)}</td><td>{r.course}</td><td
                                                >{r.club === 'new' ? 'new club' : 'club before'}</td
                                            ><td>{r.hit} of {r.holes}</td><td>{r.left}</td><td>{r.right}</td><td>{r.lost}</td><td
                                                >{r.feel ?? '–'}</td
                                            ><td><button class="plain" onclick={() => takeOut(r.id)}>Take out</button></td></tr
                                        >
                                        {#if r.words}<tr><td></td><td colspan="8">“{r.words}”</td></tr>{/if}
                                    {/each}
                                </tbody>
                            </table></Scroll
                        >
                    {:else}<p>None yet. Give the player the link; a round takes a minute.</p>{/if}
                </section>
                <section class="ways">
                    <Links playerId={fitting.player.id} fittingId={fitting.id} kinds={['rounds']} />
                    <details>
                        <summary>Write a round down</summary>
                        <RoundWritten
                            fittingId={fitting.id}
                            {units}
                            courses={[...new Set(seen.rounds.map((r) => r.course))]}
                            taken={(now) => (reading.value = now)}
                        />
                    </details>
                    <details>
                        <summary>From a table (CSV)</summary>
                        <p class="small">
                            Columns: played, course, club (new or before), holes, hit, left, right, lost, drive 1, drive 2, unit (m or yd),
                            feel.
                        </p>
                        <FileIn label="Choose a table of rounds" accept=".csv,text/csv" path="fittings/{fitting.id}/rounds/file" {done}>
                            {#snippet look(read: Read, name: string, keep: () => void)}
                                {name}: {read.lines} rounds on {read.courses.join(', ')}.
                                <button class="plain" onclick={keep}>Keep them</button>
                            {/snippet}
                        </FileIn>
                    </details>
                </section>
            {/if}
        </div>
    {/snippet}
</Frame>

<style>
    .page {
        max-width: 900px;
        margin: 0 auto;
        width: 100%;
        display: grid;
        gap: 22px;
    }
    .top {
        display: flex;
        justify-content: space-between;
        align-items: baseline;
        gap: 14px;
    }
    section {
        display: grid;
        gap: 10px;
    }
    .verdict {
        font-size: var(--lead);
        padding: 10px 14px;
        border-left: 4px solid var(--hair);
        background: var(--sheet);
    }
    .kept {
        border-color: var(--mint);
        background: var(--mint-wash);
    }
    .broken {
        border-color: var(--brick);
        background: var(--brick-wash);
    }
    .advice {
        font-size: var(--lead);
    }
    .tweak {
        display: grid;
        grid-template-columns: 220px minmax(0, 1fr);
        gap: 16px;
        align-items: center;
    }
    td:nth-child(-n + 3),
    th:nth-child(-n + 3) {
        text-align: left;
    }
    .ways {
        align-items: start;
    }
    @media (max-width: 600px) {
        .tweak {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
