import type { Alike, Finding, JudgedSetup, NextMove, Standing, UnitChoice } from '../../api/types';
import { factor, figure, MEASURES, plain, signed, unitOf } from '../../units/units';

type Hand = 'right' | 'left';

/** "open" or "closed", "toe" or "heel": what a sign means for this hand. */
const openWord = (rightDeg: number, hand: Hand) => (rightDeg > 0 === (hand === 'right') ? 'open' : 'closed');
const sideWord = (m: number) => (m > 0 ? 'right' : 'left');
const of = (f: Finding, name: string) => Number(f.figures[name] ?? 0);

/** A length in the player's unit, without its sign. */
const far = (m: number, units: UnitChoice) => `${plain(Math.abs(m) * factor(units.distance), 0)} ${units.distance}`;
const speed = (mps: number, units: UnitChoice) => `${plain(Math.abs(mps) * factor(units.speed), 1)} ${units.speed}`;
const cost = (m: number, units: UnitChoice) => (m > 0.5 ? `, worth about ${far(m, units)} of carry` : '');

/** What a ball that starts and curves this way is called for this hand. */
export function shapeWord(startM: number, curveM: number, hand: Hand): string {
    const away = (m: number) => m > 0 === (hand === 'right');
    const start = Math.abs(startM) < 3 ? '' : away(startM) ? 'push' : 'pull';
    const curve = Math.abs(curveM) < 3 ? '' : away(curveM) ? (Math.abs(curveM) > 18 ? 'slice' : 'fade') : Math.abs(curveM) > 18 ? 'hook' : 'draw';
    return [start, curve].filter(Boolean).join(' and ') || 'straight ball';
}

/** A finding in a sentence, with its evidence. */
export function findingText(f: Finding, hand: Hand, units: UnitChoice): string {
    switch (f.kind) {
        case 'strike off the CG line': {
            const words = [
                Math.abs(of(f, 'toeMm')) > 3 ? `${plain(Math.abs(of(f, 'toeMm')), 0)} mm to the ${of(f, 'toeMm') > 0 ? 'toe' : 'heel'}` : '',
                Math.abs(of(f, 'highMm')) > 3 ? `${plain(Math.abs(of(f, 'highMm')), 0)} mm ${of(f, 'highMm') > 0 ? 'above' : 'below'}` : '',
            ].filter(Boolean);
            return `The strike is ${words.join(' and ')} from the line of the CG${cost(of(f, 'costM'), units)}.`;
        }
        case 'smash low for the strike':
            return `Smash ${plain(of(f, 'smash'), 2)} where this strike should give ${plain(of(f, 'expected'), 2)}: look at the monitor’s club speed, the ball, and the face.`;
        case 'attack down':
            return `The attack is ${plain(Math.abs(of(f, 'attackDeg')), 1)}° down; level, at the same delivered loft, would be${cost(of(f, 'costM'), units) || ' no longer'}.`.replace(
                'be, worth',
                'be worth',
            );
        case 'face to path':
            return `The face is ${plain(Math.abs(of(f, 'faceToPathDeg')), 1)}° ${openWord(of(f, 'faceToPathDeg'), hand)} to the path${f.figures.faceFrom === 'measured' ? '' : ' (face from the ball)'}: it moves the landing ${far(of(f, 'sideM'), units)} to the ${sideWord(of(f, 'sideM'))}.`;
        case 'spin too high':
        case 'spin too low':
            return `${Math.round(of(f, 'spinRpm'))} rpm at ${plain(of(f, 'launchDeg'), 1)}° launch; about ${Math.round(of(f, 'bestSpinRpm') / 50) * 50} at ${plain(of(f, 'bestLaunchDeg'), 1)}°, with ${plain(Math.abs(of(f, 'loftChangeDeg')), 1)}° ${of(f, 'loftChangeDeg') < 0 ? 'less' : 'more'} delivered loft, is longest with this swing${cost(of(f, 'costM'), units)}.`;
        case 'descent too steep':
            return `It comes down at ${plain(of(f, 'descentDeg'), 0)}°: little run.`;
        case 'descent too shallow':
            return `It comes down at ${plain(of(f, 'descentDeg'), 0)}°: the run is long, and so is the roll into trouble.`;
        case 'two-way miss':
            return `It misses both ways: expect ${plain(of(f, 'left') * 100, 0)} % left of the corridor and ${plain(of(f, 'right') * 100, 0)} % right of it, whatever the average says.`;
        case 'curve hidden by a centred mean':
            return `On average it ends near the line, yet it starts ${far(of(f, 'startM'), units)} ${sideWord(of(f, 'startM'))} and curves ${far(of(f, 'curveM'), units)} ${sideWord(of(f, 'curveM'))}: a ${shapeWord(of(f, 'startM'), of(f, 'curveM'), hand)}.`;
        case 'it starts there':
            return `It ends ${far(of(f, 'sideM'), units)} ${sideWord(of(f, 'sideM'))} because it starts there, not because it curves: a ${shapeWord(of(f, 'startM'), of(f, 'curveM'), hand)}.`;
        case 'it curves there':
            return `It ends ${far(of(f, 'sideM'), units)} ${sideWord(of(f, 'sideM'))} because it curves ${far(of(f, 'curveM'), units)}: a ${shapeWord(of(f, 'startM'), of(f, 'curveM'), hand)}.`;
        case 'draws the strike to the heel':
        case 'draws the strike to the toe':
            return `It draws the strike ${plain(Math.abs(of(f, 'shiftMm')), 0)} mm to the ${f.kind.endsWith('heel') ? 'heel' : 'toe'} against the benchmark${Math.abs(of(f, 'heavierPoints')) >= 1 ? `; it is ${plain(Math.abs(of(f, 'heavierPoints')), 0)} swing-weight points ${of(f, 'heavierPoints') > 0 ? 'heavier' : 'lighter'}` : ''}.`;
        case 'few shots':
            return `${plain(of(f, 'n'), 0)} shot${of(f, 'n') === 1 ? '' : 's'}`;
        case 'printed loft':
            return 'the loft is the printed one';
        case 'two changes':
            return `${(f.figures.changed as string[]).join(' and ')} changed at once`;
        case 'other ball':
            return 'another ball than the benchmark’s';
        case 'other tee':
            return 'another tee height than the benchmark’s';
        case 'other conditions': {
            const what = String(f.figures.what ?? '');
            return what.startsWith('visit') ? 'hit on another visit than the benchmark' : `hit under another ${what.replace(':', ',')} than the benchmark`;
        }
        case 'player compensating':
            return `the change should turn the face ${plain(Math.abs(of(f, 'expectedDeg')), 1)}° ${openWord(of(f, 'expectedDeg'), hand)}, and it came ${plain(Math.abs(of(f, 'seenDeg')), 1)}° ${openWord(of(f, 'seenDeg'), hand)}: the player works against it`;
        case 'label and data disagree':
            return `the label says ${of(f, 'expectedDeg') > 0 ? 'more' : 'less'} loft, the shots launch ${plain(Math.abs(of(f, 'seenDeg')), 1)}° ${of(f, 'seenDeg') > 0 ? 'higher' : 'lower'}`;
        case 'speed falling':
        case 'speed rising':
            return `speed ${f.kind.slice(6)} by ${speed(of(f, 'speedMps'), units)} from the first half to the second`;
        default:
            return f.kind;
    }
}

