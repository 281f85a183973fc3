import type { Advice, Fitting, Judgement, JudgementAge, NeverSeen, NextStep, Seen, UnitChoice } from '../api/generated/types';
import { factor, plain, signed } from './units';

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

const of = ({ fairways }: Seen): string => `${fairways!.in} of ${fairways!.of}`;

/** What the setup does to carry, fairways and trouble against the benchmark: half a sentence each. */
export function against(j: Judgement, benchmark: Judgement, fitting: Fitting): string[] {
    const { units } = fitting.player;
    const k = factor(units.distance);
    const out: string[] = [];
    if (j.carryGainM !== undefined && j.carryGainInterval) {
        const yards = Math.round(j.carryGainM * k);
        const [mine, its] = [j.carry?.mean, benchmark.carry?.mean];
        const much =
            j.exaggerates?.includes('carry') && mine !== undefined && its !== undefined
                ? `; these shots ${signed((mine - its) * k, 0)}, which exaggerates`
                : '';
        const range = `likely ${signed(j.carryGainInterval.low * k, 0)} to ${signed(j.carryGainInterval.high * k, 0)}${much}`;
        out.push(
            yards === 0
                ? `carries as far (${range} ${units.distance})`
                : `carries ${Math.abs(yards)} ${units.distance} ${yards > 0 ? 'farther' : 'shorter'} (${range})`,
        );
    }
    if (j.sideKnown && benchmark.sideKnown) {
        const [mine, its] = [drivesOf(j.share), drivesOf(benchmark.share)];
        const much = j.exaggerates?.includes('fairways') ? `; ${j.n} shots exaggerate` : '';
        const seen =
            j.seen?.fairways && benchmark.seen?.fairways
                ? ` (seen: ${of(j.seen)}, and ${of(benchmark.seen)} with ${benchmark.tag}${much})`
                : '';
        out.push(
            mine === its
                ? `finds as many of ${DRIVES} fairways (${mine})${seen}`
                : `finds ${mine} of ${DRIVES} fairways instead of ${its}${seen}`,
        );
        if (hasTrouble(fitting) && j.troubleShare !== undefined && benchmark.troubleShare !== undefined) {
            const [bad, was] = [drivesOf(j.troubleShare), drivesOf(benchmark.troubleShare)];
            if (bad !== was || bad > 0)
                out.push(`sends ${bad} into the trouble${bad === was ? ', as many as before' : ` instead of ${was}`}`);
        }
    }
    return out;
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

/** A price in strokes is told in length up to here. */
const MOST_AS_LENGTH_M = 30;

/** "Must never be seen, left: 3 of 14 with B, 2 of 14 with A; likelier, so it is not advised. It costs 4 yd a drive." */
export function neverText(n: NeverSeen, tag: string, benchmark: string, units: UnitChoice): string {
    const yards = Math.round(n.metres * factor(units.distance));
    // Nobody thinks of a drive that is longer by more than this.
    const asLength = Math.abs(n.metres) <= MOST_AS_LENGTH_M ? `as much as ${Math.abs(yards)} ${units.distance} a drive, ` : '';
    const price =
        yards === 0
            ? ''
            : ` That ${yards > 0 ? 'costs' : 'saves'} ${asLength}${plain(Math.abs(n.strokes), 2)} strokes${asLength ? '' : ' a drive'}.`;
    const than = tag === benchmark ? '' : `, ${outOf14(n.ofBenchmark)} with ${benchmark}`;
    const barred = tag !== benchmark && n.isBarred ? ' It likely comes more often, so it is not advised.' : '';
    return `Must never be seen: ${outOf14(n.chance)} drives with ${tag} end ${NEVER[n.kind] ?? n.kind}${than}.${barred}${price}`;
}

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
