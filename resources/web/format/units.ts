import type { Hand, UnitChoice } from '../api/generated/types';
import { MEASURE_LABELS, UNIT_SIZES } from '../api/generated/vocabulary';

/** Conversions for show only: what comes from the server is SI, what is typed goes back with its unit. */
const PER_BASE: Record<string, number> = UNIT_SIZES;

type Kind = 'speed' | 'distance' | 'height' | 'length' | 'angle' | 'spin' | 'time' | 'ratio' | 'strike';
interface MeasureLook {
    kind: Kind;
    digits: number;
    side?: 'side' | 'toe' | 'high';
}

const LOOKS: Partial<Record<keyof typeof MEASURE_LABELS, MeasureLook>> = {
    clubSpeedMps: { kind: 'speed', digits: 1 },
    ballSpeedMps: { kind: 'speed', digits: 1 },
    smash: { kind: 'ratio', digits: 2 },
    attackDeg: { kind: 'angle', digits: 1 },
    pathDeg: { kind: 'angle', digits: 1, side: 'side' },
    faceDeg: { kind: 'angle', digits: 1, side: 'side' },
    faceToPathDeg: { kind: 'angle', digits: 1, side: 'side' },
    dynamicLoftDeg: { kind: 'angle', digits: 1 },
    launchDeg: { kind: 'angle', digits: 1 },
    directionDeg: { kind: 'angle', digits: 1, side: 'side' },
    spinRpm: { kind: 'spin', digits: 0 },
    backSpinRpm: { kind: 'spin', digits: 0 },
    sideSpinRpm: { kind: 'spin', digits: 0, side: 'side' },
    spinAxisDeg: { kind: 'angle', digits: 1, side: 'side' },
    carryM: { kind: 'distance', digits: 0 },
    totalM: { kind: 'distance', digits: 0 },
    sideM: { kind: 'distance', digits: 0, side: 'side' },
    totalSideM: { kind: 'distance', digits: 0, side: 'side' },
    curveM: { kind: 'distance', digits: 0, side: 'side' },
    apexM: { kind: 'height', digits: 0 },
    descentDeg: { kind: 'angle', digits: 0 },
    hangTimeS: { kind: 'time', digits: 1 },
    strikeToeMm: { kind: 'strike', digits: 0, side: 'toe' },
    strikeHighMm: { kind: 'strike', digits: 0, side: 'high' },
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** How each measure is shown. Its name is the core's. */
export const MEASURES: Record<string, MeasureLook & { label: string }> = Object.fromEntries(
    Object.entries(LOOKS).map(([m, look]) => [m, { ...look, label: capital(MEASURE_LABELS[m as keyof typeof MEASURE_LABELS]) }]),
);

export const TEXT_MEASURES: Record<string, string> = Object.fromEntries(
    Object.entries(MEASURE_LABELS)
        .filter(([m]) => !(m in LOOKS))
        .map(([m, label]) => [m, capital(label)]),
);

export function unitOf(field: string, units: UnitChoice): string {
    switch (MEASURES[field]?.kind) {
        case 'speed':
            return units.speed;
        case 'distance':
            return units.distance;
        case 'height':
            return units.height;
        case 'length':
            return units.length;
        case 'angle':
            return '°';
        case 'spin':
            return 'rpm';
        case 'time':
            return 's';
        case 'strike':
            return 'mm';
        default:
            return '';
    }
}

export function factor(unit: string): number {
    return PER_BASE[unit] ?? 1;
}

/** A stored value in the person's unit, unformatted. */
export function shown(field: string, value: number, units: UnitChoice): number {
    return value * factor(unitOf(field, units));
}

const MINUS = '−';
export function plain(value: number, digits: number): string {
    const text = Math.abs(value).toFixed(digits);
    return value < 0 && Number(text) !== 0 ? MINUS + text : text;
}
export function signed(value: number, digits: number): string {
    const text = plain(value, digits);
    return Number(Math.abs(value).toFixed(digits)) === 0 ? '0' : value > 0 ? `+${text}` : text;
}

const ENDS: Record<string, [string, string]> = { side: ['R', 'L'], toe: ['toe', 'heel'], high: ['high', 'low'] };

/** A value as it is read: "203", "7 R", "4 high". Without its unit. */
export function figure(field: string, value: number | null | undefined, units: UnitChoice, digits?: number): string {
    if (value === null || value === undefined || !Number.isFinite(value)) return '–';
    const look = MEASURES[field];
    const places = digits ?? look?.digits ?? 1;
    const v = shown(field, value, units);
    if (!look?.side) return plain(v, places);
    const text = Math.abs(v).toFixed(places);
    if (Number(text) === 0) return '0';
    return `${text} ${ENDS[look.side]![v > 0 ? 0 : 1]}`;
}

export function distance(valueM: number, units: UnitChoice, digits = 0): string {
    return `${plain(valueM * factor(units.distance), digits)} ${units.distance}`;
}

/** "3° open" / "2° closed" / "square", hand-relative. */
export function faceWords(openDeg: number): string {
    const text = Math.abs(openDeg).toFixed(1);
    return Number(text) === 0 ? 'square' : `${text}° ${openDeg > 0 ? 'open' : 'closed'}`;
}

/** The name of a ball that curves to a side, for a hand. */
export function curveWords(rightM: number, hand: Hand): string {
    const right = rightM > 0;
    return right === (hand === 'right') ? 'fade' : 'draw';
}
