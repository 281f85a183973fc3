import type { UnitChoice } from '../../api/generated/types';
import { factor } from '../../format/units';
import { readNumber } from '../../lib/numbers';

/** What each calculator asks for, how it stands in the address, and what is sent of it. */
export type Kind = 'flight' | 'window' | 'plane' | 'weights' | 'swing' | 'length' | 'worth';
type Of = 'speed' | 'distance' | 'length' | 'plain';
export interface Input {
    key: string;
    label: string;
    hint: string;
    of: Of;
    /** What stands there at first, in the kept unit; empty: nothing. */
    usual: number | string;
    choices?: readonly (readonly [string, string])[];
    /** Names under which the server speaks of it. */
    as: string[];
}

export const TABS: readonly (readonly [Kind, string])[] = [
    ['flight', 'Flight'],
    ['window', 'Loft for a speed'],
    ['worth', 'What it is worth'],
    ['plane', 'Sleeve plane'],
    ['weights', 'Weights'],
    ['swing', 'Swing weight'],
    ['length', 'Length and balance'],
];

/** Two ways to read it; the address says which. */
export const UNITS: Record<string, { label: string; units: UnitChoice }> = {
    yd: { label: 'yards, mph, inches', units: { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' } },
    m: { label: 'metres, m/s, mm', units: { speed: 'm/s', distance: 'm', height: 'm', length: 'mm' } },
    km: { label: 'metres, km/h, mm', units: { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' } },
};

const TURF = [
    ['medium', 'medium'],
    ['soft', 'soft'],
    ['firm', 'firm'],
] as const;
const PRESETS = [
    ['middle', 'middle'],
    ['forgiving', 'forgiving'],
    ['low-spin', 'low-spin'],
] as const;
const HANDS = [
    ['right', 'right'],
    ['left', 'left'],
] as const;

const input = (key: string, label: string, hint: string, usual: number | string, as: string | string[] = [], of: Of = 'plain'): Input => ({
    key,
    label,
    hint,
    of,
    usual,
    as: [as].flat(),
});
const choice = (key: string, label: string, choices: Input['choices'], as: string): Input => ({
    ...input(key, label, '', choices![0]![0], as),
    choices,
});
const AIR = [input('temp', 'Air', '°C', 18, 'temperatureC'), input('alt', 'Above the sea', '', 0, 'altitudeM', 'distance')];
const CLUB = [
    input('head', 'Head mass', 'g', 200, 'headMassG'),
    input('len', 'Playing length', '', 1143, 'lengthMm', 'length'),
    input('grip', 'Grip', 'g', 50, 'gripMassG'),
    input('raw', 'Shaft before cutting', 'g', 62, ['shaft.rawMassG', 'shaftMassG']),
    input('bal', 'its balance from the butt', 'mm; empty: usual', '', ['shaft.rawBalanceFromButtMm', 'shaftBalanceFromButtMm']),
    input('butt', 'Under the butt', 'g', 0, ['buttG', 'buttNowG']),
];
export const INPUTS: Record<Kind, Input[]> = {
    flight: [
        input('ball', 'Ball speed', '', 70, 'ballSpeedMps', 'speed'),
        input('launch', 'Launch', '°', 12, 'launchDeg'),
        input('spin', 'Spin', 'rpm', 2500, 'spinRpm'),
        input('dir', 'Direction', '°, + right', 0, 'directionDeg'),
        input('axis', 'Spin axis', '°, + curves right', 0, 'spinAxisDeg'),
        ...AIR,
        input('wind', 'Wind', '', 0, 'windSpeedMps', 'speed'),
        input('from', 'Wind from', '°: 0 ahead, 90 right', 0, 'windFromDeg'),
        choice('turf', 'Ground', TURF, 'turf'),
    ],
    window: [
        input('club', 'Club speed', '', 44.704, 'clubSpeedMps', 'speed'),
        input('attack', 'Attack', '°, + up', 0, 'attackDeg'),
        ...AIR,
        choice('turf', 'Ground', TURF, 'turf'),
        choice('kind', 'Kind of head', PRESETS, 'head.preset'),
    ],
    worth: [
        input('club', 'Club speed', '', 44.704, 'clubSpeedMps', 'speed'),
        input('attack', 'Attack', '°, + up', 0, 'attackDeg'),
        input('loft', 'Delivered loft', '°; empty: the longest', '', 'dynamicLoftDeg'),
        ...AIR,
        choice('turf', 'Ground', TURF, 'turf'),
        choice('hand', 'Hand', HANDS, 'hand'),
    ],
    plane: [
        input('loft', 'Loft', '°', 10.5, ['head.loftDeg', 'loftDeg']),
        input('lie', 'Lie', '°', 58, ['head.lieDeg', 'lieDeg']),
        input('face', 'Face', '°, + open', 0, ['head.faceOpenDeg', 'faceOpenDeg']),
        input('squares', 'Squares the face', '% of it', 50, 'squares'),
        choice('hand', 'Hand', HANDS, 'hand'),
    ],
    weights: [
        input('mass', 'Head, slots empty', 'g', 190, ['head.massG', 'massG']),
        input('cgToe', 'CG toward the toe', 'mm', 0, ['head.cgToeMm', 'cgToeMm']),
        input('cgBack', 'CG back', 'mm', 33, ['head.cgBackMm', 'cgBackMm']),
        input('cgUp', 'CG up', 'mm', -4, ['head.cgUpMm', 'cgUpMm']),
        choice('kind', 'Kind of head', PRESETS, 'head.preset'),
    ],
    swing: CLUB,
    length: [
        ...CLUB,
        input('to', 'Length wanted', '', 1130.3, 'toLengthMm', 'length'),
        input('sw', 'Swing weight', 'D2.5; empty: held', '', ['swingWeight', 'toSwingWeight']),
        input('total', 'Total mass', 'g; empty: held', '', ['toTotalG', 'totalG']),
    ],
};

export interface Slot {
    name: string;
    toeMm: string;
    backMm: string;
    upMm: string;
    g: string;
}
export const SLOTS: Slot[] = [
    { name: 'back', toeMm: '0', backMm: '104', upMm: '-12', g: '12' },
    { name: 'heel', toeMm: '-38', backMm: '66', upMm: '-14', g: '' },
    { name: 'toe', toeMm: '40', backMm: '66', upMm: '-14', g: '' },
];
/** A sleeve that is only described: one tilt, and where on the clock each position points. */
export const SLEEVE = { tilt: '1.5', positions: 'N 0; +1 60; +1.5 90; flat 180; −1.5 270' };

const unitOf = (of: Of, units: UnitChoice): string => (of === 'plain' ? '' : units[of]);
export const hintOf = (i: Input, units: UnitChoice): string => i.hint || unitOf(i.of, units);

/** A kept value as it is typed in these units. */
export function shownIn(i: Input, value: number | string, units: UnitChoice): string {
    if (typeof value === 'string' || i.of === 'plain') return String(value);
    const digits = i.of === 'length' ? (units.length === 'in' ? 2 : 0) : 1;
    return String(Number((value * factor(unitOf(i.of, units))).toFixed(digits)));
}

export const usualValues = (kind: Kind, units: UnitChoice): Record<string, string> =>
    Object.fromEntries(INPUTS[kind].map((i) => [i.key, shownIn(i, i.usual, units)]));

/** What an address says, where it says what can be; the rest is as usual, or empty where the address was written here and left it out. */
export function fromAddress(kind: Kind, said: URLSearchParams, units: UnitChoice): Record<string, string> {
    const usual = usualValues(kind, units);
    return Object.fromEntries(
        INPUTS[kind].map((i) => {
            const given = said.get(i.key);
            if (i.choices) return [i.key, i.choices.some(([value]) => value === given) ? given! : usual[i.key]!];
            return [i.key, given ?? (said.has('u') ? '' : usual[i.key]!)];
        }),
    );
}

/** What was typed in other units: the same in other figures. */
export function inUnits(kind: Kind, values: Record<string, string>, from: UnitChoice, to: UnitChoice): Record<string, string> {
    return Object.fromEntries(
        INPUTS[kind].map((i) => {
            const text = values[i.key] ?? '';
            const number = readNumber(text);
            return [i.key, i.of === 'plain' || number === null ? text : shownIn(i, number / factor(from[i.of]), to)];
        }),
    );
}

/** What the server says of an input, in the words and units of the page. */
export function problemText(i: Input, message: string, typed: string, units: UnitChoice): string {
    if (message.endsWith('is missing.')) return `${i.label} is missing.`;
    if (message.endsWith('must be a number.')) return `${i.label}: “${typed}” is not a number.`;
    const range = /must lie between (-?[\d.]+) and (-?[\d.]+)\.$/.exec(message);
    if (!range) return i.as.reduce((said, name) => said.replaceAll(`'${name}'`, i.label).replaceAll(name, i.label), message);
    // A share is typed as per cent.
    const times = i.of === 'plain' ? (i.key === 'squares' ? 100 : 1) : factor(unitOf(i.of, units));
    const [low, high] = [range[1], range[2]].map((end) => Number((Number(end) * times).toFixed(1)));
    const unit = i.of === 'plain' ? (/^(°C|°|mm|m|g|rpm|%)/.exec(i.hint)?.[0] ?? '') : units[i.of];
    return `${i.label} ${typed} cannot be: it must lie between ${low} and ${high}${unit === '°' ? '°' : ` ${unit}`}.`.replace(' .', '.');
}

const SLOT_WORDS: Record<string, string> = { toeMm: 'toe', backMm: 'back', upMm: 'up', name: 'name' };
/** The same of what stands in no field of its own: slots and their weights. */
export const otherProblemText = (message: string): string =>
    message
        .replace(
            /'?slots\[(\d+)\](?:\.(\w+))?'?/g,
            (_, n: string, of?: string) => `Slot ${Number(n) + 1}${of ? `, ${SLOT_WORDS[of] ?? of},` : ''}`,
        )
        .replace(/'?masses\.([^' ]+)'?/g, (_, name: string) => `The weight of ${name}`);

/** What was typed, in the kept unit: a number, a text that is none (which the server refuses by name), or nothing. */
function kept(i: Input, text: string, units: UnitChoice): number | string | undefined {
    if (text.trim() === '') return undefined;
    const number = readNumber(text);
    if (number === null) return text;
    return i.of === 'plain' ? number : number / factor(unitOf(i.of, units));
}

/** "N 0; +1.5 90": positions of one tilt. */
export function readPositions(text: string): { label: string; clockDeg: number | string }[] {
    return text
        .split(';')
        .map((part) => part.trim())
        .filter(Boolean)
        .map((part) => {
            const at = part.lastIndexOf(' ');
            const clock = part.slice(at + 1);
            return { label: at < 0 ? part : part.slice(0, at).trim(), clockDeg: at < 0 ? '' : (readNumber(clock) ?? clock) };
        });
}

const bare = (o: Record<string, unknown>) => Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined && v !== ''));

export interface Beside {
    slots: Slot[];
    sleeve: unknown;
}

/** Steps that are round to whoever reads them: 1 mph and 10 mph of wind, 500 yd; 1 and 5 m/s, 500 m; 2 and 20 km/h. */
const stepsIn = (units: UnitChoice) => {
    const round: Record<string, [number, number]> = { mph: [1, 10], 'km/h': [2, 20] };
    const [speed, wind] = round[units.speed] ?? [1, 5];
    return { speedMps: speed / factor(units.speed), windMps: wind / factor(units.speed), altitudeM: 500 / factor(units.distance) };
};

/** What is sent to the server: the same JSON that `bin/mint` takes. */
export function bodyOf(kind: Kind, values: Record<string, string>, units: UnitChoice, beside: Beside): Record<string, unknown> {
    const v = (key: string) => {
        const i = INPUTS[kind].find((one) => one.key === key)!;
        return i.choices ? values[key] : kept(i, values[key] ?? '', units);
    };
    const air = () => bare({ temperatureC: v('temp'), altitudeM: v('alt') });
    const shaft = () => bare({ rawMassG: v('raw'), rawBalanceFromButtMm: v('bal') });
    const club = () => ({ headMassG: v('head'), lengthMm: v('len'), gripMassG: v('grip'), shaft: shaft(), buttG: v('butt') });
    switch (kind) {
        case 'flight':
            return bare({
                ballSpeedMps: v('ball'),
                launchDeg: v('launch'),
                spinRpm: v('spin'),
                directionDeg: v('dir'),
                spinAxisDeg: v('axis'),
                air: bare({ ...air(), windSpeedMps: v('wind'), windFromDeg: v('from') }),
                turf: v('turf'),
            });
        case 'window':
            return bare({ clubSpeedMps: v('club'), attackDeg: v('attack'), air: air(), turf: v('turf'), head: { preset: v('kind') } });
        case 'worth':
            return bare({
                clubSpeedMps: v('club'),
                attackDeg: v('attack'),
                dynamicLoftDeg: v('loft'),
                air: air(),
                turf: v('turf'),
                hand: v('hand'),
                steps: stepsIn(units),
            });
        case 'plane': {
            const share = v('squares');
            return bare({
                head: bare({ loftDeg: v('loft'), lieDeg: v('lie'), faceOpenDeg: v('face') }),
                squares: typeof share === 'number' ? share / 100 : share,
                sleeve: beside.sleeve,
            });
        }
        case 'weights': {
            const number = (text: string) => readNumber(text) ?? text;
            const slots = beside.slots.filter((s) => s.name.trim() !== '');
            return {
                head: bare({ massG: v('mass'), cgToeMm: v('cgToe'), cgBackMm: v('cgBack'), cgUpMm: v('cgUp'), preset: v('kind') }),
                slots: slots.map((s) => ({ name: s.name.trim(), toeMm: number(s.toeMm), backMm: number(s.backMm), upMm: number(s.upMm) })),
                masses: Object.fromEntries(slots.filter((s) => s.g.trim() !== '').map((s) => [s.name.trim(), number(s.g)])),
            };
        }
        case 'swing':
            return bare(club());
        default:
            return bare({ ...club(), toLengthMm: v('to'), toSwingWeight: values.sw?.trim() || undefined, toTotalG: v('total') });
    }
}

/** The inputs as they stand in the address, so that a link shares them. */
export function addressOf(kind: Kind, unit: string, values: Record<string, string>, more: Record<string, string>): string {
    const query = new URLSearchParams({ u: unit });
    for (const i of INPUTS[kind]) if ((values[i.key] ?? '') !== '') query.set(i.key, values[i.key]!);
    for (const [key, value] of Object.entries(more)) query.set(key, value);
    return `#/calculators/${kind}?${query}`;
}

export const slotsText = (slots: Slot[]): string => slots.map((s) => [s.name, s.toeMm, s.backMm, s.upMm, s.g].join(',')).join(';');
export const slotsFrom = (text: string): Slot[] =>
    text.split(';').map((row) => {
        const [name = '', toeMm = '', backMm = '', upMm = '', g = ''] = row.split(',');
        return { name, toeMm, backMm, upMm, g };
    });
