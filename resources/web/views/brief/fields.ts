import type { Brief, Trouble, TypedBrief, UnitChoice } from '../../api/generated/types';
import { BRIEF_CHOICES, BRIEF_LISTS, BRIEF_TEXTS, BRIEF_WEIGHTS, TROUBLE_KINDS } from '../../api/generated/vocabulary';
import { factor } from '../../format/units';
import { readNumber, shownNumber } from '../../lib/numbers';

/** A field of the brief: how it is called, what goes into it, and how it is shown. The form, what is sent, and what a brief fills in all follow this table. */
export interface BriefField {
    /** as the brief names it, with dots for what is inside */
    field: string;
    label: string;
    /** pick: one of a few, each to be tapped; chips: as many as there are */
    kind: 'number' | 'choice' | 'pick' | 'text' | 'words' | 'chips' | 'check';
    /** which of the player's units a number is in */
    unit?: keyof UnitChoice;
    hint?: (units: UnitChoice) => string;
    options?: readonly string[];
    /** how an option is called, where not by its own name */
    called?: Record<string, string>;
    most?: number;
    rows?: number;
    width?: 'half' | 'full';
    /** the card's title says what it is */
    isTitled?: boolean;
    /** the order of the taps is kept, and told */
    ordered?: boolean;
    /** how a screen reader names it, where its label alone would not do */
    name?: string;
    placeholder?: string;
    numeric?: boolean;
    shows?: (values: Values) => boolean;
    off?: (values: Values) => boolean;
}
export type Values = Record<string, string | string[] | boolean>;

export const WIND: [string, string][] = [
    ['0', 'into the face'],
    ['45', 'ahead, from the right'],
    ['90', 'from the right'],
    ['135', 'behind, from the right'],
    ['180', 'from behind'],
    ['225', 'behind, from the left'],
    ['270', 'from the left'],
    ['315', 'ahead, from the left'],
];
const HABITS: Record<string, string> = { unknown: 'not seen yet', soled: 'lets the head sit', squared: 'turns the face square' };

const inUnit = (unit: keyof UnitChoice) => (units: UnitChoice) => units[unit];
const choice = (field: keyof typeof BRIEF_CHOICES, label: string, more: Partial<BriefField> = {}): BriefField => ({
    field,
    label,
    kind: 'choice',
    options: BRIEF_CHOICES[field],
    ...more,
});
const measured = (field: string, label: string, unit: keyof UnitChoice, more: Partial<BriefField> = {}): BriefField => ({
    field,
    label,
    kind: 'number',
    unit,
    hint: inUnit(unit),
    ...more,
});
const number = (field: string, label: string, more: Partial<BriefField> = {}): BriefField => ({ field, label, kind: 'number', ...more });
const trouble = (side: 'left' | 'right'): BriefField[] => [
    { field: `corridor.${side}.kind`, label: `Trouble ${side}`, kind: 'choice', options: TROUBLE_KINDS },
    measured(`corridor.${side}.atM`, 'from', 'distance', {
        name: `Where it begins on the ${side}`,
        hint: (units) => `${units.distance} off line`,
        placeholder: 'just beyond',
        off: (values) => values[`corridor.${side}.kind`] === 'rough',
    }),
];

