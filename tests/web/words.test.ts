import { expect, test } from 'vitest';
import type { Advice, Fitting, Judgement, Setup } from '../../resources/web/api/generated/types';
import { changes, lengthText, loftText, nameOf, parentOf, toneOf } from '../../resources/web/format/setups';
import { curveWords, distance, faceWords, figure, plain, shown, signed, unitOf } from '../../resources/web/format/units';
import { list } from '../../resources/web/format/sentences';
import { givesUp } from '../../resources/web/format/advice';
import { signsFor, unitsFor } from '../../resources/web/views/shots/choices';

// Plain functions of the front end, without a page: how figures are written, and which sentence stands for which advice.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres = { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' };

function setup(more: Partial<Setup>): Setup {
    return {
        id: 1,
        tag: 'A',
        position: 1,
        isBaseline: false,
        branchedFromId: null,
        head: 'Tern 460',
        statedLoftDeg: 10.5,
        measuredLoftDeg: null,
        measuredLieDeg: null,
        measuredFaceOpenDeg: null,
        sleeveLabel: 'N',
        sleeveLoftDeg: null,
        sleeveFaceOpenDeg: null,
        sleeveLieDeg: null,
        weights: '12 g back',
        shaft: 'Reedline',
        grip: '',
        lengthMm: 1143,
        ball: 'Mallow',
        note: '',
        headId: null,
        asItComes: false,
        masses: null,
        shaftId: null,
        gripId: null,
        ballId: null,
        teeMm: null,
        cue: '',
        loftOffDeg: null,
        body: null,
        swingWeight: null,
        warnings: [],
        playing: {
            plays: { loftDeg: 10.5, faceOpenDeg: 0, lieDeg: 58 },
            squared: { loftDeg: 10.5, faceOpenDeg: 0, lieDeg: 58 },
            soled: { loftDeg: 10.5, faceOpenDeg: 0, lieDeg: 58 },
            lieAssumed: true,
            loftFromPrint: true,
            byStandIn: false,
        },
        shelf: '',
        shelfReason: '',
        lengthPlan: null,
        starred: false,
        shots: 0,
        counted: 0,
        simulated: 0,
        ...more,
    };
}

function judged(tag: string, more: Partial<Judgement> = {}): Judgement {
    return {
        tag,
        n: 8,
        carry: { n: 8, mean: 200, sd: 6, median: 200, meanInterval: { low: 195, high: 205 } },
        total: null,
        share: 0.6,
        shareInterval: { low: 0.4, high: 0.8 },
        sideKnown: 8,
        spreadM: 12,
        strokes: 0,
        strokesInterval: { low: 0, high: 0 },
        aimFixedStrokes: 0,
        chanceBetter: 0.5,
        aimDeg: 0,
        carryGainM: 0,
        carryGainInterval: { low: -4, high: 4 },
        gain: -(more.strokes ?? 0),
        gainInterval: { low: 0, high: 0 },
        expectedLoss: 0.02,
        trade: null,
        ...more,
    };
}

function advice(more: Partial<Advice>): Advice {
    return {
        benchmark: 'A',
        best: 'B',
        pick: 'B',
        basis: 'models',
        isConclusive: true,
        ties: [],
        expectedLoss: 0.012,
        scoring: 'fewest strokes',
        unit: 'strokes',
        simulatedShots: 0,
        notHit: [],
        setups: [judged('A'), judged('B')],
        ...more,
    };
}

const fitting = {
    player: { hand: 'left', units: metres },
    names: {},
    brief: { corridor: { left: { kind: 'rough' }, right: { kind: 'rough' } } },
    setups: [setup({}), setup({ id: 2, tag: 'B', position: 2, branchedFromId: 1 })],
} as unknown as Fitting;

test('a value is shown in the person’s unit, with the side in letters', () => {
    expect(figure('carryM', 200, yards)).toBe('219');
    expect(figure('carryM', 200, metres)).toBe('200');
    expect(figure('sideM', -10, yards)).toBe('11 L');
    expect(figure('sideM', 10, metres)).toBe('10 R');
    expect(figure('sideM', 0.2, metres)).toBe('0');
    expect(figure('strikeToeMm', -6, metres)).toBe('6 heel');
    expect(figure('strikeHighMm', 3, yards)).toBe('3 high');
    expect(figure('ballSpeedMps', 67.056, yards)).toBe('150.0');
    expect(figure('ballSpeedMps', 67.056, metres)).toBe('241.4');
    expect(figure('apexM', 30.48, yards)).toBe('100');
    expect(figure('smash', 1.4567, yards)).toBe('1.46');
    expect(figure('carryM', null, yards)).toBe('–');
    expect(figure('carryM', Number.NaN, yards)).toBe('–');
});

test('numbers carry a real minus and never a minus zero', () => {
    expect(plain(-3.24, 1)).toBe('−3.2');
    expect(plain(-0.04, 1)).toBe('0.0');
    expect(signed(0.004, 2)).toBe('0');
    expect(signed(2.5, 1)).toBe('+2.5');
    expect(signed(-2.5, 1)).toBe('−2.5');
    expect(distance(182.88, yards)).toBe('200 yd');
    expect(shown('spinRpm', 2400, metres)).toBe(2400);
    expect(unitOf('launchDeg', yards)).toBe('°');
    expect(unitOf('strikeToeMm', yards)).toBe('mm');
});

