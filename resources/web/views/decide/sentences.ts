import type {
    Advice,
    ConfirmRun,
    Decision,
    Fitting,
    Found,
    Grounds,
    Schools,
    Judgement,
    TieBreak,
    UnitChoice,
    Worth,
} from '../../api/generated/types';
import { against, DRIVES, drivesOf, hasTrouble, judgement, neverText, pct, chanceWords } from '../../format/judged';
import { list, say } from '../../format/sentences';
import { seenAndExpected } from '../../format/wishes';
import { nameOf } from '../../format/setups';
import { when } from '../../format/times';
import { factor, plain, signed } from '../../format/units';

export { judgement, pct };

const dist = (m: number, fitting: Fitting) =>
    `${plain(Math.abs(m) * factor(fitting.player.units.distance), 0)} ${fitting.player.units.distance}`;
const share = (j: Judgement) =>
    j.sideKnown
        ? `${seenAndExpected(j)} fairways (likely ${drivesOf(j.shareInterval.low)} to ${drivesOf(j.shareInterval.high)})`
        : 'how many fairways it finds is unknown, because side was not measured';

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

/** Advice and tie-break in one line: what is advised, and why it and not what is as good. */
export function headline(advice: Advice & { tieBreak?: TieBreak | null }): string {
    if (advice.setups.length === 1) return `Only ${advice.pick} has been hit: there is nothing to choose between yet`;
    if (advice.pick === advice.benchmark)
        return advice.isConclusive ? `Keep ${advice.pick}` : `Keep ${advice.pick} for now: nothing hit so far surely beats it`;
    if (advice.by === 'wish' && advice.wish) return `${advice.pick}: level with the best, and it gives what is wanted (${advice.wish})`;
    const tie = advice.tieBreak;
    if (tie?.choice === advice.pick && tie.by)
        return `${advice.pick}: ${list(tie.steps[0] ? Object.keys(tie.steps[0].values).filter((t) => t !== advice.pick) : advice.ties)} would do as well, and ${tie.by} decides`;
    return advice.ties.length ? `${advice.pick}, though it cannot be told from ${list(advice.ties)}` : `${advice.pick}`;
}

/** Why, with what the player feels first, then how sure, then the price in strokes once. */
export function reason(advice: Advice, fitting: Fitting): string {
    const pick = judgement(advice, advice.pick);
    const own = judgement(advice, advice.benchmark);
    if (!pick || !own) return '';
    const named = (tag: string) => {
        const setup = fitting.setups.find((s) => s.tag === tag);
        return setup ? nameOf(setup, fitting) : tag;
    };
    if (advice.pick === advice.benchmark) {
        const next = advice.runnerUp ? judgement(advice, advice.runnerUp) : undefined;
        const best = judgement(advice, advice.best);
        const held = best && best !== own ? best : next;
        return held && held.gain > 0
            ? `${named(held.tag)} looks ${amount(held.gain, advice, fitting)} better, with a chance of ${chanceWords(held.chanceBetter)} that it really is: not sure enough to change to.`
            : `${isStrokes(advice) ? `Nothing hit so far costs fewer strokes than ${named(advice.pick)}` : `By “${advice.scoring}” nothing hit so far beats ${named(advice.pick)}`}: ${share(own)}.`;
    }
    const does = against(pick, own, fitting);
    const gain = isStrokes(advice)
        ? `That is worth ${Math.abs(pick.strokes).toFixed(2)} strokes on each driving hole`
        : `By “${advice.scoring}” it is ${amount(pick.gain, advice, fitting)} better`;
    return `Against ${advice.benchmark}, ${named(advice.pick)} ${does.length ? list(does) : 'was hit without side and carry'}. ${gain}; the chance that it is better at all is ${chanceWords(pick.chanceBetter)}.`;
}

/** What of the brief's "must never see" each setup brings, of the pick first; and what is not advised because of it. */
export function neverTexts(advice: Advice, fitting: Fitting): string[] {
    const { units } = fitting.player;
    const pick = judgement(advice, advice.pick);
    const told = (j: Judgement | undefined) => (j?.never ?? []).map((n) => neverText(n, j!.tag, advice.benchmark, units));
    const barred = advice.setups.filter((s) => s.tag !== advice.pick && s.tag !== advice.benchmark && (s.barredBy ?? []).length > 0);
    return [
        ...told(pick),
        ...barred.map((s) => `${s.tag} is not advised: it likely brings more of what must never be seen (${list(s.barredBy ?? [])}).`),
    ];
}

