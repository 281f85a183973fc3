<script lang="ts">
    import { tick } from 'svelte';
    import type { Appointment, CalendarDays } from '../../api/generated/types';
    import type { CalendarPlace } from './calendar.svelte';
    import { addDays, dayWords, lanes, minutesOf, pieces, span, STEP, timeOf } from './days';

    /** A week by days, or a day by bays. Pointer: press a free place, drag an appointment. Keyboard: arrows move the mark, Enter books; Shift and arrows move an appointment. */
    let { place, days, fitterId }: { place: CalendarPlace; days: CalendarDays; fitterId: number | null } = $props();

    const HOUR = 54;
    const wanted = $derived(days.appointments.filter((a) => fitterId === null || a.fitter?.id === fitterId || a.fitter === null));
    const hours = $derived(span(days.days, days.appointments));
    const y = (minutes: number) => ((minutes - hours.from) / 60) * HOUR;
    const columns = $derived(
        place.mode === 'week'
            ? days.days.map((d) => ({ key: d.date, day: d.date, bayId: null as number | null, title: dayWords(d.date), open: d.open }))
            : [
                  ...days.bays.map((b) => ({
                      key: `b${b.id}`,
                      day: days.days[0]!.date,
                      bayId: b.id as number | null,
                      title: b.name,
                      open: days.days[0]!.open,
                  })),
                  ...(wanted.some((a) => a.bay === null) || days.bays.length === 0
                      ? [{ key: 'none', day: days.days[0]!.date, bayId: null, title: 'No bay', open: days.days[0]!.open }]
                      : []),
              ],
    );
    const placed = $derived(
        columns.map((c) =>
            lanes(
                wanted
                    .filter((a) => a.state !== 'cancelled' && (place.mode === 'week' || (a.bay?.id ?? null) === c.bayId))
                    .flatMap((a) => pieces(a, [c.day])),
            ),
        ),
    );
    const columnOf = (day: string, bayId: number | null) =>
        Math.max(
            0,
            columns.findIndex((c) => c.day === day && (place.mode === 'week' || c.bayId === bayId)),
        );
    const mark = $derived(
        place.mark ?? {
            day: columns[0]?.day ?? '',
            minutes: Math.max(hours.from, minutesOf(days.days[0]?.open[0]?.[0] ?? '09:00')),
            bayId: columns[0]?.bayId ?? null,
        },
    );
    const at = $derived(columnOf(mark.day, mark.bayId));

    function point(event: MouseEvent, column: (typeof columns)[number]) {
        const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
        const minutes = hours.from + ((event.clientY - box.top) / HOUR) * 60;
        place.mark = { day: column.day, bayId: column.bayId, minutes: Math.floor(minutes / STEP) * STEP };
        place.open = 'new';
    }
    let grid: HTMLElement;
    /** What moved to another column was drawn anew: it keeps the focus. */
    async function focus(selector: string) {
        await tick();
        grid.querySelector<HTMLElement>(selector)?.focus();
    }
    async function step(event: KeyboardEvent) {
        const along = { ArrowUp: -STEP, ArrowDown: STEP, PageUp: -60, PageDown: 60 }[event.key];
        const across = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (along === undefined && across === undefined) return;
        event.preventDefault();
        const column = columns[Math.min(columns.length - 1, Math.max(0, at + (across ?? 0)))]!;
        // Past the edge of the week lies the next one.
        if (place.mode === 'week' && across !== undefined && (at + across < 0 || at + across >= columns.length)) {
            place.mark = { ...mark, day: addDays(mark.day, across) };
            await place.turn(across);
            return focus('.mark');
        }
        const minutes = Math.min(hours.to - STEP, Math.max(hours.from, mark.minutes + (along ?? 0)));
        place.mark = { day: column.day, bayId: column.bayId, minutes };
        await focus('.mark');
    }
    /** Shift and an arrow on an appointment move it. */
    function shift(event: KeyboardEvent, a: Appointment) {
        if (!event.shiftKey) return;
        const along = { ArrowUp: -STEP, ArrowDown: STEP }[event.key];
        const across = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (along === undefined && across === undefined) return;
        event.preventDefault();
        void move(a, minutesOf(a.time) + (along ?? 0), columnOf(a.day, a.bay?.id ?? null) + (across ?? 0)).then(() =>
            focus(`[data-appointment="${a.id}"]`),
        );
    }
    async function move(a: Appointment, minutes: number, column: number) {
        const to = columns[column];
        if (!to || minutes < 0 || minutes >= 1440) return;
        await place.change(a, {
            day: to.day,
            time: timeOf(minutes),
            minutes: a.minutes,
            ...(place.mode === 'day' ? { bayId: to.bayId } : {}),
        });
    }

    let drag = $state<{ a: Appointment; x: number; y: number; dx: number; dy: number; column: number; width: number } | null>(null);
    function grab(event: PointerEvent, a: Appointment, column: number) {
        if (event.pointerType === 'touch' || event.button !== 0) return;
        const own = event.currentTarget as HTMLElement;
        own.setPointerCapture(event.pointerId);
        drag = { a, x: event.clientX, y: event.clientY, dx: 0, dy: 0, column, width: own.parentElement!.getBoundingClientRect().width };
    }
    function pull(event: PointerEvent) {
        if (drag) [drag.dx, drag.dy] = [event.clientX - drag.x, event.clientY - drag.y];
    }
    let wasDragged = false;
    function drop() {
        if (!drag) return;
        const { a, dx, dy, column, width } = drag;
        drag = null;
        const minutes = Math.round(((dy / HOUR) * 60) / STEP) * STEP;
        const across = Math.round(dx / width);
        wasDragged = Math.abs(dx) > 5 || Math.abs(dy) > 5;
        if (wasDragged && (minutes !== 0 || across !== 0)) void move(a, minutesOf(a.time) + minutes, column + across);
    }
    function choose(a: Appointment) {
        if (wasDragged) return void (wasDragged = false);
        place.open = a;
    }
    const words = (a: Appointment) =>
        `${a.time} to ${a.until}, ${a.player?.name ?? a.kind}${a.player ? `, ${a.kind}` : ''}${a.bay ? `, ${a.bay.name}` : ''}${a.state === 'booked' ? '' : `, ${a.state}`}`;
