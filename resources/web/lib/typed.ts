import type { UnitChoice } from '../api/generated/types';
import { factor, unitOf } from '../format/units';
import { readNumber } from './numbers';

/**
 * Shots that are being typed, kept on this device until they are on record: a line of its own each, so that two tabs never write over each other. A tab marks its lines as
 * seen while it is open; lines that nobody has seen for a while were left by a tab that is gone, and the next one takes them over.
 */
export interface Line {
    clientId: string;
    values: Record<string, string>;
}
interface Kept extends Line {
    /** the units it was typed in */
    units?: UnitChoice;
    tab: string;
    seen: number;
    order: number;
}

export const SEEN_EVERY_MS = 3000;
const LEFT_AFTER_MS = 10_000;

const name = (fitting: number, id: string) => `typed-${fitting}-${id}`;
const fresh = (): string => crypto.randomUUID?.() ?? `${Date.now()}-${Math.random()}`;

/** The same after a reload. */
function tab(): string {
    let id = sessionStorage.getItem('tab');
    if (!id) sessionStorage.setItem('tab', (id = fresh()));
    return id;
}

export const blank = (): Line => ({ clientId: fresh(), values: {} });

/** What this tab typed before it was reloaded, and what tabs that are gone left behind. */
export function keptLines(fitting: number, units: UnitChoice): Line[] {
    const mine = tab();
    const found: Kept[] = [];
    for (const key of Object.keys(localStorage).filter((k) => k.startsWith(`typed-${fitting}-`))) {
        try {
            const kept = JSON.parse(localStorage.getItem(key) ?? '') as Kept;
            if (kept.tab === mine || Math.abs(Date.now() - kept.seen) > LEFT_AFTER_MS) found.push(kept);
        } catch {
            localStorage.removeItem(key); // not ours
        }
    }
    return found
        .sort((a, b) => a.order - b.order)
        .map(({ clientId, values, units: typedIn }) => ({ clientId, values: typedIn ? inUnits(values, typedIn, units) : values }));
}

/** The same line where the player's units were changed since it was typed; what is no number stays as it is. */
function inUnits(values: Record<string, string>, from: UnitChoice, to: UnitChoice): Record<string, string> {
    return Object.fromEntries(
        Object.entries(values).map(([field, text]) => {
            const [was, is] = [unitOf(field, from), unitOf(field, to)];
            const number = was === is ? null : readNumber(text);
            return [field, number === null ? text : String(Number(((number / factor(was)) * factor(is)).toFixed(4)))];
        }),
    );
}

/** Keeps the lines as they are now, and says that somebody is at them. */
export function keep(fitting: number, lines: Line[], units: UnitChoice): void {
    lines.forEach((line, order) => {
        if (Object.values(line.values).some((v) => v.trim() !== ''))
            localStorage.setItem(
                name(fitting, line.clientId),
                JSON.stringify({ ...line, units, tab: tab(), seen: Date.now(), order: Date.now() + order }),
            );
        else forget(fitting, line.clientId);
    });
}

export function forget(fitting: number, clientId: string): void {
    localStorage.removeItem(name(fitting, clientId));
}
