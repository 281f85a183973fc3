import type { Grounds, SwingGroup, UnitChoice } from '../api/generated/types';
import { list } from './sentences';
import { factor, figure, plain } from './units';

/** "full, 105 mph (5 shots)" */
export const swingName = (s: SwingGroup, units: UnitChoice): string =>
    `${s.name}, ${figure('clubSpeedMps', s.speedMps, units, 0)} ${units.speed} (${s.n} shots)`;

/** "Hit with more than one swing: 5 smooth at 100 mph, 5 full out at 109." */
export function mixedText(mixed: { groups: SwingGroup[] }, units: UnitChoice): string {
    const groups = mixed.groups.map((g) => `${g.n} ${g.name} at ${figure('clubSpeedMps', g.speedMps, units, 0)} ${units.speed}`);
    return `Hit with more than one swing: ${groups.join(', ')}. Each is judged by itself.`;
}

/** What is advised with the other swings, and that one setup for all is a compromise where they differ. */
export function otherSwingsText(g: Pick<Grounds, 'pick' | 'swing' | 'otherSwings'>, units: UnitChoice): string {
    const others = g.otherSwings ?? [];
    if (!g.swing || !others.length) return '';
    const k = factor(units.distance);
    const told = others.map((o) =>
        o.pick === null
            ? `${o.swing}: the benchmark was not hit with it`
            : `${o.swing}: ${o.pick}${o.carryGainM && Math.abs(o.carryGainM * k) >= 1 ? `, ${plain(Math.abs(o.carryGainM) * k, 0)} ${units.distance} ${o.carryGainM > 0 ? 'longer' : 'shorter'}` : ''}`,
    );
    const differs = others.some((o) => o.pick !== null && o.pick !== g.pick);
    return `With the ${g.swing} swing: ${g.pick}; ${list(told)}. ${differs ? 'One setup for both is a compromise.' : 'One setup serves both.'}`;
}
