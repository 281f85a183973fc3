/** Units and meanings of plus that the mapping screen offers for each measure. */
export const UNITS: Record<string, string[]> = {
    clubSpeedMps: ['mph', 'm/s', 'km/h', 'ft/s', 'kn'],
    ballSpeedMps: ['mph', 'm/s', 'km/h', 'ft/s', 'kn'],
    smash: ['ratio', '%'],
    carryM: ['yd', 'm', 'ft'],
    totalM: ['yd', 'm', 'ft'],
    sideM: ['yd', 'm', 'ft'],
    totalSideM: ['yd', 'm', 'ft'],
    curveM: ['yd', 'm', 'ft'],
    apexM: ['ft', 'm', 'yd'],
    hangTimeS: ['s'],
    spinRpm: ['rpm'],
    backSpinRpm: ['rpm'],
    sideSpinRpm: ['rpm'],
    strikeToeMm: ['mm', 'cm', 'in'],
    strikeHighMm: ['mm', 'cm', 'in'],
    setupTag: [],
    hitAt: [],
    note: [],
};
export const unitsFor = (measure: string | null): string[] => (measure === null ? [] : (UNITS[measure] ?? ['deg', 'rad']));

const SIDES = ['right', 'left', 'toe', 'heel'];
const SIGNED: Record<string, string[]> = {
    pathDeg: SIDES,
    faceDeg: SIDES,
    faceToPathDeg: SIDES,
    directionDeg: SIDES,
    spinAxisDeg: SIDES,
    sideSpinRpm: SIDES,
    sideM: SIDES,
    totalSideM: SIDES,
    curveM: SIDES,
    strikeToeMm: ['toe', 'heel'],
    strikeHighMm: ['up', 'down'],
    attackDeg: ['up', 'down'],
};
export const signsFor = (measure: string | null): string[] => (measure === null ? [] : (SIGNED[measure] ?? []));
export const SIGN_WORDS: Record<string, string> = {
    right: '+ is right',
    left: '+ is left',
    toe: '+ is toward the toe',
    heel: '+ is toward the heel',
    up: '+ is up',
    down: '+ is down',
};
