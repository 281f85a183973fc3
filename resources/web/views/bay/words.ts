import type { BayView, Shot, Standing, UnitChoice } from '../../api/types';
import { figure, plain, unitOf, factor } from '../../units/units';

const SIGNS: Record<string, string> = { better: '✓', worse: '✗', open: '?' };

/** "longer ✓" — a word, and whether the shots carry it. */
export const standingText = (s: Standing): string => `${s.name} ${SIGNS[s.word]}`;

/** The last shot as one would say it. */
export function shotSentence(shot: Shot, units: UnitChoice): string {
    const at = (f: string) => shot.measured[f] ?? shot.computed[f];
    const say = (f: string, before: string, after = '') => (at(f) === undefined ? '' : `${before}${figure(f, at(f), units)}${after}`);
    const side = at('sideM');
    return [
        say('launchDeg', 'launch ', '°'),
        say('spinRpm', '', ' rpm'),
        side === undefined
            ? 'side unknown'
            : Math.round(Math.abs(side) * factor(units.distance)) === 0
              ? 'on the target line'
              : `${figure('sideM', Math.abs(side), units).replace(/ [LR]$/, '')} ${units.distance} ${side > 0 ? 'right' : 'left'}`,
        say('ballSpeedMps', 'ball ', ` ${unitOf('ballSpeedMps', units)}`),
        say('apexM', 'apex ', ` ${units.height}`),
    ]
        .filter(Boolean)
        .join(', ');
}

/** What is left of swings and minutes, where the brief named them. */
export function budgetText(b: BayView['budget']): string {
    const swings = b.swings === null ? '' : ` · ${Math.max(0, b.swings - b.swingsHit)} of ${b.swings} swings left`;
    const minutes = b.minutes === null ? '' : ` · ${b.minutesUsed} of ${b.minutes} minutes`;
    return swings + minutes;
}

/** A mean with its interval: "203 ± 4 (n 6)". */
export function meanText(
    field: string,
    mean: { mean: number; n: number; meanInterval: { low: number; high: number } | null } | null | undefined,
    units: UnitChoice,
): string {
    if (!mean) return '–';
    const half = mean.meanInterval ? ((mean.meanInterval.high - mean.meanInterval.low) / 2) * factor(unitOf(field, units)) : null;
    return `${figure(field, mean.mean, units)}${half === null ? '' : ` ± ${plain(half, field === 'spinRpm' ? 0 : field === 'launchDeg' || field.endsWith('Mps') ? 1 : 0)}`}`;
}

/** What to do next, in one sentence. */
export function nextMove(view: BayView, benchmarkTag: string | null): string {
    const trial = view.running;
    if (!trial) return 'Choose the setup in the hand, and begin.';
    if (trial.kind === 'warm-up') return 'Warm up. These shots count for nothing; begin the trial when the player is ready.';
    const counted = view.shots.filter((s) => !s.leftOut).length;
    if (trial.tag === benchmarkTag)
        return counted < 5 ? `Hit the benchmark ${5 - counted} more: everything is measured against it.` : 'The benchmark stands. Take the next setup.';
    if (view.benchmarkMeans === null) return `Hit the benchmark ${benchmarkTag ?? ''} first: there is nothing to stand against yet.`;
    if (counted < 3) return `${3 - counted} more before anything can be said.`;
    const told = view.standing.find((s) => s.declared);
    const others = view.standing.filter((s) => !s.declared && s.word !== 'open').map((s) => (s.word === 'better' ? s.name : `not ${s.name}`));
    const also = others.length ? ` (${others.join(', ')})` : '';
    if (told?.word === 'better') return `${trial.tag} is ${told.name} than ${benchmarkTag}${also}. Hold it as benchmark, if it is the one to beat.`;
    if (told?.word === 'worse') return `${trial.tag} is not ${told.name}${also}. Back to ${benchmarkTag}, or the next setup.`;
    return told?.moreShots
        ? `Can’t tell yet${also}: about ${told.moreShots} more would settle “${told.name}”.`
        : `Too close to tell by a few more shots${also}. Try a bigger change.`;
}
