import { expect, test } from 'vitest';
import type { Brief } from '../../resources/web/api/generated/types';
import { BRIEF_CHOICES, BRIEF_LABELS, BRIEF_LISTS, BRIEF_NUMBERS, BRIEF_TEXTS } from '../../resources/web/api/generated/vocabulary';
import { bodyOf, errorNames, FIELDS, inUnits, sketchOf, touchedIn, valuesOf, WIND } from '../../resources/web/views/brief/fields';

// The brief's form from its one table.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres = { speed: 'm/s', distance: 'm', height: 'm', length: 'mm' };
const brief: Brief = {
    corridor: { widthM: 27.432, left: { kind: 'water', atM: 22.86 }, right: { kind: 'rough', atM: null } },
    weights: { carry: 2 },
    shape: 'draw',
    miss: 'left',
    carryM: 210.312,
    clubSpeedMps: null,
    handicap: 12.5,
    wants: ['carry', 'feel'],
    never: ['balloon'],
    wish: 'Never the water',
    turf: 'firm',
    windMps: 4.4704,
    windFromDeg: 270,
    altitudeM: -18.288,
    temperatureC: 21,
    holeLengthM: 365.76,
    sixIronApexM: null,
    ball: 'Mallow Four',
    habit: 'squared',
    feel: '',
    swings: 60,
    minutes: null,
    money: 700,
    currency: 'EUR',
    purchase: 'open',
    startSide: 'any',
    school: 'flat and running',
    scoring: 'fewest strokes',
    aimFree: true,
    consent: true,
    minor: false,
    guardian: '',
};

test('every field of the brief stands in the table, once, and no other', () => {
    const tops = [...new Set(FIELDS.map((f) => f.field.split('.')[0]))].sort();
    expect(tops).toEqual(Object.keys(BRIEF_LABELS).sort());
    expect(new Set(FIELDS.map((f) => f.field)).size).toBe(FIELDS.length);
    const kinds = Object.fromEntries(FIELDS.map((f) => [f.field, f]));
    for (const name of Object.keys(BRIEF_NUMBERS)) expect(['number', 'choice']).toContain(kinds[name]!.kind);
    for (const [name, choices] of Object.entries(BRIEF_CHOICES)) expect(kinds[name]!.options).toEqual(choices);
    for (const [name, words] of Object.entries(BRIEF_LISTS)) expect(kinds[name]!.options).toEqual(words);
    for (const [name, most] of Object.entries(BRIEF_TEXTS)) expect(kinds[name]!.most).toBe(most);
});

test('the wind goes once around the clock, and every way of standing has its words', () => {
    expect(WIND.map(([degrees]) => Number(degrees))).toEqual([0, 45, 90, 135, 180, 225, 270, 315]);
    expect(new Set(WIND.map(([, words]) => words)).size).toBe(8);
    expect(Object.keys(FIELDS.find((f) => f.field === 'habit')!.called!)).toEqual(BRIEF_CHOICES.habit);
});

test('a brief fills in the form in the player’s units, and comes back with them', () => {
    const values = valuesOf(brief, yards);
    expect(values).toMatchObject({
        carryM: '230',
        clubSpeedMps: '',
        handicap: '12.5',
        'corridor.widthM': '30',
        'corridor.left.atM': '25',
        'corridor.right.kind': 'rough',
        altitudeM: '-20',
        windMps: '10',
        'weights.carry': '2',
        'weights.run': '',
        wants: ['carry', 'feel'],
        aimFree: true,
    });
    expect(bodyOf(values, yards)).toMatchObject({
        carryM: { value: '230', unit: 'yd' },
        clubSpeedMps: { value: '', unit: 'mph' },
        handicap: '12.5',
        corridor: {
            widthM: { value: '30', unit: 'yd' },
            left: { kind: 'water', atM: { value: '25', unit: 'yd' } },
            right: { kind: 'rough', atM: null },
        },
        wants: ['carry', 'feel'],
        weights: {},
        guardian: '',
        minor: false,
    });
    expect(valuesOf(brief, metres).windMps).toBe('4.47');
});

test('own weights are sent where they are asked for, and a wind that nobody typed is none', () => {
    const values = { ...valuesOf(brief, metres), scoring: 'own weights', 'weights.run': '1,5', windMps: '', altitudeM: '' };
    expect(bodyOf(values, metres)).toMatchObject({
        weights: { carry: '2', run: '1,5', fairways: '', height: '' },
        windMps: { value: '0', unit: 'm/s' },
        altitudeM: { value: '0', unit: 'm' },
    });
});

test('the digits that were typed are shown, and what nobody touched is not sent', () => {
    const typed = {
        'corridor.widthM': { value: '31.5', unit: 'yd' },
        carryM: { value: '28,5', unit: 'm' },
        windMps: { value: '12,5', unit: 'km/h' },
    };
    const kept = { ...brief, corridor: { ...brief.corridor, widthM: 28.8036 }, carryM: 28.5, windMps: 12.5 / 3.6 };
    const stands = valuesOf(kept, yards, typed);
    expect(stands).toMatchObject({ 'corridor.widthM': '31.5', carryM: '31.17', windMps: '7.77' });
    expect(valuesOf(kept, { ...metres, speed: 'km/h' }, typed)).toMatchObject({ carryM: '28,5', windMps: '12,5' });
    expect(bodyOf(stands, yards, stands)).toEqual({});
    expect(bodyOf({ ...stands, turf: 'soft', 'corridor.left.kind': 'rough' }, yards, stands)).toEqual({
        turf: 'soft',
        corridor: { left: { kind: 'rough', atM: null } },
    });
    // Weights are one answer: all of them or none.
    const own = { ...stands, scoring: 'own weights' };
    expect(bodyOf({ ...own, 'weights.run': '3' }, yards, own)).toEqual({ weights: { carry: '2', run: '3', fairways: '', height: '' } });
});

test('what was touched follows into other units, and what is no number stays as typed', () => {
    const touched = { 'corridor.widthM': '31,5', carryM: 'far', turf: 'soft', handicap: '12' };
    expect(inUnits(touched, yards, metres)).toEqual({ 'corridor.widthM': '28.8036', carryM: 'far', turf: 'soft', handicap: '12' });
    expect(touchedIn({ a: '1', b: ['x'], c: true }, { a: '1', b: ['y'], c: true })).toEqual({ b: ['x'] });
});

test('the picture follows what can be read, with commas too', () => {
    const values = { ...valuesOf(brief, yards), 'corridor.widthM': '31,5', holeLengthM: 'long', 'corridor.left.atM': 'x' };
    const sketch = sketchOf(values, yards);
    expect(sketch.corridor.widthM).toBeCloseTo(28.8036, 4);
    expect(sketch.corridor.left).toEqual({ kind: 'water', atM: null });
    expect(sketch.holeLengthM).toBe(370);
    expect(sketch.windFromDeg).toBe(270);
});

test('what the server says of a side finds its field', () => {
    expect(errorNames('corridor.left.atM')).toContain('left.atM');
    expect(errorNames('corridor.right.kind')).toContain('trouble');
    expect(errorNames('weights.carry')).toContain('weights');
});
