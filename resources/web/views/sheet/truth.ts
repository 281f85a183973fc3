import type { Truth, UnitChoice } from '../../api/generated/types';
import { DRIVES } from '../../format/judged';
import { factor, plain, signed } from '../../format/units';

const WHO: Record<string, string> = {
    slicer: 'a slicer',
    hooker: 'a hooker',
    fast: 'a fast, upward swing',
    slow: 'a slow, downward swing',
    steady: 'a steady swing',
};
const way = (deg: number) => (Math.abs(deg) < 0.25 ? 'square' : `${plain(Math.abs(deg), 1)}° ${deg > 0 ? 'right' : 'left'}`);

/** Who the player was, and what the decision was truly worth. */
export function truthTexts(t: Truth, units: UnitChoice): string[] {
    const k = factor(units.distance);
    const at = (tag: string | null) => t.setups.find((s) => s.tag === tag);
    const [own, pick] = [at(t.own), at(t.pick)];
    const out = [
        `Made up: ${WHO[t.player] ?? t.player}, ${plain(t.clubSpeedMps * factor(units.speed), 0)} ${units.speed}, attack ${signed(t.attackDeg, 1)}°, path ${way(t.pathDeg)}, face ${way(t.faceDeg)}; squares ${Math.round(100 * t.squares)} % of a turned face.`,
    ];
    if (!own || !pick) return out;
    if (own === pick) out.push('The club stays: what was hit beside it is in the table.');
    else
        out.push(
            `${t.pick} is truly worth ${signed((pick.carryM - own.carryM) * k, 0)} ${units.distance} of carry and ${signed(DRIVES * (pick.share - own.share), 0)} of ${DRIVES} drives in the corridor against the own club.`,
        );
    const longest = t.setups.reduce((a, b) => (b.carryM > a.carryM ? b : a));
    const straightest = t.setups.reduce((a, b) => (b.share > a.share ? b : a));
    out.push(
        longest === straightest
            ? `Of what was hit ${longest.tag} is the longest and the straightest.`
            : `Of what was hit ${longest.tag} is the longest, ${straightest.tag} the straightest.`,
    );
    return out;
}
