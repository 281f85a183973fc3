import type { Advice, Fitting, Judgement } from '../../api/types';
import { nameOf } from '../../units/setups';
import { factor, plain } from '../../units/units';

export const pct = (v: number): string => `${Math.round(v * 100)}\u00a0%`;
export const judgement = (advice: Advice, tag: string): Judgement | undefined => advice.setups.find((s) => s.tag === tag);

const dist = (m: number, fitting: Fitting) => `${plain(Math.abs(m) * factor(fitting.player.units.distance), 0)} ${fitting.player.units.distance}`;
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
    const sides = (['left', 'right'] as const).filter((side) => corridor[side].kind !== 'rough').map((side) => `${corridor[side].kind} ${side}`);
    return [`corridor ${dist(corridor.widthM, fitting)}`, ...sides].join(', ');
}

/** The pick in one line. */
export function headline(advice: Advice): string {
    if (advice.setups.length === 1) return `Only ${advice.pick} has been hit: there is nothing to choose between yet`;
    if (advice.pick === advice.benchmark) return advice.carried ? `Keep ${advice.pick}` : `Keep ${advice.pick} for now: nothing hit so far surely beats it`;
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
    return parts.length ? `It gives up ${parts.join(' and ')}.` : 'It is both the longest carry and the largest share in the corridor of those hit.';
}

export function sureness(advice: Advice, fitting: Fitting): string {
    if (advice.setups.length < 2) return 'Hit a second setup.';
    const loss = `If the pick is wrong, it costs about ${isStrokes(advice) ? `${advice.expectedLoss.toFixed(2)} strokes a hole` : amount(advice.expectedLoss, advice, fitting)} on average.`;
    if (advice.carried) return `The shots carry this. ${loss}`;
    return `This is a tie: the shots cannot tell ${advice.pick} from ${list(advice.ties)}. Decide by feel, height or price, or hit more. ${loss}`;
}

export function list(tags: string[]): string {
    return tags.length < 2 ? (tags[0] ?? '') : `${tags.slice(0, -1).join(', ')} and ${tags.at(-1)}`;
}
