import type { BayView, Judge, Judgement, LiveVerdict, UnitChoice, Verdict } from '../../api/generated/types';
import { DRIVES } from '../../format/judged';
import { factor, plain, signed, unitOf } from '../../format/units';
import { MARKS } from './sentences';
import { say } from './words';

/** One line of what the shots say. Better is to the right: `value`, `low`, `high` and `margin` are in one unit of their own. */
export interface Strip {
    name: string;
    verdict: Verdict;
    mark: string;
    value: number;
    low: number;
    high: number;
    margin: number;
    /** In the player's units: "+9 yd", "+4 in 14". */
    size: string;
    range: string;
}

/** As many as are read from two metres. */
const MOST = 4;

/** What the brief asks for first, then the side, then whatever the shots already carry. */
function wanted(view: BayView): LiveVerdict[] {
    const asked = view.verdicts.filter((v) => v.declared || v.wanted || v.name === 'straighter');
    // Nobody asked for height: then higher is neither better nor worse.
    const shown = view.verdicts.filter((v) => !asked.includes(v) && v.verdict !== 'open' && v.name !== 'higher');
    return [...asked, ...shown].slice(0, MOST);
}

const DIGITS: Record<string, number> = { launchDeg: 1, ballSpeedMps: 1, directionDeg: 1 };

function ofMeasure(v: LiveVerdict, units: UnitChoice): Strip {
    // The spread is a ratio: 1 is the same.
    const [k, unit, base] = v.name === 'tighter' ? [100, '%', 1] : [factor(unitOf(v.measure, units)), unitOf(v.measure, units), 0];
    const digits = DIGITS[v.measure] ?? 0;
    const say = (x: number) => signed((x - base) * k, digits);
    const turned = [v.interval.low - base, v.interval.high - base].map((x) => v.way * x).sort((a, b) => a - b);
    return {
        name: v.name,
        verdict: v.verdict,
        mark: MARKS[v.verdict],
        value: v.way * (v.value - base),
        low: turned[0]!,
        high: turned[1]!,
        margin: v.margin,
        size: `${say(v.value)} ${unit}`.replace(' °', '°'),
        range: `${say(v.interval.low)} to ${say(v.interval.high)}`,
    };
}

/** Straighter as the player feels it: fairways of fourteen, by the judge who says the same on every screen. */
function inFairways(v: LiveVerdict, j: Judgement): Strip {
    const { low, high } = j.shareGainInterval!;
    const say = (x: number) => signed(DRIVES * x, 0);
    return {
        name: v.name,
        ...markOf(v.verdict, low, high, 0.5 / DRIVES),
        value: j.shareGain!,
        low,
        high,
        margin: 0.5 / DRIVES,
        size: `${say(j.shareGain!)} in ${DRIVES}`,
        range: `${say(low)} to ${say(high)} fairways`,
    };
}

/** Straighter before the judge has said a figure: it has no other unit meanwhile. */
const unjudged = (v: LiveVerdict): Strip => ({
    ...{ name: v.name, verdict: v.verdict, mark: MARKS[v.verdict], value: 0, low: 0, high: 0, margin: 0.5 / DRIVES },
    ...{ size: '–', range: 'fairways follow' },
});

/** Longer by the judge, as on every screen. */
function inCarry(v: LiveVerdict, j: Judgement, units: UnitChoice): Strip {
    const its = ofMeasure({ ...v, value: j.carryGainM!, interval: j.carryGainInterval! }, units);
    return { ...its, ...markOf(v.verdict, its.low, its.high, 0.5 / factor(units.distance)) };
}

/** What the shots alone do not settle may be likely already, by the judge's interval: better is above 0, and nearer than `zero` is 0. */
function markOf(verdict: Verdict, low: number, high: number, zero: number): Pick<Strip, 'verdict' | 'mark'> {
    const leans = verdict === 'open' && (low >= zero || high <= -zero);
    return { verdict, mark: leans ? (low > 0 ? 'likely' : 'unlikely') : MARKS[verdict] };
}

/** What must never come: how often of fourteen, and whether it comes more often than with the benchmark. */
function never(j: Judgement): Strip[] {
    return (j.never ?? []).slice(0, 2).map((n) => {
        const verdict: Verdict = n.isBarred ? 'worse' : n.likelier < 0.05 ? 'better' : 'open';
        return {
            name: say('bay.never', { kind: n.kind }),
            verdict,
            mark: MARKS[verdict],
            value: n.ofBenchmark - n.chance,
            low: n.ofBenchmark - n.chance,
            high: n.ofBenchmark - n.chance,
            margin: 0.5 / DRIVES,
            size: `${plain(DRIVES * n.chance, 0)} in ${DRIVES}`,
            range: `${plain(DRIVES * n.ofBenchmark, 0)} with the benchmark`,
        };
    });
}

/** What must never come with a setup, by the judge's last figures; of the benchmark too. */
export function neverStrips(judge: Judge | null, tag: string): Strip[] {
    const j = judge?.judge?.setups.find((s) => s.tag === tag);
    return j ? never(j) : [];
}

/** @param judge the judge's last figures; null where he has said nothing yet */
export function strips(view: BayView, judge: Judge | null, units: UnitChoice): Strip[] {
    const tag = view.running?.tag ?? '';
    const j = judge?.judge?.setups.find((s) => s.tag === tag);
    const feels = j && j.sideKnown > 0 && j.shareGain !== undefined && j.shareGainInterval ? j : undefined;
    const out = wanted(view).map((v) =>
        v.name === 'straighter'
            ? feels
                ? inFairways(v, feels)
                : unjudged(v)
            : v.measure === 'carryM' && j?.carryGainInterval
              ? inCarry(v, j, units)
              : ofMeasure(v, units),
    );
    // What must never come stands there from the first figures on, whatever else is looked at.
    const always = neverStrips(judge, tag);
    return [...out.slice(0, MOST - always.length), ...always];
}