/** What one setup brings and costs against another: length, fairways, trouble. */
function brings(one: Judgement, other: Judgement, fitting: Fitting): { gains: string[]; costs: string[] } {
    const [gains, costs]: [string[], string[]] = [[], []];
    const tell = (amount: number, text: string) => (amount > 0 ? gains : costs).push(text);
    const carry = (one.carryGainM ?? 0) - (other.carryGainM ?? 0);
    if (Math.abs(carry) * factor(fitting.player.units.distance) >= 1) tell(carry, `${dist(carry, fitting)} of carry`);
    if (one.sideKnown && other.sideKnown) {
        const drives = drivesOf(one.share) - drivesOf(other.share);
        if (drives) tell(drives, `${Math.abs(drives)} of ${DRIVES} fairways`);
        const trouble = drivesOf(other.troubleShare ?? 0) - drivesOf(one.troubleShare ?? 0);
        if (trouble && hasTrouble(fitting))
            tell(
                trouble,
                `${Math.abs(trouble)} ${Math.abs(trouble) === 1 ? 'drive' : 'drives'} ${trouble > 0 ? 'out of' : 'to'} the trouble`,
            );
    }
    return { gains, costs };
}

/** What the choice gives up against the longest and the straightest; where the own club stays, what the best of the others would do. */
export function givesUp(advice: Advice, fitting: Fitting, tag = advice.pick): string {
    const chosen = judgement(advice, tag);
    const others = advice.setups.filter((s) => s.tag !== tag && s.carryGainM !== undefined);
    if (!chosen || chosen.carryGainM === undefined || !others.length) return '';
    if (tag === advice.benchmark) {
        const best = judgement(advice, advice.runnerUp ?? '') ?? others.reduce((a, b) => (b.gain > a.gain ? b : a));
        const { gains, costs } = brings(best, chosen, fitting);
        const does = [gains.length ? `brings ${list(gains)}` : '', costs.length ? `gives up ${list(costs)}` : ''].filter(Boolean);
        return `The best of the others, ${best.tag}, ${does.length ? does.join(' and ') : 'does nothing that can be told'}.`;
    }
    const told = (other: Judgement | undefined) =>
        other && brings(chosen, other, fitting).costs.length ? `${list(brings(chosen, other, fitting).costs)} against ${other.tag}` : '';
    const longest = others.reduce((a, b) => (b.carryGainM! > a.carryGainM! ? b : a));
    const straightest = others.filter((s) => s.sideKnown).sort((a, b) => b.share - a.share)[0];
    const parts = [...new Set([told(longest), told(straightest)])].filter(Boolean);
    if (parts.length) return `It gives up ${parts.join(' and ')}.`;
    return tag === advice.pick && chosen.gain >= 0 ? 'None of the others carries farther or finds more fairways.' : '';
}

export function sureness(advice: Advice, fitting: Fitting): string {
    if (advice.setups.length < 2) return 'Hit a second setup.';
    const loss = `A wrong pick costs about ${isStrokes(advice) ? `${advice.expectedLoss.toFixed(2)} strokes a hole` : amount(advice.expectedLoss, advice, fitting)} on average.`;
    if (advice.ties.length) return `${list(advice.ties)} ${advice.ties.length > 1 ? 'do' : 'does'} as well. ${loss}`;
    const pick = judgement(advice, advice.pick)!;
    const isOneSided =
        advice.pick === advice.benchmark
            ? advice.setups.every((s) => s.tag === advice.pick || s.gainInterval.high < 0)
            : pick.gainInterval.low > 0;
    return `${isOneSided ? 'The shots carry this.' : 'It is likely, not sure.'} ${loss}`;
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
    const next = advice.runnerUp
        ? judgement(advice, advice.runnerUp)
        : advice.setups.filter((s) => s.tag !== advice.pick).sort((a, b) => b.gain - a.gain)[0];
    if (!pick || !next || pick.carryGainM === undefined || next.carryGainM === undefined) return '';
    const { gains, costs } = brings(pick, next, fitting);
    const stars = (tag: string) => fitting.ratings?.[String(fitting.setups.find((s) => s.tag === tag)?.id)]?.confidence;
    const [a, b] = [stars(advice.pick), stars(next.tag)];
    if (a !== undefined && b !== undefined && Math.abs(a - b) >= 0.5)
        (a > b ? gains : costs).push(`${plain(Math.abs(a - b), 1)} stars of confidence`);
    if (!gains.length && !costs.length) return `Nothing that can be measured sets it apart from the runner-up ${next.tag}.`;
    const isLess = pick.gain < next.gain;
    if (!costs.length) return `Against the runner-up ${next.tag} it ${isLess ? '' : 'gives up nothing and '}gains ${gains.join(' and ')}.`;
    return `Against the runner-up ${next.tag} it gives up ${costs.join(' and ')}${gains.length ? ` for ${gains.join(' and ')}` : ''}.`;
}

/** Into the wind: the two schools, and what keeping the window costs there. */
export function windText(g: Grounds, fitting: Fitting): string {
    const wind = g.days.find((d) => d.day === 'into the wind');
    if (!wind || wind.keepCost === undefined) return '';
    if (wind.pick === g.pick) return `Into the wind both schools meet: “flight it down” and “keep your window” both play ${g.pick}.`;
    return `Into the wind: “flight it down” plays ${wind.pick}; “keep your window” stays with ${g.pick}, which costs ${amount(wind.keepCost, g, fitting)} there.`;
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
    return `Not hit yet: ${[best.head, best.sleeve, best.weights].filter(Boolean).join(' · ')} is expected to beat the pick by ${plain(best.gain - pick.gain, found.unit === 'strokes' ? 2 : 1)} ${found.unit}.`;
}

