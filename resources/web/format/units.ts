import type { Hand, UnitChoice } from '../api/generated/types';

/** Conversions for show only: what comes from the server is SI, what is typed goes back with its unit. */
const PER_BASE: Record<string, number> = {
    mph: 1 / 0.44704,
    'm/s': 1,
    'km/h': 3.6,
    yd: 1 / 0.9144,
    m: 1,
    ft: 1 / 0.3048,
    in: 1 / 25.4,
    mm: 1,
};

type Kind = 'speed' | 'distance' | 'height' | 'length' | 'angle' | 'spin' | 'time' | 'ratio' | 'strike';
interface MeasureLook {
    label: string;
    kind: Kind;
    digits: number;
    side?: 'side' | 'toe' | 'high';
}

export const MEASURES: Record<string, MeasureLook> = {
    clubSpeedMps: { label: 'Club speed', kind: 'speed', digits: 1 },
    ballSpeedMps: { label: 'Ball speed', kind: 'speed', digits: 1 },
    smash: { label: 'Smash factor', kind: 'ratio', digits: 2 },
    attackDeg: { label: 'Attack angle', kind: 'angle', digits: 1 },
    pathDeg: { label: 'Club path', kind: 'angle', digits: 1, side: 'side' },
    faceDeg: { label: 'Face angle', kind: 'angle', digits: 1, side: 'side' },
    faceToPathDeg: { label: 'Face to path', kind: 'angle', digits: 1, side: 'side' },
    dynamicLoftDeg: { label: 'Dynamic loft', kind: 'angle', digits: 1 },
    launchDeg: { label: 'Launch angle', kind: 'angle', digits: 1 },
    directionDeg: { label: 'Launch direction', kind: 'angle', digits: 1, side: 'side' },
    spinRpm: { label: 'Spin rate', kind: 'spin', digits: 0 },
    backSpinRpm: { label: 'Back spin', kind: 'spin', digits: 0 },
    sideSpinRpm: { label: 'Side spin', kind: 'spin', digits: 0, side: 'side' },
    spinAxisDeg: { label: 'Spin axis', kind: 'angle', digits: 1, side: 'side' },
    carryM: { label: 'Carry', kind: 'distance', digits: 0 },
    totalM: { label: 'Total', kind: 'distance', digits: 0 },
    sideM: { label: 'Side at carry', kind: 'distance', digits: 0, side: 'side' },
    totalSideM: { label: 'Side at total', kind: 'distance', digits: 0, side: 'side' },
    curveM: { label: 'Curve', kind: 'distance', digits: 0, side: 'side' },
    apexM: { label: 'Apex', kind: 'height', digits: 0 },
    descentDeg: { label: 'Descent angle', kind: 'angle', digits: 0 },
    hangTimeS: { label: 'Hang time', kind: 'time', digits: 1 },
    strikeToeMm: { label: 'Strike toe/heel', kind: 'strike', digits: 0, side: 'toe' },
    strikeHighMm: { label: 'Strike high/low', kind: 'strike', digits: 0, side: 'high' },
};

export const TEXT_MEASURES: Record<string, string> = { setupTag: 'Setup', hitAt: 'Time', note: 'Note' };

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

export function when(iso: string): string {
    return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}