test('words that depend on the hand depend on the hand', () => {
    expect(curveWords(5, 'right')).toBe('fade');
    expect(curveWords(5, 'left')).toBe('draw');
    expect(curveWords(-5, 'left')).toBe('fade');
    expect(faceWords(1.2)).toBe('1.2° open');
    expect(faceWords(-0.5)).toBe('0.5° closed');
    expect(faceWords(0.01)).toBe('square');
});

test('a setup says what changed from the one it was branched from', () => {
    const from = setup({});
    expect(changes(setup({ id: 2 }), from, metres)).toEqual([]);
    expect(changes(setup({ sleeveLabel: '+0.75', lengthMm: 1130 }), from, metres)).toEqual(['sleeve +0.75', '1130 mm']);
    expect(changes(setup({ head: 'Curlew L', statedLoftDeg: 9 }), from, yards)).toEqual(['Curlew L']);
    expect(changes(setup({ statedLoftDeg: 9 }), from, yards)).toEqual(['9° head']);
    expect(changes(setup({ ball: '', weights: '', shaft: '' }), from, yards)).toEqual(['no weights', 'other shaft', 'other ball']);
    expect(changes(setup({}), undefined, yards)).toEqual([]);
    // Another head as it comes is one change, with its own sleeve and weights; turned away from home it is two.
    const other = { id: 2, head: 'Curlew L', sleeveLabel: 'FL', weights: '10 g front' };
    expect(changes(setup({ ...other, asItComes: true }), from, yards)).toEqual(['Curlew L']);
    expect(changes(setup(other), from, yards)).toEqual(['Curlew L', 'sleeve FL', '10 g front']);
    expect(changes(setup({ teeMm: 45, cue: 'ball forward' }), from, yards)).toEqual(['tee 45 mm', 'cue: ball forward']);
    expect(parentOf(fitting.setups[1]!, fitting)?.tag).toBe('A');
});

test('a setup is named by its head and just what differs; the loft by print and gauge', () => {
    const names = {
        A: { head: 'Tern 460' },
        B: { head: 'Tern 460', sleeve: '−0.75', weights: '12 g back', shaft: 'Reedline 60 S', lengthMm: 1155.7, cue: 'ball forward' },
    };
    expect(nameOf(setup({ tag: 'A' }), { ...fitting, names })).toBe('Tern 460');
    expect(nameOf(setup({ tag: 'B' }), { ...fitting, names })).toBe(
        'Tern 460 · −0.75 · 12 g back · Reedline 60 S · 1156 mm · cue: ball forward',
    );
    expect(loftText(setup({}))).toBe('10.5° printed, not read');
    expect(loftText(setup({ loftOffDeg: 1.4 }))).toBe('10.5° reads 9.1°');
    expect(lengthText(1155.7, yards)).toBe('45.50 in');
    expect(lengthText(null, yards)).toBe('');
    expect(toneOf('A')).toBe(0);
    expect(toneOf('H')).toBe(7);
    expect(toneOf('I')).toBe(0);
});

test('a list is said as one says it', () => {
    expect(list(['A', 'B', 'C'])).toBe('A, B and C');
    expect(list([])).toBe('');
});

test('what a pick gives up is named in the player’s units', () => {
    const given = advice({
        setups: [judged('A', { carryGainM: 11 }), judged('B', { strokes: -0.1, share: 0.5 }), judged('C', { share: 0.75 })],
    });
    expect(givesUp(given, fitting)).toBe('A would carry 11 m farther and find one more fairway. C would find 4 more fairways.');
    expect(givesUp(advice({ setups: [judged('B')] }), fitting)).toBe('');
    // Where nothing changes, what the best of the others would do for better and worse.
    const keeps = advice({ pick: 'A', runnerUp: 'B', setups: [judged('A'), judged('B', { carryGainM: 6, share: 0.3 })] });
    expect(givesUp(keeps, fitting)).toBe('B would carry 6 m farther, but find 4 fairways fewer.');
});

test('without measured sides only carry is told', () => {
    const blind = advice({ setups: [judged('A', { sideKnown: 0 }), judged('B', { sideKnown: 0, carryGainM: -4 })] });
    expect(givesUp(blind, fitting)).toBe('A would carry 4 m farther.');
});

test('the mapping offers units and signs that fit the measure', () => {
    expect(unitsFor('carryM')).toEqual(['yd', 'm', 'ft']);
    expect(unitsFor('launchDeg')).toEqual(['deg', 'rad']);
    expect(unitsFor('setupTag')).toEqual([]);
    expect(unitsFor(null)).toEqual([]);
    expect(signsFor('sideM')).toEqual(['right', 'left', 'toe', 'heel']);
    expect(signsFor('strikeToeMm')).toEqual(['toe', 'heel']);
    expect(signsFor('carryM')).toEqual([]);
});
