<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { get, post } from '../../api/client';
    import type { Appointment, CalendarDays, Hand, KnownPlayer } from '../../api/generated/types';
    import { LANGUAGES, languageName } from '../../lib/words';
    import { session } from '../../lib/session.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Links from '../player/Links.svelte';
    import type { CalendarPlace } from './calendar.svelte';
    import { dayWords, timeOf } from './days';

    let { place, days }: { place: CalendarPlace; days: CalendarDays } = $props();

    const one = $derived<Appointment | null>(place.open !== null && place.open !== 'new' ? place.open : null);
    const usual = $derived(days.kinds[0]!);
    let v = $state({
        name: '',
        hand: 'right' as Hand,
        kind: '',
        day: '',
        time: '',
        minutes: '',
        swings: '',
        bayId: null as number | null,
        fitterId: null as number | null,
        note: '',
        /** In which the player is written to; empty: as on their phone. */
        language: '',
    });
    let player = $state<{ id: number; name: string; hand: Hand } | null>(null);
    let known = $state<KnownPlayer[]>([]);

    // Filled anew when another appointment, or another free place, is opened; what is typed stays while it is the same.
    let shown = '';
    $effect(() => {
        const key = one ? `${one.id}.${one.version}` : `new ${place.mark?.day} ${place.mark?.minutes} ${place.mark?.bayId}`;
        if (key === shown) return;
        const isNewHere = !one && shown.startsWith('new');
        shown = key;
        if (one) {
            v = {
                name: '',
                hand: 'right',
                kind: one.kind,
                day: one.day,
                time: one.time,
                minutes: String(one.minutes),
                swings: String(one.swings),
                bayId: one.bay?.id ?? null,
                fitterId: one.fitter?.id ?? null,
                note: one.note,
                language: one.player?.language ?? '',
            };
            player = one.player;
            return;
        }
        const mark = place.mark;
        const when = { day: mark?.day ?? days.today, time: timeOf(mark?.minutes ?? 600) };
        const bayId = mark?.bayId ?? days.bays[0]?.id ?? null;
        // Another place on the calendar moves what is being typed; it does not throw it away.
        if (isNewHere) v = { ...v, ...when, bayId: mark?.bayId ?? v.bayId };
        else {
            const fitterId = days.fitters.find((f) => f.name === session.user?.name)?.id ?? days.fitters[0]?.id ?? null;
            v = {
                name: '',
                hand: 'right',
                kind: usual.name,
                ...when,
                minutes: String(usual.minutes),
                swings: String(usual.swings),
                bayId,
                fitterId,
                note: '',
                language: '',
            };
            player = null;
        }
    });
    $effect(() => {
        const q = v.name.trim();
        if (q.length < 2 || player) return void (known = []);
        const wait = setTimeout(
            () => void get<KnownPlayer[]>(`players?q=${encodeURIComponent(q)}`).then((p) => (known = p.slice(0, 4))),
            250,
        );
        return () => clearTimeout(wait);
    });
    function ofKind(name: string) {
        const kind = days.kinds.find((k) => k.name === name);
        if (kind) [v.minutes, v.swings] = [String(kind.minutes), String(kind.swings)];
    }
    const err = (field: string) => place.acting.err(field);
    const said = () => ({
        kind: v.kind,
        day: v.day,
        time: v.time,
        minutes: Number(v.minutes),
        swings: Number(v.swings),
        bayId: v.bayId,
        fitterId: v.fitterId,
        note: v.note,
        ...(v.language ? { language: v.language } : {}),
        ...(player ? { playerId: player.id } : v.name.trim() ? { name: v.name, hand: v.hand } : { playerId: null }),
    });
    async function save(event: SubmitEvent) {
        event.preventDefault();
        await (one ? place.change(one, said()) : place.book(said()));
    }
    const begin = () =>
        place.acting.send(async () => {
            const { fittingId } = await post<{ fittingId: number }>(`appointments/${one!.id}/fitting`, {});
            await push(session.user?.role === 'desk' ? `/player/${one!.player!.id}` : `/fitting/${fittingId}/brief`);
        });
    const OTHERS = ['bayId', 'fitterId', 'playerId', 'time', 'day', 'minutes', 'swings', 'name', 'hand', 'outside'];
    const isElsewhere = $derived(place.acting.problem !== '' && !OTHERS.some((f) => err(f)));
</script>

