import { expect, test } from 'vitest';
import type { GapMove, LoftLadder, LoftRung, StrikeMoves, StrikeWay } from '../../resources/web/api/generated/types';
import { paysText } from '../../resources/web/format/guard';
import { ladderText, rungText, supplyOf } from '../../resources/web/format/ladder';
import { mixedText } from '../../resources/web/format/speeds';
import {
    addressOf,
    bodyOf,
    fromAddress,
    INPUTS,
    inUnits,
    otherProblemText,
    problemText,
    readPositions,
    slotsFrom,
    slotsText,
    SLOTS,
    UNITS,
    usualValues,
} from '../../resources/web/views/calculators/specs';
import { worthText as stepWords } from '../../resources/web/views/calculators/sentences';
import { checkText, offText, wayText } from '../../resources/web/views/answer/lofts';
import { bodyOfRow, emptyRow, rebased, rowsOf, sentRows } from '../../resources/web/views/gaps/rows';
import { moveText } from '../../resources/web/views/gaps/sentences';

const yards = UNITS.yd!.units;
const metres = UNITS.m!.units;

const figures = (carryM: number, low: number, high: number) => ({
    loftDeg: 10,
    faceOpenDeg: 0,
    deliveredLoftDeg: 13,
    launchDeg: 12,
    spinRpm: 2200,
    carryM,
    carryInterval: { low: carryM - 5, high: carryM + 5 },
    totalM: carryM + 20,
    sideM: 0,
    apexM: 28,
    carryGainM: carryM - 220,
    carryGainInterval: { low, high },
});
const rung = (more: Partial<LoftRung>): LoftRung => ({
    name: 'Tern 460',
    position: 'N',
    statedLoftDeg: 10.5,
    readLoftDeg: null,
    inStock: true,
    toOrder: false,
    leadDays: null,
    price: null,
    currency: '',
    printSdDeg: 1,
    reachDeg: [9, 12],
    soled: null,
    squared: null,
    ...more,
});

const age = { shots: 12, of: 12, isCurrent: true, at: '2026-12-02 10:00:00Z' };

test('a rung says what is printed, what was read, and how it can be had', () => {
    expect(rungText(rung({}))).toBe('10.5° printed, never read');
    expect(rungText(rung({ statedLoftDeg: 9, readLoftDeg: 10.1, printSdDeg: 0 }))).toBe('9° printed, reads 10.1°');
    expect(supplyOf(rung({}))).toBe('in the studio');
    expect(supplyOf(rung({ toOrder: true, leadDays: 12, price: 540, currency: 'EUR' }))).toBe('to order, 12 days, 540 EUR');
});

test('the ladder claims a loft only where the data carries it', () => {
    const ladder = (low: number): LoftLadder => ({
        age,
        head: 'Tern 460',
        heads: ['Tern 460'],
        from: 'shots',
        own: 'A',
        clubSpeedMps: 45,
        squaringShare: 0.8,
        wantedLoftDeg: 14,
        wantedBandDeg: [12, 16],
        rungs: [rung({ squared: figures(220, -3, 3) }), rung({ statedLoftDeg: 12, squared: figures(226, low, 12) })],
    });
    expect(ladderText(ladder(1), yards)).toBe('12° carries farthest, +7 yd on the own club A (likely +1 to +13 yd).');
    expect(ladderText(ladder(-4), metres)).toMatch(
        /^No loft clearly carries farther than the own club A; 12° comes nearest to it \(\+6, likely −4 to \+12 m\)/,
    );
    expect(ladderText({ ...ladder(-4), from: 'brief' }, metres)).toMatch(/^Before any shot, .*: no loft clearly/);
});

test('mixed speeds, what a setup pays, and the check say what was seen', () => {
    expect(
        mixedText(
            {
                groups: [
                    { name: 'smooth', n: 5, speedMps: 44.704 },
                    { name: 'full out', n: 4, speedMps: 48.7 },
                ],
            },
            yards,
        ),
    ).toBe('Hit with more than one swing: 5 smooth at 100 mph, 4 full out at 109 mph. Each is judged by itself.');
    const s = (carryGainM: number) => ({ carryGainM, carryGainInterval: { low: carryGainM - 3, high: carryGainM + 3 } });
    expect(paysText(s(-5), 0.14, 0.29, 'A', metres)).toBe('2 of 14 against 4 with A; it pays 5 m of carry for that (likely +2 to +8)');
    expect(paysText(s(5), 0.14, 0.29, 'A', metres)).toBe('2 of 14 against 4 with A; it carries 5 m farther and is safer (likely +2 to +8)');
    expect(paysText(s(5), 0.29, 0.14, 'A', metres)).toContain('farther and pays with the miss');
    expect(paysText(s(-5), 0.29, 0.14, 'A', metres)).toContain('and is no safer');
    const check = { tag: 'B', n: 4, nearerMm: 6, interval: { low: 1, high: 11 }, chance: 0.9, moreShots: null } as const;
    expect(checkText({ ...check, verdict: 'nearer' }, 'A')).toBe(
        'B: 4 shots. It worked: 6 mm nearer to the line than with A, likely +1 to +11 mm.',
    );
    expect(checkText({ ...check, n: 3, moreShots: 1, verdict: 'few' }, 'A')).toContain('Hit 1 more: after four');
    expect(checkText({ ...check, moreShots: 5, verdict: 'open' }, 'A')).toContain('about 5 more would tell');
});

