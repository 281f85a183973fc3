import type { CalculatedFlight, CalculatedWorth, LengthBalance, UnitChoice } from '../../api/generated/types';
import { factor, plain } from '../../format/units';

const KINDS: Record<LengthBalance['solutions'][number]['kind'], string> = {
    head: 'Head alone',
    butt: 'Butt alone',
    headAndButt: 'Head and butt: total held too',
    headAndGrip: 'Head and another grip: total held too',
    tip: 'Head, and the tip cut so that the total holds',
};
export const kindText = (kind: LengthBalance['solutions'][number]['kind']): string => KINDS[kind];

const WHY: Record<string, string> = {
    headTooHeavy: 'more than a head can give up',
    headTooLight: 'more than goes into a head',
    nothingToTakeFromButt: 'nothing lies under the butt that could come out',
    tooMuchInButt: 'more than goes under a grip',
    noSuchGrip: 'no grip weighs so',
    extension: 'asks for an extension of the butt',
};
export const whyText = (why: string): string => WHY[why] ?? why;

type Row = CalculatedWorth['rows'][number];
const WHAT: Record<string, string> = {
    clubSpeed: 'club speed more',
    loft: 'delivered loft more',
    attack: 'attack more up',
    face: 'face more right',
    path: 'path more right',
    toe: 'strike toward the toe',
    heel: 'strike toward the heel',
    high: 'strike higher',
    low: 'strike lower',
    headGram: 'more at the head',
    spin: 'spin more, launch the same',
    temperature: 'warmer',
    altitude: 'higher above the sea',
    headWind: 'of head wind',
    tailWind: 'of tail wind',
    windFromLeft: 'of wind from the left',
    windFromRight: 'of wind from the right',
};

/** What of a launch lies beyond where the flight law was held against anything. */
export function outOfText(out: NonNullable<CalculatedFlight['outOf']>, units: UnitChoice): string {
    const [name, unit] = { ballSpeedMps: ['ball speed', units.speed], launchDeg: ['launch', '°'], spinRpm: ['spin', 'rpm'] }[out.field] ?? [
        out.field,
        '',
    ];
    const k = unit === units.speed ? factor(unit) : 1;
    return `${name} beyond ${plain(out.low * k, 0)} to ${plain(out.high * k, 0)} ${unit}, where the flight model was held against published averages`;
}

/** "1° of delivered loft more" in the reader's units. */
export function worthText(row: Row, units: UnitChoice): string {
    const own = { 'm/s': units.speed, m: units.distance }[row.unit];
    const by = own ? Number((row.by * factor(own)).toFixed(3)) : row.by;
    const unit = own ? ` ${own}` : row.unit === '°' ? '°' : ` ${row.unit}`;
    return `${plain(by, Number.isInteger(by) ? 0 : 1)}${unit} ${WHAT[row.what] ?? row.what}`;
}
