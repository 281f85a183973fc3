import { expect, test } from 'vitest';
import type { Field, Outlook, RackHead } from '../../resources/web/api/generated/types';
import { contourLines } from '../../resources/web/charts/contourLines';
import {
    attackText,
    carriesText,
    loftText,
    missingText,
    priceText,
    shownValue,
    speedText,
    strokesText,
    targetText,
} from '../../resources/web/views/brief/sentences';
import { amount, pricedText } from '../../resources/web/views/answer/choice';
import { checkText, remaining, loftAgainstPrint, stated, supplyText, weightsText } from '../../resources/web/views/rack/sentences';

// Sentences and figures of brief and rack, without a page.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres = { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' };

function outlook(more: Partial<Outlook> = {}): Outlook {
    const point = { loftDeg: 15, launchDeg: 13.4, spinRpm: 2610, carryM: 210, totalM: 231, apexM: 30, descentDeg: 37 };
    return {
        clubSpeedMps: 44.704,
        speedFrom: 'carry',
        attackDeg: 0,
        attackFrom: 'assumed',
        wantedApexM: 30,
        headLoft: null,
        ballSpeedMps: 66,
        ridge: [{ ...point, loftDeg: 13 }, point, { ...point, loftDeg: 17 }],
        target: 1,
        bandDeg: [13.5, 17],
        carryInStillAirM: 210,
        windSideM: 0,
        field: { ballSpeedMps: 66, launchDeg: [], spinRpm: [], carryM: [] },
        price: { tenMetres: 0.064, rough: 0.3, left: 1.3, right: 0.3, sharePerTenMetres: 21.3 },
        ...more,
    };
}

function head(more: Partial<RackHead> = {}): RackHead {
    return {
        id: 1,
        label: 'Tern 460',
        maker: '',
        hand: 'right',
        type: 'middle',
        sleeveId: null,
        sleeveName: '',
        positions: [''],
        statedLoftDeg: 10.5,
        statedLieDeg: 58,
        statedFaceOpenDeg: 0,
        volumeCm3: null,
        massG: null,
        cgToeMm: null,
        cgBackMm: null,
        cgUpMm: null,
        bulgeMm: null,
        rollMm: null,
        inertiaGcm2: null,
        slots: [],
        stockG: [],
        standard: {},
        supply: {},
        note: '',
        assumed: [],
        measured: {},
        loftOffDeg: null,
        loftOffWarn: false,
        home: null,
        body: { massG: 202, cgToeMm: 0, cgBackMm: 35, cgUpMm: -4, inertiaGcm2: [] },
        warnings: [],
        ...more,
    };
}

test('the outlook says whose speed it is for', () => {
    expect(speedText(outlook(), yards)).toBe('Club speed about 100 mph, worked out from the typical carry.');
    expect(speedText(outlook({ speedFrom: 'measured' }), metres)).toBe('Club speed 161 km/h, measured with the own club.');
    expect(speedText(outlook({ speedFrom: 'told' }), yards)).toContain('as told');
    expect(speedText(outlook({ speedFrom: 'assumed' }), yards)).toContain('is assumed');
});

test('the window is a sentence in the player’s units, beside the six-iron, and the wind is told', () => {
    const free = { carryM: null, sixIronApexM: null };
    expect(targetText(outlook(), 'longest carry', free, yards)).toBe('Launch 13° with 2600 rpm carries longest. Look for a top of 98 ft.');
    const wide = outlook();
    wide.ridge[2] = { ...wide.ridge[2]!, launchDeg: 15.2, spinRpm: 2890 };
    expect(targetText(wide, 'flat and running', { ...free, carryM: 210 }, metres)).toBe(
        'At 210 m launch 13 to 15° with 2600 to 2900 rpm runs farthest. Look for a top of 30 m.',
    );
    const six = (m: number) => targetText(outlook({ wantedApexM: m }), 'guarded height', { ...free, sixIronApexM: m }, metres);
    expect(six(28)).toContain('Look for a top of 28 m, like the six-iron’s; this window flies 2 m higher.');
    expect(six(33)).toContain('3 m lower');
    expect(six(30.2)).toContain('Look for a top of 30 m, like the six-iron’s.');
    expect(carriesText(outlook(), yards)).toBe('That carries 230 yd, 253 yd in all.');
    expect(carriesText(outlook({ carryInStillAirM: 218, windSideM: -9 }), metres)).toBe(
        'That carries 210 m, 218 m in still air, 231 m in all; the wind moves a straight ball 9 m left.',
    );
    expect(attackText(outlook({ attackDeg: 3, attackFrom: 'told' }))).toBe('Attack +3.0°, as told.');
    expect(attackText(outlook())).toContain('taken as level');
    const headLoft = { head: 'Tern 460', statedLoftDeg: 10.5, position: 'N', toOrder: false, from: 'measured' };
    expect(loftText(outlook({ headLoft }))).toBe('On the rack: about 10.5° at N, Tern 460.');
    expect(loftText(outlook())).toBe('');
});

