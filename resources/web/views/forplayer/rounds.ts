import { readNumber } from '../../lib/numbers';

/** A round as a player tells it. */
export interface RoundValues {
    playedOn: string;
    course: string;
    club: 'new' | 'before';
    holes: number | null;
    hit: number | null;
    left: number | null;
    right: number | null;
    lost: number | null;
    /** They do not remember where the misses went. */
    forgotMisses: boolean;
    drive1: string;
    drive2: string;
    feel: number | null;
    words: string;
}

export const MOST_HOLES = 18;

export const emptyRound = (today: string, course = '', club: RoundValues['club'] = 'new'): RoundValues => ({
    playedOn: today,
    course,
    club,
    holes: null,
    hit: null,
    left: null,
    right: null,
    lost: null,
    forgotMisses: false,
    drive1: '',
    drive2: '',
    feel: null,
    words: '',
});

export const sumOf = (v: Pick<RoundValues, 'hit' | 'left' | 'right'>): number => (v.hit ?? 0) + (v.left ?? 0) + (v.right ?? 0);

/** What is not said yet, of what has to be. */
export const missing = (v: RoundValues): (keyof RoundValues)[] =>
    (['holes', 'hit', ...(v.forgotMisses ? [] : (['left', 'right'] as const)), 'lost'] as const).filter((field) => v[field] === null);

export function sentRound(v: RoundValues, unit: string): Record<string, unknown> {
    const { drive1, drive2, ...rest } = v;
    return {
        ...rest,
        ...(v.forgotMisses ? { left: null, right: null } : {}),
        drives: [drive1, drive2].map(readNumber).filter((d) => d !== null),
        unit: unit === 'yd' ? 'yd' : 'm',
    };
}