/** A guard rail: what, and what the tool did about it. */
export const railText = (f: Finding, hand: Hand, units: UnitChoice): string =>
    `${f.tag ? `${f.tag}: ` : ''}${findingText(f, hand, units)} — ${String(f.figures.done ?? '')}.`;

/** The verdict on the declared measure in a sentence, with its interval. */
export function verdictText(setup: JudgedSetup, benchmark: string, units: UnitChoice): string {
    const told = setup.standing.find((s) => s.declared);
    if (!told) return `${setup.n} shot${setup.n === 1 ? '' : 's'} of ${setup.tag}: hit at least three of each before anything can be said.`;
    const range = `${rangeText(told, units)}`;
    const words: Record<string, string> = {
        better: `${setup.tag} is ${told.name} than ${benchmark}: ${range}.`,
        worse: `${setup.tag} is not ${told.name} than ${benchmark}: ${range}.`,
        same: `${setup.tag} is as good as the same as ${benchmark}: ${range}.`,
        open: told.moreShots
            ? `Can’t tell yet whether ${setup.tag} is ${told.name} than ${benchmark} (${range}): about ${told.moreShots} more would settle it.`
            : `${setup.tag} against ${benchmark} is too close to tell (${range}); it is not worth hitting more of the same.`,
    };
    return words[told.word] ?? '';
}
export function rangeText(s: Standing, units: UnitChoice): string {
    if (s.name === 'tighter') return `${plain(s.value, 2)} times the spread, likely ${plain(s.interval.low, 2)} to ${plain(s.interval.high, 2)}`;
    const unit = unitOf(s.measure, units);
    const k = factor(unit);
    const d = s.measure === 'spinRpm' ? 0 : s.measure === 'ballSpeedMps' ? 1 : 0;
    return `${signed(s.value * k, d)} ${unit}, likely ${signed(s.interval.low * k, d)} to ${signed(s.interval.high * k, d)}`;
}

/** What like for like took out, and what it left in. */
export function alikeText(alike: Alike, units: UnitChoice): string {
    if (alike.corrected.length === 0) return 'Nothing could be taken out: this monitor gives neither club nor strike.';
    if (alike.corrected[0] === 'ballSpeedMps') return 'Ball data alone: only the luck of ball speed is taken out.';
    const own = alike.ownShifts.filter((s) => Math.abs(s.carryM) * factor(units.distance) >= 0.8);
    const named = own.map(
        (s) =>
            `${MEASURES[s.field]?.label.toLowerCase() ?? s.field} ${signed(s.shift * factor(unitOf(s.field, units)), 1)} ${unitOf(s.field, units)} (${signed(s.carryM * factor(units.distance), 0)} ${units.distance})`,
    );
    return `Taken out: luck in ${alike.corrected.map((c) => MEASURES[c]?.label.toLowerCase() ?? c).join(', ')}.${named.length ? ` Left in, as this setup’s own: ${named.join(', ')}.` : ''}`;
}

const MENDS: Record<string, string> = {
    'spin too high': 'too much spin',
    'spin too low': 'too little spin',
    'it starts there': 'where the ball starts',
    'it curves there': 'the curve',
    'face to path': 'the face against the path',
};
export function nextText(next: NextMove, units: UnitChoice): string {
    const e = (m: string) => {
        const unit = unitOf(m, units);
        const v = next.effect[m]!;
        const d = m === 'spinRpm' ? 0 : m === 'launchDeg' ? 1 : 0;
        return `${signed(v.value * factor(unit), d)} ${unit} (${signed(v.low * factor(unit), d)} to ${signed(v.high * factor(unit), d)})`;
    };
    return `Hit ${next.head} at ${next.sleeve || 'its other position'}${next.weights ? `, ${next.weights}` : ''}: it goes at ${MENDS[next.mends] ?? next.mends}. Expect, against the benchmark, launch ${e('launchDeg')}, spin ${e('spinRpm')}, carry ${e('carryM')}, side ${e('sideM')}.`;
}

/** "It misses better" as a number. */
export const zoneText = (v: number | null, field: string, units: UnitChoice) => (v === null ? '–' : figure(field, v, units));
