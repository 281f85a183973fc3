import { IntlMessageFormat } from 'intl-messageformat';
import messages from '../../messages/en.json';
import type { BallTold, Hand, UnitChoice } from '../api/generated/types';
import { outOf14 } from './judged';
import { factor, plain, signed, unitOf } from './units';

/**
 * Sentences of the message catalogue (`resources/messages`, ICU MessageFormat), in the player's units. `core/Report/Sentences` does the same on the server; both are
 * held to the same sentences by tests/fixtures/sentences.json.
 */
const catalogue: Record<string, string> = { ...messages };
const formed = new Map<string, IntlMessageFormat>();

/** A view that is loaded later brings its sentences along. */
export const addMessages = (of: Record<string, string>): void => void Object.assign(catalogue, of);

export type With = Record<string, string | number>;

export function say(key: string, values: With = {}): string {
    let message = formed.get(key);
    if (!message) {
        const text = catalogue[key];
        if (text === undefined) throw new Error(`The catalogue has no message '${key}'.`);
        message = new IntlMessageFormat(text, 'en');
        formed.set(key, message);
    }
    return String(message.format(values));
}

/** Nearer to nothing than this is not worth telling, by kind. */
const WORTH_TELLING: Record<string, number> = { Mm: 3, M: 0.5, Points: 1 };
const KINDS = ['Deg', 'Mps', 'Rpm', 'Mm', 'M', 'carryShare', 'Share', 'Smash', 'smash', 'Points'];

/** A figure without its sign, as its name says what it is; a plain count stays a number. */
function told(name: string, size: number, kind: string | undefined, units: UnitChoice): string | number {
    switch (kind) {
        case 'Deg':
            return `${plain(size, name === 'descentDeg' ? 0 : 1)}°`;
        case 'Mps':
            return `${plain(size * factor(units.speed), 1)} ${units.speed}`;
        case 'Rpm':
            return `${plain(name.startsWith('best') ? Math.round(size / 50) * 50 : size, 0)} rpm`;
        case 'Mm':
            return `${plain(size, 0)} mm`;
        case 'M':
            return `${plain(size * factor(units.distance), 0)} ${units.distance}`;
        case 'carryShare':
            return `${plain(size * 100, 0)} %`;
        case 'Share':
            return outOf14(size);
        case 'Smash':
        case 'smash':
            return plain(size, 2);
        case 'Points':
            return plain(size, 0);
        default:
            return size;
    }
}

/** "a", "a and b", "a, b and c". */
export function list(of: string[]): string {
    const before = of.slice(0, -1);
    const last = of.at(-1) ?? '';
    return before.length ? say('list.and', { before: before.join(', '), last }) : last;
}

/**
 * What a message may ask for, from the figures of a finding: the figure itself, `name_way` (plus or minus), `name_told` (yes where it is worth telling) and, of an angle
 * to the right, `name_open` (yes where that is open for this hand).
 */
export function figuresFor(figures: Record<string, unknown>, hand: Hand, units: UnitChoice): With {
    const out: With = {};
    for (const [name, value] of Object.entries(figures)) {
        if (Array.isArray(value)) out[name] = list(value.map(String));
        else if (typeof value === 'number') {
            const kind = KINDS.find((k) => name.endsWith(k));
            out[name] = told(name, Math.abs(value), kind, units);
            out[`${name}_way`] = value > 0 ? 'plus' : 'minus';
            out[`${name}_told`] = Math.abs(value) > (WORTH_TELLING[kind ?? ''] ?? 0) ? 'yes' : 'no';
            out[`${name}_open`] = value * (hand === 'right' ? 1 : -1) > 0 ? 'yes' : 'no';
        } else out[name] = String(value ?? '');
    }
    return out;
}

/** A change with its interval, in the player's unit. */
export function effect(measure: string, of: { value: number; low: number; high: number }, units: UnitChoice, digits = 0): With {
    const unit = unitOf(measure, units);
    const k = factor(unit);
    return { value: `${signed(of.value * k, digits)} ${unit}`, low: signed(of.low * k, digits), high: signed(of.high * k, digits) };
}

/** What the shots say of a make of ball beside another; a difference that the shots do not carry is none. */
export function ballText(b: BallTold, units: UnitChoice): string {
    const k = factor(units.distance);
    return say('ball.told', {
        ...{ ball: b.ball || 'the ball without a name', than: b.than || 'the ball without a name', n: b.n, nThan: b.nThan },
        ...{ differs: Math.abs(b.carryM) > 2 * b.carrySdM ? 'yes' : 'no', way: b.carryM < 0 ? 'shorter' : 'farther' },
        ...{ carry: `${plain(Math.abs(b.carryM) * k, 1)} ${units.distance}`, sd: plain(2 * b.carrySdM * k, 1) },
        ...{ drag: `${plain(Math.abs(b.dragShare) * 100, 1)} %`, dragWay: b.dragShare < 0 ? 'less' : 'more' },
        ...{ lift: `${plain(Math.abs(b.liftShare) * 100, 1)} %`, liftWay: b.liftShare < 0 ? 'less' : 'more' },
    });
}

/** By which monitors' shots flights are calibrated, in a sentence; empty where none told anything. */
export function calibrationText(visits: { n: number; carryShare: number | null }[]): string {
    const n = visits.reduce((sum, v) => sum + v.n, 0);
    if (n === 0) return '';
    const told = visits.filter((v) => v.carryShare !== null);
    const shots = told.reduce((sum, v) => sum + v.n, 0);
    const share = told.reduce((sum, v) => sum + (v.n * v.carryShare!) / shots, 0);
    return say('calibration.told', { n, share: `${signed(share * 100, 1)} %`, carries: told.length ? 'yes' : 'no' });
}
