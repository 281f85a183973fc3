import { seenAndExpected } from '../../format/wishes';
import type { BayView, HandView, Judge, MishitReason, Setup, Shot, Turned, UnitChoice, Verdict } from '../../api/generated/types';
import { carryGain, DRIVES } from '../../format/judged';
import { factor, figure, plain, signed, unitOf } from '../../format/units';
import { say } from './words';

/** Why a shot looks like a mishit, with this player's usual beside it. */
export function mishitText(reasons: MishitReason[], units: UnitChoice): string {
    return reasons
        .map((r) => {
            const unit = unitOf(r.measure, units);
            const value = `${figure(r.measure, r.value, units)} ${unit}, usual ${figure(r.measure, r.usual, units)}`;
            if (r.why === 'strike')
                return `strike ${r.measure === 'strikeToeMm' ? 'toward the ' + (r.value > r.usual ? 'toe' : 'heel') : r.value > r.usual ? 'high' : 'low'}: ${value}`;
            if (r.why === 'smash') return `smash ${plain(r.value, 2)}, usual ${plain(r.usual, 2)}`;
            return `${r.why === 'swing' ? 'ball speed, and the swing was slow' : 'ball speed'}: ${value}`;
        })
        .join('; ');
}

/** A setup hit again, against its first trial. */
export function repeatText(view: BayView, tag: string, units: UnitChoice): string {
    if (!view.repeat.length) return '';
    const since = view.repeat[0]!.since;
    const moved = view.repeat.filter((r) => r.moved);
    if (!moved.length) return `${tag} plays as it did in trial ${since}.`;
    const told = (r: BayView['repeat'][number]) =>
        `${NAMES[r.measure]} ${r.value > 0 ? '+' : '−'}${figure(r.measure, Math.abs(r.value), units).replace(/ [LR]$/, '')} ${unitOf(r.measure, units)}`;
    return `${tag} is not as it was in trial ${since}: ${moved.map(told).join(', ')}. The player changed, not the club.`;
}
const NAMES: Record<string, string> = {
    carryM: 'carry',
    clubSpeedMps: 'club speed',
    ballSpeedMps: 'ball speed',
    spinRpm: 'spin',
    sideM: 'side',
};

export const MARKS: Record<Verdict, string> = { better: '✓', worse: '✗', same: '=', open: '?' };

/** How it differs, as one says it: "longer", or "shorter" where it is worse. */
export const wordOf = (v: { name: string; verdict: Verdict }): string =>
    say('bay.word', { name: v.name.replaceAll(' ', '_'), is: v.verdict });