test('a yard is priced against a fairway', () => {
    const corridor = { widthM: 30, left: { kind: 'water', atM: null }, right: { kind: 'rough', atM: null } };
    expect(priceText(outlook(), metres)).toBe('Ten metres more are worth as much as 3.0 fairways in fourteen on these holes.');
    // Ten yards are less than ten metres.
    expect(priceText(outlook(), yards)).toContain('Ten yards more are worth as much as 2.7 fairways');
    expect(strokesText(outlook(), { holeLengthM: 370, handicap: 8, corridor }, metres)).toBe(
        '0.06 strokes for ten m on holes of 370 m; a missed fairway costs 0.30, the water left 1.30.',
    );
    expect(strokesText(outlook(), { holeLengthM: 370, handicap: null, corridor }, yards)).toContain('handicap 15 taken');
});

test('what the talk has not touched is told, and holds nothing back', () => {
    const values = { carryM: '', clubSpeedMps: '', wants: [] as string[], wish: '', consent: false, minor: true, guardian: '' };
    expect(missingText(values, 'assumed')).toBe(
        'Still to ask: how far they carry it, what they want, consent to what is kept and the guardian’s name.',
    );
    expect(missingText({ ...values, carryM: '210', wants: ['carry'], consent: true, minor: false }, 'carry')).toBe(
        'Nothing is missing. Club speed comes from the first shots.',
    );
});

test('a change of the brief is shown short, whatever it is', () => {
    expect(shownValue(null)).toBe('nothing');
    expect(shownValue('')).toBe('nothing');
    expect(shownValue(true)).toBe('yes');
    expect(shownValue(205.44)).toBe('205.4');
    expect(shownValue(40)).toBe('40');
    expect(shownValue([])).toBe('nothing');
    expect(shownValue(['carry', 'run'])).toBe('carry, run');
    expect(shownValue({ widthM: 30, left: { kind: 'water' }, right: { kind: 'rough' } })).toBe('30.0 m, water left, rough right');
    expect(shownValue({ carry: 2, run: 1 })).toBe('carry 2, run 1');
    expect(shownValue('longest')).toBe('longest');
});

test('print and gauge are told apart, in which direction and by how much', () => {
    expect(loftAgainstPrint(head())).toBe('not on the gauge yet');
    expect(loftAgainstPrint(head({ loftOffDeg: 1.1 }))).toBe('reads 9.4°, 1.1° under its print');
    expect(loftAgainstPrint(head({ loftOffDeg: -2 }))).toBe('reads 12.5°, 2.0° over its print');
    expect(loftAgainstPrint(head({ loftOffDeg: 0.02 }))).toBe('reads 10.5°, as printed');
    expect(stated(head(), 'lieDeg')).toBe(58);
    expect(stated(head(), 'massG')).toBeNull();
});

test('what can be had is one line', () => {
    expect(supplyText({})).toBe('not said');
    expect(supplyText({ price: 540, currency: 'EUR', inStock: true, leadDays: 12, lofts: [9, 10.5], hands: ['right', 'left'] })).toBe(
        '540 EUR, here to try, new in 12 days, 9 · 10.5°',
    );
    expect(supplyText({ leadDays: 30, hands: ['right'] })).toBe('30 days, right-handed only');
    expect(supplyText({ price: 0, currency: null })).toBe('0');
});

test('weights are counted piece by piece', () => {
    expect(weightsText({})).toBe('no weights');
    expect(weightsText({ back: 12, toe: 4.5, heel: 0 })).toBe('12 g back, 4.5 g toe');
    expect(remaining([12, 4, 4, 8], { back: 12, toe: 4 })).toEqual([4, 8]);
    expect(remaining([4], { back: 12 })).toEqual([4]);
    expect(remaining([4, 4], { a: 4, b: 4 })).toEqual([]);
});

