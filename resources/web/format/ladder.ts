import type { LadderFigures, LoftLadder, LoftRung, UnitChoice } from '../api/generated/types';
import { factor, figure, plain, signed } from './units';

/** "9° printed, to order: 12 days, 540 EUR" / "10.5° printed, reads 11.4°". */
export function rungText(r: LoftRung): string {
    const print = `${plain(r.statedLoftDeg, 1).replace(/\.0$/, '')}° printed`;
    const read = r.readLoftDeg === null ? (r.printSdDeg > 0 ? ', never read' : '') : `, reads ${plain(r.readLoftDeg, 1)}°`;
    return `${print}${read}`;
}

export function supplyOf(r: Pick<LoftRung, 'toOrder' | 'leadDays' | 'price' | 'currency'>): string {
    if (!r.toOrder) return 'in the studio';
    return ['to order', r.leadDays === null ? '' : `${r.leadDays} days`, r.price === null ? '' : `${plain(r.price, 0)} ${r.currency}`]
        .filter(Boolean)
        .join(', ');
}

/** What the ladder says in a sentence: which loft carries farthest with this swing, and how sure that is. */
export function ladderText(ladder: LoftLadder, units: UnitChoice): string {
    const habit = ladder.squaringShare >= 0.5 ? 'squared' : 'soled';
    const told = ladder.rungs.filter((r): r is LoftRung & Record<typeof habit, LadderFigures> => r[habit] !== null);
    if (told.length < 2) return 'It can be had in one loft only: write the others on its page under Rack.';
    const best = told.reduce((a, b) => (b[habit]!.carryM > a[habit]!.carryM ? b : a));
    const f = best[habit]!;
    const k = factor(units.distance);
    const name = `${plain(best.statedLoftDeg, 1).replace(/\.0$/, '')}°`;
    const range = `likely ${signed(f.carryGainInterval.low * k, 0)} to ${signed(f.carryGainInterval.high * k, 0)} ${units.distance}`;
    const against = ladder.own === null ? 'the head as it lies here' : `the own club ${ladder.own}`;
    const from = ladder.from === 'brief' ? 'Before any shot, for a usual swing at the speed the brief tells: ' : '';
    if (f.carryGainInterval.low > 0)
        return `${from}${name} carries farthest, ${signed(f.carryGainM * k, 0)} ${units.distance} on ${against} (${range}).`;
    const none = from ? 'no loft' : 'No loft';
    return `${from}${none} clearly carries farther than ${against}; ${name} comes nearest to it (${signed(f.carryGainM * k, 0)}, ${range}). Choose by height, spin and what must never come.`;
}

export const ladderHead = (units: UnitChoice): string[] => [
    'Loft',
    'Put down',
    'Delivered °',
    'Launch °',
    'Spin rpm',
    `Carry ${units.distance}`,
    'Likely',
    `Apex ${units.height}`,
    'Had',
];

export function ladderRows(ladder: LoftLadder, units: UnitChoice): string[][] {
    return ladder.rungs.flatMap((r) =>
        (['soled', 'squared'] as const).flatMap((habit) => {
            const f = r[habit];
            if (!f) return [];
            return [
                [
                    rungText(r),
                    habit,
                    plain(f.deliveredLoftDeg, 1),
                    plain(f.launchDeg, 1),
                    figure('spinRpm', f.spinRpm, units),
                    figure('carryM', f.carryM, units),
                    `${figure('carryM', f.carryInterval.low, units)} to ${figure('carryM', f.carryInterval.high, units)}`,
                    figure('apexM', f.apexM, units),
                    supplyOf(r),
                ],
            ];
        }),
    );
}
