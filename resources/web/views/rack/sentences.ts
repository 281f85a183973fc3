import type { RackHead, Supply } from '../../api/generated/types';
import { plain } from '../../format/units';

export const QUANTITIES: [string, string, string, number][] = [
    ['loftDeg', 'Loft', '°', 1],
    ['lieDeg', 'Lie', '°', 1],
    ['faceOpenDeg', 'Face', '° open', 1],
    ['massG', 'Mass', 'g', 1],
];

/** What is stated of a value that can be read. */
export function stated(head: RackHead, quantity: string): number | null {
    return (
        { loftDeg: head.statedLoftDeg, lieDeg: head.statedLieDeg, faceOpenDeg: head.statedFaceOpenDeg, massG: head.massG }[quantity] ?? null
    );
}

/** "reads 9.4°, 1.1° under its print" */
export function loftAgainstPrint(head: RackHead): string {
    if (head.loftOffDeg === null) return 'not on the gauge yet';
    const off = head.loftOffDeg;
    const reads = `${head.measured.loftDeg?.source === 'simulated' ? 'by a stand-in ' : ''}reads ${plain(head.statedLoftDeg - off, 1)}°`;
    return Math.abs(off) < 0.05 ? `${reads}, as printed` : `${reads}, ${plain(Math.abs(off), 1)}° ${off > 0 ? 'under' : 'over'} its print`;
}

/** Price, waiting time, lofts and hands that can be had. */
export function supplyText(s: Supply): string {
    const parts: string[] = [];
    if (s.price !== undefined && s.price !== null) parts.push(`${plain(s.price, 0)} ${s.currency ?? ''}`.trim());
    parts.push(s.inStock ? 'here to try' : s.leadDays ? `${plain(s.leadDays, 0)} days` : '');
    if (s.inStock && s.leadDays) parts.push(`new in ${plain(s.leadDays, 0)} days`);
    if (s.lofts?.length) parts.push(`${s.lofts.join(' · ')}°`);
    if (s.hands?.length === 1) parts.push(`${s.hands[0]}-handed only`);
    return parts.filter(Boolean).join(', ') || 'not said';
}

/** Weights by slot, "12 g back". */
export function weightsText(masses: Record<string, number>): string {
    return (
        Object.entries(masses)
            .filter(([, g]) => g > 0)
            .map(([slot, g]) => `${plain(g, g % 1 ? 1 : 0)} g ${slot}`)
            .join(', ') || 'no weights'
    );
}

/** The pieces that are not in a slot. */
export function remaining(stock: number[], masses: Record<string, number>): number[] {
    const rest = [...stock];
    for (const grams of Object.values(masses)) {
        const i = rest.indexOf(grams);
        if (i >= 0) rest.splice(i, 1);
    }
    return rest.sort((a, b) => a - b);
}

/** How far a device is off on its check piece, or that it is true. */
export function checkText(device: string, off: Record<string, number>): string {
    const bad = QUANTITIES.filter(([q]) => Math.abs(off[q] ?? 0) > (q === 'massG' ? 0.6 : 0.25)).map(
        ([q, label, unit]) =>
            `${label.toLowerCase()} ${plain(Math.abs(off[q]!), 1)}${unit === 'g' ? ' g' : '°'} ${off[q]! > 0 ? 'too high' : 'too low'}`,
    );
    return bad.length
        ? `On its check piece the ${device} reads ${bad.join(', ')}. Zero it before you read on.`
        : `The ${device} is true on its check piece.`;
}
