import { expect, test } from 'vitest';
import { KEYS } from '../../resources/web/views/bay/keys';
import type { BayView, Shot, LiveVerdict, Summary, Verdict, Judge, NextStep } from '../../resources/web/api/generated/types';
import { stepText } from '../../resources/web/format/judged';
import {
    budgetText,
    judgeText,
    meanText,
    mishitText,
    nextMove,
    repeatText,
    shotSentence,
    verdictsShown,
    verdictMark,
} from '../../resources/web/views/bay/sentences';

// What the bay says, without a page.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres = { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' };
const shot = (computed: Record<string, number>, leftOut = false): Shot =>
    ({
        sequence: 1,
        measured: { launchDeg: 12.94, spinRpm: 2411.6, ballSpeedMps: 68.1 },
        computed,
        leftOut: leftOut ? { reason: 'mishit', note: null, at: '' } : null,
    }) as unknown as Shot;
const told = (name: string, verdict: Verdict, more: Partial<LiveVerdict> = {}): LiveVerdict => ({
    name,
    measure: 'carryM',
    verdict,
    value: 3,
    declared: name === 'longer',
    moreShots: null,
    interval: { low: -1, high: 1 },
    ...more,
});
const summary = { n: 6, mean: 205, sd: 5, median: 205, meanInterval: { low: 201, high: 209 } } as Summary;

function view(more: Partial<BayView> = {}, tag = 'B', counted = 4): BayView {
    return {
        running: { id: 1, number: 2, kind: 'trial', setupId: 2, tag, shots: counted, beganAt: '', ended: false },
        shots: Array.from({ length: counted }, () => shot({})),
        counted,
        blind: null,
        repeat: [],
        benchmarkMeans: { carryM: summary },
        verdicts: [],
        ...more,
    } as unknown as BayView;
}

test('the last shot is a sentence in the player’s units, with its side in words', () => {
    expect(shotSentence(shot({ sideM: 6.6, apexM: 29 }), yards)).toBe('launch 12.9°, 2412 rpm, 7 yd right, ball 152.3 mph, apex 95 ft');
    expect(shotSentence(shot({ sideM: -12.2 }), metres)).toBe('launch 12.9°, 2412 rpm, 12 m left, ball 245.2 km/h');
    expect(shotSentence(shot({ sideM: 0.2 }), metres)).toContain('on the target line');
    expect(shotSentence(shot({}), yards)).toContain('side unknown');
});

test('of the verdicts four words are shown: what was declared, the side, and what the shots carry', () => {
    const all = [
        told('longer', 'open'),
        told('straighter', 'open'),
        told('faster ball', 'open'),
        told('less spin', 'better'),
        told('higher', 'worse'),
        told('tighter', 'same'),
    ];
    expect(verdictsShown(all).map((s) => s.name)).toEqual(['longer', 'straighter', 'less spin', 'higher']);
    expect(verdictsShown(all.slice(0, 3)).map((s) => s.name)).toEqual(['longer', 'straighter']);
});

test('a verdict is a word and a mark', () => {
    expect([told('longer', 'better'), told('straighter', 'open'), told('less spin', 'worse')].map(verdictMark)).toEqual([
        'longer ✓',
        'straighter ?',
        'less spin ✗',
    ]);
});

test('a mean carries half its interval, or nothing that is not known', () => {
    expect(meanText('carryM', summary, metres)).toBe('205 ± 4');
    expect(meanText('carryM', summary, yards)).toBe('224 ± 4');
    expect(meanText('spinRpm', { ...summary, mean: 2450, meanInterval: { low: 2300, high: 2600 } }, yards)).toBe('2450 ± 150');
    expect(meanText('launchDeg', { ...summary, mean: 12.5, meanInterval: { low: 11.9, high: 13.1 } }, yards)).toBe('12.5 ± 0.6');
    expect(meanText('carryM', { ...summary, meanInterval: null }, metres)).toBe('205');
    expect(meanText('carryM', null, metres)).toBe('–');
});

test('what is in the hand is told; what to do next is the judge’s', () => {
    expect(nextMove(view({ running: null }), 'A', yards)).toBe('Choose the setup in the hand, and begin.');
    expect(nextMove(view({ running: { ...view().running!, kind: 'warm-up' } }), 'A', yards)).toContain('count for nothing');
    for (const silent of [view({}, 'A', 2), view({}, 'A', 6), view({ benchmarkMeans: null }), view({}, 'B', 1)])
        expect(nextMove(silent, 'A', yards)).toBe('');
    expect(nextMove(view({ withheld: { speedMps: -1, why: 'otherSwing' } }), 'A', yards)).toContain(
        'Another player, tired, or holding back?',
    );
    // Whose swings these are is asked from the second shot on, of the benchmark as well.
    for (const [tag, n] of [
        ['B', 2],
        ['A', 6],
    ] as const)
        expect(nextMove(view({ withheld: { speedMps: -2.9, why: 'farOff' } }, tag, n), 'A', yards)).toBe(
            '6 mph under the usual speed: another player, a warm-up, tired, or smooth swings? No verdict until those shots are left out.',
        );
    const step = (kind: NextStep['kind'], more: Partial<NextStep> = {}) =>
        stepText({ kind, tag: 'B', shots: 2, why: null, ...more }, 'Tern 460 at N');
    expect(step('settle')).toContain('Settle B first');
    expect(step('more')).toBe('2 more of B first.');
    expect(step('more', { shots: 1 })).toBe('one more of B first.');
    expect(step('baseline', { tag: 'A' })).toContain('Hit the own club A first');
    expect(step('benchmark', { tag: 'A', why: 'trend' })).toBe('Hit A again: the player’s speed has moved since it was hit.');
    expect(step('hit')).toBe('Hit Tern 460 at N.');
    expect(step('stop')).toContain('Enough');
    expect(step('none')).toContain('Nothing on the rack');
});

