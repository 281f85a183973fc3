import type { Advice, ConfirmRun, Decision, Fitting, Grounds, Schools, TieBreak, UnitChoice, Worth } from '../../api/generated/types';
import { farText, outdoorsText } from '../../format/advice';
import { chanceWords } from '../../format/judged';
import { list } from '../../format/sentences';
import { when } from '../../format/times';
import { factor, plain, signed } from '../../format/units';
import { say } from './words';

/** By what and on which holes setups are priced, and what was taken out of the shots. */
export function pricedText(advice: Advice, fitting: Fitting): string {
    const { brief } = fitting;
    const priced = say('answer.priced', {
        scoring: advice.scoring,
        told: brief.handicap === null ? 'no' : 'yes',
        handicap: brief.handicap ?? 15,
        hole: farText(brief.holeLengthM, fitting),
        wide: farText(brief.corridor.widthM, fitting),
        trouble:
            list(
                (['left', 'right'] as const).flatMap((s) => (brief.corridor[s].kind === 'rough' ? [] : [`${brief.corridor[s].kind} ${s}`])),
            ) || 'none',
        aims: brief.aimFree ? 'yes' : 'no',
        by: advice.basis === 'models' ? 'models' : 'shots',
    });
    const rest = advice.notHit.length ? say('answer.notHit', { tags: list(advice.notHit), n: advice.notHit.length }) : '';
    return [priced, rest, advice.outdoors ? outdoorsText(advice.outdoors, fitting.player.units) : ''].filter(Boolean).join(' ');
}

export const policyName = (name: string): string => (name === 'flagged' || name === 'all' ? say(`answer.policy.${name}`) : name);

/** Another day in the player's unit of speed: 5 m/s of wind, a swing 3 mph slower. */
export function dayText(day: string, units: UnitChoice): string {
    const speed = (mps: number) => `${plain(mps * factor(units.speed), 0)} ${units.speed}`;
    return say('answer.day', { day: day.replaceAll(' ', '_'), name: day, wind: speed(5), slower: speed(3 * 0.44704) });
}

/** What other days do to the pick. */
export function daysText(g: Grounds, units: UnitChoice): string {
    const turns = g.days.filter((d) => d.turns);
    return say('answer.days', {
        pick: g.pick,
        n: turns.length,
        all: turns.length === g.days.length ? 'yes' : 'no',
        others: list([...new Set(turns.map((d) => d.pick))]),
        days: list(turns.map((d) => dayText(d.day, units))),
    });
}

/** A cost by the brief's scoring, in a unit one can read. */
export const amount = (gain: number, advice: Pick<Advice, 'unit'>, fitting: Fitting): string =>
    advice.unit === 'm'
        ? farText(gain, fitting)
        : say('answer.amount', {
              n: plain(Math.abs(gain), advice.unit === 'strokes' ? 2 : 1),
              unit: advice.unit === 'strokes' ? 'strokes' : 'points',
          });

/** Into the wind: the two schools, and what keeping the window costs there. */
export function windText(g: Grounds, fitting: Fitting): string {
    const wind = g.days.find((d) => d.day === 'into the wind');
    if (!wind || wind.keepCost === undefined) return '';
    return say('answer.wind', {
        same: wind.pick === g.pick ? 'yes' : 'no',
        pick: g.pick,
        down: wind.pick,
        cost: amount(wind.keepCost, g, fitting) === amount(0, g, fitting) ? 'none' : amount(wind.keepCost, g, fitting),
    });
}

/** Unanimous, or what the disagreement is about. */
export function schoolsText(s: Schools): string {
    const main = s.rows.find((r) => r.declared) ?? s.rows[0];
    const now = main?.cells[0];
    if (!main || !now) return say('answer.schools.none');
    if (s.unanimous) return say('answer.schools.same', { pick: now.pick });
    const byPick = new Map<string, string[]>();
    for (const r of s.rows)
        if (r !== main && r.cells[0] && r.cells[0].pick !== now.pick)
            byPick.set(r.cells[0].pick, [...(byPick.get(r.cells[0].pick) ?? []), r.scoring]);
    const others = [...byPick].map(([tag, who]) => say('answer.schools.pick', { who: list(who.map((w) => `“${w}”`)), n: who.length, tag }));
    const turned = s.policies.filter((_, i) => i > 0 && main.cells[i] && main.cells[i]!.pick !== now.pick);
    return [
        say('answer.schools.main', { scoring: main.scoring, pick: now.pick, n: others.length, others: list(others) }),
        say('answer.schools.shots', {
            n: turned.length,
            policies: list(turned.map((p) => `“${policyName(p.name)}”`)),
            picks: list([...new Set(turned.map((p) => main.cells[s.policies.indexOf(p)]!.pick))]),
        }),
    ].join(' ');
}

