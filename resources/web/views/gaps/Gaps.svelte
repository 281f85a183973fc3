<script lang="ts">
    import { get, remove } from '../../api/client';
    import type { Gaps, LongClub, Rack } from '../../api/generated/types';
    import { FLIGHT_RANGE } from '../../api/generated/vocabulary';
    import GapLadder from '../../charts/GapLadder.svelte';
    import { factor, figure, plain } from '../../format/units';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { readNumber } from '../../lib/numbers';
    import FileIn from '../../parts/FileIn.svelte';
    import Frame from '../../parts/Frame.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Picture from '../../parts/Picture.svelte';
    import WillBe from '../../parts/WillBe.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import LongClubForm from './LongClubForm.svelte';
    import { descentText, fillClubText, fillText, moveText, perDegreeText, runText, verdictText } from './sentences';

    /** The gaps between the driver and the long clubs under it. The driver's own fitting does not change by them. */
    let { params }: { params: { id: string } } = $props();
    interface FileSeen {
        clubs: { name: string; shots: number; stored: number; isNew: boolean }[];
        problems: string[];
        kept: boolean;
    }
    const reading = new Loader<Gaps>();
    const racking = new Loader<Rack>();
    const sending = new Form();
    let editing = $state<LongClub | 'new' | null>(null);
    let wanted = $state('');
    let note = $state('');
    const gaps = $derived(reading.value);

    /** @param perMetre units of distance to the metre, as the player reads them */
    async function load(perMetre: number) {
        const number = readNumber(wanted);
        if (wanted.trim() !== '' && number === null) {
            sending.problem = `The gap “${wanted}” is not a number; the gaps below are as before.`;
            return;
        }
        sending.clear();
        await reading.load(() => get<Gaps>(`fittings/${params.id}/gaps${number === null ? '' : `?wantedM=${number / perMetre}`}`));
    }
    $effect(() => void reading.load(() => get<Gaps>(`fittings/${params.id}/gaps`)));
    $effect(() => void racking.load(() => get<Rack>('rack')));
    function saved(now: Gaps, said: string, perMetre: number) {
        reading.value = now;
        editing = null;
        note = said;
        if (wanted.trim() !== '') void load(perMetre);
    }
    async function takeOut(club: LongClub, perMetre: number) {
        await sending.send(async () =>
            saved(
                await remove<Gaps>(`long-clubs/${club.id}`),
                `${club.name} is taken out; the fitting’s log in the bay can put it back.`,
                perMetre,
            ),
        );
    }
</script>

