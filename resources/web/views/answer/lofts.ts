import type {
    Changed,
    Fitting,
    Hand,
    LoftAndWind,
    SpeedLadder,
    SpeedRung,
    SpeedServed,
    StrikeCheck,
    StrikeMoves,
    StrikeWay,
    Told,
    UnitChoice,
} from '../../api/generated/types';
import { lengthText } from '../../format/setups';
import { DRIVES } from '../../format/judged';
import { factor, figure, plain, signed } from '../../format/units';

const of = (told: Told, k: number, digits: number) =>
    `${signed(told.value * k, digits)} (${signed(told.interval.low * k, digits)} to ${signed(told.interval.high * k, digits)})`;

/** What is to be hit where only one speed was. */
export const oneSpeedText = (ladder: SpeedLadder): string =>
    ladder.isRange
        ? ''
        : 'All at about one speed: what differs here is scatter. Hit three smooth and three full out, and say so with the intent of each, to see the range.';

/** "Smooth, 6 shots at 100 mph: delivered 13.4°, longest between 14.2 and 17.0°: 0.8° more." */
export function rungText(r: SpeedRung, units: UnitChoice): string {
    const name = r.name.charAt(0).toUpperCase() + r.name.slice(1);
    const at = `${name}, ${r.n} ${r.n === 1 ? 'shot' : 'shots'} at ${figure('clubSpeedMps', r.speedMps, units, 0)} ${units.speed}`;
    const band = `within 1 % of the longest between ${plain(r.wantedBandDeg[0], 1)} and ${plain(r.wantedBandDeg[1], 1)}°`;
    if (r.deliveredLoftDeg === null || r.loftChangeDeg === null) return `${at}: ${band} of delivered loft.`;
    const from = r.deliveredFrom === 'measured' ? '' : ', worked out from the ball';
    const change =
        Math.abs(r.loftChangeDeg) < 0.05
            ? 'that is right'
            : `${plain(Math.abs(r.loftChangeDeg), 1)}° ${r.loftChangeDeg > 0 ? 'more' : 'less'} is wanted`;
    return `${at}: delivers ${plain(r.deliveredLoftDeg, 1)}°${from}; ${band}, so ${change}.`;
}

const setupName = (s: SpeedServed, fitting: Fitting): string => {
    const known = fitting.setups.find((one) => one.tag === s.tag);
    const what = [s.head, s.sleeve, s.weights].filter(Boolean).join(', ');
    return known ? `${s.tag} (${what})` : what;
};

/** Which setup serves the cruising and the full-out swing, and what each end alone would take. */
export function bothText(ladder: SpeedLadder, fitting: Fitting): string[] {
    const both = ladder.both;
    if (!both) return [];
    const [slow, fast] = both.names as [string, string];
    const best = both.best.both;
    const sure = `chance ${plain(best.both.chance * 100, 0)} %`;
    const served =
        both.pick === both.own
            ? `The own club ${both.own} serves both swings: nothing is better at ${slow} and ${fast} together with the chance of 80 % that is asked for${
                  best.tag === both.own ? '' : ` (nearest: ${setupName(best, fitting)}, ${sure})`
              }.`
            : `${setupName(best, fitting)} serves both swings, ${sure}.`;
    const ends = (['cruising', 'fullOut'] as const).map((end, i) => {
        const one = both.best[end];
        return `For ${[slow, fast][i]} alone: ${one.tag === both.own ? `the own club ${both.own}` : setupName(one, fitting)}, ${plain(one[end].chance * 100, 0)} %.`;
    });
    return [served, ...ends];
}

/** "B: seen from the line of the CG the strikes sit 9 mm toward the heel and 4 mm below (12 shots). In line … carry +5 yd (+2 to +9)." */
export function offText(moves: StrikeMoves, units: UnitChoice): string {
    const { toeMm, highMm } = moves.offMm;
    const parts = [
        Math.abs(toeMm) >= 1 ? `${plain(Math.abs(toeMm), 0)} mm toward the ${toeMm > 0 ? 'toe' : 'heel'}` : '',
        Math.abs(highMm) >= 1 ? `${plain(Math.abs(highMm), 0)} mm ${highMm > 0 ? 'above' : 'below'}` : '',
    ].filter(Boolean);
    const where = parts.length
        ? `${moves.tag}: seen from the line of the CG the strikes sit ${parts.join(' and ')} (${moves.n} shots)`
        : `${moves.tag} is struck in line with the CG (${moves.n} shots)`;
    const assumed = moves.cgAssumed ? ' The CG is that of its kind: nobody told this head’s.' : '';
    if (moves.isNear) return `${where}: near enough, nothing to mend.${assumed}`;
    if (!moves.isOff) return `${where}; that can still be chance. Some more shots, before anything is changed for it.${assumed}`;
    const k = factor(units.distance);
    const { ballSpeedMps, carryM } = moves.worth;
    const likely = `${signed(carryM.interval.low * k, 0)} to ${signed(carryM.interval.high * k, 0)}`;
    const faster = plain(Math.max(0, ballSpeedMps.value * factor(units.speed)), 1);
    return `${where}. In line the mean ball would leave ${faster} ${units.speed} faster; carry ${signed(carryM.value * k, 0)} ${units.distance} (${likely}).${assumed}`;
}

const COSTS: Record<StrikeWay['cost'], string> = { free: 'free', wrench: 'a turn of the wrench', workshop: 'the workshop' };
export const costText = (way: StrikeWay): string => COSTS[way.cost];

