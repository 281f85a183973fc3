import type { UnitChoice } from '../api/generated/types';
import { figure } from './units';

/** "Hit at two speeds: 5 smooth at 100 mph, 5 full out at 109." */
export function mixedText(mixed: { groups: { name: string; n: number; speedMps: number }[] }, units: UnitChoice): string {
    const groups = mixed.groups.map((g) => `${g.n} ${g.name} at ${figure('clubSpeedMps', g.speedMps, units, 0)} ${units.speed}`);
    return `Hit at more than one speed: ${groups.join(', ')}. One average of both is that of no swing.`;
}
