import type { Appointment, CalendarDays } from '../../api/generated/types';

/** Days and times as the studio's wall has them: text in and out, no time zone of this computer's. */

/** Booking goes in steps of a quarter. */
export const STEP = 15;

export const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

export const timeOf = (minutes: number): string =>
    `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** The day so many days later. */
export function addDays(day: string, count: number): string {
    const at = new Date(`${day}T12:00:00Z`);
    at.setUTCDate(at.getUTCDate() + count);
    return at.toISOString().slice(0, 10);
}

export function monday(day: string): string {
    return addDays(day, -((new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7));
}

export const dayWords = (day: string, form: 'short' | 'long' = 'short'): string =>
    new Intl.DateTimeFormat('en-GB', {
        weekday: form,
        day: 'numeric',
        month: form,
        timeZone: 'UTC',
    }).format(new Date(`${day}T12:00:00Z`));

/** From when to when the days are drawn: the opening hours, and whatever lies outside them; whole hours. */
export function span(days: CalendarDays['days'], appointments: Appointment[]): { from: number; to: number } {
    const opens = days.flatMap((d) => d.open.map((o) => minutesOf(o[0])));
    const closes = days.flatMap((d) => d.open.map((o) => minutesOf(o[1])));
    const taken = appointments.flatMap((a) =>
        pieces(
            a,
            days.map((d) => d.date),
        ).map((p) => [p.from, p.to]),
    );
    const from = Math.min(...opens, ...taken.map((t) => t[0]!), opens.length ? Infinity : 9 * 60);
    const to = Math.max(...closes, ...taken.map((t) => t[1]!), closes.length ? -Infinity : 18 * 60);
    return { from: Math.floor(from / 60) * 60, to: Math.min(1440, Math.ceil(to / 60) * 60) };
}

export interface Piece {
    appointment: Appointment;
    day: string;
    from: number;
    to: number;
}

/** What of an appointment lies on these days; one over midnight has two pieces. */
export function pieces(a: Appointment, days: string[]): Piece[] {
    const from = minutesOf(a.time);
    const to = minutesOf(a.until);
    const next = addDays(a.day, 1);
    const isOver = to <= from && a.minutes > 0;
    const all: Piece[] = isOver
        ? [{ appointment: a, day: a.day, from, to: 1440 }, ...(to > 0 ? [{ appointment: a, day: next, from: 0, to }] : [])]
        : [{ appointment: a, day: a.day, from, to }];
    return all.filter((p) => days.includes(p.day));
}

/** Pieces of a column side by side where they overlap: each with its lane and how many lanes stand there. */
export function lanes<P extends { from: number; to: number }>(of: P[]): (P & { lane: number; lanes: number })[] {
    const sorted = [...of].sort((a, b) => a.from - b.from || b.to - a.to);
    const out: (P & { lane: number; lanes: number })[] = [];
    let group: (P & { lane: number; lanes: number })[] = [];
    let end = -Infinity;
    const close = () => {
        const count = Math.max(0, ...group.map((g) => g.lane + 1));
        group.forEach((g) => (g.lanes = count));
        group = [];
    };
    for (const piece of sorted) {
        if (piece.from >= end) close();
        let lane = 0;
        while (group.some((g) => g.lane === lane && g.to > piece.from)) lane++;
        const placed = { ...piece, lane, lanes: 1 };
        group.push(placed);
        out.push(placed);
        end = Math.max(end, piece.to);
    }
    close();
    return out;
}

/** The next free quarter of a day in its opening hours for a bay and a fitter, from a minute on; null where there is none. */
export function nextFree(
    days: CalendarDays,
    day: string,
    minutes: number,
    from: number,
    taken: (a: Appointment) => boolean,
): number | null {
    const open = days.days.find((d) => d.date === day)?.open ?? [];
    const busy = days.appointments.filter((a) => a.state !== 'cancelled' && taken(a)).flatMap((a) => pieces(a, [day]));
    for (const [opens, closes] of open) {
        for (let at = Math.max(minutesOf(opens), Math.ceil(from / STEP) * STEP); at + minutes <= minutesOf(closes); at += STEP) {
            if (!busy.some((b) => b.from < at + minutes && b.to > at)) return at;
        }
    }
    return null;
}