/** What is to be done, in words for the one who does it. */
export function wayText(w: StrikeWay, units: UnitChoice): string {
    switch (w.kind) {
        case 'weights':
            return `Weights: ${w.what}. The CG goes behind the strike.`;
        case 'grams':
            return `${plain(Math.abs(w.grams ?? 0), 0)} g ${w.grams! > 0 ? 'on the head (tape)' : 'out of the head'}: ${signed(w.points ?? 0, 1)} points of swing weight.`;
        case 'look':
            return `Another look: sleeve at ${w.what}, ${plain(Math.abs(w.faceOpenDeg ?? 0), 1)}° more ${w.faceOpenDeg! > 0 ? 'open' : 'closed'} on its sole. Nobody knows which way a look moves the strike.`;
        case 'tee':
            return `Tee ${plain(Math.abs(w.teeMm ?? 0), 0)} mm ${w.teeMm! > 0 ? 'higher' : 'lower'}${w.toTeeMm === null || w.toTeeMm === undefined ? '' : ` (to ${plain(w.toTeeMm, 0)} mm)`}.`;
        case 'length':
            return `${lengthText(Math.abs(w.shorterMm ?? 0), units)} ${w.shorterMm! > 0 ? 'shorter' : 'longer'}${w.toLengthMm ? ` (${lengthText(w.toLengthMm, units)})` : ''}, standing as ever.`;
        default:
            return `Cue: stand ${w.nearer ? 'nearer to' : 'farther from'} the ball, by about ${plain(w.standMm ?? 0, 0)} mm.`;
    }
}

export const movesText = (w: StrikeWay, of: 'toeMm' | 'highMm'): string => {
    const { value, interval } = w.movesMm[of];
    return `${signed(value, 0)} (${signed(interval.low, 0)} to ${signed(interval.high, 0)})`;
};

export const gainText = (w: StrikeWay, of: 'ballSpeedMps' | 'carryM', units: UnitChoice): string => {
    const k = of === 'carryM' ? factor(units.distance) : factor(units.speed);
    const d = of === 'carryM' ? 0 : 1;
    return `${signed(w[of].value * k, d)} (${signed(w[of].interval.low * k, d)} to ${signed(w[of].interval.high * k, d)})`;
};

/** The four-shot check: did it work? */
export function checkText(c: StrikeCheck, from: string): string {
    const range = `likely ${signed(c.interval.low, 0)} to ${signed(c.interval.high, 0)} mm`;
    const n = `${c.n} ${c.n === 1 ? 'shot' : 'shots'}`;
    switch (c.verdict) {
        case 'few':
            return `${c.tag}: ${n}. Hit ${c.moreShots} more: from four on it is told whether the strikes came nearer than with ${from}.`;
        case 'nearer':
            return `${c.tag}: it worked. ${plain(c.nearerMm, 0)} mm nearer to the line than with ${from} (${range}, ${n}).`;
        case 'not':
            return `${c.tag}: it did not work. No nearer to the line than with ${from} (${range}, ${n}).`;
        default:
            return `${c.tag}: can’t tell yet (${range}, ${n})${c.moreShots === null ? '; it is not worth hitting more of the same' : `; about ${c.moreShots} more would`}.`;
    }
}

const share14 = (c: Changed): string => signed(c.change * DRIVES, 1);

/** The answer to “more loft is straighter?” for this player. */
export function loftAnswer(told: LoftAndWind['loft'], units: UnitChoice): string {
    const k = factor(units.distance);
    const more = told.lofts.at(-1)!;
    const side = `${signed(more.sideSpreadM.change * k, 1)} ${units.distance}`;
    const drives = `${share14(more.share)} of ${DRIVES} fairways`;
    const length = `${signed(more.carryM.change * k, 0)} ${units.distance} of carry`;
    const what = {
        straighter: 'Yes, for this player',
        wider: 'No, for this player',
        same: 'It makes no difference here',
        open: 'It cannot be told for this player',
    }[told.answer];
    return `${what}: with 2° more delivered loft the spread across changes by ${side}, ${drives}, ${length}.`;
}

/** What physics has to do with it. */
export function loftPhysics(told: LoftAndWind['loft'], hand: Hand): string {
    const [less, more] = [told.lofts[0]!, told.lofts.at(-1)!];
    const tilt = (deg: number) => `${plain(Math.abs(deg), 1)}° ${deg > 0 === (hand === 'right') ? 'toward a fade' : 'toward a draw'}`;
    return `Physics: the same face to path tilts the axis less where the ball spins more (${tilt(less.axisDeg)} with 2° less, ${tilt(more.axisDeg)} with 2° more), and a ball that stays up longer has longer to drift. Seen as an angle from the tee the spread changes by ${signed(told.angleShare * 100, 0)} %. Where the ball starts it hardly changes.`;
}

const WINDS: Record<string, string> = {
    head: 'Into the wind',
    tail: 'Down the wind',
    fromLeft: 'Wind from the left',
    fromRight: 'Wind from the right',
    told: 'The brief’s wind',
};
export const windName = (wind: string): string => WINDS[wind] ?? wind;

export const windAnswer = (answer: 'down' | 'keep' | 'open'): string =>
    ({ down: 'flight it down: longer in total', keep: 'keep the window: longer in total', open: 'cannot be told by length' })[answer];

export const changed = (c: Changed, k: number, digits = 0): string => of({ value: c.change, interval: c.interval }, k, digits);