/** The last shot as one would say it. */
export function shotSentence(shot: Shot, units: UnitChoice): string {
    const at = (f: string) => shot.measured[f] ?? shot.computed[f];
    const told = (f: string, before: string, after = '') => (at(f) === undefined ? '' : `${before}${figure(f, at(f), units)}${after}`);
    const side = at('sideM');
    return [
        told('launchDeg', 'launch ', '°'),
        told('spinRpm', '', ' rpm'),
        side === undefined
            ? 'side unknown'
            : Math.round(Math.abs(side) * factor(units.distance)) === 0
              ? 'on the target line'
              : `${figure('sideM', Math.abs(side), units).replace(/ [LR]$/, '')} ${units.distance} ${side > 0 ? 'right' : 'left'}`,
        told('ballSpeedMps', 'ball ', ` ${unitOf('ballSpeedMps', units)}`),
        told('apexM', 'apex ', ` ${units.height}`),
    ]
        .filter(Boolean)
        .join(', ');
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

/** What the shots say of the setup in the hand, in one sentence; empty where the next step says all. */
export function nextMove(view: BayView, benchmarkTag: string | null, units: UnitChoice): string {
    const trial = view.running;
    if (view.blind && !view.blind.set) return 'Set it while the player looks away, then hide it.';
    if (view.blind?.guess) return 'Which does the player think it was?';
    if (view.blind)
        return view.shots.length < view.blind.shotsEach
            ? `Blind, setting ${view.blind.ordinal} of ${view.blind.of}: ${view.blind.shotsEach - view.shots.length} more.`
            : view.blind.ordinal < view.blind.of
              ? 'Next setting.'
              : 'All settings are hit: reveal.';
    if (!trial) return 'Choose the setup in the hand, and begin.';
    if (trial.kind === 'warm-up') return 'Warm up. These shots count for nothing; begin the trial when the player is ready.';
    const counted = view.counted;
    if (view.withheld?.why === 'farOff') return farOffText(view.withheld.speedMps, units);
    if (trial.tag === benchmarkTag || counted < 3 || view.benchmarkMeans === null) return '';
    if (view.withheld) return WITHHELD[view.withheld.why]!(trial.tag, benchmarkTag ?? '');
    const told = view.verdicts.find((s) => s.declared);
    // Of what is as good there is nothing to add.
    const others = view.verdicts.filter((s) => !s.declared && (s.verdict === 'better' || s.verdict === 'worse'));
    const also = others.length ? ` (${others.map(wordOf).join(', ')})` : '';
    if (told?.verdict === 'better')
        return `${trial.tag} is ${told.name} than ${benchmarkTag}${also}. Make it the benchmark, if it is the one to beat.`;
    if (told?.verdict === 'worse') return `${trial.tag} is ${wordOf(told)} than ${benchmarkTag}${also}.`;
    if (told?.verdict === 'same') return `As good as ${benchmarkTag}${also}: more shots are not worth it.`;
    return told?.moreShots
        ? `Can’t tell yet${also}: about ${told.moreShots} more would settle “${told.name}”.`
        : `Too close to tell${also}.`;
}
/** Said from the second shot on: whose swings are these? */
const farOffText = (speedMps: number, units: UnitChoice): string =>
    `${plain(Math.abs(speedMps) * factor(units.speed), 0)} ${units.speed} ${speedMps < 0 ? 'under' : 'over'} the usual speed: another player, a warm-up, tired, or smooth swings? No verdict until those shots are left out.`;

const WITHHELD: Record<string, (tag: string, benchmark: string) => string> = {
    trend: (tag, benchmark) => `No word on ${tag}: the player’s speed has moved since ${benchmark} was hit.`,
    otherSwing: (tag, benchmark) =>
        `No word on ${tag}: it is hit with another speed than ${benchmark}. Another player, tired, or holding back?`,
    drift: (tag, benchmark) => `No word on ${tag}: the ball starts elsewhere than when ${benchmark} was hit. Hit ${benchmark} again.`,
    warmingUp: (tag, benchmark) => `No word on ${tag}: the first shots with ${benchmark} were a warm-up.`,
};

/** The judge's last figures of the setup in the hand, with the shots they rest on. */
export function judgeText(judge: Judge, tag: string, units: UnitChoice): string {
    const j = judge.judge?.setups.find((s) => s.tag === tag);
    if (!j || !judge.judge) return '';
    // One line under the large figures.
    const side = j.sideKnown ? `${seenAndExpected(j)} fairways` : '';
    const carry = tag === judge.judge.benchmark ? '' : `${carryGain(j, units).replace('likely ', '')} against ${judge.judge.benchmark}`;
    const told = [carry, side].filter(Boolean).join(', ');
    return told && `Judged after ${judge.n} shots: ${told}.`;
}

/** Where a confirm run stands. */
export function confirmText(c: NonNullable<BayView['confirm']>): string {
    const what = `Confirm run of ${c.chosen} against ${c.benchmark}`;
    if (c.leg === 0) return `${what}: ${c.benchmark}, ${c.chosen}, ${c.benchmark}, ${c.shotsEach} shots each`;
    return `${what}: leg ${c.leg} of 3, ${c.tag}, ${Math.min(c.n, c.shotsEach)} of ${c.shotsEach} shots`;
}

/** What turning it is expected to change for this player, each with its interval; what is common to before and after is not in it. */
export function expectedTexts(e: NonNullable<Turned['expected']>, units: UnitChoice): string[] {
    const k = factor(units.distance);
    const h = factor(units.height);
    const range = (d: { interval: { low: number; high: number } }, by: number) =>
        `(${signed(d.interval.low * by, 0)} to ${signed(d.interval.high * by, 0)})`;
    const out = [`carry ${signed(e.carryM.value * k, 0)} ${units.distance} ${range(e.carryM, k)}`];
    const side = Math.round(Math.abs(e.sideM.value) * k);
    const [low, high] = [e.sideM.interval.low * k, e.sideM.interval.high * k];
    const sideOf = (v: number) => (Math.round(v) === 0 ? '0' : `${Math.abs(Math.round(v))} ${v > 0 ? 'R' : 'L'}`);
    out.push(
        side === 0
            ? `side as before (${sideOf(low)} to ${sideOf(high)})`
            : `${side} ${units.distance} more to the ${e.sideM.value > 0 ? 'right' : 'left'} (${sideOf(low)} to ${sideOf(high)})`,
    );
    out.push(`apex ${signed(e.apexM.value * h, 0)} ${units.height} ${range(e.apexM, h)}`);
    out.push(`fairways ${signed(e.share.value * DRIVES, 0)} in ${DRIVES} ${range(e.share, DRIVES)}`);
    return out;
}

/** "B turned to −1.5, 12 g heel": what differs from the setup it is made from. */
export function turnText(setup: Setup | null, to: { sleeve: string; weights: string } | null, hand: HandView | null): string {
    if (!setup || !to || !hand) return '';
    const what = [
        to.sleeve === hand.sleeve ? '' : `from ${hand.sleeve || 'fixed'} to ${to.sleeve || 'fixed'}`,
        to.weights === hand.arrangements[0]?.words ? '' : to.weights,
    ].filter(Boolean);
    return `${setup.tag} ${what.join(', ')}`;
}

/** Whether the player swings otherwise now, and since when, where it matters: two lines. */
export function driftText(view: BayView, units: UnitChoice): [string, string] | null {
    const d = view.speedSince;
    if (!d) return null;
    return [
        `${d.byMps < 0 ? 'slowing' : 'faster'}: ${signed(d.byMps * factor(units.speed), 1)} ${units.speed}`,
        d.trial === null ? 'since the shots before' : d.trial === view.running?.number ? 'within this trial' : `since trial ${d.trial}`,
    ];
}

/** What a blind trial said, once it is revealed: the order, the verdict by its shots alone, and whether the player could tell. */
export function blindText(view: BayView): string[] {
    const r = view.revealed;
    if (!r) return [];
    const out = [
        r.verdicts.length
            ? r.verdicts
                  .map(
                      (v) =>
                          `Blind, ${v.tag} is ${v.verdict === 'better' || v.verdict === 'worse' ? wordOf(v) : v.verdict === 'same' ? `as good as ${r.against}` : 'not to be told'}${v.verdict === 'better' || v.verdict === 'worse' ? ` than ${r.against}` : v.verdict === 'open' ? ` from ${r.against} yet` : ''}.`,
                  )
                  .join(' ')
            : 'Blind, too few shots for a word.',
        `The order was ${r.order.join(', ')}.`,
    ];
    const g = r.guess;
    if (g)
        out.push(
            `The player named ${g.right} of ${g.of} rightly: ${
                g.better
                    ? 'better than chance, so it is felt'
                    : g.canTell
                      ? 'no better than chance would'
                      : 'too few settings to tell it from chance'
            } (chance of it ${g.p < 0.01 ? 'under 1' : Math.round(g.p * 100)} %).`,
        );
    return out;
}
