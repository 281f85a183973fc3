import type { Believed, ClubBuild, Fitting, Found, FoundSetup, Judge, UnitChoice } from '../../api/generated/types';
import { paysText } from '../../format/guard';
import { chanceWords, drivesOf, outOf14 } from '../../format/judged';
import { lengthText, nameOf as setupName } from '../../format/setups';
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
export function nameOf(s: Pick<FoundSetup, 'head' | 'sleeve' | 'weights' | 'with'>, units: UnitChoice): string {
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
        return `${signed(s.gain, 2)} strokes a drive (${signed(s.gainInterval.low, 2)} to ${signed(s.gainInterval.high, 2)})`;
    const [k, unit, d] = found.unit === 'm' ? [factor(units.distance), units.distance, 1] : [1, 'points', 1];
    return `${signed(s.gain * k, d)} ${unit} (${signed(s.gainInterval.low * k, d)} to ${signed(s.gainInterval.high * k, d)})`;
}

/** A chance in words; just under what is asked for is not rounded up to it. */
const chanceText = (p: number): string => (p < 0.8 && p >= 0.795 ? 'just under 80 in 100' : chanceWords(p));

/** What the next step is about, by its name among the setups, or as the rack has it. */
export function candidateName(judge: Pick<Judge, 'next'>, fitting: Fitting): string {
    const { next } = judge;
    if (!next) return 'the next setup';
    const there = fitting.setups.find((s) => s.tag === next.setupTag);
    return there ? `${there.tag}, ${setupName(there, fitting)}` : nameOf(next, fitting.player.units);
}

/** Yards and fairways first: "+6 yd (likely +1 to +11), 9 of 14 fairways". */
export function feltText(s: FoundSetup, units: UnitChoice): string {
    const k = factor(units.distance);
    const carry = `${signed(s.carryGainM * k, 0)} ${units.distance} of carry (likely ${signed(s.carryGainInterval.low * k, 0)} to ${signed(s.carryGainInterval.high * k, 0)})`;
    return `${carry} and ${outOf14(s.share)} fairways`;
}

/** What the finder advises, in a sentence or two. */
export function adviceText(found: Found, units: UnitChoice): string {
    const pick = found.setups.find((s) => s.tag === found.pick);
    const best = found.setups.find((s) => s.tag === found.best);
    const base = found.setups.find((s) => s.tag === found.benchmark);
    if (!pick || !best || !base) return '';
    const kept = found.benchmark === found.own ? 'the own club' : found.benchmark;
    const tied = `${found.ties} of ${found.count} cannot be told from the best.`;
    if (pick === base)
        return best === base
            ? `Nothing on the rack is expected to beat ${kept}. ${tied}`
            : `Keep ${kept} for now: ${nameOf(best, units)} is expected to bring ${feltText(best, units)} (${drivesOf(base.share)} with ${kept}), but the chance that it gains at all is ${chanceText(best.chance)}: not sure enough to change to. ${tied}`;
    const sooner = best === pick ? '' : ` ${nameOf(best, units)} is expected to gain as much, less surely.`;
    return `${nameOf(pick, units)}: expected to bring ${feltText(pick, units)} (${drivesOf(base.share)} with ${kept}). That is worth ${gainText(pick, found, units)}, with a chance of ${chanceText(pick.chance)} that it gains at all.${sooner} ${tied}`;
}

/** A figure of the scoring in its own unit: "0.004 strokes a drive". */
function scored(value: number, found: Found, units: UnitChoice): string {
    if (found.unit === 'strokes') return `${value < 0.005 ? 'less than 0.01' : plain(value, 2)} strokes a drive`;
    return found.unit === 'm' ? `${plain(value * factor(units.distance), 1)} ${units.distance}` : `${plain(value, 1)} points`;
}

export const stopText = (found: Found, units: UnitChoice): string =>
    `Still to be found on the rack: about ${scored(found.expectedLoss, found, units)}${found.mayStop ? ', little enough to stop.' : '.'}`;

/** Heads that the budget leaves out. */
export const tooDearText = (found: Found): string =>
    found.tooDear.length ? `Left out, because they cost more than the brief has: ${found.tooDear.join(', ')}.` : '';

const FOR: Record<string, string> = {
    'more loft': 'more loft keeps it in the air',
    'less loft': 'less loft takes the spin off',
    carry: 'it carries farther',
    run: 'it goes farther in all',
    fairways: 'it finds more fairways',
    height: 'it flies higher',
    'lower flight': 'it flies lower',
    'less spin': 'it spins less',
    'hold a draw': 'it holds the draw',
    'hold a fade': 'it holds the fade',
    'start side': 'it starts where it shall',
    shape: 'it keeps the shape',
    strokes: 'it saves strokes',
};
/** What the next trial is for, and how likely it beats what was hit. */
export function nextText(found: Found): string {
    if (!found.next) return '';
    const chance = `The chance that it beats the best so far is ${chanceWords(found.next.chance)}.`;
    return `To see whether ${FOR[found.next.for] ?? FOR.strokes}. ${chance}`;
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

/** What the guard picture says: the safest, the farthest, and the setup that is looked at, each with what it pays. */
export function guardSays(found: Found, guard: Found['guard'][number], one: FoundSetup | null, units: UnitChoice): string {
    const say = (tag: string, lead: string): string => {
        const s = found.setups.find((f) => f.tag === tag);
        const n = s?.never.find((x) => x.kind === guard.kind);
        return s && n ? `${lead} ${nameOf(s, units)}: ${paysText(s, n.chance, n.ofBenchmark, found.benchmark, units)}.` : '';
    };
    const looked = one && one.tag !== guard.safest && one.tag !== guard.farthest ? say(one.tag, 'Looked at:') : '';
    return [say(guard.safest, 'Safest:'), say(guard.farthest, 'Farthest on the line:'), looked].filter(Boolean).join(' ');
}
