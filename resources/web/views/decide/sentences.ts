import type {
    Advice,
    ConfirmRun,
    Decision,
    Fitting,
    Found,
    Grounds,
    Judgement,
    TieBreak,
    UnitChoice,
    Worth,
} from '../../api/generated/types';
import { list, say } from '../../format/sentences';
import { nameOf } from '../../format/setups';
import { factor, plain, signed, when } from '../../format/units';

export const pct = (v: number): string => `${Math.round(v * 100)}\u00a0%`;
export const judgement = (advice: Advice, tag: string): Judgement | undefined => advice.setups.find((s) => s.tag === tag);

const dist = (m: number, fitting: Fitting) =>
    `${plain(Math.abs(m) * factor(fitting.player.units.distance), 0)} ${fitting.player.units.distance}`;
const share = (j: Judgement) =>
    j.sideKnown
        ? `${pct(j.share)} in the corridor (${Math.round(j.shareInterval.low * 100)} to ${pct(j.shareInterval.high)})`
        : 'share in the corridor unknown, because side was not measured';

/** Advice that was saved before there were other scorings is in strokes. */
const isStrokes = (advice: Advice) => (advice.unit ?? 'strokes') === 'strokes';

/** A gain by the brief's scoring, in a unit one can read. */
export function amount(gain: number, advice: Advice, fitting: Fitting): string {
    if (isStrokes(advice)) return `${Math.abs(gain).toFixed(2)} strokes a driving hole`;
    return advice.unit === 'm' ? dist(gain, fitting) : `${Math.abs(gain).toFixed(advice.scoring === 'own weights' ? 1 : 0)} points`;
}

/** "corridor 32 m, water left" */
export function corridorText(fitting: Fitting): string {
    const { corridor } = fitting.brief;
    const sides = (['left', 'right'] as const)
        .filter((side) => corridor[side].kind !== 'rough')
        .map((side) => `${corridor[side].kind} ${side}`);
    return [`corridor ${dist(corridor.widthM, fitting)}`, ...sides].join(', ');
}

/** The pick in one line. */
export function headline(advice: Advice): string {
    if (advice.setups.length === 1) return `Only ${advice.pick} has been hit: there is nothing to choose between yet`;
    if (advice.pick === advice.benchmark)
        return advice.isConclusive ? `Keep ${advice.pick}` : `Keep ${advice.pick} for now: nothing hit so far surely beats it`;
    return advice.ties.length ? `${advice.pick}, though it cannot be told from ${list(advice.ties)}` : `${advice.pick}`;
}

/** Why, with the figures it rests on. */
export function reason(advice: Advice, fitting: Fitting): string {
    const pick = judgement(advice, advice.pick);
    const own = judgement(advice, advice.benchmark);
    if (!pick || !own) return '';
    const setup = fitting.setups.find((s) => s.tag === advice.pick);
    const name = setup ? nameOf(setup) : advice.pick;
    if (advice.pick === advice.benchmark) {
        const best = judgement(advice, advice.best);
        return best && best !== own
            ? `${advice.best} looks ${amount(best.gain, advice, fitting)} better, with a chance of ${pct(best.chanceBetter)} that it really is. A change is advised from 80 %.`
            : `${isStrokes(advice) ? `Nothing hit so far costs fewer strokes than ${name}` : `By “${advice.scoring}” nothing hit so far beats ${name}`}: ${share(own)}.`;
    }
    const carry = pick.carry && own.carry ? pick.carry.mean - own.carry.mean : 0;
    const gain = isStrokes(advice)
        ? `costs about ${Math.abs(pick.strokes).toFixed(2)} strokes less on each driving hole than ${advice.benchmark}`
        : `is ${amount(pick.gain, advice, fitting)} better than ${advice.benchmark} by “${advice.scoring}”`;
    return `${name} ${gain} (chance that it is better: ${pct(pick.chanceBetter)}): ${share(pick)} against ${own.sideKnown ? pct(own.share) : 'unknown'}, and it carries ${dist(carry, fitting)} ${carry >= 0 ? 'farther' : 'shorter'}.`;
}