</script>

<div class="wrap">
    <div class="grid" bind:this={grid} style:--columns={columns.length}>
        <span></span>
        {#each columns as c (c.key)}
            <h2 class:today={c.day === days.today}>
                {#if place.mode === 'week'}<button class="plain" onclick={() => place.show('day', c.day)}>{c.title}</button
                    >{:else}{c.title}{/if}
            </h2>
        {/each}
        <div class="hours" style:height="{y(hours.to)}px">
            {#each Array.from({ length: (hours.to - hours.from) / 60 + 1 }, (_, i) => i) as i (i)}<span style:top="{i * HOUR}px"
                    >{timeOf(hours.from + i * 60)}</span
                >{/each}
        </div>
        {#each columns as c, i (c.key)}
            <div class="column" style:height="{y(hours.to)}px" style:--hour="{HOUR}px">
                {#each c.open as [opens, closes] (opens)}
                    <i class="open" style:top="{y(minutesOf(opens))}px" style:height="{y(minutesOf(closes)) - y(minutesOf(opens))}px"></i>
                {/each}
                <button
                    class="free"
                    tabindex="-1"
                    aria-label="Book on {dayWords(c.day, 'long')}{c.bayId ? `, ${c.title}` : ''}"
                    onclick={(e) => point(e, c)}
                ></button>
                {#if c.day === days.today}<i class="now" style:top="{y(minutesOf(days.now))}px" title="now, {days.now}"></i>{/if}
                {#if i === at}
                    <button
                        class="mark"
                        style:top="{y(mark.minutes)}px"
                        style:height="{HOUR / 2}px"
                        aria-label="{dayWords(mark.day, 'long')}, {timeOf(mark.minutes)}{c.bayId
                            ? `, ${c.title}`
                            : ''}: Enter books, arrows move"
                        onkeydown={step}
                        onclick={() => ((place.mark = mark), (place.open = 'new'))}>{timeOf(mark.minutes)}</button
                    >
                {/if}
                {#each placed[i]! as p (`${p.appointment.id}-${p.from}`)}
                    {@const a = p.appointment}
                    <button
                        class="taken {a.state}"
                        data-appointment={a.id}
                        class:nobody={!a.player}
                        class:chosen={place.open !== 'new' && place.open?.id === a.id}
                        class:held={drag?.a.id === a.id}
                        style:top="{y(p.from)}px"
                        style:height="{Math.max(18, y(p.to) - y(p.from) - 2)}px"
                        style:left="{(100 * p.lane) / p.lanes}%"
                        style:width="calc({100 / p.lanes}% - 3px)"
                        style:transform={drag?.a.id === a.id ? `translate(${drag.dx}px, ${drag.dy}px)` : undefined}
                        aria-label={words(a)}
                        title={words(a)}
                        onpointerdown={(e) => grab(e, a, i)}
                        onpointermove={pull}
                        onpointerup={drop}
                        onpointercancel={() => (drag = null)}
                        onkeydown={(e) => shift(e, a)}
                        onclick={() => choose(a)}
                        ><b>{a.player?.name ?? a.kind}</b>{#if p.to - p.from >= 45}<small
                                >{a.player ? a.kind : a.note}{place.mode === 'week' && a.bay ? ` · ${a.bay.name}` : ''}</small
                            >{#if a.state === 'missed'}<small>did not come</small>{/if}{:else if a.player}<small class="same"
                                >{a.kind}</small
                            >{/if}</button
                    >
                {/each}
            </div>
        {/each}
    </div>
</div>

<style>
    .wrap {
        overflow-x: auto;
    }
    .grid {
        display: grid;
        grid-template-columns: 46px repeat(var(--columns), minmax(104px, 1fr));
        gap: 0 6px;
        min-width: 0;
    }
    h2 {
        padding: 4px 2px 8px;
        font-size: var(--small);
    }
    h2 button {
        font-weight: inherit;
        text-decoration: none;
        color: inherit;
    }
    .today {
        color: var(--mint);
    }
    .hours {
        position: relative;
    }
    .hours span {
        position: absolute;
        right: 4px;
        transform: translateY(-50%);
        font-size: var(--small);
        color: var(--ink-2);
    }
    .hours span:first-child {
        transform: none;
    }
    .hours span:last-child {
        transform: translateY(-100%);
    }
    .column {
        position: relative;
        background: repeating-linear-gradient(to bottom, var(--hair) 0 1px, transparent 1px var(--hour)) var(--band);
    }
    .column > * {
        position: absolute;
    }
    .open {
        inset-inline: 0;
        background: repeating-linear-gradient(to bottom, var(--hair) 0 1px, transparent 1px var(--hour)) var(--sheet);
    }
    .free {
        inset: 0;
        border: 0;
        padding: 0;
        background: none;
        cursor: cell;
        min-height: 0;
    }
    .now {
        inset-inline: 0;
        border-top: 2px solid var(--brick);
        z-index: 2;
        pointer-events: none;
    }
    .mark {
        inset-inline: 0;
        padding: 0 6px;
        min-height: 0;
        text-align: left;
        font-size: var(--small);
        color: var(--mint);
        background: transparent;
        border: 1.5px dashed var(--mint);
        border-radius: 4px;
    }
    .taken {
        display: grid;
        align-content: start;
        justify-items: start;
        text-align: left;
        gap: 0;
        padding: 3px 6px;
        min-height: 0;
        overflow: hidden;
        color: var(--ink);
        background: var(--mint-wash);
        border: 0;
        border-left: 4px solid var(--mint);
        border-radius: 4px;
        font-size: var(--small);
        line-height: 1.2;
        z-index: 1;
    }
    .taken b {
        font-weight: 620;
    }
    .taken small {
        color: var(--ink);
    }
    .taken:has(.same) {
        display: flex;
        gap: 6px;
        align-items: baseline;
        white-space: nowrap;
    }
    .nobody {
        background: var(--hair);
        border-color: var(--ink-2);
    }
    .came {
        background: var(--sheet);
        border: 1px solid var(--mint);
        border-left-width: 4px;
    }
    .missed {
        background: var(--amber-wash);
        border-color: var(--amber);
    }
    .chosen {
        outline: 2px solid var(--ink);
        outline-offset: 1px;
    }
    .held {
        z-index: 5;
        opacity: 0.85;
        cursor: grabbing;
    }
</style>
