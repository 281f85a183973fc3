import type { Believed, Found, FoundSetup, UnitChoice } from '../../api/generated/types';
import { foundName, withText } from '../../format/found';
import { paysText } from '../../format/guard';
import { supplyOf } from '../../format/ladder';
import { chanceWords, drivesOf, outOf14 } from '../../format/judged';
import { factor, plain, signed } from '../../format/units';
import { seenText } from '../../format/wishes';
import { say } from './words';

/** What the next trial is for, and how likely it beats what was hit. */
export const nextText = ({ next }: Found): string =>
    next
        ? say('answer.next', { for: say('answer.next.for', { for: next.for.replaceAll(' ', '_') }), chance: chanceWords(next.chance) })
        : '';

/** A gain with its interval in the scoring's own words: "+0.02 strokes a drive (−0.01 to +0.05)". */
export function gainText(s: FoundSetup, found: Found, units: UnitChoice): string {
    const [k, unit, d] =
        found.unit === 'strokes'
            ? [1, 'strokes a drive', 2]
            : found.unit === 'm'
              ? [factor(units.distance), units.distance, 1]
              : [1, 'points', 1];
    return `${signed(s.gain * k, d)} ${unit} (${say('answer.figures.range', { low: signed(s.gainInterval.low * k, d), high: signed(s.gainInterval.high * k, d) })})`;
}

/** What one setup is expected to do beside its flight: where it ends, how to aim, what it is worth. */
export function oneTexts(s: FoundSetup, found: Found, units: UnitChoice): string[] {
    return [
        say('answer.rack.one', {
            seen: (s.seen?.fairways && seenText({ seen: s.seen })) || 'none',
            fairways: outOf14(s.share),
            left: drivesOf(s.leftShare),
            right: drivesOf(s.rightShare),
        }),
        say('answer.rack.aim', {
            spread: `${plain(s.spreadM * factor(units.distance), 0)} ${units.distance}`,
            aim: plain(Math.abs(s.aimDeg), 1),
            side: s.aimDeg < 0 ? 'left' : 'right',
        }),
        say('answer.rack.gain', { gain: gainText(s, found, units), fixed: signed(s.aimFixedGain, 2) }),
        say('answer.rack.supply', {
            supply: s.otherLoftDeg === null ? 'none' : supplyOf({ ...s, toOrder: true }),
            print: s.otherLoftDeg === null && s.printSdDeg > 0 ? 'yes' : 'no',
        }),
    ];
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
        const told = (value: number, sd: number) => `${plain(value * by, places)} ± ${plain(sd * by, places)}${unit}`;
        return [words, told(l.prior, l.priorSd), told(l.now, l.sd)];
    });

/** What a head, or another shaft, does of its own: strike toward the toe and high in mm, spin in %, delivered loft in °, club speed. */
export const ownEffectRows = (found: Found, units: UnitChoice): string[][] =>
    found.ownEffects.map(({ head, with: build, effects }) => {
        const told = (name: string, by: number, digits: number) => {
            const e: Believed | undefined = effects[name];
            return e ? `${signed(e.mean * by, digits)} ± ${plain(e.sd * by, digits)}` : '–';
        };
        return [
            head ?? withText(build, units),
            told('toeMm', 1, 0),
            told('highMm', 1, 0),
            told('spin', 100, 0),
            told('loftDeg', 1, 1),
            told('speedMps', factor(units.speed), 1),
        ];
    });

/** What the guard picture says: the safest, the farthest, and the setup that is looked at, each with what it pays. */
export function guardSays(found: Found, guard: Found['guard'][number], one: FoundSetup | null, units: UnitChoice): string {
    const told = (tag: string, lead: string): string => {
        const s = found.setups.find((f) => f.tag === tag);
        const n = s?.never.find((x) => x.kind === guard.kind);
        const pays = s && n && paysText(s, n.chance, n.ofBenchmark, found.benchmark, units);
        return pays ? say('answer.rack.guard', { lead, name: foundName(s, units), pays }) : '';
    };
    const looked = one && one.tag !== guard.safest && one.tag !== guard.farthest ? told(one.tag, 'one') : '';
    return [told(guard.safest, 'safest'), told(guard.farthest, 'far'), looked].filter(Boolean).join(' ');
}