/** What has to be paid: each thing that is bought, in its currency; several currencies are not added up. */
function costText(worth: Worth): { price: string; over: string } {
    const lines = worth.cost ?? [{ what: 'head', label: worth.head, price: worth.price, currency: worth.currency }];
    const told = lines.map((l) =>
        say('answer.cost.line', { what: l.label || l.what, price: l.price === null ? 'none' : `${plain(l.price, 0)} ${l.currency}` }),
    );
    if (worth.isPriceMixed) return { price: told.join(' + '), over: say('answer.cost.mixed') };
    if (lines.every((l) => l.price === null)) return { price: say('answer.cost.none'), over: '' };
    const price = say('answer.cost.sum', {
        sum: `${plain(worth.price ?? 0, 0)} ${worth.currency}`,
        open: worth.isPriceKnown === false ? 'yes' : 'no',
        parts: lines.length > 1 ? list(told) : 'none',
    });
    if (worth.money === null || worth.price === null) return { price, over: '' };
    const isOther = worth.moneyCurrency && worth.currency && worth.moneyCurrency !== worth.currency;
    const brief = { money: `${plain(worth.money, 0)} ${worth.moneyCurrency || worth.currency}`, other: isOther ? 'yes' : 'no' };
    return { price, over: isOther || worth.price > worth.money ? say('answer.cost.brief', brief) : '' };
}

/** What a purchase gains over the own club at its best setting, beside its price. */
export function worthText(worth: Worth | null, unit: string, fitting: Fitting): { head: string; rest: string; price: string } {
    if (!worth) return { head: say('answer.worth.nothing'), rest: say('answer.worth.has'), price: '' };
    const k = unit === 'm' ? factor(fitting.player.units.distance) : 1;
    const { perRound, perRoundInterval, adjusted } = worth;
    const [gain, interval, by] =
        perRound !== null && perRoundInterval !== null
            ? [perRound, perRoundInterval, 'round' as const]
            : [worth.gain * k, { low: worth.interval.low * k, high: worth.interval.high * k }, 'other' as const];
    const { price, over } = costText(worth);
    const rest = say('answer.worth.gain', {
        head: worth.head,
        by,
        gain: by === 'round' ? plain(gain, 1) : `${signed(gain, 1)} ${unit === 'm' ? fitting.player.units.distance : unit}`,
        low: by === 'round' ? plain(interval.low, 1) : signed(interval.low, 1),
        high: by === 'round' ? plain(interval.high, 1) : signed(interval.high, 1),
        own: adjusted.isOwn ? 'none' : (adjusted.tag ?? [adjusted.sleeve, adjusted.weights].filter(Boolean).join(', ')),
        chance: chanceWords(worth.chance),
        tried: adjusted.isOwn || adjusted.tested ? 'yes' : 'no',
        adjustable: worth.adjustable ? 'yes' : 'no',
    });
    return { head: say(`worth.${worth.verdict}`, { tag: worth.tag }), rest: [rest, over].filter(Boolean).join(' '), price };
}

export const tieText = (tie: TieBreak): string =>
    tie.choice ? say('answer.tie.by', { by: tie.by ?? '', tag: tie.choice }) : say('answer.tie.open', { tags: list(tie.remaining) });

/** What a criterion said of those that were left. */
export function criterionText(criterion: string, step: TieBreak['steps'][number] | undefined, tie: TieBreak, fitting: Fitting): string {
    const why = !step
        ? 'unneeded'
        : step.known
          ? ''
          : criterion === 'start side' && fitting.brief.startSide === 'any'
            ? 'unwanted'
            : 'unknown';
    if (why) return say('answer.tie.passed', { why });
    const { height } = fitting.player.units;
    const value = (v: number): string => {
        const n = { apex: plain(v * factor(height), 0), price: plain(v, 0) }[criterion] ?? plain(v, 1);
        return say('answer.tie.value', { of: criterion.replace(' ', '_'), n, height, currency: fitting.brief.currency || 'none' });
    };
    const aim = criterion === 'apex' ? `${plain(tie.wantedApexM * factor(height), 0)} ${height}` : 'none';
    const values = Object.entries(step!.values).map(([tag, v]) => `${tag} ${value(v!)}`);
    return say('answer.tie.values', { values: values.join(', '), aim });
}

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
    const at = d.reopenedAt ?? d.lockedAt;
    return say('answer.version', {
        version: d.version,
        state: d.reopenedAt ? 'reopened' : d.lockedAt ? 'locked' : 'open',
        at: at ? when(at) : '',
    });
}