/** What the pick gives up against the longest and the straightest. */
export function givesUp(advice: Advice, fitting: Fitting): string {
    const pick = judgement(advice, advice.pick);
    if (!pick?.carry || advice.setups.length < 2) return '';
    const others = advice.setups.filter((s) => s.tag !== advice.pick);
    const longest = others.filter((s) => s.carry).sort((a, b) => b.carry!.mean - a.carry!.mean)[0];
    const straightest = others.filter((s) => s.sideKnown).sort((a, b) => b.share - a.share)[0];
    const parts: string[] = [];
    if (longest?.carry && longest.carry.mean > pick.carry.mean + 0.5)
        parts.push(`${dist(longest.carry.mean - pick.carry.mean, fitting)} of carry against ${longest.tag}`);
    if (straightest && straightest.share > pick.share + 0.01)
        parts.push(`${Math.round((straightest.share - pick.share) * 100)} points of corridor share against ${straightest.tag}`);
    return parts.length
        ? `It gives up ${parts.join(' and ')}.`
        : 'It is both the longest carry and the largest share in the corridor of those hit.';
}

export function sureness(advice: Advice, fitting: Fitting): string {
    if (advice.setups.length < 2) return 'Hit a second setup.';
    const loss = `If the pick is wrong, it costs about ${isStrokes(advice) ? `${advice.expectedLoss.toFixed(2)} strokes a hole` : amount(advice.expectedLoss, advice, fitting)} on average.`;
    if (advice.isConclusive) return `The shots carry this. ${loss}`;
    return `This is a tie: the shots cannot tell ${advice.pick} from ${list(advice.ties)}. Decide by feel, height or price, or hit more. ${loss}`;
}

export const SHORT_POLICY: Record<string, string> = {
    flagged: 'flagged out',
    all: 'all shots',
    robust: 'robust',
    'best 6 of 8': 'best 6 of 8',
};

/** Another day in the player's unit of speed: 5 m/s of wind, a swing 3 mph slower. */
export function dayText(day: string, units: UnitChoice): string {
    const speed = (mps: number) => `${plain(mps * factor(units.speed), 0)} ${units.speed}`;
    const said: Record<string, string> = {
        'into the wind': `${speed(5)} into the wind`,
        'wind from behind': `${speed(5)} from behind`,
        'wind from the left': `${speed(5)} from the left`,
        'wind from the right': `${speed(5)} from the right`,
        'slower by 3 mph': `a swing ${speed(3 * 0.44704)} slower`,
        'low heel miss': 'struck low on the heel',
    };
    return said[day] ?? day;
}

/** The pick against the runner-up, in the player's units: what it gains and what it gives up. */
export function againstRunnerUp(advice: Advice, fitting: Fitting): string {
    const pick = judgement(advice, advice.pick);
    const next = advice.setups.filter((s) => s.tag !== advice.pick).sort((a, b) => b.gain - a.gain)[0];
    if (!pick?.carry || !next?.carry) return '';
    const gains: string[] = [];
    const costs: string[] = [];
    const carry = pick.carry.mean - next.carry.mean;
    if (Math.abs(carry) * factor(fitting.player.units.distance) >= 1) (carry > 0 ? gains : costs).push(`${dist(carry, fitting)} of carry`);
    if (pick.sideKnown && next.sideKnown) {
        const points = Math.round((pick.share - next.share) * 100);
        if (Math.abs(points) >= 2) (points > 0 ? gains : costs).push(`${Math.abs(points)} of 100 drives in the corridor`);
    }
    const stars = (tag: string) => fitting.ratings?.[String(fitting.setups.find((s) => s.tag === tag)?.id)]?.confidence;
    const [a, b] = [stars(advice.pick), stars(next.tag)];
    if (a !== undefined && b !== undefined && Math.abs(a - b) >= 0.5)
        (a > b ? gains : costs).push(`${plain(Math.abs(a - b), 1)} stars of confidence`);
    if (!gains.length && !costs.length) return `Nothing that can be measured sets it apart from the runner-up ${next.tag}.`;
    if (!costs.length) return `Against the runner-up ${next.tag} it gives up nothing, and gains ${gains.join(' and ')}.`;
    return `Against the runner-up ${next.tag} it gives up ${costs.join(' and ')}${gains.length ? ` for ${gains.join(' and ')}` : ''}.`;
}