test('a check piece says how far off, or that all is well', () => {
    expect(checkText('gauge', { loftDeg: 0.1, lieDeg: -0.2 })).toBe('The gauge is true on its check piece.');
    expect(checkText('gauge', { loftDeg: 0.62, faceOpenDeg: -0.5 })).toBe(
        'On its check piece the gauge reads loft 0.6° too high, face 0.5° too low. Zero it before you read on.',
    );
    expect(checkText('balance', { massG: 2 })).toContain('mass 2.0 g too high');
});

test('lines of equal carry lie where the field has that carry', () => {
    // A plane: carry = 180 + 2 m per degree − 0.004 m per rpm. Its lines are straight and known.
    const launchDeg = Array.from({ length: 9 }, (_, i) => 8 + i);
    const spinRpm = Array.from({ length: 9 }, (_, i) => 1600 + 250 * i);
    const field: Field = {
        ballSpeedMps: 66,
        launchDeg,
        spinRpm,
        carryM: spinRpm.flatMap((s) => launchDeg.map((l) => 180 + 2 * l - 0.004 * s)),
    };
    const x = (l: number) => (l - 8) * 50;
    const y = (s: number) => 400 - (s - 1600) * 0.2;
    const lines = contourLines(field, 1, x, y, { right: 400, top: 0 });
    expect(lines.length).toBeGreaterThan(2);
    for (const line of lines) {
        const points = [...line.d.matchAll(/L([\d.-]+) ([\d.-]+)/g)].map((m) => [Number(m[1]), Number(m[2])] as const);
        for (const [px, py] of points) {
            const onFrame = px <= 0.6 || px >= 399.4 || py <= 0.6 || py >= 399.4;
            const carry = 180 + 2 * (8 + px / 50) - 0.004 * (1600 + (400 - py) / 0.2);
            if (!onFrame) expect(carry).toBeCloseTo(line.value, 0);
        }
        expect(line.value % 5).toBe(0);
    }
    const shown = lines.filter((l) => l.label).map((l) => l.label!);
    for (const [i, a] of shown.entries())
        for (const b of shown.slice(i + 1)) expect(Math.abs(a[0] - b[0]) > 26 || Math.abs(a[1] - b[1]) > 13).toBe(true);
});

test('advice under another scoring is told in that scoring’s unit', () => {
    const fitting = {
        player: { hand: 'right', units: yards },
        names: {},
        brief: {
            corridor: { widthM: 32, left: { kind: 'water', atM: 20 }, right: { kind: 'rough', atM: null } },
            handicap: null,
            holeLengthM: 365.76,
            aimFree: true,
        },
        setups: [
            { tag: 'A', head: 'Curlew L', sleeveLabel: 'N', weights: '' },
            { tag: 'B', head: 'Tern 460', sleeveLabel: 'N', weights: '' },
        ],
    } as never;
    const base = { n: 6, share: 0.6, shareInterval: { low: 0.4, high: 0.8 }, sideKnown: 6, carry: { mean: 200 } };
    const advice = {
        benchmark: 'A',
        best: 'B',
        pick: 'B',
        isConclusive: true,
        ties: [],
        scoring: 'longest',
        unit: 'm',
        basis: 'models',
        notHit: [],
        expectedLoss: 1.2,
        setups: [
            { tag: 'A', ...base, gain: 0 },
            { tag: 'B', ...base, gain: 12, chanceBetter: 0.91, strokes: -0.03 },
        ],
    } as never;
    expect(amount(12, advice, fitting)).toBe('13 yd');
    const free = { kind: 'rough', atM: null };
    const { player, brief } = fitting as { player: object; brief: object };
    const open = { player, brief: { ...brief, corridor: { widthM: 32, left: free, right: free } } } as never;
    expect(pricedText(advice, open)).toContain('a fairway of 35 yd. The player may aim');
    expect(pricedText(advice, fitting)).toBe(
        'Worked out from all that was hit. Picked by “longest”, for handicap 15, since none was told, on holes of 400 yd with a fairway of 35 yd, water left. The player may aim up to 4° off the middle.',
    );
});
