import { expect, test } from 'vitest';
import type { Judgement, UnitChoice } from '../../resources/web/api/generated/types';
import { chanceWords } from '../../resources/web/format/judged';
import { otherSwingsText } from '../../resources/web/format/speeds';
import { bandText, flightText, seenAndExpected, wishTexts } from '../../resources/web/format/wishes';

const yards: UnitChoice = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres: UnitChoice = { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' };
const wish = (name: string, figure: string, before: number, after: number, standing: 'gained' | 'lost' | 'level' = 'gained') => ({
    wishes: [{ name, figure, before, after, standing }],
});

test('the wish is answered in its own figure and unit', () => {
    expect(wishTexts(wish('less spin', 'spinRpm', 3183, 2462), yards)).toEqual(['You asked for less spin: 2460 instead of 3180 rpm.']);
    expect(wishTexts(wish('fairways', 'share', 0.5, 0.71), yards)).toEqual([
        'You asked for more fairways: 10 instead of 7 of 14 fairways.',
    ]);
    expect(wishTexts(wish('height', 'apexM', 24, 30), yards)).toEqual(['You asked for a higher flight: 98 instead of 79 ft.']);
    expect(wishTexts(wish('height', 'apexM', 24, 30), metres)).toEqual(['You asked for a higher flight: 30 instead of 24 m.']);
    expect(wishTexts(wish('hold a draw', 'curveM', 1, -7), metres)).toEqual([
        'You asked for a draw that holds: 7 m left instead of 1 m right.',
    ]);
});

test('a wish that is lost is said to be lost, and one that is level to be level', () => {
    expect(wishTexts(wish('carry', 'carryM', 210, 200, 'lost'), metres)[0]).toBe(
        'You asked for more carry. This does the opposite: 200 instead of 210 m.',
    );
    expect(wishTexts(wish('carry', 'carryM', 210, 211, 'level'), metres)[0]).toBe('You asked for more carry: 211 m, about as before.');
    expect(wishTexts({}, metres)).toEqual([]);
});

test('what was seen stands beside what is expected, and few shots are said to exaggerate', () => {
    const j = { n: 7, share: 0.64, seen: { n: 7, averages: {}, fairways: { in: 5, of: 7 } }, exaggerates: [] } as unknown as Judgement;
    expect(seenAndExpected(j)).toBe('5 of 7 in the fairway; expect 9 of 14');
    expect(seenAndExpected({ ...j, exaggerates: ['fairways'] })).toBe('5 of 7 in the fairway; expect 9 of 14 (7 shots exaggerate)');
});

test('a figure outside what is wanted has a word', () => {
    const of = (value: number, standing: 'low' | 'wanted' | 'high') => ({ value, interval: { low: value, high: value }, standing });
    expect(flightText('spinRpm', of(3184, 'high'), yards)).toBe('3180 high');
    expect(flightText('launchDeg', of(12.34, 'wanted'), yards)).toBe('12.3');
    expect(flightText('apexM', undefined, yards)).toBe('–');
    expect(bandText('apexM', { apexM: { low: 24, high: 30 } }, yards)).toBe('79 to 98');
});

test('a chance is never rounded up to sure', () => {
    expect([0.97, 0.998, 0.003, 0.5].map(chanceWords)).toEqual(['97 in 100', 'over 99 in 100', 'under 1 in 100', '50 in 100']);
});

test('one setup for two swings is said to be a compromise where they want different ones', () => {
    const g = { pick: 'B', swing: 'full', otherSwings: [{ swing: 'cruising', pick: 'A', carryGainM: 0 }] };
    expect(otherSwingsText(g, metres)).toBe('With the full swing: B; cruising: A. One setup for both is a compromise.');
    expect(otherSwingsText({ ...g, otherSwings: [{ swing: 'cruising', pick: 'B', carryGainM: 6.2 }] }, metres)).toContain(
        'One setup serves both.',
    );
    expect(otherSwingsText({ pick: 'B', swing: null, otherSwings: [] }, metres)).toBe('');
});
