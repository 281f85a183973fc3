<script lang="ts">
    import { untrack } from 'svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import AppointmentForm from './AppointmentForm.svelte';
    import { CalendarPlace } from './calendar.svelte';
    import { dayWords, minutesOf, nextFree } from './days';
    import Grid from './Grid.svelte';

    let { params }: { params?: { day?: string } } = $props();
    const place = new CalendarPlace();
    const days = $derived(place.days);
    let fitterId = $state<number | null>(null);
    let address = $state('');

    place.mode = innerWidth < 700 ? 'day' : 'week';
    $effect(() => {
        const day = params?.day ?? '';
        untrack(() => {
            place.day = /^\d{4}-\d\d-\d\d$/.test(day) ? day : '';
            void place.load();
        });
    });
    /** The first free place for the usual appointment, from now on in what is shown. */
    function bookNext() {
        if (!days) return;
        const kind = days.kinds[0]!;
        for (const { date } of days.days) {
            for (const bay of days.bays.length ? days.bays : [{ id: null, name: '' }]) {
                const from = date === days.today ? minutesOf(days.now) : date < days.today ? 1440 : 0;
                const free = nextFree(
                    days,
                    date,
                    kind.minutes,
                    from,
                    (a) => a.bay?.id === bay.id || (fitterId !== null && a.fitter?.id === fitterId),
                );
                if (free !== null) {
                    place.mark = { day: date, minutes: free, bayId: bay.id };
                    place.open = 'new';
                    return;
                }
            }
        }
        place.mark = { day: days.days[0]!.date, minutes: 600, bayId: null };
        place.open = 'new';
    }
    const title = $derived(
        days
            ? place.mode === 'week'
                ? `${dayWords(days.days[0]!.date)} to ${dayWords(days.days.at(-1)!.date)}`
                : dayWords(days.days[0]!.date, 'long')
            : 'Calendar',
    );
    const off = $derived(days?.appointments.filter((a) => a.state === 'cancelled') ?? []);
</script>

<TopBar place="calendar" />
<main>
    <div class="top">
        <h1>{title}</h1>
        <span class="ways">
            <button class="quiet" aria-label="Before" onclick={() => place.turn(-1)}>‹</button>
            <button class="quiet" onclick={() => days && place.show(place.mode, days.today)}>Today</button>
            <button class="quiet" aria-label="After" onclick={() => place.turn(1)}>›</button>
            <label
                >Show <select value={place.mode} onchange={(e) => place.show(e.currentTarget.value as 'week' | 'day', place.day)}
                    ><option value="week">a week</option><option value="day">a day by bays</option></select
                ></label
            >
            <label
                >of <select bind:value={fitterId}
                    ><option value={null}>everybody</option>{#each days?.fitters ?? [] as f (f.id)}<option value={f.id}>{f.name}</option
                        >{/each}</select
                ></label
            >
            <button onclick={bookNext}>Book</button>
        </span>
    </div>
    {#if place.reading.problem}<Notice kind="error">{place.reading.problem}</Notice>{/if}
    {#if !place.open && place.outside}<Notice kind="error">{place.outside.says}</Notice><button
            class="quiet"
            onclick={() => void place.outside?.again()}>Move it anyway</button
        >
    {:else if !place.open && place.acting.problem}<Notice kind="error">{place.acting.problem}</Notice>{/if}
    {#if place.acting.note}<Notice kind="good">{place.acting.note}</Notice>{/if}
    {#if days}
        <div class="sheet" class:beside={place.open !== null}>
            <Grid {place} {days} {fitterId} />
            {#if place.open !== null}<AppointmentForm {place} {days} />{/if}
        </div>
        <footer class="small">
            <span
                >Times are the studio’s ({days.zone}). Arrows move the dashed mark, Enter books there; Shift and arrows move an appointment.</span
            >
            {#if place.last}<button class="plain" onclick={() => place.undo()}>Undo: {place.last.words}</button>{/if}
            {#if off.length}<span
                    >Called off: {#each off as a (a.id)}<button class="plain" onclick={() => (place.open = a)}
                            >{a.player?.name ?? a.kind}, {a.time}</button
                        >&nbsp;{/each}</span
                >{/if}
            <details>
                <summary>In your own calendar</summary>
                <p>A secret address for your calendar program. It shows your appointments with players’ names to whoever has it.</p>
                {#if address}<code>{location.origin}{address}</code>{/if}
                <p>
                    <button class="quiet" onclick={async () => (address = await place.feed())}
                        >{days.hasFeed ? 'Make another address (the old one closes)' : 'Make an address'}</button
                    >
                    {#if days.hasFeed}<button
                            class="quiet"
                            onclick={async () => {
                                await place.closeFeed();
                                address = '';
                            }}>Close it</button
                        >{/if}
                </p>
            </details>
        </footer>
    {:else if !place.reading.problem}<Outline what="Opening the calendar …" blocks={['table']} />{/if}
</main>

<style>
    main {
        max-width: 1440px;
        margin: 0 auto;
        padding: 16px 20px;
        display: grid;
        gap: 12px;
    }
    .top,
    .ways,
    footer {
        display: flex;
        gap: 8px 12px;
        align-items: center;
        flex-wrap: wrap;
    }
    .top {
        justify-content: space-between;
    }
    .ways label {
        white-space: nowrap;
        display: flex;
        gap: 6px;
        align-items: center;
    }
    .sheet {
        display: grid;
        gap: 18px;
        align-items: start;
        grid-template-columns: minmax(0, 1fr);
    }
    .sheet.beside {
        grid-template-columns: minmax(0, 1fr) 310px;
    }
    footer {
        gap: 8px 24px;
    }
    details p {
        margin: 6px 0;
    }
    code {
        overflow-wrap: anywhere;
    }
    @media (max-width: 860px) {
        main {
            padding: 12px;
        }
        .sheet.beside {
            grid-template-columns: minmax(0, 1fr);
        }
        .sheet.beside :global(form) {
            order: -1;
        }
    }
</style>
