import type { Alike, Finding, GuardRail, Hand, JudgedSetup, LiveVerdict, UnitChoice } from '../../api/generated/types';
import { effect, figuresFor, list } from '../../format/sentences';
import { factor, MEASURES, plain, signed, unitOf } from '../../format/units';
import { say } from './words';

/** A finding in a sentence, with its evidence. */
export function findingText(f: Finding, hand: Hand, units: UnitChoice): string {
    const said = say(`finding.${f.kind}`, figuresFor(f.figures, hand, units));
    return 'loftChangeDeg' in f.figures && f.gives !== undefined ? `${said} ${givesText(f.gives, hand, units)}` : said;
}

/** Which setup gives the loft that a finding asks for. */
function givesText(gives: Finding['gives'], hand: Hand, units: UnitChoice): string {
    if (!gives) return say('finding.givesNone');
    return say('finding.gives', {
        ...figuresFor({ loftDeg: gives.loftDeg, sdDeg: gives.sdDeg }, hand, units),
        head: gives.head,
        sleeve: gives.sleeve || 'none',
        toOrder: gives.toOrder ? 'yes' : 'no',
        leadDays: gives.leadDays === null ? 'none' : String(gives.leadDays),
    });
}

/** A guard rail: what, and what the tool did about it. */
export const railText = (r: GuardRail, hand: Hand, units: UnitChoice): string =>
    say('guardRail.told', {
        tag: r.tag || 'none',
        what: say(`guardRail.${r.kind}`, figuresFor(r.figures, hand, units)),
        done: say(`guardRail.${r.kind}.done`),
    });

/** The verdict on the declared measure in a sentence, with its interval. */
export function verdictText(setup: JudgedSetup, benchmark: string, units: UnitChoice): string {
    const declared = setup.verdicts.find((v) => v.declared);
    if (!declared) return say('verdict.none', { n: setup.n, tag: setup.tag });
    return say(`verdict.${declared.verdict}`, {
        tag: setup.tag,
        name: declared.name,
        benchmark,
        more: declared.moreShots ?? 0,
        range: rangeText(declared, units),
    });
}
export function rangeText(v: LiveVerdict, units: UnitChoice): string {
    const { low, high } = v.interval;
    if (v.name === 'tighter') return say('verdict.rangeOfSpread', { value: plain(v.value, 2), low: plain(low, 2), high: plain(high, 2) });
    return say('verdict.range', effect(v.measure, { value: v.value, low, high }, units, v.measure === 'ballSpeedMps' ? 1 : 0));
}

/** What is told beside the verdict on the declared measure: a sentence each. */
export const besidesTexts = (s: JudgedSetup, units: UnitChoice): string[] => [
    ...s.verdicts
        .filter((v) => !v.declared && (v.verdict !== 'open' || v.name === 'tighter'))
        .map((v) => say('answer.beside', { verdict: v.verdict, name: v.name, range: rangeText(v, units) })),
    ...s.flips.map((f) => say('answer.beside.flip', { policy: f.policy, verdict: f.verdict })),
];

/** What like for like took out, and what it left in. */
export function alikeText(alike: Alike, units: UnitChoice): string {
    const name = (measure: string) => MEASURES[measure]?.label.toLowerCase() ?? measure;
    const own = alike.ownShifts.filter((s) => Math.abs(s.carryM) * factor(units.distance) >= 0.8);
    const left = own.map((s) =>
        say('answer.alike.own', {
            measure: name(s.field),
            by: `${signed(s.shift * factor(unitOf(s.field, units)), 1)} ${unitOf(s.field, units)}`,
            carry: `${signed(s.carryM * factor(units.distance), 0)} ${units.distance}`,
        }),
    );
    return say('answer.alike', {
        seen: alike.corrected.length === 0 ? 'none' : alike.corrected[0] === 'ballSpeedMps' ? 'ball' : 'club',
        corrected: list(alike.corrected.map(name)),
        own: list(left) || 'none',
    });
}

/** Why no word is said of a setup. */
export const withheldText = (setup: Pick<JudgedSetup, 'tag' | 'withheld'>, benchmark: string, hand: Hand, units: UnitChoice): string =>
    say('verdict.withheld', {
        tag: setup.tag,
        benchmark,
        why: setup.withheld!.why,
        what: setup.withheld!.what ?? '',
        ...figuresFor({ speedMps: setup.withheld!.speedMps, byDeg: setup.withheld!.byDeg ?? 0 }, hand, units),
    });
