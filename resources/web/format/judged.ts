import type { Advice, Fitting, Judgement, JudgementAge, NextStep, UnitChoice } from '../api/generated/types';
import { factor, signed } from './units';

/** How old the figures on the screen are, where newer ones follow. */
export function ageText(age: JudgementAge): string {
    const shots = age.shots === age.of ? 'Judged before the last change' : `Judged after ${age.shots} of ${age.of} shots`;
    return `${shots}; the new figures follow.`;
}

/** The judge's figures as a player feels them: yards, drives out of fourteen, the miss that must not come. The same words on every screen. */
export const DRIVES = 14;

export const pct = (v: number): string => `${Math.round(v * 100)}\u00a0%`;

/** A chance in words: "97 in 100", "over 99 in 100". */
export function chanceWords(p: number): string {
    const n = Math.round(p * 100);
    return n >= 100 ? 'over 99 in 100' : n <= 0 ? 'under 1 in 100' : `${n} in 100`;
}

/** So many whole drives of fourteen. */
export const drivesOf = (share: number): number => Math.round(share * DRIVES);

/** "9 of 14" */
export const outOf14 = (share: number): string => `${drivesOf(share)} of ${DRIVES}`;

/** "+6 yd (likely +1 to +11)" */
export function carryGain(j: Pick<Judgement, 'carryGainM' | 'carryGainInterval'>, units: UnitChoice): string {
    const k = factor(units.distance);
    if (j.carryGainM === undefined || !j.carryGainInterval) return '–';
    const { low, high } = j.carryGainInterval;
    return `${signed(j.carryGainM * k, 0)} ${units.distance} (likely ${signed(low * k, 0)} to ${signed(high * k, 0)})`;
}

export const hasTrouble = ({ brief }: Pick<Fitting, 'brief'>): boolean =>
    brief.corridor.left.kind !== 'rough' || brief.corridor.right.kind !== 'rough';

const NEVER: Record<string, string> = {
    left: 'left of the corridor',
    right: 'right of the corridor',
    'two-way miss': 'on the smaller of its two sides',
    'low runner': 'as a low runner',
    balloon: 'as a balloon',
};

/** Where the drives end that must never be seen. */
export const neverWords = (kind: string): string => NEVER[kind] ?? kind;

export const judgement = (advice: Advice, tag: string): Judgement | undefined => advice.setups.find((s) => s.tag === tag);

const WHY: Record<string, string> = {
    trend: 'the player’s speed has moved since it was hit',
    drift: 'the ball starts elsewhere than when it was hit',
    otherSwing: 'the player swings otherwise than with it',
    warmingUp: 'its first shots were a warm-up',
};

/** The one next thing to do, in a sentence; `name` says what the candidate is. */
export function stepText(step: NextStep, name: string): string {
    const more = step.shots === 1 ? 'one more' : `${step.shots} more`;
    switch (step.kind) {
        case 'baseline':
            return step.tag === null
                ? 'Put the player’s own club on the bench.'
                : `Hit the own club ${step.tag} first: everything is held against it.`;
        case 'more':
            return `${more} of ${step.tag} first.`;
        case 'benchmark':
            return `Hit ${step.tag} again: ${WHY[step.why ?? ''] ?? 'the player has changed'}.`;
        case 'settle':
            return `Settle ${step.tag} first: its speed is far off the usual. Leave out the shots that are not the player’s own swing.`;
        case 'hit':
            return `Hit ${name}.`;
        case 'stop':
            return 'More swings would not change it. Confirm it after a pause, then lock it.';
        default:
            return 'Nothing on the rack is worth another trial.';
    }
}
