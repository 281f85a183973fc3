import type { Believed, ClubBuild, Found, FoundSetup, UnitChoice } from '../../api/generated/types';
import { lengthText } from '../../format/setups';
import { factor, plain, signed } from '../../format/units';

/** What a setup is built of beside the usual: "Reedline 60 S, 44.50 in". */
export const withText = (build: Partial<ClubBuild>, units: UnitChoice): string =>
    [
        build.shaft,
        build.lengthMm == null ? '' : lengthText(build.lengthMm, units),
        build.ball ? `ball ${build.ball}` : '',
        build.teeMm == null ? '' : `tee ${plain(build.teeMm, 0)} mm`,
        build.cue ? `cue: ${build.cue}` : '',
    ]
        .filter(Boolean)
        .join(', ');

/** "Tern 460 at N up, 12 g back" */
export function nameOf(s: FoundSetup, units: UnitChoice): string {
    const built = withText(s.with, units);
    const name = [s.head, s.sleeve && s.sleeve !== 'N' ? `at ${s.sleeve}` : '', s.weights]
        .filter(Boolean)
        .join(', ')
        .replace(', at', ' at');
    return built ? `${name}, with ${built}` : name;
}

/** A gain with its interval in the scoring's own words. */
export function gainText(s: FoundSetup, found: Found, units: UnitChoice): string {
    if (found.unit === 'strokes')
        return `${signed(s.gain, 3)} strokes a drive (${signed(s.gainInterval.low, 2)} to ${signed(s.gainInterval.high, 2)})`;
    const [k, unit, d] = found.unit === 'm' ? [factor(units.distance), units.distance, 1] : [1, 'points', 1];
    return `${signed(s.gain * k, d)} ${unit} (${signed(s.gainInterval.low * k, d)} to ${signed(s.gainInterval.high * k, d)})`;
}

/** A chance in whole per cent; just under what is asked for is not rounded up to it. */
const chanceText = (p: number): string => (p < 0.8 && p >= 0.795 ? 'just under 80 %' : `${plain(p * 100, 0)} %`);

/** What the finder advises, in a sentence or two. */
export function adviceText(found: Found, units: UnitChoice): string {
    const pick = found.setups.find((s) => s.tag === found.pick);
    const best = found.setups.find((s) => s.tag === found.best);
    if (!pick || !best) return '';
    const tied = `${found.ties} of ${found.count} cannot be told from the best; ${found.within} are within what counts as a difference at all.`;
    if (pick.tag === found.own)
        return best.tag === found.own
            ? `Nothing on the rack is expected to beat the own club. ${tied}`
            : `Keep the own club for now: ${nameOf(best, units)} is expected to gain ${gainText(best, found, units)}, with a chance of ${chanceText(best.chance)} that it gains at all; 80 % are asked for. ${tied}`;
    const sooner = best === pick ? '' : ` ${nameOf(best, units)} is expected to gain as much, less surely.`;
    return `${nameOf(pick, units)}: expected to gain ${gainText(pick, found, units)} over the own club, with a chance of ${chanceText(pick.chance)}.${sooner} ${tied}`;
}

/** A figure of the scoring in its own unit: "0.004 strokes a drive". */
function scored(value: number, found: Found, units: UnitChoice): string {
    if (found.unit === 'strokes') return `${plain(value, 3)} strokes a drive`;
    return found.unit === 'm' ? `${plain(value * factor(units.distance), 1)} ${units.distance}` : `${plain(value, 1)} points`;
}

export function stopText(found: Found, units: UnitChoice): string {
    if (found.unit !== 'strokes') return `Expected loss of the pick: ${scored(found.expectedLoss, found, units)}.`;
    return found.mayStop
        ? `You may stop: the pick is expected to lose ${plain(found.expectedLoss, 3)} strokes against a clairvoyant’s, under 0.020.`
        : `Expected loss of the pick: ${plain(found.expectedLoss, 3)} strokes; under 0.020 you may stop.`;
}

/** What the next trial could change. */
export function nextText(found: Found, units: UnitChoice): string {
    if (!found.next) return '';
    const to = found.setups.find((s) => s.tag === found.next!.to);
    const worth = `Four shots of it are worth ${scored(found.next.value, found, units)} on average.`;
    if (!to || found.next.turns < 0.02) return `${worth} They would hardly change which setup is best.`;
    const name = to.tag === found.own ? 'the own club' : to.tag === found.next.tag ? 'this one' : nameOf(to, units);
    return `${worth} In ${plain(found.next.turns * 100, 0)} % of cases they make another setup the best, most often ${name}.`;
}

/** Words, factor to the unit shown, places, unit. */
type Look = [words: string, by: number, places: number, unit: string];
const FACTORS: Record<string, (units: UnitChoice) => Look> = {
    squaring: () => ['squares the face at address (100 % fully)', 100, 0, ' %'],
    faceCarryThrough: () => ['face of the club that reaches the ball', 100, 0, ' %'],
    loftCarryThrough: () => ['loft of the sleeve that reaches the ball', 100, 0, ' %'],
    loftPerCgBackMm: () => ['loft for a millimetre of CG back', 1, 2, '°'],
    openPerCgToeMm: () => ['opening for a millimetre of CG toward the toe', 1, 2, '°'],
    toeMmPerPoint: () => ['strike for a point of swing weight, toe +', 1, 1, ' mm'],
    speedMpsPerPoint: (units) => ['club speed for a point of swing weight', factor(units.speed), 2, ` ${units.speed}`],
};
/** What was learned of this player, as rows: what, before, now. */
export const learnedRows = (found: Found, units: UnitChoice): [string, string, string][] =>
    Object.entries(found.learned).map(([k, l]) => {
        const [words, by, places, unit] = FACTORS[k]?.(units) ?? [k, 1, 2, ''];
        const say = (value: number, sd: number) => `${plain(value * by, places)} ± ${plain(sd * by, places)}${unit}`;
        return [words, say(l.prior, l.priorSd), say(l.now, l.sd)];
    });

/** What a head, or another shaft, does of its own, as a row: what, strike toward the toe and high in mm, spin in %, delivered loft in °, club speed. */
export const ownEffectRows = (found: Found, units: UnitChoice): string[][] =>
    found.ownEffects.map(({ head, with: build, effects }) => {
        const say = (name: string, by: number, digits: number) => {
            const e: Believed | undefined = effects[name];
            return e ? `${signed(e.mean * by, digits)} ± ${plain(e.sd * by, digits)}` : '–';
        };
        return [
            head ?? withText(build, units),
            say('toeMm', 1, 0),
            say('highMm', 1, 0),
            say('spin', 100, 0),
            say('loftDeg', 1, 1),
            say('speedMps', factor(units.speed), 1),
        ];
    });