/** The five cards of the brief: what is asked of everybody, and what lies behind "more". */
export interface BriefCard {
    name: 'player' | 'wants' | 'never' | 'course' | 'today';
    fields: BriefField[];
    more: BriefField[];
}
export const CARDS: BriefCard[] = [
    {
        name: 'player',
        fields: [
            measured('carryM', 'Typical carry', 'distance'),
            number('handicap', 'Handicap'),
            measured('clubSpeedMps', 'Club speed', 'speed', { placeholder: 'if known' }),
            choice('shape', 'Usual shape', { kind: 'pick', width: 'full' }),
            choice('miss', 'Usual miss', { kind: 'pick', width: 'full' }),
        ],
        more: [
            number('attackDeg', 'Attack angle', { hint: () => '°, + is up, if known' }),
            measured('sixIronApexM', 'Six-iron apex', 'height'),
            { field: 'feel', label: 'Feel notes', kind: 'words', most: BRIEF_TEXTS.feel, rows: 2, width: 'full' },
        ],
    },
    {
        name: 'today',
        fields: [
            number('swings', 'Swings available', { numeric: true }),
            number('minutes', 'Minutes', { numeric: true }),
            number('money', 'Money'),
            { field: 'ball', label: 'Ball they play', kind: 'text', most: BRIEF_TEXTS.ball },
            choice('habit', 'At address', { called: HABITS }),
            choice('purchase', 'Buying'),
            { field: 'consent', label: 'The player agrees that name, answers and shots are kept', kind: 'check', width: 'full' },
        ],
        more: [
            { field: 'currency', label: 'Currency', kind: 'text', most: BRIEF_TEXTS.currency },
            number('labour', 'Fitting and building', { hint: () => 'cost of the work' }),
            number('sureToBuy', 'Buy from a chance of', { hint: () => '0.8 where nothing is said' }),
            { field: 'minor', label: 'The player is a minor', kind: 'check', width: 'full' },
            {
                field: 'guardian',
                label: 'Guardian who agrees',
                kind: 'text',
                most: BRIEF_TEXTS.guardian,
                width: 'half',
                shows: (values) => values.minor === true,
            },
        ],
    },
    {
        name: 'wants',
        fields: [
            { field: 'wants', label: 'More of', kind: 'chips', options: BRIEF_LISTS.wants, width: 'full', ordered: true, isTitled: true },
            { field: 'wish', label: 'In their words', kind: 'words', most: BRIEF_TEXTS.wish, rows: 1, width: 'full' },
        ],
        more: [
            { field: 'asked', label: 'Asked after a trial', kind: 'chips', options: BRIEF_LISTS.asked, width: 'full' },
            choice('startSide', 'Wants to start it'),
            choice('school', 'Flight school'),
            choice('scoring', 'Best setup is'),
            ...BRIEF_WEIGHTS.map((weight): BriefField =>
                number(`weights.${weight}`, `Weight of ${weight}`, {
                    hint: () => '0 to 10',
                    shows: (values) => values.scoring === 'own weights',
                }),
            ),
            {
                field: 'aimFree',
                label: 'The player may aim elsewhere, by up to 4°, when a setup starts it off line',
                kind: 'check',
                width: 'full',
            },
        ],
    },
    {
        name: 'never',
        fields: [{ field: 'never', label: 'Must never see', kind: 'chips', options: BRIEF_LISTS.never, width: 'full', isTitled: true }],
        more: [],
    },
    {
        name: 'course',
        fields: [
            measured('corridor.widthM', 'Corridor', 'distance'),
            ...trouble('left'),
            ...trouble('right'),
            choice('turf', 'Ground', { kind: 'pick', width: 'full' }),
        ],
        more: [
            measured('holeLengthM', 'Driving holes', 'distance'),
            measured('windMps', 'Wind', 'speed'),
            {
                field: 'windFromDeg',
                label: 'Wind from',
                kind: 'choice',
                options: WIND.map(([degrees]) => degrees),
                called: Object.fromEntries(WIND),
            },
            number('temperatureC', 'Air', { hint: () => '°C' }),
            measured('altitudeM', 'Altitude', 'distance'),
        ],
    },
];
export const FIELDS: BriefField[] = CARDS.flatMap(({ fields, more }) => [...fields, ...more]);

/** Nothing typed stands for none. */
const NONE_IS_ZERO = ['windMps', 'altitudeM'];

/** What stands in a brief under a name with dots. */
function at(brief: object, field: string): unknown {
    return field.split('.').reduce((inner: unknown, key) => (inner as Record<string, unknown> | undefined)?.[key], brief);
}

/** What was typed for a number, where that is what stands. */
export type TypedNumbers = Record<string, { value: string; unit: string }>;

/** A number in another unit: as many digits as it has, without a tail of noughts. */
const inOther = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** A brief as it fills in the form: the digits that were typed where they were typed in this unit, else the number as the player reads it. */
export function valuesOf(brief: Brief, units: UnitChoice, typed: TypedNumbers = {}): Values {
    const out: Values = {};
    for (const { field, kind, unit } of FIELDS) {
        const value = at(brief, field);
        if (kind === 'check') out[field] = value === true;
        else if (kind === 'chips') out[field] = [...((value ?? []) as string[])];
        else if (kind === 'number' && unit) {
            const asTyped = typed[field]?.unit === units[unit] ? typed[field]!.value : null;
            out[field] = asTyped ?? (typeof value === 'number' ? inOther(value * factor(units[unit]), 2) : '');
        } else out[field] = shownNumber(value as number | string | null | undefined);
    }
    return out;
}

