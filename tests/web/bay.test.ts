import { expect, test } from 'vitest';
import { keyName, KEYS } from '../../resources/web/views/bay/keys';
import { neverStrips, strips } from '../../resources/web/views/bay/strips';
import type {
    BayView,
    HandView,
    Shot,
    LiveVerdict,
    Setup,
    Summary,
    Verdict,
    Judge,
    NextStep,
} from '../../resources/web/api/generated/types';
import { stepText } from '../../resources/web/format/judged';
import {
    blindText,
    driftText,
    expectedTexts,
    judgeText,
    meanText,
    mishitText,
    nextMove,
    repeatText,
    shotSentence,
    turnText,
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
    value: 2.7432,
    declared: name === 'longer',
    wanted: false,
    way: 1,
    margin: 2,
    moreShots: null,
    interval: { low: -0.9144, high: 0.9144 },
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

/** A word and its mark, as the strip shows them. */
const verdictMark = (v: LiveVerdict): string => {
    const [s] = strips(view({ verdicts: [{ ...v, wanted: true }] }), null, yards);
    return `${s!.name} ${s!.mark}`;
};

test('the last shot is a sentence in the player’s units, with its side in words', () => {
    expect(shotSentence(shot({ sideM: 6.6, apexM: 29 }), yards)).toBe('launch 12.9°, 2412 rpm, 7 yd right, ball 152.3 mph, apex 95 ft');
    expect(shotSentence(shot({ sideM: -12.2 }), metres)).toBe('launch 12.9°, 2412 rpm, 12 m left, ball 245.2 km/h');
    expect(shotSentence(shot({ sideM: 0.2 }), metres)).toContain('on the target line');
    expect(shotSentence(shot({}), yards)).toContain('side unknown');
});

const judgeOf = (more: object): Judge =>
    ({ n: 9, judge: { benchmark: 'A', setups: [{ tag: 'B', sideKnown: 6, ...more }] }, step: {}, next: null }) as unknown as Judge;

test('a strip for each measure that the brief asks for, the declared first; of the others what the shots carry; four at most', () => {
    const all = [
        told('longer', 'open'),
        told('straighter', 'open', { measure: 'sideM', way: -1 }),
        told('faster ball', 'open'),
        told('less spin', 'better', { way: -1 }),
        told('higher', 'worse'),
        told('tighter', 'same'),
    ];
    const names = (verdicts: LiveVerdict[]) => strips(view({ verdicts }), null, yards).map((s) => s.name);
    // Nobody asked for height: then lower is no loss.
    expect(names(all)).toEqual(['longer', 'straighter', 'less spin', 'tighter']);
    expect(names(all.slice(0, 3))).toEqual(['longer', 'straighter']);
    expect(names([told('longer', 'open'), told('higher', 'open', { wanted: true })])).toEqual(['longer', 'higher']);
});

test('a strip has its size and its interval in the player’s units, and better lies to the right', () => {
    const one = (v: LiveVerdict, units = yards) => strips(view({ verdicts: [v] }), null, units)[0]!;
    const longer = one(told('longer', 'better', { value: 9.144, interval: { low: 2.7432, high: 13.716 }, margin: 7 }));
    expect([longer.mark, longer.size, longer.range]).toEqual(['✓', '+10 yd', '+3 to +15']);
    expect(one(told('longer', 'better', { value: 9.144 }), metres).size).toBe('+9 m');
    // Less spin is better: the bar turns, the figure does not.
    const spin = one(
        told('longer', 'better', { name: 'less spin', measure: 'spinRpm', way: -1, value: -300, interval: { low: -420, high: -180 } }),
    );
    expect([spin.size, spin.range, spin.value, spin.low, spin.high]).toEqual(['−300 rpm', '−420 to −180', 300, 180, 420]);
});

test('straighter is told in fairways of fourteen, and what must never come with how often it did with the benchmark', () => {
    const judge = judgeOf({
        shareGain: 0.25,
        shareGainInterval: { low: -0.1, high: 0.43 },
        never: [{ kind: 'right', chance: 0.14, ofBenchmark: 0.36, likelier: 0.02, isBarred: false, strokes: 0, metres: 0 }],
    });
    const side = told('straighter', 'open', { measure: 'sideM', way: -1 });
    const all = strips(view({ verdicts: [told('longer', 'better'), side] }), judge, yards);
    expect(all.map((s) => [s.name, s.mark, s.size, s.range])).toEqual([
        ['longer', '✓', '+3 yd', '−1 to +1'],
        ['straighter', '?', '+4 in 14', '−1 to +6 fairways'],
        ['right miss', '✓', '2 in 14', '5 with the benchmark'],
    ]);
    // While the judge has said nothing there is no figure, and no other unit.
    expect(strips(view({ verdicts: [side] }), null, yards)[0]).toMatchObject({ size: '–', range: 'fairways follow' });
});

test('an interval that leaves nothing out is never called open: it is likely, and which way', () => {
    const mark = (low: number, high: number, verdict: Verdict = 'open') =>
        strips(
            view({ verdicts: [told('straighter', verdict, { measure: 'sideM', way: -1 })] }),
            judgeOf({ shareGain: (low + high) / 2, shareGainInterval: { low, high } }),
            yards,
        )[0]!.mark;
    expect([mark(-0.1, 0.4), mark(0.1, 0.4), mark(-0.4, -0.1)]).toEqual(['?', 'likely', 'unlikely']);
    expect(mark(0.1, 0.4, 'better')).toBe('✓');
    const longer = told('longer', 'open');
    const judge = judgeOf({ carryGainM: 6, carryGainInterval: { low: 1, high: 11 } });
    expect(strips(view({ verdicts: [longer] }), judge, yards)[0]!.mark).toBe('likely');
});

test('what must never come stands in the bay whatever else is looked at, and with the benchmark too', () => {
    const never = [
        { kind: 'left', chance: 0.36, ofBenchmark: 0.14, likelier: 0.97, isBarred: true, strokes: 0, metres: 0 },
        { kind: 'balloon', chance: 0.07, ofBenchmark: 0.07, likelier: 0.1, isBarred: false, strokes: 0, metres: 0 },
    ];
    const judge = judgeOf({ never });
    const verdicts = ['longer', 'faster ball', 'less spin', 'higher', 'straighter'].map((name) =>
        told(name, 'better', { name, wanted: true }),
    );
    const all = strips(view({ verdicts }), judge, yards);
    expect(all).toHaveLength(4);
    expect(all.slice(2).map((s) => [s.name, s.mark])).toEqual([
        ['left miss', '✗'],
        ['balloon', '?'],
    ]);
    expect(strips(view({ verdicts: [] }), judge, yards).map((s) => s.name)).toEqual(['left miss', 'balloon']);
    expect(neverStrips(judge, 'B').map((s) => s.size)).toEqual(['5 in 14', '1 in 14']);
    expect(neverStrips(null, 'B')).toEqual([]);
});

test('what turning it would change is told with its interval, and what differs by name', () => {
    const change = (value: number, low: number, high: number) => ({ value, interval: { low, high } });
    const texts = expectedTexts(
        { carryM: change(-3.6576, -9, 2), sideM: change(4.572, -2, 11), apexM: change(0, -2, 3), share: change(0.07, -0.08, 0.21) },
        yards,
    );
    expect(texts).toEqual([
        'carry −4 yd (−10 to +2)',
        '5 yd more to the right (2 L to 12 R)',
        'apex 0 ft (−7 to +10)',
        'fairways +1 in 14 (−1 to +3)',
    ]);
    const hand = { sleeve: 'N', arrangements: [{ words: '12 g back' }] } as unknown as HandView;
    expect(turnText({ tag: 'B' } as Setup, { sleeve: '−1.5', weights: '12 g heel' }, hand)).toBe('B from N to −1.5, 12 g heel');
});

test('a blind trial that is revealed says its verdict, its order, and whether the player could tell', () => {
    const revealed = (guess: object | null) =>
        blindText(
            view({
                revealed: { order: ['B', 'A'], against: 'A', verdicts: [{ tag: 'B', name: 'longer', verdict: 'better' }], guess },
            } as unknown as Partial<BayView>),
        );
    expect(revealed(null)).toEqual(['Blind, B is longer than A.', 'The order was B, A.']);
    expect(revealed({ right: 2, of: 2, p: 0.5, better: false, canTell: false })[2]).toContain('too few settings to tell it from chance');
    expect(revealed({ right: 8, of: 8, p: 0.004, better: true, canTell: true })[2]).toBe(
        'The player named 8 of 8 rightly: better than chance, so it is felt (chance of it under 1 %).',
    );
});

test('drift is said in words where it matters', () => {
    expect(driftText(view({ speedSince: null }), yards)).toBeNull();
    expect(driftText(view({ speedSince: { byMps: -0.62584, trial: 4 } }), yards)).toEqual(['slowing: −1.4 mph', 'since trial 4']);
    const within = view({ speedSince: { byMps: 0.62584, trial: 4 }, running: { number: 4 } as BayView['running'] });
    expect(driftText(within, yards)).toEqual(['faster: +1.4 mph', 'within this trial']);
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
    expect(nextMove(view({ withheld: { speedMps: -1, why: 'otherSwing', what: '', byDeg: 0 } }), 'A', yards)).toContain(
        'Another player, tired, or holding back?',
    );
    // Whose swings these are is asked from the second shot on, of the benchmark as well.
    for (const [tag, n] of [
        ['B', 2],
        ['A', 6],
    ] as const)
        expect(nextMove(view({ withheld: { speedMps: -2.9, why: 'farOff', what: '', byDeg: 0 } }, tag, n), 'A', yards)).toBe(
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
    expect(step('stop')).toContain('More swings would not change it');
    expect(step('none')).toContain('Nothing on the rack');
});

test('the judge’s last figures are told with the shots they rest on', () => {
    const j = { tag: 'B', sideKnown: 6, share: 0.64, carryGainM: 5.4864, carryGainInterval: { low: 0.9144, high: 10.0584 } };
    const judge = { n: 21, judge: { benchmark: 'A', setups: [j] }, step: {}, next: null } as unknown as Judge;
    expect(judgeText(judge, 'B', yards)).toBe('Judged after 21 shots: +6 yd (+1 to +11) against A, expect 9 of 14 fairways.');
    expect(judgeText(judge, 'C', yards)).toBe('');
});

test('only the declared measure makes a setup the one to beat', () => {
    expect(nextMove(view({ verdicts: [told('longer', 'better'), told('less spin', 'worse')] }), 'A', yards)).toBe(
        'B is longer than A (more spin). Make it the benchmark, if it is the one to beat.',
    );
    expect(nextMove(view({ verdicts: [told('longer', 'worse')] }), 'A', yards)).toBe('B is shorter than A.');
    expect(nextMove(view({ verdicts: [told('longer', 'open', { moreShots: 4 }), told('higher', 'better')] }), 'A', yards)).toBe(
        'Can’t tell yet (higher): about 4 more would settle “longer”.',
    );
    expect(nextMove(view({ verdicts: [told('longer', 'open')] }), 'A', yards)).toBe('Too close to tell.');
});

test('shots left out are not counted toward a word', () => {
    const left = [shot({}, true), shot({}, true), shot({}), shot({})];
    expect(nextMove(view({ shots: left, counted: 2 }), 'A', yards)).toBe('');
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
    const blind = { ordinal: 1, of: 4, shotsEach: 3, set: true, guess: null };
    expect(nextMove(view({ blind: { ...blind, set: false } }, '', 0), 'A', yards)).toContain('then hide it');
    expect(nextMove(view({ blind: { ...blind, guess: { trialId: 1, options: [] } } }, '', 3), 'A', yards)).toContain(
        'Which does the player',
    );
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

test('keys are told apart on English, German and French keyboards, and none needs Shift or AltGr', () => {
    const key = (key: string, code: string, shiftKey = false) => keyName({ key, code, shiftKey });
    // The digits of a French keyboard are under Shift: the key itself counts.
    expect([key('4', 'Digit4'), key("'", 'Digit4'), key('à', 'Digit0'), key('4', 'Numpad4'), key('3', 'Digit3', true)]).toEqual([
        '4',
        '4',
        '0',
        '4',
        '3',
    ]);
    // Minus is minus wherever it lies: beside 0, beside the dot, or on the French 6.
    expect([key('-', 'Minus'), key('-', 'Slash'), key('-', 'Digit6'), key('Delete', 'Delete')]).toEqual(['−', '−', '−', '−']);
    // Comma and dot by their place; what the keyboard writes there does not matter.
    expect([key(',', 'Comma'), key(';', 'Comma'), key('.', 'Period'), key(':', 'Period')]).toEqual(['Comma', 'Comma', 'Period', 'Period']);
    expect([key('a', 'KeyQ'), key('b', 'KeyB'), key(' ', 'Space'), key('ArrowUp', 'ArrowUp', true), key('Enter', 'Enter')]).toEqual([
        'A',
        'B',
        'Space',
        'Shift+ArrowUp',
        'Enter',
    ]);
    expect(new Set(KEYS.map(([, what]) => what)).size).toBe(KEYS.length);
});
