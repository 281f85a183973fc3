import { expect, test } from 'vitest';
import type { Fitting, Truth } from '../../resources/web/api/generated/types';
import { HINTS, hintNow } from '../../resources/web/parts/practice';
import { truthTexts } from '../../resources/web/views/sheet/truth';

// A practice with a made-up player: eight hints in the order of the work, and at the end who the player was.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const setup = (isBaseline: boolean, shots: number) => ({ isBaseline, shots, counted: shots });
const fitting = (more: object): Fitting =>
    ({ briefAgreedAt: null, decision: null, setups: [setup(true, 0)], ...more }) as unknown as Fitting;

test('each hint comes when what it asks is not done yet, from the brief to the sheet', () => {
    const agreed = { briefAgreedAt: '2026-01-01' };
    const stages: [object, boolean, number][] = [
        [{}, false, 0],
        [agreed, false, 1],
        [agreed, true, 2],
        [{ ...agreed, setups: [setup(true, 2)] }, true, 3],
        [{ ...agreed, setups: [setup(true, 5)] }, true, 4],
        [{ ...agreed, setups: [setup(true, 5), setup(false, 1)] }, true, 5],
        [{ ...agreed, setups: [setup(true, 5), setup(false, 5)] }, true, 6],
        [{ ...agreed, setups: [setup(true, 5), setup(false, 5)], decision: {} }, true, 7],
        // Whoever decides early is at the end all the same.
        [{ decision: {} }, false, 7],
    ];
    expect(HINTS).toHaveLength(8);
    for (const [more, saw, at] of stages) expect(hintNow(fitting(more), saw)).toBe(at);
});

test('who the player was is told in the player’s units, and what the choice was truly worth', () => {
    const truth: Truth = {
        player: 'slicer',
        clubSpeedMps: 41,
        attackDeg: -2.5,
        pathDeg: -4.5,
        faceDeg: -0.5,
        squares: 0.5,
        own: 'A',
        pick: 'B',
        setups: [
            { tag: 'A', carryM: 182.88, share: 0.5 },
            { tag: 'B', carryM: 187.45, share: 0.65 },
            { tag: 'C', carryM: 190, share: 0.4 },
        ],
    };
    expect(truthTexts(truth, yards)).toEqual([
        'Made up: a slicer, 92 mph, attack −2.5°, path 4.5° left, face 0.5° left; squares 50 % of a turned face.',
        'B is truly worth +5 yd of carry and +2 of 14 drives in the corridor against the own club.',
        'Of what was hit C is the longest, B the straightest.',
    ]);
    expect(truthTexts({ ...truth, pick: 'A' }, yards)[1]).toContain('The club stays');
});
