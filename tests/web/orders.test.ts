import { describe, expect, it } from 'vitest';
import type { AcceptanceReport, UnitChoice } from '../../resources/web/api/generated/types';
import { balanceText, clubFigure, dueText, effectTexts, mendTexts, offText, verdictText } from '../../resources/web/views/orders/sentences';

const yards: UnitChoice = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres: UnitChoice = { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' };
const check = (name: string, isWithin: boolean | null, off: number | null = 0) => ({
    name,
    ordered: 1,
    delivered: off === null ? null : 1,
    tolerance: 1,
    off,
    isWithin,
});
const report = (more: Partial<AcceptanceReport> = {}): AcceptanceReport => ({
    checks: [check('loftDeg', true)],
    isHandRight: true,
    isGood: true,
    effect: null,
    turn: null,
    gramsAtHead: null,
    cutMm: null,
    sendBack: false,
    ...more,
});

describe('a delivered club in words', () => {
    it('reads figures in the player’s units', () => {
        expect(balanceText(32.5)).toBe('D2.5');
        expect(balanceText(29.94)).toBe('C9.9');
        expect(clubFigure('lengthMm', 1143, yards)).toContain('45');
        expect(clubFigure('lengthMm', 1143, metres)).toContain('1143');
        expect(clubFigure('faceOpenDeg', -1.5, yards)).toBe('1.5° closed');
        expect(clubFigure('massG', null, yards)).toBe('not read');
        expect(offText('lengthMm', 12.7, yards)).toBe('+0.50 in');
        expect(offText('lengthMm', -4, metres)).toBe('−4 mm');
        expect(offText('swingWeightPoints', 2.04, yards)).toBe('+2.0 points');
    });
    it('says what it does with its interval, in yards and in metres', () => {
        const of = (units: UnitChoice) =>
            effectTexts(report({ effect: { sideM: { value: 9.144, interval: { low: 4.572, high: 13.716 } } } }), units);
        expect(of(yards)).toEqual(['10 yd further right (likely +5 to +15 yd, + right).']);
        expect(of(metres)[0]).toContain('9 m further right');
        expect(effectTexts(report(), yards)).toEqual([]);
    });
    it('says how it is mended, the sleeve first', () => {
        const texts = mendTexts(
            report({ turn: { label: '−0.75', loftOffDeg: 0.2, faceOffDeg: -0.1 }, gramsAtHead: -4.06, cutMm: 6 }),
            metres,
        );
        expect(texts[0]).toContain('Turn the sleeve to −0.75: then the loft is +0.2° and the face 0.1° closed');
        expect(texts[1]).toContain('Take 4.1 g out of the head');
        expect(texts[2]).toContain('Cut 6 mm off');
        expect(mendTexts(report({ sendBack: true, because: ['lengthMm', 'angles'] }), yards)).toEqual([
            'Send it back: it is too short, and a shaft does not grow; no position of the sleeve brings loft, lie and face within tolerance.',
        ]);
        expect(mendTexts(report({ isHandRight: false }), yards)).toEqual(['A club of the other hand: send it back.']);
    });
    it('gives one line of verdict', () => {
        expect(verdictText(report())).toBe('In tolerance.');
        expect(verdictText(report({ checks: [check('loftDeg', false), check('massG', true)] }))).toBe('Out of tolerance: loft.');
        expect(verdictText(report({ checks: [check('loftDeg', true), check('massG', null, null)] }))).toContain('not read: mass');
        expect(dueText({ state: 'ordered', dueOn: '2026-12-09', isLate: true })).toBe('late: was due 9 Dec');
        expect(dueText({ state: 'built', dueOn: '2026-12-09', isLate: false })).toBe('');
    });
});
