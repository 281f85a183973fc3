import type { GapClub, GapFill, GapMove, Gaps, UnitChoice } from '../../api/generated/types';
import { faceWords, factor, plain, signed } from '../../format/units';

type Gap = Gaps['gaps'][number];

/** What is said of a gap, by what these shots carry. */
export function verdictText(gap: Gap, wantedM: number, units: UnitChoice): string {
    const k = factor(units.distance);
    const wanted = `${plain(wantedM * k, 0)} ${units.distance}`;
    switch (gap.verdict) {
        case 'wide':
            return `wider than ${wanted}`;
        case 'narrow':
            return `narrower than ${wanted}`;
        case 'even':
            return `as wanted`;
        default:
            return 'can’t tell yet: more shots of both';
    }
}

/** "Five wood to +1.5: gap 14 yd. 1.2° more loft, 1.9° closed; −4 yd (−7 to −1), by the flight model." */
export function moveText(m: GapMove, units: UnitChoice): string {
    const k = factor(units.distance);
    const loft = `${plain(Math.abs(m.loftDeg), 1)}° ${m.loftDeg > 0 ? 'more' : 'less'} loft as it is put down`;
    const face = Math.abs(m.faceOpenDeg) < 0.05 ? '' : `, face ${faceWords(m.faceOpenDeg)} by that`;
    const by = m.by === 'flight' ? 'by the flight model' : 'by what a degree brings over these clubs';
    return `${m.club} to ${m.position}: gap ${plain(m.gapM * k, 0)} ${units.distance}. ${loft}${face}; it carries ${signed(m.carryM * k, 0)} ${units.distance} (${signed(
        m.interval.low * k,
        0,
    )} to ${signed(m.interval.high * k, 0)}, ${by}).`;
}

/** "A hole: about 17.5° of loft carries 188 yd. Best a fairway wood." */
export function fillText(fill: GapFill, units: UnitChoice): string {
    const k = factor(units.distance);
    const best = fill.clubs.find((c) => c.kind === fill.best);
    const why = best?.holds === true ? ', which holds a green' : best?.holds === false ? '; none of that carry holds a green' : '';
    return `A hole: a club of about ${plain(fill.loftDeg, 1)}° fills it, carrying ${plain(fill.carryM * k, 0)} ${units.distance}. Best a ${fill.best}${why}.`;
}

/** "Fairway wood: launch 12.5°, 4,050 rpm, 29 yd high, comes down at 44°, runs 9 yd." */
export function fillClubText(c: GapFill['clubs'][number], units: UnitChoice): string | null {
    if (c.launchDeg === null || c.descentDeg === null || c.apexM === null || c.runM === null) return null;
    const k = factor(units.distance);
    return `${c.kind === 'fairway wood' ? 'Fairway wood' : c.kind === 'hybrid' ? 'Hybrid' : 'Iron'}: launch ${plain(c.launchDeg, 1)}°, ${plain(
        c.spinRpm ?? 0,
        0,
    )} rpm, ${plain(c.apexM * k, 0)} ${units.distance} high, comes down at ${plain(c.descentDeg, 0)}°, runs ${plain(c.runM * k, 0)} ${
        units.distance
    } (computed).`;
}

export function descentText(c: GapClub): string {
    if (c.descentDeg === null) return 'not known';
    return `${plain(c.descentDeg, 0)}°${c.descentFrom === 'computed' ? ' computed' : ''}`;
}

export function runText(c: GapClub, units: UnitChoice): string {
    if (c.runM === null) return 'not known';
    return `${plain(c.runM * factor(units.distance), 0)}${c.runFrom === 'computed' ? ' computed' : ''}`;
}

/** What a degree brings over this player's own clubs. */
export function perDegreeText(gaps: Gaps, units: UnitChoice): string {
    if (!gaps.perDegree) return 'With three clubs or more under the driver it is told what a degree brings over these clubs.';
    const k = factor(units.distance);
    const { carryM, interval, n } = gaps.perDegree;
    return `Over these ${n} clubs a degree of loft takes ${plain(-carryM * k, 1)} ${units.distance} of carry (likely ${plain(-interval.high * k, 1)} to ${plain(
        -interval.low * k,
        1,
    )}): that is length and head with it, not loft alone.`;
}