export function basisText(advice: Advice): string {
    return advice.basis === 'models'
        ? 'Judged by the models from all that was hit: gains are the same figures as in the finder.'
        : 'Judged by the shots alone: a setup was hit without ball speed, launch, spin and direction, so the models cannot work from it.';
}

/** A setup that nobody hit and that is expected to beat the pick; empty where there is none. */
export function notHitText(advice: Advice, found: Found): string {
    const pick = found.setups.find((s) => s.setupTag === advice.pick || s.tag === advice.pick);
    const best = found.setups.filter((s) => !s.tested)[0];
    if (!pick || !best || best.gain - pick.gain < (found.unit === 'strokes' ? 0.015 : 1.5)) return '';
    return `Not hit yet: ${[best.head, best.sleeve, best.weights].filter(Boolean).join(' · ')} is expected to beat the pick by ${plain((best.gain - pick.gain) * 1, found.unit === 'strokes' ? 3 : 1)} ${found.unit}.`;
}

/** Unanimous, or what the disagreement is about. */
export function schoolsText(g: Grounds): string {
    const main = g.schools.rows.find((r) => r.declared) ?? g.schools.rows[0];
    const now = main?.cells[0];
    if (!main || !now) return 'The benchmark has no shot that counts under this policy.';
    if (g.schools.unanimous) return `Unanimous: every school picks ${now.pick}, whichever shots count.`;
    const out: string[] = [];
    const others = g.schools.rows.filter((r) => r !== main && r.cells[0] && r.cells[0].pick !== now.pick);
    const byPick = new Map<string, string[]>();
    for (const r of others) byPick.set(r.cells[0]!.pick, [...(byPick.get(r.cells[0]!.pick) ?? []), r.scoring]);
    if (byPick.size)
        out.push(
            `“${main.scoring}” picks ${now.pick}; ${[...byPick].map(([tag, who]) => `${list(who.map((w) => `“${w}”`))} ${tag}`).join(', ')}.`,
        );
    else out.push(`With the shots that count now every school picks ${now.pick}.`);
    const turned = g.schools.policies.filter((_, i) => i > 0 && main.cells[i] && main.cells[i]!.pick !== now.pick);
    out.push(
        turned.length
            ? `Counting ${list(turned.map((p) => `“${SHORT_POLICY[p.name] ?? p.name}”`))} would turn the pick to ${list([...new Set(turned.map((p) => main.cells[g.schools.policies.indexOf(p)]!.pick))])}: it hangs on which shots count.`
            : 'Which shots count does not turn it.',
    );
    return out.join(' ');
}

/** Strokes saved: minus = it costs some. */
const saved = (v: number): string => plain(v, 1);

/** What a purchase gains over the own club at its best setting, beside its price. */
export function worthText(worth: Worth | null, unit: string, fitting: Fitting): { head: string; rest: string; price: string } {
    if (!worth) return { head: 'Nothing has to be bought.', rest: 'The pick is the own head, or only one head was hit.', price: '' };
    const own = worth.adjusted.isOwn
        ? 'the own club as it is'
        : `the own club at ${worth.adjusted.tag ?? [worth.adjusted.sleeve, worth.adjusted.weights].filter(Boolean).join(', ')}`;
    const k = unit === 'm' ? factor(fitting.player.units.distance) : 1;
    const name = unit === 'm' ? fitting.player.units.distance : unit;
    const perRound = worth.perRound !== null && worth.perRoundInterval !== null;
    const gain = perRound
        ? `saves about ${saved(worth.perRound!)} strokes a round of fourteen drives (likely ${saved(worth.perRoundInterval!.low)} to ${saved(worth.perRoundInterval!.high)})`
        : `gains ${signed(worth.gain * k, 1)} ${name} (likely ${signed(worth.interval.low * k, 1)} to ${signed(worth.interval.high * k, 1)})`;
    const head = say(`worth.${worth.verdict}`, { tag: worth.tag });
    const price = worth.price === null ? 'No price on the rack' : `${plain(worth.price, 0)} ${worth.currency}`;
    const over =
        worth.price !== null && worth.money !== null && worth.price > worth.money
            ? ` The brief has ${plain(worth.money, 0)} ${worth.currency}.`
            : '';
    const tried = worth.adjusted.isOwn || worth.adjusted.tested ? '' : ' That setting was not hit.';
    return {
        head,
        rest: `${worth.head} ${gain} against ${own}; the chance that it gains at all is ${pct(worth.chance)}.${tried}${worth.adjustable ? '' : ' The own club is only described, so its other settings are not known.'}${over}`,
        price,
    };
}

