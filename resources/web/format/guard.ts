import type { Found, FoundSetup, UnitChoice } from '../api/generated/types';
import type { Guarded } from '../charts/GuardChart.svelte';
import { DRIVES, drivesOf, neverWords } from './judged';
import { factor, plain, signed } from './units';

/** Every setup of the finder, as the guard chart draws it. */
export function guardedOfFound(found: Found, kind: string, nameOf: (s: FoundSetup) => string): Guarded[] {
    const front = found.guard.find((g) => g.kind === kind)?.front ?? [];
    return found.setups.flatMap((s) => {
        const n = s.never.find((one) => one.kind === kind);
        if (!n) return [];
        const letter = s.tested ? s.setupTag : null;
        return [{ tag: s.tag, letter, name: nameOf(s), carryM: s.carryM, chance: n.chance, onFront: front.includes(s.tag) }];
    });
}

interface Paying {
    carryGainM?: number;
    carryGainInterval?: { low: number; high: number };
}

/** "2 of 14 against 4 with A; it pays 6 yd of carry for that (likely 2 to 11)". */
export function paysText(s: Paying, chance: number, ofBenchmark: number, benchmark: string, units: UnitChoice): string {
    const k = factor(units.distance);
    const drives = `${drivesOf(chance)} of ${DRIVES} against ${drivesOf(ofBenchmark)} with ${benchmark}`;
    if (s.carryGainM === undefined || !s.carryGainInterval) return drives;
    const pays = Math.round(-s.carryGainM * k);
    const safer = chance < ofBenchmark;
    const range = `likely ${signed(-s.carryGainInterval.high * k, 0)} to ${signed(-s.carryGainInterval.low * k, 0)}`;
    if (pays === 0) return `${drives}; it costs no carry (${range} ${units.distance})`;
    if (pays > 0) return `${drives}; it pays ${pays} ${units.distance} of carry ${safer ? 'for that' : 'and is no safer'} (${range})`;
    const farther = `likely ${signed(s.carryGainInterval.low * k, 0)} to ${signed(s.carryGainInterval.high * k, 0)}`;
    return `${drives}; it carries ${-pays} ${units.distance} farther ${safer ? 'and is safer' : 'and pays with the miss'} (${farther})`;
}

export const guardTitle = (kind: string): string => `The shot that must never come: ${neverWords(kind)}`;

export const guardHead = (units: UnitChoice): string[] => ['Setup', `Of ${DRIVES} drives`, `Carry ${units.distance}`];

export const guardRows = (setups: Guarded[], units: UnitChoice): string[][] =>
    [...setups]
        .sort((a, b) => a.chance - b.chance)
        .map((s) => [
            `${s.letter ? `${s.letter}: ` : ''}${s.name}`,
            plain(s.chance * DRIVES, 1),
            plain(s.carryM * factor(units.distance), 0),
        ]);
