import { readNumber } from '../../lib/numbers';

/** A round as a player tells it. */
export interface RoundValues {
    playedOn: string;
    course: string;
    club: 'new' | 'before';
    holes: number;
    hit: number;
    left: number;
    right: number;
    lost: number;
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
    holes: 14,
    hit: 0,
    left: 0,
    right: 0,
    lost: 0,
    drive1: '',
    drive2: '',
    feel: null,
    words: '',
});

/** The day on this phone's calendar. */
export const dayOf = (at: Date): string =>
    `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}-${String(at.getDate()).padStart(2, '0')}`;

export const sumOf = (v: Pick<RoundValues, 'hit' | 'left' | 'right'>): number => v.hit + v.left + v.right;

export function sentRound(v: RoundValues, unit: string): Record<string, unknown> {
    const { drive1, drive2, ...rest } = v;
    return {
        ...rest,
        drives: [drive1, drive2].map(readNumber).filter((d) => d !== null),
        unit: unit === 'yd' ? 'yd' : 'm',
    };
}
