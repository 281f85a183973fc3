import type { AcceptanceReport, Order, UnitChoice } from '../../api/generated/types';
import { lengthText } from '../../format/setups';
import { faceWords, factor, plain, signed } from '../../format/units';
import { DRIVES } from '../../format/judged';

export const FIGURES: Record<string, string> = {
    loftDeg: 'Loft',
    lieDeg: 'Lie',
    faceOpenDeg: 'Face',
    lengthMm: 'Length',
    swingWeightPoints: 'Swing weight',
    massG: 'Mass',
};

/** "D2.5" from points above A0. */
export function balanceText(points: number): string {
    const letter = Math.min(6, Math.floor(points / 10));
    return `${'ABCDEFG'[letter]}${Number((points - 10 * letter).toFixed(1))}`;
}

/** A figure of a club as it is read. */
export function clubFigure(name: string, value: number | null, units: UnitChoice): string {
    if (value === null) return 'not read';
    if (name === 'faceOpenDeg') return faceWords(value);
    if (name === 'lengthMm') return lengthText(value, units);
    if (name === 'swingWeightPoints') return balanceText(value);
    return name === 'massG' ? `${plain(value, 0)} g` : `${plain(value, 1)}°`;
}

/** How far it is off, with its unit. */
export function offText(name: string, off: number | null, units: UnitChoice): string {
    if (off === null) return '–';
    if (name === 'lengthMm') return units.length === 'in' ? `${signed(off * factor('in'), 2)} in` : `${signed(off, 0)} mm`;
    if (name === 'swingWeightPoints') return `${signed(off, 1)} points`;
    return name === 'massG' ? `${signed(off, 0)} g` : `${signed(off, 1)}°`;
}

const likely = (low: number, high: number, digits: number, unit: string) =>
    `likely ${signed(low, digits)} to ${signed(high, digits)}${unit}`;

/** What the club does to this player's ball against the one that was ordered: a sentence each. */
export function effectTexts(report: AcceptanceReport, units: UnitChoice): string[] {
    const effect = report.effect;
    if (!effect) return [];
    const k = factor(units.distance);
    const out: string[] = [];
    const carry = effect.carryM;
    if (carry)
        out.push(
            `Carry ${signed(carry.value * k, 0)} ${units.distance} (${likely(carry.interval.low * k, carry.interval.high * k, 0, '')}).`,
        );
    const side = effect.sideM;
    if (side) {
        const way = side.value > 0 ? 'right' : 'left';
        out.push(
            Math.abs(side.value * k) < 0.5
                ? `As straight as ordered (${likely(side.interval.low * k, side.interval.high * k, 0, ` ${units.distance}, + right`)}).`
                : `${plain(Math.abs(side.value * k), 0)} ${units.distance} further ${way} (${likely(side.interval.low * k, side.interval.high * k, 0, ` ${units.distance}, + right`)}).`,
        );
    }
    const apex = effect.apexM;
    if (apex) {
        const h = factor(units.height);
        out.push(`Height ${signed(apex.value * h, 0)} ${units.height} (${likely(apex.interval.low * h, apex.interval.high * h, 0, '')}).`);
    }
    const share = effect.share;
    if (share)
        out.push(
            `${signed(share.value * DRIVES, 1)} of ${DRIVES} fairways, aimed at the middle (${likely(share.interval.low * DRIVES, share.interval.high * DRIVES, 1, '')}).`,
        );
    return out;
}

const BACK: Record<string, string> = {
    lengthMm: 'it is too short, and a shaft does not grow',
    angles: 'no position of the sleeve brings loft, lie and face within tolerance',
    swingWeightPoints: 'no weight at the head brings the balance within tolerance',
};

/** How it is mended, in the order of least work. */
export function mendTexts(report: AcceptanceReport, units: UnitChoice): string[] {
    const out: string[] = [];
    if (!report.isHandRight) return ['A club of the other hand: send it back.'];
    if (report.turn) {
        const { label, loftOffDeg, faceOffDeg } = report.turn;
        out.push(
            `Turn the sleeve to ${label}: then the loft is ${signed(loftOffDeg, 1)}° and the face ${faceWords(faceOffDeg)} of what was ordered, as this player delivers it.`,
        );
    }
    if (report.gramsAtHead !== null) {
        const grams = plain(Math.abs(report.gramsAtHead), 1);
        out.push(
            report.gramsAtHead < 0
                ? `Take ${grams} g out of the head: a lighter screw, or less in the sole.`
                : `Add ${grams} g at the head: a heavier screw, or tape inside.`,
        );
    }
    if (report.cutMm !== null)
        out.push(`Cut ${offText('lengthMm', report.cutMm, units).replace('+', '')} off at the butt, then read the balance again.`);
    if (report.sendBack) out.push(`Send it back: ${(report.because ?? []).map((b) => BACK[b]).join('; ') || 'nothing here mends it'}.`);
    return out;
}

/** What is read of it in one line: what is out, or that nothing is. */
export function verdictText(report: AcceptanceReport): string {
    if (!report.isHandRight) return 'The wrong hand.';
    const out = report.checks.filter((c) => c.isWithin === false).map((c) => FIGURES[c.name]!.toLowerCase());
    const unread = report.checks.filter((c) => c.ordered !== null && c.delivered === null).map((c) => FIGURES[c.name]!.toLowerCase());
    if (out.length) return `Out of tolerance: ${out.join(', ')}.`;
    return unread.length ? `In tolerance as far as it was read; not read: ${unread.join(', ')}.` : 'In tolerance.';
}

export const money = (value: number, currency: string): string => `${plain(value, 2)}${currency ? ` ${currency}` : ''}`;

/** What comes next, as the fitter says it. */
export const STEP_WORDS: Record<string, string> = {
    asked: 'Ask again',
    ordered: 'Mark as ordered',
    arrived: 'Mark as arrived',
    built: 'Mark as built',
    'handed over': 'Hand it over',
    returned: 'Send it back',
    cancelled: 'Cancel',
};

export function dueText(order: Pick<Order, 'dueOn' | 'isLate' | 'state'>): string {
    if (order.dueOn === null || order.state !== 'ordered') return '';
    const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(
        new Date(`${order.dueOn}T12:00:00Z`),
    );
    return order.isLate ? `late: was due ${day}` : `due ${day}`;
}
