import type { Found, FoundSetup, UnitChoice } from '../../api/types';
import { factor, plain, signed } from '../../units/units';

/** "Tern 460 at N up, 12 g back" */
export const nameOf = (s: FoundSetup): string =>
    [s.head, s.sleeve && s.sleeve !== 'N' ? `at ${s.sleeve}` : '', s.weights].filter(Boolean).join(', ').replace(', at', ' at');

/** A gain with its interval in the scoring's own words. */
export function gainText(s: FoundSetup, found: Found, units: UnitChoice): string {
    if (found.unit === 'strokes') return `${signed(s.gain, 3)} strokes a drive (${signed(s.gainInterval.low, 2)} to ${signed(s.gainInterval.high, 2)})`;
    const [k, unit, d] = found.unit === 'm' ? [factor(units.distance), units.distance, 1] : [1, 'points', 1];
    return `${signed(s.gain * k, d)} ${unit} (${signed(s.gainInterval.low * k, d)} to ${signed(s.gainInterval.high * k, d)})`;
}

/** What the finder advises, in a sentence or two. */
export function adviceText(found: Found, units: UnitChoice): string {
    const pick = found.setups.find((s) => s.tag === found.pick);
    const best = found.setups.find((s) => s.tag === found.best);
    if (!pick || !best) return '';
    const tied = `${found.ties} of ${found.count} cannot be told from the best; ${found.within} are within what counts as a difference at all.`;
    if (pick.tag === found.own)
        return best.tag === found.own
            ? `Nothing on the rack is expected to beat the own club. ${tied}`
            : `Keep the own club for now: ${nameOf(best)} is expected to gain ${gainText(best, found, units)}, with a chance of ${plain(best.chance * 100, 0)} % that it gains at all; 80 % are asked for. ${tied}`;
    return `${nameOf(pick)}: expected to gain ${gainText(pick, found, units)} over the own club, with a chance of ${plain(pick.chance * 100, 0)} %. ${tied}`;
}

export function stopText(found: Found): string {
    if (found.unit !== 'strokes') return `Expected loss of the pick: ${plain(found.expectedLoss, 1)} ${found.unit}.`;
    return found.mayStop
        ? `You may stop: the pick is expected to lose ${plain(found.expectedLoss, 3)} strokes against a clairvoyant’s, under 0.020.`
        : `Expected loss of the pick: ${plain(found.expectedLoss, 3)} strokes; under 0.020 you may stop.`;
}

const FACTORS: Record<string, [string, (v: number) => string]> = {
    kF: ['face of the club that reaches the ball', (v) => `${plain(v * 100, 0)} %`],
    kL: ['loft of the sleeve that reaches the ball', (v) => `${plain(v * 100, 0)} %`],
    kb: ['loft for a millimetre of CG back', (v) => `${plain(v, 2)}°`],
    kt: ['opening for a millimetre of CG toward the toe', (v) => `${plain(v, 2)}°`],
};
/** What was learned of this player, as rows: what, before, now. */
export const learnedRows = (found: Found): [string, string, string][] =>
    Object.entries(found.learned).map(([k, l]) => {
        const [words, say] = FACTORS[k] ?? [k, (v: number) => plain(v, 2)];
        return [words, `${say(l.prior)} ± ${say(l.priorSd)}`, `${say(l.now)} ± ${say(l.sd)}`];
    });