<Frame id={params.id} step="bench">
    {#snippet children(fitting)}
        {@const units = fitting.player.units}
        {@const k = factor(units.distance)}
        <div class="top">
            <h1>Gaps to the long clubs</h1>
            <label class="small"
                >Gap wanted <input
                    inputmode="decimal"
                    maxlength="6"
                    bind:value={wanted}
                    onchange={() => void load(k)}
                    placeholder={gaps?.wantedM ? plain(gaps.wantedM * k, 0) : ''}
                />
                {units.distance}; empty: even ones</label
            >
            {#if editing === null && gaps && gaps.clubs.length > 1}<button onclick={() => (editing = 'new')}>Add a club</button>{/if}
        </div>
        {#if reading.problem || sending.problem}<Notice kind="error">{reading.problem || sending.problem}</Notice>{/if}
        {#if note}<Notice kind="good">{note}</Notice>{/if}
        {#if editing !== null}
            {#key editing}<LongClubForm
                    fittingId={fitting.id}
                    {units}
                    club={editing === 'new' ? null : editing}
                    sleeves={racking.value?.sleeves ?? []}
                    onsaved={(now) => saved(now, 'Saved.', k)}
                    oncancel={() => (editing = null)}
                />{/key}
        {/if}
        {#if gaps}
            {#if gaps.clubs.length < 2}
                <WillBe picture="rungs">
                    <p>
                        The carry of each long club will stand here, and the gaps between them{gaps.driver
                            ? `, from ${gaps.driver} on`
                            : '. The driver joins them once it was hit'}.
                    </p>
                    {#if editing === null}<button onclick={() => (editing = 'new')}>Add a fairway wood or hybrid</button>{/if}
                </WillBe>
            {:else}
                <div class="two">
                    <Picture
                        title="Carry, club by club"
                        name="gaps"
                        head={['Club', 'Loft °', 'n', `Carry ${units.distance}`, 'Likely', 'Descent', `Run ${units.distance}`]}
                        rows={gaps.clubs.map((c) => [
                            c.name,
                            plain(c.loftDeg, 1),
                            c.leftOut ? `${c.n} (${c.leftOut} left out)` : c.n,
                            figure('carryM', c.carryM, units),
                            c.interval ? `${figure('carryM', c.interval.low, units)} to ${figure('carryM', c.interval.high, units)}` : '–',
                            descentText(c),
                            runText(c, units),
                        ])}
                    >
                        <GapLadder {gaps} {units} />
                    </Picture>
                    <section>
                        <h2>What closes or opens them</h2>
                        <ul>
                            {#each gaps.gaps as g (`${g.from} ${g.to}`)}
                                <li>
                                    <b>{g.from} to {g.to}: {plain(g.gapM * k, 0)} {units.distance}</b>
                                    <small>({plain(g.interval.low * k, 0)} to {plain(g.interval.high * k, 0)})</small>, {verdictText(
                                        g,
                                        gaps.wantedM ?? 0,
                                        units,
                                    )}.
                                    {#if g.fill}<p class="small">{fillText(g.fill, units)}</p>
                                        {#each g.fill.clubs as c (c.kind)}{@const said = fillClubText(c, units)}{#if said}<p class="small">
                                                    {said}
                                                </p>{/if}{/each}{/if}
                                    {#if g.verdict !== 'even' && !(g.fill && g.moves.length === 0)}
                                        {#each g.moves as m (`${m.club} ${m.position}`)}<p class="small">{moveText(m, units)}</p>{:else}<p
                                                class="small"
                                            >
                                                No sleeve here brings it nearer.
                                            </p>{/each}
                                    {/if}
                                </li>
                            {/each}
                        </ul>
                        <p class="small">{perDegreeText(gaps, units)}</p>
                        <p class="small">
                            Sleeves by the same exact geometry as the driver’s, for a player who squares the face by {plain(
                                gaps.squaringShare * 100,
                                0,
                            )} %. Spin is predicted only where the flight model holds (ball speeds of {plain(
                                FLIGHT_RANGE.ballSpeedMps[0] * factor(units.speed),
                                0,
                            )} to
                            {plain(FLIGHT_RANGE.ballSpeedMps[1] * factor(units.speed), 0)}
                            {units.speed}, {FLIGHT_RANGE.spinRpm[0]} to {FLIGHT_RANGE.spinRpm[1]} rpm). The driver’s own fitting does not change
                            by any of this.
                        </p>
                    </section>
                </div>
            {/if}
            {#if gaps.longClubs.length}
                <Scroll label="Long clubs">
                    <table>
                        <thead
                            ><tr
                                ><th>Club</th><th>Loft</th><th>Sleeve</th><th>Shots</th><th>Carry <small>{units.distance}</small></th><th
                                    >Descent</th
                                ><th>Run <small>{units.distance}</small></th><th></th></tr
                            ></thead
                        >
                        <tbody>
                            {#each gaps.longClubs as club (club.id)}
                                {@const told = gaps.clubs.find((c) => c.name === club.name)!}
                                <tr>
                                    <td><b>{club.name}</b> <small>{club.kind}</small></td>
                                    <td>{plain(club.loftDeg, 1)}°</td>
                                    <td>{club.sleeve ? `${club.sleeve}, ${club.position}` : 'fixed'}</td>
                                    <td>{told.n}{told.leftOut ? `, ${told.leftOut} far off left out` : ''}</td>
                                    <td>{figure('carryM', told.carryM, units)}</td>
                                    <td>{descentText(told)}</td>
                                    <td>{runText(told, units)}</td>
                                    <td class="acts"
                                        ><button class="plain" onclick={() => (editing = club)}
                                            >Change<span class="visually-hidden"> {club.name}</span></button
                                        ><button class="plain" onclick={() => void takeOut(club, k)}
                                            >Take out<span class="visually-hidden"> {club.name}</span></button
                                        ></td
                                    >
                                </tr>
                            {/each}
                        </tbody>
                    </table>
                </Scroll>
            {/if}
            <FileIn
                label="Shots of long clubs from a table: CSV with a column for the club, and carry or ball speed, launch and spin"
                accept=".csv,.txt,.tsv,text/csv"
                path="fittings/{fitting.id}/long-clubs/file"
                done={(answer: FileSeen) => {
                    void load(k);
                    const stored = answer.clubs.reduce((n, c) => n + c.stored, 0);
                    return `${stored} ${stored === 1 ? 'shot' : 'shots'} stored${answer.problems.length ? `; ${answer.problems.length} ${answer.problems.length === 1 ? 'line was' : 'lines were'} not read` : ''}. Look at the lofts: a table tells none.`;
                }}
            >
                {#snippet look(seen: FileSeen, name: string, keep: () => void)}
                    <p>
                        {name}: {seen.clubs.map((c) => `${c.name} (${c.shots}${c.isNew ? ', new' : ''})`).join(', ')}.
                        <button onclick={keep}>Add them</button>
                    </p>
                    {#each seen.problems.slice(0, 5) as problem (problem)}<p class="small warn">{problem}</p>{/each}
                {/snippet}
            </FileIn>
        {:else if !reading.problem}
            <Outline what="Reading the clubs …" blocks={['picture', 'table']} />
        {/if}
    {/snippet}
</Frame>

<style>
    .top {
        display: flex;
        flex-wrap: wrap;
        gap: 8px 22px;
        align-items: center;
    }
    .top label {
        display: flex;
        gap: 6px;
        align-items: center;
        margin-left: auto;
    }
    .top input {
        width: 70px;
    }
    .two {
        display: grid;
        grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
        gap: 28px;
        align-items: start;
    }
    section,
    ul {
        display: grid;
        gap: 8px;
    }
    ul {
        list-style: none;
        padding: 0;
    }
    .acts {
        white-space: nowrap;
    }
    @media (max-width: 1000px) {
        .two {
            grid-template-columns: minmax(0, 1fr);
        }
        .top label {
            margin-left: 0;
        }
    }
</style>