export function tieText(tie: TieBreak): string {
    if (tie.choice) return `Among those that cannot be told apart, ${tie.by} decides for ${tie.choice}.`;
    return `${list(tie.remaining)} stay level by all of it: the player chooses.`;
}

/** What a criterion said of those that were left. */
export function criterionText(criterion: string, step: TieBreak['steps'][number] | undefined, tie: TieBreak, fitting: Fitting): string {
    if (!step) return 'not needed';
    if (!step.known) {
        if (criterion === 'start side' && fitting.brief.startSide === 'any') return 'passed over: the brief wants none';
        return 'passed over: not known of all of them';
    }
    const { units } = fitting.player;
    const say = (v: number): string =>
        ({
            confidence: `${plain(v, 1)} stars`,
            apex: `${plain(v * factor(units.height), 0)} ${units.height} off`,
            'start side': `${plain(v, 1)}° off`,
            price: v === 0 ? 'nothing to buy' : `${plain(v, 0)} ${fitting.brief.currency}`.trim(),
        })[criterion] ?? plain(v, 1);
    const aim = criterion === 'apex' ? `, wanted ${plain(tie.wantedApexM * factor(units.height), 0)} ${units.height}` : '';
    return `${Object.entries(step.values)
        .map(([tag, v]) => `${tag} ${say(v!)}`)
        .join(', ')}${aim}`;
}

/** What other days do to the pick. */
export function daysText(g: Grounds, units: UnitChoice): string {
    const turns = g.days.filter((d) => d.turns);
    if (!turns.length) return `The pick stays ${g.pick} in every wind, on every ground, on a slower day and with the low heel miss.`;
    return `The pick would be ${list([...new Set(turns.map((d) => d.pick))])} ${turns.length === g.days.length ? 'on every day' : `with: ${turns.map((d) => dayText(d.day, units)).join(', ')}`}.`;
}

export const CONFIRM_RULE =
    'After a pause of five minutes: the benchmark, the chosen setup, the benchmark again, five counted shots each. It counts when the two legs of the benchmark agree in speed and side (|z| up to 2.5); else the player drifted. Overturned when the run alone speaks against the choice (|z| beyond 2.5), or when with its shots the choice is better with a chance under 50 %. Confirmed from 80 %. Else it stays open.';

export function confirmVerdict(run: ConfirmRun): string {
    const chance = say('confirm.chance', { chosen: run.chosen, benchmark: run.benchmark, chance: pct(run.chance) });
    const drift = Object.entries(run.drift)
        .filter(([, z]) => Math.abs(z) > 2.5)
        .map(([m]) => (m === 'sideM' ? 'side' : 'speed'));
    const legs = run.legs.map((l) => `${l.tag} ${l.n} of ${run.shotsEach}`).join(', ') || 'none';
    const kind = run.verdict === 'running' && run.ended ? 'stopped' : run.verdict;
    const said = say(`confirm.${kind}`, { chance, legs, benchmark: run.benchmark, drift: list(drift) });
    return run.rested ? say('confirm.rested', { said }) : said;
}

export function versionText(d: Decision): string {
    const state = d.reopenedAt ? `locked, reopened ${when(d.reopenedAt)}` : d.lockedAt ? `locked ${when(d.lockedAt)}` : 'not locked';
    return `Version ${d.version}, ${state}`;
}
