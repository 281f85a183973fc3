import { expect, test } from 'vitest';
import type { Found, FoundSetup } from '../../resources/web/api/generated/types';
import {
    adviceText,
    learnedRows,
    nameOf,
    nextText,
    ownEffectRows,
    stopText,
    tooDearText,
} from '../../resources/web/views/finder/sentences';

// The finder in words.

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

test('the advice keeps the own club until a gain is likely, and says how likely it is', () => {
    expect(adviceText(found({}), yards)).toBe(
        'Keep the own club for now: Tern 460, 12 g back is expected to bring +5 yd of carry (likely 0 to +10) and 8 of 14 fairways (8 with the own club), but the chance that it gains at all is 74 in 100: not sure enough to change to. 12 of 40 cannot be told from the best.',
    );
    expect(adviceText(found({ pick: 'x' }), yards)).toMatch(
        /^Tern 460, 12 g back: expected to bring .* That is worth \+0.02 strokes a drive/,
    );
    const near = found({
        setups: [
            setup({ tag: 'x', gain: 0.02, gainInterval: { low: 0, high: 0 }, chance: 0.797 }),
            setup({ tag: 'y', sleeve: '+1.5', chance: 0.84 }),
            setup({ tag: 'A' }),
        ],
    });
    expect(adviceText(near, yards)).toContain('the chance that it gains at all is just under 80 in 100');
    expect(adviceText({ ...near, pick: 'y' }, yards)).toMatch(
        /^Tern 460 at \+1.5, 12 g back: .* chance of 84 in 100 that it gains at all\. Tern 460, 12 g back is expected to gain as much, less surely\./,
    );
    expect(adviceText(found({ best: 'A' }), yards)).toContain('Nothing on the rack is expected to beat the own club.');
    expect(stopText(found({}), yards)).toBe('Still to be found on the rack: about 0.03 strokes a drive.');
    expect(stopText(found({ unit: 'm', expectedLoss: 2 }), yards)).toBe('Still to be found on the rack: about 2.2 yd.');
    expect(stopText(found({ mayStop: true, expectedLoss: 0.012 }), yards)).toContain('little enough to stop');
    expect(tooDearText(found({ tooDear: ['Curlew L'] }))).toBe('Left out, because they cost more than the brief has: Curlew L.');
    // Another benchmark than the own club is called by its letter.
    expect(adviceText(found({ benchmark: 'x', pick: 'x' }), yards)).toContain('is expected to beat x.');
});

test('a setup is named with what it is built of beside the usual, in the player’s units', () => {
    expect(nameOf(setup({ sleeve: '+1.5' }), yards)).toBe('Tern 460 at +1.5, 12 g back');
    const built = setup({ with: { shaft: 'Reedline 60 S', lengthMm: 1130.3, ball: 'Mallow Four', teeMm: 40, cue: 'tee it high' } });
    expect(nameOf(built, yards)).toBe('Tern 460, 12 g back, with Reedline 60 S, 44.50 in, ball Mallow Four, tee 40 mm, cue: tee it high');
    expect(nameOf(setup({ with: { lengthMm: 1130.3 } }), { ...yards, length: 'mm' })).toBe('Tern 460, 12 g back, with 1130 mm');
});

test('the next trial says what it is for, and how likely it beats what was hit', () => {
    const next = { tag: 'x', value: 0.004, changes: 2, turns: 0.3, to: 'A', chance: 0.62, for: 'more loft' };
    expect(nextText(found({ next }))).toBe(
        'To see whether more loft keeps it in the air. The chance that it beats the best so far is 62 in 100.',
    );
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
