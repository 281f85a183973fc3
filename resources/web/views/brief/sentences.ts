import type { Brief, Outlook, UnitChoice } from '../../api/generated/types';
import { factor, plain, signed } from '../../format/units';

const dist = (m: number, units: UnitChoice) => `${plain(Math.abs(m) * factor(units.distance), 0)} ${units.distance}`;
const high = (m: number, units: UnitChoice) => `${plain(Math.abs(m) * factor(units.height), 0)} ${units.height}`;

/** Which speed the picture is for, and how it is known. */
export function speedText(o: Outlook, units: UnitChoice): string {
    const speed = `${plain(o.clubSpeedMps * factor(units.speed), 0)} ${units.speed}`;
    return {
        measured: `Club speed ${speed}, measured with the own club.`,
        told: `Club speed ${speed}, as told.`,
        carry: `Club speed about ${speed}, worked out from the typical carry.`,
        assumed: `Club speed ${speed} is assumed: a typical carry or a speed would make this theirs.`,
    }[o.speedFrom]!;
}

/** Whose attack the target is for, and how it is known. */
export const attackText = (o: Outlook): string =>
    ({
        told: `Attack ${signed(o.attackDeg, 1)}°, as told.`,
        measured: `Attack ${signed(o.attackDeg, 1)}°, measured with the own club.`,
        assumed: 'Attack taken as level: ask, or measure the own club.',
    })[o.attackFrom]!;

/** Which head loft the target means, on this rack. */
export function loftText(o: Outlook): string {
    const m = o.headLoft;
    if (!m) return '';
    const at = m.position === '' ? '' : ` at ${m.position}`;
    return `That is about a ${plain(m.statedLoftDeg, 1)}°${at} (${m.head}${m.toOrder ? ', to order' : ''}), ${m.from === 'measured' ? 'by what was delivered with the own club' : 'before the own club was hit'}.`;
}

/** The target of the school, in one sentence. */
export function targetText(o: Outlook, units: UnitChoice): string {
    const t = o.ridge[o.target]!;
    const still =
        Math.abs(t.carryM - o.carryInStillAirM) * factor(units.distance) >= 1 ? `, ${dist(o.carryInStillAirM, units)} in still air` : '';
    const side =
        Math.abs(o.windSideM) * factor(units.distance) >= 1
            ? `; the wind moves a straight ball ${dist(o.windSideM, units)} ${o.windSideM > 0 ? 'right' : 'left'}`
            : '';
    return `${plain(t.launchDeg, 1)}° with ${plain(t.spinRpm, 0)} rpm: ${dist(t.carryM, units)} of carry${still}, ${dist(t.totalM, units)} in all${side}. Delivered loft ${plain(o.bandDeg[0], 1)} to ${plain(o.bandDeg[1], 1)}° costs no more than 1 %.`;
}

/** The apex that goes with it, beside the six-iron's. */
export function apexText(o: Outlook, brief: Pick<Brief, 'sixIronApexM'>, units: UnitChoice): string {
    const apex = o.wantedApexM;
    const text = `Apex wanted ${high(apex, units)}`;
    if (brief.sixIronApexM === null) return `${text}.`;
    const off = (o.ridge[o.target]!.apexM - brief.sixIronApexM) * factor(units.height);
    return `${text}, the six-iron’s; the target above flies ${Math.abs(off) < 1 ? 'as high' : `${plain(Math.abs(off), 0)} ${units.height} ${off > 0 ? 'higher' : 'lower'}`}.`;
}

/** What a yard is worth against a fairway. */
export function priceText(o: Outlook, brief: Pick<Brief, 'holeLengthM' | 'handicap' | 'corridor'>, units: UnitChoice): string {
    const ten = o.price.tenMetres / factor(units.distance);
    const share = o.price.sharePerTenMetres / factor(units.distance);
    const sides = (['left', 'right'] as const)
        .filter((s) => brief.corridor[s].kind !== 'rough')
        .map((s) => `the ${brief.corridor[s].kind} ${s} ${plain(o.price[s], 2)}`);
    return `On holes of ${dist(brief.holeLengthM, units)}, 10 ${units.distance} more are worth ${plain(ten, 2)} strokes${brief.handicap === null ? ' (handicap 15 taken)' : ''}; a missed fairway costs ${[plain(o.price.rough, 2), ...sides].join(', ')}. So 10 ${units.distance} are worth as much as ${plain(share, 0)} fairways in a hundred.`;
}

/** A value of the change history, short. */
export function shownValue(value: unknown): string {
    if (value === null || value === '') return 'nothing';
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (typeof value === 'number') return plain(value, Number.isInteger(value) ? 0 : 1);
    if (Array.isArray(value)) return value.length ? value.join(', ') : 'nothing';
    if (typeof value === 'object') {
        const c = value as { widthM?: number; left?: { kind: string }; right?: { kind: string } };
        return c.widthM !== undefined
            ? `${plain(c.widthM, 1)} m, ${c.left?.kind} left, ${c.right?.kind} right`
            : Object.entries(value as object)
                  .map(([k, v]) => `${k} ${v}`)
                  .join(', ') || 'nothing';
    }
    return String(value);
}
