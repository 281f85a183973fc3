import type { Advice, Fitting, Judgement, UnitChoice } from '../api/generated/types';
import { drivesOf, hasTrouble, judgement } from './judged';
import { list, say } from './sentences';
import { factor, plain } from './units';

/** "5 yd" */
export const farText = (m: number, { player }: Pick<Fitting, 'player'>): string =>
    `${plain(Math.abs(m) * factor(player.units.distance), 0)} ${player.units.distance}`;

/** What one setup would do better and worse than another: length, fairways, trouble. */
function compare(one: Judgement, other: Judgement, fitting: Fitting): { more: string[]; less: string[] } {
    const out = { more: [] as string[], less: [] as string[] };
    const tell = (what: string, by: number, far: string) =>
        by !== 0 && out[by > 0 ? 'more' : 'less'].push(say(`gives.${what}`, { way: by > 0 ? 'more' : 'less', n: Math.abs(by), far }));
    const carry = (one.carryGainM ?? 0) - (other.carryGainM ?? 0);
    const far = Math.round(carry * factor(fitting.player.units.distance));
    tell('carry', Math.abs(far) < 2 ? 0 : far, farText(carry, fitting));
    if (one.sideKnown && other.sideKnown) {
        tell('fairways', drivesOf(one.share) - drivesOf(other.share), '');
        if (hasTrouble(fitting)) tell('trouble', drivesOf(other.troubleShare ?? 0) - drivesOf(one.troubleShare ?? 0), '');
    }
    return out;
}

/** What the longest and the straightest of the others would do that the choice does not; where nothing changes, what the best of them would. */
export function givesUp(advice: Advice, fitting: Fitting, tag = advice.pick): string {
    const chosen = judgement(advice, tag);
    const others = advice.setups.filter((s) => s.tag !== tag && s.carryGainM !== undefined);
    if (!chosen || chosen.carryGainM === undefined || !others.length) return '';
    const would = (s: Judgement, withLess: boolean): string => {
        const { more, less } = compare(s, chosen, fitting);
        const costs = withLess || !more.length ? less : [];
        return say('gives.would', {
            tag: s.tag,
            does: more.length ? 'more' : costs.length ? 'less' : 'same',
            more: list(more),
            less: list(costs) || 'none',
        });
    };
    if (tag === advice.benchmark)
        return would(judgement(advice, advice.runnerUp ?? '') ?? others.reduce((a, b) => (b.gain > a.gain ? b : a)), true);
    const longest = others.reduce((a, b) => (b.carryGainM! > a.carryGainM! ? b : a));
    const straightest = others.filter((s) => s.sideKnown).sort((a, b) => b.share - a.share)[0];
    const better = [...new Set([longest, straightest])].filter((s) => s && compare(s, chosen, fitting).more.length);
    if (better.length) return better.map((s) => would(s!, false)).join(' ');
    return tag === advice.pick && chosen.gain >= 0 ? say('gives.none') : '';
}

/** What was hit outdoors, and what became of the wind. */
export const outdoorsText = (o: { shots: number; windLeftIn: number; windMps: number }, units: UnitChoice): string =>
    say('gives.outdoors', {
        n: o.shots,
        wind: `${plain(o.windMps * factor(units.speed), 0)} ${units.speed}`,
        left: o.windLeftIn,
        taken: o.shots > o.windLeftIn ? 'yes' : 'no',
    });
