import { describe, expect, it } from 'vitest';
import type { Appointment, CalendarDays } from '../../resources/web/api/generated/types';
import { addDays, dayWords, lanes, minutesOf, monday, nextFree, pieces, span, timeOf } from '../../resources/web/views/calendar/days';

const one = (time: string, until: string, minutes: number, more: Partial<Appointment> = {}): Appointment => ({
    id: 1,
    version: 1,
    kind: 'Driver fitting',
    day: '2026-11-30',
    time,
    until,
    start: '',
    minutes,
    swings: 60,
    bay: null,
    fitter: null,
    player: null,
    fittingId: null,
    state: 'booked',
    note: '',
    ...more,
});

describe('days on the wall', () => {
    it('counts days over months, leap days and changes of the clock', () => {
        expect(addDays('2026-11-30', 1)).toBe('2026-12-01');
        expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
        expect(addDays('2026-03-28', 2)).toBe('2026-03-30');
        expect(monday('2026-12-06')).toBe('2026-11-30');
        expect(monday('2026-11-30')).toBe('2026-11-30');
        expect(dayWords('2026-11-30', 'long')).toBe('Monday 30 November');
        expect(timeOf(minutesOf('07:05'))).toBe('07:05');
    });
    it('parts what goes over midnight', () => {
        const late = one('23:30', '00:30', 60);
        expect(pieces(late, ['2026-11-30', '2026-12-01']).map((p) => [p.day, p.from, p.to])).toEqual([
            ['2026-11-30', 1410, 1440],
            ['2026-12-01', 0, 30],
        ]);
        expect(pieces(one('23:00', '00:00', 60), ['2026-11-30', '2026-12-01'])).toHaveLength(1);
        expect(pieces(late, ['2026-12-01'])).toHaveLength(1);
    });
    it('sets side by side what overlaps, and only that', () => {
        const laid = lanes([
            { from: 600, to: 690, name: 'a' },
            { from: 630, to: 660, name: 'b' },
            { from: 690, to: 720, name: 'c' },
            { from: 660, to: 700, name: 'd' },
        ]);
        const of = (name: string) => laid.find((l) => l.name === name)!;
        expect([of('a').lane, of('b').lane, of('d').lane, of('c').lane]).toEqual([0, 1, 1, 0]);
        expect(of('a').lanes).toBe(2);
        expect(lanes([{ from: 0, to: 10 }])[0]).toMatchObject({ lane: 0, lanes: 1 });
    });
    it('draws the opening hours and what lies outside them', () => {
        const days = [{ date: '2026-11-30', open: [['09:00', '12:30']] as [string, string][] }];
        expect(span(days, [])).toEqual({ from: 540, to: 780 });
        expect(span(days, [one('19:15', '20:15', 60)])).toEqual({ from: 540, to: 1260 });
        expect(span([{ date: '2026-11-30', open: [] }], [])).toEqual({ from: 540, to: 1080 });
    });
    it('finds the next quarter that is free', () => {
        const days = {
            days: [{ date: '2026-11-30', open: [['09:00', '12:00']] }],
            appointments: [one('09:15', '10:10', 55), one('10:30', '11:00', 30, { state: 'cancelled' })],
        } as unknown as CalendarDays;
        const free = (minutes: number, from: number, of = true) => nextFree(days, '2026-11-30', minutes, from, () => of);
        expect(free(60, 0)).toBe(minutesOf('10:15'));
        expect(free(15, 0)).toBe(minutesOf('09:00'));
        expect(free(60, 0, false)).toBe(minutesOf('09:00'));
        expect(free(120, 0)).toBeNull();
        expect(free(30, minutesOf('11:20'))).toBe(minutesOf('11:30'));
    });
});