/** Unanimous, or what the disagreement is about. */
export function schoolsText(s: Schools): string {
    const main = s.rows.find((r) => r.declared) ?? s.rows[0];
    const now = main?.cells[0];
    if (!main || !now) return 'The benchmark has no shot that counts under this policy.';
    if (s.unanimous) return `Unanimous: every school picks ${now.pick}, whichever shots count.`;
    const out: string[] = [];
    const others = s.rows.filter((r) => r !== main && r.cells[0] && r.cells[0].pick !== now.pick);
    const byPick = new Map<string, string[]>();
    for (const r of others) byPick.set(r.cells[0]!.pick, [...(byPick.get(r.cells[0]!.pick) ?? []), r.scoring]);
    if (byPick.size)
        out.push(
            `“${main.scoring}” picks ${now.pick}; ${[...byPick].map(([tag, who]) => `${list(who.map((w) => `“${w}”`))} ${tag}`).join(', ')}.`,
        );
    else out.push(`With the shots that count now every school picks ${now.pick}.`);
    const turned = s.policies.filter((_, i) => i > 0 && main.cells[i] && main.cells[i]!.pick !== now.pick);
    out.push(
        turned.length
            ? `Counting ${list(turned.map((p) => `“${SHORT_POLICY[p.name] ?? p.name}”`))} would turn the pick to ${list([...new Set(turned.map((p) => main.cells[s.policies.indexOf(p)]!.pick))])}: it hangs on which shots count.`
            : 'Which shots count does not turn it.',
    );
    return out.join(' ');
}

/** Strokes saved: minus = it costs some. */
const saved = (v: number): string => plain(v, 1);

/** What has to be paid: each thing that is bought, in its currency; several currencies are not added up. */
function costText(worth: Worth): { price: string; over: string } {
    const lines = worth.cost ?? [{ what: 'head', label: worth.head, price: worth.price, currency: worth.currency }];
    const told = lines.map(
        (l) => `${l.label ? l.label : l.what} ${l.price === null ? 'without a price' : `${plain(l.price, 0)} ${l.currency}`}`,
    );
    if (worth.isPriceMixed)
        return { price: told.join(' + '), over: ' These are several currencies: they are not added up or held against the budget.' };
    if (lines.every((l) => l.price === null)) return { price: 'No price on the rack', over: '' };
    const sum = `${plain(worth.price ?? 0, 0)} ${worth.currency}`;
    const parts = lines.length > 1 ? ` (${told.join(', ')})` : '';
    const open = worth.isPriceKnown === false ? ' and what has no price' : '';
    const isOther = worth.moneyCurrency && worth.currency && worth.moneyCurrency !== worth.currency;
    const over =
        worth.money === null || worth.price === null
            ? ''
            : isOther
              ? ` The brief has ${plain(worth.money, 0)} ${worth.moneyCurrency}: another currency, not compared.`
              : worth.price > worth.money
                ? ` The brief has ${plain(worth.money, 0)} ${worth.moneyCurrency || worth.currency}.`
                : '';
    return { price: `${sum}${open}${parts}`, over };
}

/** What a purchase gains over the own club at its best setting, beside its price. */
export function worthText(worth: Worth | null, unit: string, fitting: Fitting): { head: string; rest: string; price: string } {
    if (!worth) return { head: 'Nothing has to be bought.', rest: 'The pick is made of what the player has.', price: '' };
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
    const { price, over } = costText(worth);
    const tried = worth.adjusted.isOwn || worth.adjusted.tested ? '' : ' That setting was not hit.';
    return {
        head,
        rest: `${worth.head} ${gain} against ${own}; the chance that it gains at all is ${chanceWords(worth.chance)}.${tried}${worth.adjustable ? '' : ' The own club is only described, so its other settings are not known.'}${over}`,
        price,
    };
}

export function tieText(tie: TieBreak): string {
    if (tie.choice) return `Among those that are as good, ${tie.by} decides for ${tie.choice}: that is the advice above.`;
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
    const chance = say('confirm.chance', { chosen: run.chosen, benchmark: run.benchmark, chance: chanceWords(run.chance) });
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

/** What was hit outdoors, and what became of the wind. */
export function outdoorsText(o: { shots: number; windLeftIn: number; windMps: number }, units: UnitChoice): string {
    const wind = `${plain(o.windMps * factor(units.speed), 0)} ${units.speed}`;
    const taken = o.shots - o.windLeftIn;
    const left = o.windLeftIn ? ` Of ${o.windLeftIn} without a measured launch it could not be taken out.` : '';
    return taken
        ? `${taken} shots were hit outdoors, wind ${wind}: wind and air are taken out of what is compared.${left}`
        : `${o.shots} shots were hit outdoors, wind ${wind}.${left}`;
}
