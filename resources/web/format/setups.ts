import type { Corridor, Fitting, Setup, Trouble, UnitChoice } from '../api/generated/types';
import { factor, plain } from './units';

/** Letter, shape and colour belong to the place in the trail; what nobody may know yet (“?”) has one of its own. */
export const toneOf = (tag: string): number => (tag === '?' ? 7 : (tag.charCodeAt(tag.length - 1) - 65) % 8);

export function lengthText(mm: number | null, units: UnitChoice): string {
    if (mm === null) return '';
    return `${plain(mm * factor(units.length), units.length === 'in' ? 2 : 0)} ${units.length}`;
}

/** What differs from the setup it was branched from, in a few words. */
export function changes(setup: Setup, from: Setup | undefined, units: UnitChoice): string[] {
    if (!from) return [];
    const out: string[] = [];
    if (setup.head !== from.head || setup.statedLoftDeg !== from.statedLoftDeg)
        out.push(setup.head !== from.head ? setup.head : `${setup.statedLoftDeg}° head`);
    // Another head brings its own sleeve and weights along: as it comes, that is one change.
    const whole = out.length > 0 && setup.asItComes;
    if (!whole && setup.sleeveLabel !== from.sleeveLabel) out.push(`sleeve ${setup.sleeveLabel || 'neutral'}`);
    if (!whole && setup.weights !== from.weights) out.push(setup.weights || 'no weights');
    if (setup.shaft !== from.shaft) out.push(setup.shaft || 'other shaft');
    if (setup.lengthMm !== from.lengthMm) out.push(lengthText(setup.lengthMm, units) || 'other length');
    if (setup.ball !== from.ball) out.push(setup.ball ? `ball ${setup.ball}` : 'other ball');
    if (setup.teeMm !== from.teeMm) out.push(setup.teeMm === null ? 'other tee' : `tee ${plain(setup.teeMm, 0)} mm`);
    if (setup.cue !== from.cue) out.push(setup.cue ? `cue: ${setup.cue}` : 'no cue');
    return out;
}

export const parentOf = (setup: Setup, fitting: Fitting): Setup | undefined => fitting.setups.find((s) => s.id === setup.branchedFromId);

/** What a setup is called among the others of its fitting: its head, and just what tells it from them. */
export function nameOf(setup: Pick<Setup, 'tag' | 'head'>, fitting: Pick<Fitting, 'names' | 'player'>): string {
    const said = fitting.names[setup.tag];
    if (!said) return setup.head;
    return [
        said.head,
        said.loftDeg === undefined ? '' : `${plain(said.loftDeg, 1)}°`,
        said.sleeve,
        said.weights,
        said.shaft,
        said.lengthMm === undefined ? '' : lengthText(said.lengthMm, fitting.player.units),
        said.grip ? `grip ${said.grip}` : '',
        said.ball ? `ball ${said.ball}` : '',
        said.teeMm === undefined ? '' : `tee ${plain(said.teeMm, 0)} mm`,
        said.cue ? `cue: ${said.cue}` : '',
    ]
        .filter(Boolean)
        .join(' · ');
}

const HEAD = [
    ...(['headId', 'head', 'statedLoftDeg', 'measuredLoftDeg', 'measuredLieDeg', 'measuredFaceOpenDeg', 'sleeveLabel'] as const),
    ...(['sleeveLoftDeg', 'sleeveFaceOpenDeg', 'sleeveLieDeg', 'weights', 'masses'] as const),
];
const REST = ['shaftId', 'shaft', 'lengthMm', 'gripId', 'ballId', 'ball', 'teeMm', 'cue'] as const;
/** What of a setup may be another, from the bay. */
export type Part = Partial<Pick<Setup, 'headId' | 'shaftId' | 'ballId' | 'lengthMm'>>;

const pick = <K extends keyof Setup>(of: Setup, keys: readonly K[]) => Object.fromEntries(keys.map((k) => [k, of[k]])) as Pick<Setup, K>;

