import type { Advice, FlightFigure, Judgement, UnitChoice, WishAnswer } from '../api/generated/types';
import { DRIVES, drivesOf, outOf14 } from './judged';
import { say } from './sentences';
import { factor, plain, unitOf } from './units';

/** A figure of a want in the player's units, the unit apart: "2460" and "rpm", "9" and "of 14 fairways". */
function figureOf(figure: string, value: number, units: UnitChoice): [string, string] {
    switch (figure) {
        case 'share':
            return [plain(drivesOf(value), 0), ` of ${DRIVES} fairways`];
        case 'spinRpm':
            return [plain(Math.round(value / 10) * 10, 0), ' rpm'];
        case 'directionDeg':
            return [`${plain(Math.abs(value), 1)}°${side(value, 0.05)}`, ''];
        case 'curveM':
            return [`${plain(Math.abs(value) * factor(units.distance), 0)} ${units.distance}${side(value, 0.5)}`, ''];
        default:
            return [plain(value * factor(unitOf(figure, units)), 0), ` ${unitOf(figure, units)}`];
    }
}

const side = (value: number, nothing: number): string => (Math.abs(value) < nothing ? '' : value > 0 ? ' right' : ' left');

/** "You asked for less spin: 2460 instead of 3180 rpm." */
function wishText(w: WishAnswer, units: UnitChoice): string {
    const [[before, unit], [after]] = [figureOf(w.figure, w.before, units), figureOf(w.figure, w.after, units)];
    return say('wish.told', {
        want: say(`want.${w.name}`),
        standing: w.standing,
        before: `${before}${unit}`,
        after: w.standing === 'level' ? `${after}${unit}` : after,
    });
}

/** What a setup does for each want of the player, in their order. */
export const wishTexts = (j: { wishes?: WishAnswer[] } | undefined, units: UnitChoice): string[] =>
    (j?.wishes ?? []).map((w) => wishText(w, units));

/** "5 of 7 in the fairway", or nothing where no side was seen. */
export const seenText = (j: Pick<Judgement, 'seen'>): string => (j.seen?.fairways ? say('seen.fairways', j.seen.fairways) : '');

/** "5 of 7 in the fairway; expect 9 of 14 (7 shots exaggerate)". */
export const seenAndExpected = (j: Judgement): string =>
    j.seen?.fairways
        ? say('seen.expect', {
              seen: seenText(j),
              expected: outOf14(j.share),
              n: j.n,
              exaggerates: (j.exaggerates ?? []).includes('fairways') ? 'yes' : 'no',
          })
        : `expect ${outOf14(j.share)}`;

/** Launch, spin, apex and descent, as they stand in a table. */
export const FLIGHT = ['launchDeg', 'spinRpm', 'apexM', 'descentDeg'];

/** "2460" with a word where it is not what is wanted: "3180 high". */
export function flightText(field: string, of: FlightFigure | undefined, units: UnitChoice): string {
    if (!of) return '–';
    return of.standing === 'wanted' ? amountOf(field, of.value, units) : `${amountOf(field, of.value, units)} ${of.standing}`;
}

/** A figure in the player’s units, spin to ten. */
export const amountOf = (field: string, value: number, units: UnitChoice): string =>
    field === 'spinRpm'
        ? plain(Math.round(value / 10) * 10, 0)
        : plain(value * factor(unitOf(field, units)), field === 'launchDeg' ? 1 : 0);

/** "2100 to 2900": what this player wants of it. */
export function bandText(field: string, wanted: Advice['wanted'], units: UnitChoice): string {
    const band = wanted?.[field];
    return band ? `${amountOf(field, band.low, units)} to ${amountOf(field, band.high, units)}` : '';
}
