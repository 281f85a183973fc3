import type { LongClub, UnitChoice } from '../../api/generated/types';
import { factor } from '../../format/units';

/** What can be typed of a long club's shot, in the player's units. */
export type Shot = Record<'carry' | 'total' | 'descent' | 'ballSpeed' | 'launch' | 'spin', string>;
/** A line of the form: what stands in it, which stored shot it came from, and what stood there then. */
export interface Row {
    shot: Shot;
    line: number | null;
    was: Shot | null;
    stored: string;
}
type Stored = LongClub['shots'];

const MEASURES: [keyof Shot, string, (units: UnitChoice) => string][] = [
    ['carry', 'carryM', (u) => u.distance],
    ['total', 'totalM', (u) => u.distance],
    ['descent', 'descentDeg', () => '°'],
    ['ballSpeed', 'ballSpeedMps', (u) => u.speed],
    ['launch', 'launchDeg', () => '°'],
    ['spin', 'spinRpm', () => 'rpm'],
];

export const emptyRow = (): Row => ({
    shot: { carry: '', total: '', descent: '', ballSpeed: '', launch: '', spin: '' },
    line: null,
    was: null,
    stored: '',
});

function shown(values: Record<string, number>, units: UnitChoice): Shot {
    return Object.fromEntries(
        MEASURES.map(([key, measure, unitOf]) => {
            const [value, unit] = [values[measure], unitOf(units)];
            return [key, value === undefined ? '' : String(Number((value * (factor(unit) || 1)).toFixed(unit === 'rpm' ? 0 : 2)))];
        }),
    ) as Shot;
}

const rowOf = (values: Record<string, number>, line: number, units: UnitChoice): Row => {
    const shot = shown(values, units);
    return { shot, line, was: { ...shot }, stored: JSON.stringify(values) };
};

export const rowsOf = (shots: Stored, units: UnitChoice): Row[] => shots.map((s, i) => rowOf(s.values, i, units));

const isFilled = (row: Row) => Object.values(row.shot).some((v) => v.trim() !== '');
const changesOf = (row: Row): Partial<Shot> =>
    Object.fromEntries(Object.entries(row.shot).filter(([key, text]) => text.trim() !== (row.was?.[key as keyof Shot] ?? '')));

/** Rows that are sent: a stored shot by its line with what was changed in it, so that all else stays to the last digit; new ones whole. */
export const sentRows = (rows: Row[]): Row[] => rows.filter((row) => row.line !== null || isFilled(row));
export const bodyOfRow = (row: Row): Partial<Shot> & { line?: number } =>
    row.line === null ? row.shot : { line: row.line, ...changesOf(row) };

/**
 * The form's rows over what stands now, where another screen changed it meanwhile: their new shots come in, what was changed here stays
 * changed, what they took out stays only where something was typed over it.
 */
export function rebased(rows: Row[], now: Stored, before: Stored, units: UnitChoice): Row[] {
    const left = rowsOf(now, units);
    const take = (stored: string) => {
        const i = left.findIndex((row) => row.stored === stored);
        return i < 0 ? null : left.splice(i, 1)[0]!;
    };
    const out: Row[] = [];
    for (const row of rows) {
        const there = row.line === null ? null : take(row.stored);
        if (there) out.push({ ...there, shot: row.shot });
        else if (row.line === null || Object.keys(changesOf(row)).length > 0) out.push({ ...row, line: null, was: null, stored: '' });
    }
    // What was taken out here stays out; what is left over came from the other screen.
    const kept = rows.map((row) => row.stored);
    for (const { values } of before) {
        const stored = JSON.stringify(values);
        const i = kept.indexOf(stored);
        if (i < 0) take(stored);
        else kept.splice(i, 1);
    }
    return [...out, ...left];
}