/** A setup to be made as another one is, but for its head. */
function restOf(like: Setup) {
    const { lengthMm, teeMm, ...rest } = pick(like, REST);
    return { ...rest, length: lengthMm, tee: teeMm };
}

/** What the finder found, as a setup to be made: branched from the own club, and built as one that was hit. */
export function builtLike(
    found: { headId?: number | null; sleeve: string; masses: Record<string, number> | null; like?: string | null },
    fitting: Fitting,
) {
    const own = fitting.setups[0]!;
    const like = fitting.setups.find((s) => s.tag === found.like) ?? own;
    return { headId: found.headId, sleeveLabel: found.sleeve, masses: found.masses ?? {}, ...restOf(like), branchedFromId: own.id };
}

/** The same grams in the same slots. */
export function sameMasses(a: Record<string, number> | null, b: Record<string, number> | null): boolean {
    const slots = new Set([...Object.keys(a ?? {}), ...Object.keys(b ?? {})]);
    return [...slots].every((slot) => (a?.[slot] ?? 0) === (b?.[slot] ?? 0));
}

/** A setup with one part changed, to be made; another head comes as it comes. */
export function builtWith(part: Part, base: Setup) {
    const head = part.headId === undefined ? { ...pick(base, HEAD), masses: base.masses ?? {} } : { headId: part.headId };
    const { shaft, ball, ...rest } = restOf({ ...base, ...part });
    return {
        ...head,
        ...rest,
        // What a part of the rack is called, the rack says.
        ...(part.shaftId === undefined ? { shaft } : {}),
        ...(part.ballId === undefined ? { ball } : {}),
        branchedFromId: base.id,
    };
}

/** Is a setup another one with just that part changed? */
export function isWith(setup: Setup, part: Part, base: Setup): boolean {
    const head =
        part.headId === undefined
            ? setup.head === base.head && setup.sleeveLabel === base.sleeveLabel && sameMasses(setup.masses, base.masses)
            : setup.asItComes;
    const parts = (['headId', 'shaftId', 'ballId', 'lengthMm', 'gripId', 'teeMm', 'cue'] as const).every(
        (k) => setup[k] === { ...base, ...part }[k],
    );
    return (
        head &&
        parts &&
        (part.shaftId !== undefined || setup.shaft === base.shaft) &&
        (part.ballId !== undefined || setup.ball === base.ball)
    );
}

/** What the gauge reads, null while it was not read. */
export const readLoft = (setup: Setup): number | null => (setup.loftOffDeg === null ? null : setup.statedLoftDeg - setup.loftOffDeg);

/** Stated against measured; beyond 1° it is worth a warning. */
export function loftText(setup: Setup): string {
    const read = readLoft(setup);
    return read === null ? `${setup.statedLoftDeg}° printed, not read` : `${setup.statedLoftDeg}° reads ${plain(read, 1)}°`;
}

/** Where trouble is drawn, m from the target line: where it was told to begin, else just beyond the corridor. */
export const troubleAt = (t: Trouble, corridor: Corridor): number => t.atM ?? corridor.widthM / 2 + 8;

/** What of a fitting was made up, in a sentence; empty where everything was hit and read. */
export function madeUpText(setups: Setup[]): string {
    const tags = (of: Setup[]) => of.map((s) => s.tag).join(', ');
    const hit = setups.filter((s) => s.simulated > 0);
    const read = setups.filter((s) => s.playing.byStandIn);
    const shots = hit.reduce((n, s) => n + s.simulated, 0);
    const parts = [
        hit.length ? `${shots} of the shots ${shots === 1 ? 'is' : 'are'} simulated, not hit (${tags(hit)})` : '',
        read.length ? `readings of a stand-in, not of a gauge (${tags(read)})` : '',
    ];
    return parts.filter(Boolean).join('; ');
}
