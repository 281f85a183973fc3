import type { AnswerFigure, AnswerRow, Fitting, FittingAnswer, Found, FoundSetup, Judgement, Setup } from '../../api/generated/types';
import { DRIVES, drivesOf } from '../../format/judged';
import { list } from '../../format/sentences';
import { say } from './words';
import { changes, lengthText, nameOf } from '../../format/setups';
import { factor, plain, signed, unitOf } from '../../format/units';
import { amountOf } from '../../format/wishes';
import { foundName } from '../../format/found';

/** "Tern 460, 12 g heel" */
const spoken = (setup: Setup, fitting: Fitting): string => nameOf(setup, fitting).replaceAll(' · ', ', ');

/** "Take the Tern 460, 12 g to the heel", "Keep your own club", or what to hit first. */
export function headline(answer: FittingAnswer, fitting: Fitting, found: Found | null): string {
    const { kind, judge, step } = answer;
    if (kind === 'keep') return say('answer.keep', { head: fitting.setups[0]!.head });
    if (kind === 'take') {
        const pick = fitting.setups.find((s) => s.tag === judge!.pick)!;
        const own = fitting.setups[0]!;
        return pick.head === own.head
            ? say('answer.turn', { head: own.head, change: list(changes(pick, own, fitting.player.units)) })
            : say('answer.take', { name: spoken(pick, fitting) });
    }
    const tag = step.tag ?? '';
    const there = fitting.setups.find((s) => s.tag === tag || s.tag === found?.setups.find((f) => f.tag === tag)?.setupTag);
    const next = found?.setups.find((f) => f.tag === tag);
    const name = there ? `${there.tag}, ${spoken(there, fitting)}` : next ? foundName(next, fitting.player.units) : '';
    return say('answer.hit', { step: step.kind, name, shots: step.shots ?? 0 });
}

/** Do two answers come to the same? */
const isSame = (a: FittingAnswer, b: FittingAnswer): boolean =>
    a.kind === b.kind && a.judge?.pick === b.judge?.pick && (a.kind !== 'hit' || a.step.tag === b.step.tag);

/** What earlier fittings have to do with the answer: nothing, or what it would be without them. */
export function rememberedText(answer: FittingAnswer, without: FittingAnswer | null, isWithout: boolean, fitting: Fitting): string {
    const n = fitting.remembered ?? 0;
    if (isWithout) return say('answer.remembered.without', { n });
    if (!without) return say('answer.remembered', { n });
    if (isSame(answer, without)) return say('answer.remembered.same', { n });
    return say('answer.remembered.moved', { n, kind: without.kind, tag: without.judge?.pick ?? '' });
}

/** What it costs and when it is there, of what is taken. */
export function priceText(found: FoundSetup | undefined, setup: Setup, fitting: Fitting): string {
    if (setup.head === fitting.setups[0]!.head) return say('answer.free');
    if (!found) return '';
    const days = found.inStock ? 'stock' : found.orderable ? 'order' : 'none';
    return say('answer.price', {
        price: found.price === null ? 'unknown' : `${plain(found.price, 0)} ${found.currency}`,
        known: found.price === null ? 'no' : 'yes',
        days,
        lead: found.leadDays ?? 0,
    });
}

/** What stays as it is and what changes, beside the head: "sleeve N · same shaft, grip and length". */
export function changesText(setup: Setup, fitting: Fitting): string {
    const own = fitting.setups[0]!;
    const same = [
        setup.shaft === own.shaft ? 'shaft' : '',
        setup.gripId === own.gripId ? 'grip' : '',
        setup.lengthMm === own.lengthMm ? 'length' : '',
    ].filter(Boolean);
    return [
        setup.sleeveLabel ? `sleeve ${setup.sleeveLabel}` : '',
        setup.shaft !== own.shaft ? setup.shaft : '',
        setup.lengthMm !== own.lengthMm ? lengthText(setup.lengthMm, fitting.player.units) : '',
        same.length ? say('answer.same', { what: list(same) }) : '',
    ]
        .filter(Boolean)
        .join(' · ');
}

export const rowName = (row: AnswerRow): string => say(`answer.row.${row.what}`);

