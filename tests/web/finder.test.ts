import { expect, test } from 'vitest';
import type { Found, FoundSetup } from '../../resources/web/api/generated/types';
import { foundName } from '../../resources/web/format/found';
import { gainText, learnedRows, nextText, oneTexts, ownEffectRows } from '../../resources/web/views/answer/rack';

// Setups of the rack in words.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const setup = (more: Partial<FoundSetup>): FoundSetup =>
    ({
        tag: 'x',
        head: 'Tern 460',
        sleeve: 'N',
        weights: '12 g back',
        with: {},
        gain: 0,
        gainInterval: { low: 0, high: 0 },
        chance: 0.5,
        share: 0.6,
        carryGainM: 4.572,
        carryGainInterval: { low: 0, high: 9.144 },
        ...more,
    }) as FoundSetup;
const found = (more: Partial<Found>): Found =>
    ({
        own: 'A',
        benchmark: 'A',
        tooDear: [],
        unit: 'strokes',
        count: 40,
        ties: 12,
        within: 5,
        best: 'x',
        pick: 'A',
        expectedLoss: 0.031,
        mayStop: false,
        learned: {
            loftCarryThrough: { prior: 0.55, priorSd: 0.33, now: 0.8, sd: 0.1 },
            speedMpsPerPoint: { prior: -0.045, priorSd: 0.067, now: -0.09, sd: 0.045 },
        },
        next: { tag: 'x', value: 0.004, changes: 2, turns: 0.3, to: 'x' },
        ownEffects: [
            {
                head: 'Tern 460',
                with: {},
                effects: { toeMm: { mean: -2.1, sd: 1.2 }, spin: { mean: 0.03, sd: 0.02 }, speedMps: { mean: 0.44704, sd: 0.2 } },
            },
            { head: null, with: { shaft: 'Reedline 60 S' }, effects: {} },
        ],
        setups: [setup({ tag: 'x', gain: 0.02, gainInterval: { low: -0.01, high: 0.05 }, chance: 0.74 }), setup({ tag: 'A' })],
        ...more,
    }) as Found;

test('a setup of the rack says where it ends, how to aim and what it is worth', () => {
    const one = setup({
        ...{ leftShare: 0.1, rightShare: 0.3, spreadM: 18.288, aimDeg: -1.24, gain: 0.02, gainInterval: { low: -0.01, high: 0.05 } },
        ...{ aimFixedGain: 0.04, otherLoftDeg: null, printSdDeg: 0.5, seen: null },
    });
    expect(oneTexts(one, found({}), yards)).toEqual([
        'expect 8 of 14 fairways, 1 left and 4 right.',
        'Spread ± 20 yd; best aim 1.2° left.',
        'It is worth +0.02 strokes a drive (−0.01 to +0.05), +0.04 with the same aim.',
        'Its loft was never read.',
    ]);
    expect(gainText(setup({ gain: 9.144, gainInterval: { low: 0, high: 18.288 } }), found({ unit: 'm' }), yards)).toBe(
        '+10.0 yd (0 to +20.0)',
    );
});

test('a setup is named with what it is built of beside the usual, in the player’s units', () => {
    expect(foundName(setup({ sleeve: '+1.5' }), yards)).toBe('Tern 460 at +1.5, 12 g back');
    const built = setup({ with: { shaft: 'Reedline 60 S', lengthMm: 1130.3, ball: 'Mallow Four', teeMm: 40, cue: 'tee it high' } });
    expect(foundName(built, yards)).toBe(
        'Tern 460, 12 g back, with Reedline 60 S, 44.50 in, ball Mallow Four, tee 40 mm, cue: tee it high',
    );
    expect(foundName(setup({ with: { lengthMm: 1130.3 } }), { ...yards, length: 'mm' })).toBe('Tern 460, 12 g back, with 1130 mm');
});

test('the next trial says what it is for, and how likely it beats what was hit', () => {
    const next = { tag: 'x', value: 0.004, changes: 2, turns: 0.3, to: 'A', chance: 0.62, for: 'more loft' };
    expect(nextText(found({ next }))).toBe('To see whether more loft keeps it in the air. 62 in 100 that it beats the best so far.');
    expect(nextText(found({ next: { ...next, for: 'less spin' } }))).toContain('it spins less');
    expect(nextText(found({ next: null }))).toBe('');
});

test('what was learned is told with its width, before and now', () => {
    expect(learnedRows(found({}), yards)).toEqual([
        ['loft of the sleeve that reaches the ball', '55 ± 33 %', '80 ± 10 %'],
        ['club speed for a point of swing weight', '−0.10 ± 0.15 mph', '−0.20 ± 0.10 mph'],
    ]);
    expect(ownEffectRows(found({}), yards)).toEqual([
        ['Tern 460', '−2 ± 1', '–', '+3 ± 2', '–', '+1.0 ± 0.4'],
        ['Reedline 60 S', '–', '–', '–', '–', '–'],
    ]);
});