test('strikes and ways are told in words', () => {
    const told = (value: number) => ({ value, interval: { low: value - 1, high: value + 1 } });
    const moves: StrikeMoves = {
        age,
        tag: 'A',
        n: 12,
        offMm: { toeMm: -9.2, highMm: 4 },
        errorMm: { toeMm: 1, highMm: 1 },
        isOff: true,
        isNear: false,
        cgAssumed: false,
        worth: { ballSpeedMps: told(1), carryM: told(4), sideM: told(0) },
        ways: [],
        checks: [],
    };
    expect(offText(moves, metres)).toBe(
        'A: from the line of the CG the strikes sit 9 mm toward the heel and 4 mm above (12 shots). In line the ball would leave 1.0 m/s faster; carry +4 m (+3 to +5).',
    );
    expect(offText({ ...moves, isOff: false, isNear: true, offMm: { toeMm: 0.4, highMm: 0 } }, metres)).toBe(
        'A is struck in line with the CG (12 shots): near enough, nothing to mend.',
    );
    // Far off, but on few shots: nothing is claimed either way.
    expect(offText({ ...moves, isOff: false }, metres)).toContain('can still be chance');
    const way = (more: Partial<StrikeWay>): StrikeWay => ({
        kind: 'tee',
        cost: 'free',
        what: '',
        movesMm: { toeMm: told(0), highMm: told(2) },
        leftMm: 3,
        chance: 0.8,
        ballSpeedMps: told(1),
        carryM: told(3),
        sideM: told(0),
        ...more,
    });
    expect(wayText(way({ teeMm: 5, toTeeMm: 45 }), yards)).toBe('Tee 5 mm higher (to 45 mm).');
    expect(wayText(way({ kind: 'length', shorterMm: 12.7, toLengthMm: 1130.3 }), yards)).toBe(
        '0.50 in shorter (44.50 in), with the same stance.',
    );
    expect(wayText(way({ kind: 'cue', standMm: 9, nearer: false }), yards)).toBe('Cue: stand about 9 mm farther from the ball.');
});

test('a move of a sleeve says its geometry, and by what its carry is told', () => {
    const move: GapMove = {
        club: 'Five wood',
        gapM: 14,
        position: '+1.5',
        loftDeg: 1.2,
        faceOpenDeg: -0.5,
        lieDeg: 0,
        carryM: -4,
        interval: { low: -7, high: -1 },
        by: 'flight',
    };
    expect(moveText(move, metres)).toBe(
        'Five wood to +1.5: gap 14 m. 1.2° more loft as it is put down, face 0.5° closed by that; it carries −4 m (−7 to −1, by the flight model).',
    );
});

test('what a calculator sends is in kept units, and its address opens with the same figures', () => {
    const values = { ...usualValues('flight', yards), ball: '165', wind: '11,2', dir: '' };
    const body = bodyOf('flight', values, yards, { slots: [], sleeve: null });
    expect(body.ballSpeedMps).toBeCloseTo(165 * 0.44704, 6);
    expect((body.air as Record<string, number>).windSpeedMps).toBeCloseTo(11.2 * 0.44704, 6);
    expect(body).not.toHaveProperty('directionDeg');
    // What is no number is sent as it was typed, so that it is refused by name and stays on the screen.
    expect(bodyOf('flight', { ...values, spin: 'lots' }, yards, { slots: [], sleeve: null }).spinRpm).toBe('lots');
    const query = new URLSearchParams(addressOf('flight', 'yd', values, {}).split('?')[1]);
    expect([query.get('ball'), query.get('u'), query.has('dir')]).toEqual(['165', 'yd', false]);
    expect(slotsFrom(slotsText(SLOTS))).toEqual(SLOTS);
    expect(readPositions('N 0; +1.5 90 ; low up 270')).toEqual([
        { label: 'N', clockDeg: 0 },
        { label: '+1.5', clockDeg: 90 },
        { label: 'low up', clockDeg: 270 },
    ]);
    const inches = bodyOf('length', { ...usualValues('length', yards), to: '44.5', sw: 'D2' }, yards, { slots: [], sleeve: null });
    expect(inches.toLengthMm).toBeCloseTo(1130.3, 6);
    expect(inches.toSwingWeight).toBe('D2');
    expect(inches).not.toHaveProperty('toTotalG');
});

test('a changed row sends what was changed in it and nothing else; new rows go whole', () => {
    const rows = rowsOf(
        [
            { values: { carryM: 206.92872, apexM: 27 }, typed: {} },
            { values: { carryM: 210 }, typed: {} },
        ],
        yards,
    );
    expect(rows[0]!.shot.carry).toBe('226.3');
    rows[1]!.shot.carry = '231';
    expect(sentRows([...rows, emptyRow()]).map(bodyOfRow)).toEqual([{ line: 0 }, { line: 1, carry: '231' }]);
    const fresh = { ...emptyRow(), shot: { ...emptyRow().shot, carry: '228' } };
    expect(bodyOfRow(fresh)).toMatchObject({ carry: '228', total: '' });
    expect(bodyOfRow(fresh)).not.toHaveProperty('line');
});