export function rowUnder(row: AnswerRow, fitting: Fitting): string {
    const { units } = fitting.player;
    const { widthM, left, right } = fitting.brief.corridor;
    const wide = `${plain(widthM * factor(units.distance), 0)} ${units.distance}`;
    const trouble = row.what === 'left' ? left.kind : row.what === 'right' ? right.kind : 'rough';
    return say('answer.under', { asked: row.asked || 'none', what: row.what.replace(' ', '_'), wide, trouble });
}

function amount(what: string, value: number, fitting: Fitting): string {
    const { units } = fitting.player;
    if (what === 'curveM') {
        const far = Math.round(Math.abs(value) * factor(units.distance));
        return far === 0 ? '0' : `${far} ${value > 0 ? 'right' : 'left'}`;
    }
    return amountOf(what, value, units);
}

/** "10 → 4 of 14"; a length is told as what it gains. */
export function bigText(row: AnswerRow, fitting: Fitting): { before: string; after: string; unit: string } {
    const { units } = fitting.player;
    if (row.before.drives !== null)
        return {
            before: row.after ? String(row.before.drives) : '',
            after: String((row.after ?? row.before).drives),
            unit: say('answer.of', { n: DRIVES }),
        };
    const unit = unitOf(row.what, units);
    if (row.gain !== null && row.after) return { before: '', after: signed(row.gain * factor(unit), 0), unit };
    return {
        before: row.after ? amount(row.what, row.before.value, fitting) : '',
        after: amount(row.what, (row.after ?? row.before).value, fitting),
        unit,
    };
}

const counted = (f: AnswerFigure | null): string =>
    f?.seen && typeof f.seen === 'object' ? say('answer.counted', { in: f.seen.in, of: f.seen.of }) : '';

/** The interval, and what these shots say; where the two pull apart, that few shots exaggerate. */
export function sideText(row: AnswerRow, fitting: Fitting, after: Judgement | undefined): string {
    const { units } = fitting.player;
    const shown = row.after ?? row.before;
    const k = factor(unitOf(row.what, units));
    const parts: string[] = [];
    if (row.before.drives !== null) {
        if (shown.interval)
            parts.push(say('answer.likely', { low: String(drivesOf(shown.interval.low)), high: String(drivesOf(shown.interval.high)) }));
        if (counted(shown))
            parts.push(
                row.after
                    ? say('answer.seen', { before: counted(row.before) || '–', after: counted(row.after) })
                    : say('answer.seenOnce', { seen: counted(shown) }),
            );
    } else {
        if (row.gainInterval && row.after)
            parts.push(say('answer.likely', { low: signed(row.gainInterval.low * k, 0), high: signed(row.gainInterval.high * k, 0) }));
        else if (shown.interval)
            parts.push(
                say('answer.likely', {
                    low: amount(row.what, shown.interval.low, fitting),
                    high: amount(row.what, shown.interval.high, fitting),
                }),
            );
        if (typeof shown.seen === 'number' && typeof row.before.seen === 'number')
            parts.push(
                say('answer.shots', {
                    seen:
                        row.gain !== null && row.after
                            ? signed((shown.seen - row.before.seen) * k, 0)
                            : amount(row.what, shown.seen, fitting),
                }),
            );
    }
    const of = row.what === 'share' ? 'fairways' : row.what === 'carryM' ? 'carry' : '';
    if (after?.exaggerates?.includes(of)) parts.push(say('answer.exaggerates', { n: after.n }));
    return parts.join(' · ');
}

/** Where a figure lies on its strip, beside what it was; a gain beside nothing. Null where there is nothing to set it beside. */
export function stripOf(row: AnswerRow): { zero: number; low: number; high: number; at: number } | null {
    if (!row.after) return null;
    const [zero, at] = row.gain === null ? [row.before.value, row.after.value] : [0, row.gain];
    const of = row.gainInterval ?? row.after.interval ?? { low: at, high: at };
    const [low, high] = [Math.min(zero, of.low), Math.max(zero, of.high)];
    const x = (v: number) => 12 + ((v - low) / Math.max(1e-9, high - low)) * 216;
    return { zero: x(zero), low: x(of.low), high: x(of.high), at: x(at) };
}