/** What is typed in one choice of units, in another. What is no number yet stays as it is. */
export function inUnits(values: Values, from: UnitChoice, to: UnitChoice): Values {
    const out = { ...values };
    for (const { field, kind, unit } of FIELDS) {
        if (kind !== 'number' || !unit || from[unit] === to[unit] || typeof values[field] !== 'string') continue;
        const number = readNumber(values[field]);
        if (number !== null) out[field] = inOther((number / factor(from[unit])) * factor(to[unit]), 4);
    }
    return out;
}

/** The fields that differ from what stands. */
export function touchedIn(values: Values, stands: Values): Values {
    return Object.fromEntries(Object.entries(values).filter(([field, value]) => JSON.stringify(value) !== JSON.stringify(stands[field])));
}

/** What a field is sent as: lengths and speeds with their unit, as typed. Undefined where it is not asked. */
function sentAs({ field, kind, unit, shows, off }: BriefField, values: Values, units: UnitChoice): unknown {
    if (shows && !shows(values)) return field.includes('.') ? undefined : values[field];
    const text = values[field];
    const typed = NONE_IS_ZERO.includes(field) && text === '' ? '0' : text;
    return kind === 'number' && unit ? (off?.(values) ? null : { value: typed, unit: units[unit] }) : text;
}

/** The form as the server takes it: only what differs from what stands; a field that nobody touched is not sent, so it cannot change. */
export function bodyOf(values: Values, units: UnitChoice, stands: Values | null = null): TypedBrief {
    const body: Record<string, unknown> = {};
    const same = (f: BriefField) =>
        stands !== null && JSON.stringify(sentAs(f, values, units)) === JSON.stringify(sentAs(f, stands, units));
    // Weights are one answer of four numbers.
    const weightsStand = FIELDS.filter((f) => f.field.startsWith('weights.')).every(same);
    for (const f of FIELDS) {
        const value = sentAs(f, values, units);
        if (value === undefined || (f.field.startsWith('weights.') ? weightsStand : same(f))) continue;
        const path = f.field.split('.');
        const last = path.pop()!;
        const inside = path.reduce((o, key) => (o[key] ??= {}) as Record<string, unknown>, body);
        inside[last] = value;
    }
    return (stands === null ? { weights: {}, ...body } : body) as TypedBrief;
}

/** The parts of a brief that the pictures are drawn from, as far as they can be read. */
export type Sketch = Pick<Brief, 'corridor' | 'holeLengthM' | 'sixIronApexM' | 'handicap' | 'carryM' | 'windMps' | 'windFromDeg'>;

export function sketchOf(values: Values, units: UnitChoice): Sketch {
    const read = (field: string, unit: keyof UnitChoice | null): number | null => {
        const number = readNumber(String(values[field] ?? ''));
        return number === null ? null : number / (unit ? factor(units[unit]) : 1);
    };
    const side = (name: 'left' | 'right'): Trouble => {
        const kind = String(values[`corridor.${name}.kind`]);
        return { kind, atM: kind === 'rough' ? null : read(`corridor.${name}.atM`, 'distance') };
    };
    return {
        corridor: { widthM: Math.max(5, read('corridor.widthM', 'distance') ?? 30), left: side('left'), right: side('right') },
        holeLengthM: read('holeLengthM', 'distance') ?? 370,
        sixIronApexM: read('sixIronApexM', 'height'),
        handicap: read('handicap', null),
        carryM: read('carryM', 'distance'),
        windMps: read('windMps', 'speed') ?? 0,
        windFromDeg: Number(values.windFromDeg),
    };
}

/** Under which names the server speaks of a field that cannot be as it is. */
export function errorNames(field: string): string[] {
    if (field === 'corridor.widthM') return ['corridor.widthM', 'corridorWidthM', 'corridor'];
    if (field.endsWith('.kind') && field.startsWith('corridor.')) return ['trouble', field];
    if (field.endsWith('.atM')) return [field.replace('corridor.', ''), field];
    if (field === 'weights.carry') return ['weights', field];
    return [field];
}
