import { BRIEF_CHOICES, BRIEF_LISTS, BRIEF_NUMBERS, TROUBLE_KINDS } from '../../api/generated/vocabulary';
import { readNumber } from '../../lib/numbers';
import { factor } from '../../format/units';

/** What a player fills in before they come. */
export interface IntakeValues {
    hand: 'right' | 'left' | '';
    scale: 'yd' | 'm';
    handicap: string;
    shape: string;
    miss: string;
    carry: string;
    wants: string[];
    never: string[];
    wish: string;
    course: string;
    turf: string;
    width: string;
    left: string;
    right: string;
    club: string;
    ball: string;
    pain: string;
    consent: boolean;
    isMinor: boolean;
    guardian: string;
}

export const EMPTY: IntakeValues = {
    hand: '',
    scale: 'yd',
    handicap: '',
    shape: '',
    miss: '',
    carry: '',
    wants: [],
    never: [],
    wish: '',
    course: '',
    turf: '',
    width: '',
    left: '',
    right: '',
    club: '',
    ball: '',
    pain: '',
    consent: false,
    isMinor: false,
    guardian: '',
};

export const SHAPES = BRIEF_CHOICES.shape.filter((s) => s !== 'unknown');
export const MISSES = BRIEF_CHOICES.miss.filter((m) => m !== 'unknown');
export const WANTS = BRIEF_LISTS.wants;
export const NEVER = BRIEF_LISTS.never;
export const TURFS = BRIEF_CHOICES.turf;
export const WIDTHS = ['narrow', 'usual', 'wide'];
export const TROUBLES = TROUBLE_KINDS;

const UNITS = {
    yd: { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' },
    m: { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' },
};

export type Bounds = { low: number; high: number };

/** Numbers that cannot be, by field, with what can; and what has to be said. */
export function wrong(v: IntakeValues): Record<string, Bounds | 'needed' | 'consent'> {
    const out: Record<string, Bounds | 'needed' | 'consent'> = {};
    const within = (field: 'carry' | 'handicap', low: number, high: number) => {
        const read = readNumber(v[field]);
        if (v[field].trim() !== '' && (read === null || read < low || read > high)) out[field] = { low, high };
    };
    const k = factor(v.scale);
    within('carry', Math.ceil(BRIEF_NUMBERS.carryM[0] * k), Math.floor(BRIEF_NUMBERS.carryM[1] * k));
    within('handicap', BRIEF_NUMBERS.handicap[0], BRIEF_NUMBERS.handicap[1]);
    if (v.pain.trim() !== '' && !v.consent) out.pain = 'consent';
    if (v.consent && v.isMinor && v.guardian.trim() === '') out.guardian = 'needed';
    return out;
}

/** As it is sent; what was left out is not said. */
export function sent(v: IntakeValues): Record<string, unknown> {
    const { scale, hand, carry, handicap, guardian, ...rest } = v;
    return {
        ...rest,
        hand: hand || null,
        units: UNITS[scale],
        carry: readNumber(carry),
        handicap: readNumber(handicap),
        guardian: v.isMinor ? guardian : null,
    };
}