test('where two screens changed a club both changes stand in the form', () => {
    const shot = (carryM: number) => ({ values: { carryM }, typed: {} });
    const before = [shot(200), shot(210), shot(220), shot(230)];
    const mine = rowsOf(before, metres).filter((r) => r.line !== 2);
    mine[0]!.shot.carry = '205';
    mine.push({ ...emptyRow(), shot: { ...emptyRow().shot, carry: '240' } });
    // The other screen took 230 out and typed 250.
    const both = rebased(mine, [shot(200), shot(210), shot(220), shot(250)], before, metres);
    expect(both.map((r) => [r.shot.carry, r.line])).toEqual([
        ['205', 0],
        ['210', 1],
        ['240', null],
        ['250', 3],
    ]);
    expect(sentRows(both).map(bodyOfRow)).toMatchObject([{ line: 0, carry: '205' }, { line: 1 }, { carry: '240' }, { line: 3 }]);
    // What they took out and was changed here comes back as it was typed.
    expect(rebased(mine.slice(0, 1), [shot(210)], [shot(200)], metres).map((r) => r.shot.carry)).toEqual(['205', '210']);
});

test('an address says what it can; a hand-written one is filled up, and what is no choice is the first', () => {
    const said = (text: string) => fromAddress('worth', new URLSearchParams(text), yards);
    expect(said('club=105')).toMatchObject({ club: '105', attack: '0', temp: '18', turf: 'medium', hand: 'right' });
    expect(said('u=yd&club=105&turf=lava&hand=left')).toMatchObject({ club: '105', attack: '', turf: 'medium', hand: 'left' });
    expect(said('u=yd&club=%3Cb%3E').club).toBe('<b>');
});

test('other units say the same; what is no number stays as it was typed', () => {
    const values = { ...usualValues('worth', yards), club: '1 00,0', loft: 'x' };
    expect(inUnits('worth', values, yards, metres)).toMatchObject({ club: '44.7', loft: 'x', temp: '18' });
    expect(inUnits('worth', inUnits('worth', values, yards, metres), metres, yards).club).toBe('100');
});

test('a refusal speaks of the field as the page calls it, in its units', () => {
    const of = (kind: keyof typeof INPUTS, key: string) => INPUTS[kind].find((i) => i.key === key)!;
    expect(problemText(of('worth', 'club'), 'clubSpeedMps is 12 m/s; it must lie between 20 and 70.', '27', yards)).toBe(
        'Club speed 27 cannot be: it must lie between 44.7 and 156.6 mph.',
    );
    expect(problemText(of('length', 'to'), 'toLengthMm is 900 mm; it must lie between 1000 and 1219.2.', '35', yards)).toContain(
        '39.4 and 48 in.',
    );
    expect(problemText(of('plane', 'squares'), 'squares is 2; it must lie between 0 and 1.', '200', yards)).toContain(
        'between 0 and 100 %.',
    );
    expect(problemText(of('worth', 'club'), "'clubSpeedMps' must be a number.", 'fast', metres)).toBe(
        'Club speed: “fast” is not a number.',
    );
    expect(problemText(of('worth', 'club'), "'clubSpeedMps' is missing.", '', metres)).toBe('Club speed is missing.');
    expect(problemText(of('length', 'sw'), "'heavy' is not a swing weight.", 'heavy', metres)).toBe("'heavy' is not a swing weight.");
    expect(otherProblemText("'slots[1].toeMm' must be a number.")).toBe('Slot 2, toe, must be a number.');
    expect(otherProblemText("'masses.heel' must be a number.")).toBe('The weight of heel must be a number.');
});

test('calculators ask for round steps, and say them, in the reader’s units throughout', () => {
    const beside = { slots: [], sleeve: null };
    const of = (unit: string) => {
        const { units } = UNITS[unit]!;
        const body = bodyOf('worth', { ...usualValues('worth', units), alt: '1000' }, units, beside) as {
            steps: Record<string, number>;
            air: { altitudeM: number };
        };
        const row = (what: string, by: number, u: string) => stepWords({ what, by, unit: u } as never, units);
        return [
            body.air.altitudeM,
            row('clubSpeed', body.steps.speedMps!, 'm/s'),
            row('headWind', body.steps.windMps!, 'm/s'),
            row('altitude', body.steps.altitudeM!, 'm'),
        ];
    };
    expect(of('yd')).toEqual([914.4, '1 mph club speed more', '10 mph of head wind', '500 yd higher above the sea']);
    expect(of('km')).toEqual([1000, '2 km/h club speed more', '20 km/h of head wind', '500 m higher above the sea']);
    expect(of('m')).toEqual([1000, '1 m/s club speed more', '5 m/s of head wind', '500 m higher above the sea']);
});
