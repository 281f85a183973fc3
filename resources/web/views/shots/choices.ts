import { MEASURE_UNITS, PLUS_MEANS } from '../../api/generated/vocabulary';

/** Units and meanings of plus that the mapping screen offers for each measure. */
const of = <T>(table: Record<string, readonly T[]>, measure: string | null): readonly T[] =>
    measure === null ? [] : (table[measure] ?? []);
export const unitsFor = (measure: string | null) => of<string>(MEASURE_UNITS, measure);
export const signsFor = (measure: string | null) => of<string>(PLUS_MEANS, measure);

export const SIGN_WORDS: Record<string, string> = {
    right: '+ is right',
    left: '+ is left',
    toe: '+ is toward the toe',
    heel: '+ is toward the heel',
    up: '+ is up',
    down: '+ is down',
};