<form class="panel" onsubmit={save} aria-label={one ? 'Appointment' : 'New appointment'}>
    <div class="head">
        <h2>{one ? (one.player?.name ?? one.kind) : 'Book'}</h2>
        <button type="button" class="plain" onclick={() => (place.open = null)}>Close</button>
    </div>
    {#if one && one.state !== 'booked'}<p class="small">
            {one.state === 'came' ? 'They came.' : one.state === 'missed' ? 'They did not come.' : 'Called off.'}
        </p>{/if}
    {#if player}
        <p>
            <a href="#/player/{player.id}">{player.name}</a>, {player.hand}-handed
            <button type="button" class="plain" onclick={() => (player = null)}>somebody else</button>
        </p>
    {:else}
        <Field label="Player" hint="empty: nobody comes" error={err('name') || err('hand') || err('playerId')}
            ><input maxlength="80" autocomplete="off" bind:value={v.name} /></Field
        >
        {#each known as k (k.id)}<button type="button" class="plain known" onclick={() => (player = k)}
                >{k.name}, {k.hand}-handed: has been here before</button
            >{/each}
        {#if v.name.trim()}<fieldset>
                <legend>Plays</legend>
                <label><input type="radio" value="right" bind:group={v.hand} /> right-handed</label>
                <label><input type="radio" value="left" bind:group={v.hand} /> left-handed</label>
            </fieldset>{/if}
    {/if}
    {#if player && err('playerId')}<Notice kind="error">{err('playerId')}</Notice>{/if}
    <Field label="For"
        ><select bind:value={v.kind} onchange={(e) => ofKind(e.currentTarget.value)}
            >{#each days.kinds as k (k.name)}<option>{k.name}</option>{/each}{#if !days.kinds.some((k) => k.name === v.kind)}<option
                    >{v.kind}</option
                >{/if}</select
        ></Field
    >
    <div class="pair">
        <Field label="Day" error={err('day')}><input type="date" required bind:value={v.day} /></Field>
        <Field label="Time" error={err('time')}><input type="time" required step="300" bind:value={v.time} /></Field>
    </div>
    <div class="pair">
        <Field label="Minutes" error={err('minutes')}
            ><input type="number" inputmode="numeric" required min="10" max="480" bind:value={v.minutes} /></Field
        >
        <Field label="Swings" hint="the budget" error={err('swings')}
            ><input type="number" inputmode="numeric" required min="0" max="200" bind:value={v.swings} /></Field
        >
    </div>
    <div class="pair">
        <Field label="Bay" error={err('bayId')}
            ><select bind:value={v.bayId}
                >{#each days.bays as b (b.id)}<option value={b.id}>{b.name}</option>{/each}<option value={null}>none</option></select
            ></Field
        >
        <Field label="Fitter" error={err('fitterId')}
            ><select bind:value={v.fitterId}
                >{#each days.fitters as f (f.id)}<option value={f.id}>{f.name}</option>{/each}<option value={null}>nobody yet</option
                ></select
            ></Field
        >
    </div>
    {#if player || v.name.trim()}<Field label="Their language" hint="of links and report"
            ><select bind:value={v.language}
                ><option value="">as on their phone</option>{#each LANGUAGES as l (l)}<option value={l}>{languageName(l)}</option
                    >{/each}</select
            ></Field
        >{/if}
    <Field label="Note" hint="the studio’s own"><textarea rows="2" maxlength="500" bind:value={v.note}></textarea></Field>
    {#if place.outside}
        <Notice kind="error">{place.outside.says}</Notice>
        <button type="button" class="quiet" onclick={() => void place.outside?.again()}>Book it anyway</button>
    {:else if isElsewhere}<Notice kind="error">{place.acting.problem}</Notice>{/if}
    <button disabled={place.acting.busy}>{one ? 'Save' : 'Book'}</button>
    {#if one}
        <div class="acts">
            {#if one.player && one.state !== 'cancelled'}<button type="button" class="quiet" disabled={place.acting.busy} onclick={begin}
                    >{one.fittingId ? 'Open the fitting' : 'They are here: begin the fitting'}</button
                >{/if}
            {#if one.state === 'booked'}
                <button type="button" class="quiet" onclick={() => place.change(one, { state: 'missed' })}>They did not come</button>
                <button type="button" class="quiet" onclick={() => place.change(one, { state: 'cancelled' })}>Call off</button>
            {:else if one.state !== 'came'}<button type="button" class="quiet" onclick={() => place.change(one, { state: 'booked' })}
                    >Book it again</button
                >{/if}
            <a href="/api/appointments/{one.id}/calendar.ics" download="appointment.ics">For their calendar (.ics)</a>
        </div>
        {#if one.player}<details>
                <summary>Send questions before they come</summary>
                <Links playerId={one.player.id} />
            </details>{/if}
        <p class="small">{dayWords(one.day, 'long')}, {one.time} to {one.until}, {days.zone}.</p>
    {/if}
</form>

<style>
    form {
        display: grid;
        gap: 10px;
    }
    .head {
        display: flex;
        justify-content: space-between;
        gap: 10px;
    }
    .pair {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 10px;
    }
    .known {
        text-align: left;
    }
    fieldset {
        border: 0;
        padding: 0;
        margin: 0;
        display: flex;
        gap: 14px;
        flex-wrap: wrap;
    }
    legend {
        font-size: var(--small);
        font-weight: 550;
        padding: 0;
    }
    .acts {
        display: grid;
        gap: 8px;
        justify-items: start;
    }
</style>