test('the judge’s last figures are told with the shots they rest on', () => {
    const j = { tag: 'B', sideKnown: 6, share: 0.64, carryGainM: 5.4864, carryGainInterval: { low: 0.9144, high: 10.0584 } };
    const judge = { n: 21, judge: { benchmark: 'A', setups: [j] }, step: {}, next: null } as unknown as Judge;
    expect(judgeText(judge, 'B', yards)).toBe('Judged after 21 shots: +6 yd (+1 to +11) against A, 9 of 14 in the corridor.');
    expect(judgeText(judge, 'C', yards)).toBe('');
});

test('only the declared measure makes a setup the one to beat', () => {
    expect(nextMove(view({ verdicts: [told('longer', 'better'), told('less spin', 'worse')] }), 'A', yards)).toBe(
        'B is longer than A (not less spin). Make it the benchmark, if it is the one to beat.',
    );
    expect(nextMove(view({ verdicts: [told('longer', 'worse')] }), 'A', yards)).toBe('B is not longer.');
    expect(nextMove(view({ verdicts: [told('longer', 'open', { moreShots: 4 }), told('higher', 'better')] }), 'A', yards)).toBe(
        'Can’t tell yet (higher): about 4 more would settle “longer”.',
    );
    expect(nextMove(view({ verdicts: [told('longer', 'open')] }), 'A', yards)).toBe('Too close to tell.');
});

test('shots left out are not counted toward a word', () => {
    const left = [shot({}, true), shot({}, true), shot({}), shot({})];
    expect(nextMove(view({ shots: left, counted: 2 }), 'A', yards)).toBe('');
});

test('what is left of the budget is said where the brief named one', () => {
    expect(budgetText({ swings: 60, swingsHit: 26, minutes: 90, minutesUsed: 41 })).toBe(' · 34 of 60 swings left · 41 of 90 minutes');
    expect(budgetText({ swings: 20, swingsHit: 26, minutes: null, minutesUsed: 41 })).toBe(' · 0 of 20 swings left');
    expect(budgetText({ swings: null, swingsHit: 26, minutes: null, minutesUsed: 41 })).toBe('');
});

test('a mishit is suggested with its reason in the player’s units', () => {
    expect(mishitText([{ measure: 'ballSpeedMps', value: 61, usual: 66, why: 'speed' }], yards)).toBe('ball speed: 136.5 mph, usual 147.6');
    expect(mishitText([{ measure: 'ballSpeedMps', value: 61, usual: 66, why: 'swing' }], metres)).toContain('and the swing was slow');
    expect(mishitText([{ measure: 'strikeToeMm', value: -28, usual: 2, why: 'strike' }], yards)).toMatch(/^strike toward the heel: /);
    expect(mishitText([{ measure: 'strikeHighMm', value: 18, usual: 0, why: 'strike' }], yards)).toMatch(/^strike high: /);
});

test('a setup hit again is said to play as before, or not', () => {
    const at = (value: number, moved: boolean) => [{ measure: 'clubSpeedMps', value, moved, since: 1 }];
    expect(repeatText(view({ repeat: [] }), 'A', yards)).toBe('');
    expect(repeatText(view({ repeat: at(-0.2, false) }), 'A', yards)).toBe('A plays as it did in trial 1.');
    expect(repeatText(view({ repeat: at(-1.8, true) }), 'A', yards)).toBe(
        'A is not as it was in trial 1: club speed −4.0 mph. The player changed, not the club.',
    );
});

test('a blind trial says how far it is, and nothing more', () => {
    const blind = { ordinal: 1, of: 4, shotsEach: 3 };
    expect(nextMove(view({ blind }, '', 1), 'A', yards)).toBe('Blind, setting 1 of 4: 2 more.');
    expect(nextMove(view({ blind }, '', 3), 'A', yards)).toBe('Next setting.');
    expect(nextMove(view({ blind: { ...blind, ordinal: 4 } }, '', 3), 'A', yards)).toContain('reveal');
});

test('as good as the same is a word of its own', () => {
    expect(verdictMark(told('longer', 'same'))).toBe('longer =');
    expect(nextMove(view({ verdicts: [told('longer', 'same')] }, 'B', 8), 'A', yards)).toContain(
        'As good as A: more shots are not worth it.',
    );
});

test('no key of the bay is a letter, for letters are setups', () => {
    for (const [key] of KEYS) expect(key === 'Backspace' || !/[a-z]/i.test(key.replace('to', ''))).toBe(true);
    expect(new Set(KEYS.map(([k]) => k)).size).toBe(KEYS.length);
});
