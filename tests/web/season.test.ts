import { describe, expect, it } from 'vitest';
import type { Ledger } from '../../resources/web/api/generated/types';
import { countsText, headText, overruledText, trustText } from '../../resources/web/views/season/sentences';

const ledger = (more: Partial<Ledger> = {}): Ledger => ({
    counts: { handedOver: 12, known: 5, kept: 2, broken: 1, notYet: 9, overruled: 3 },
    bias: null,
    chances: [],
    heads: [],
    overruled: null,
    verdict: 'counts only',
    ...more,
});

describe('whether to trust the tool', () => {
    it('tells only counts where there are few', () => {
        expect(trustText(ledger())).toContain('5 of 12 clubs that were handed over have rounds');
        expect(trustText(ledger())).toContain('25 to go');
        expect(countsText(ledger())).toBe('2 kept, 1 broken, 9 still open; 3 were chosen against the shots.');
        expect(overruledText(ledger())).toBe('');
    });
    it('tells a bias in fairways of fourteen, with its interval', () => {
        const bias = { value: -0.1, interval: { low: -0.13, high: -0.07 } };
        expect(trustText(ledger({ bias, verdict: 'too high' }))).toBe(
            'The promises are too high: −1.4 fairways of fourteen against what was promised (likely −1.8 to −1.0). Take that off what you tell, and look at the heads below.',
        );
        expect(trustText(ledger({ bias: { value: 0, interval: { low: -0.02, high: 0.02 } }, verdict: 'trust it' }))).toContain(
            'hold on average',
        );
        expect(overruledText(ledger({ overruled: { n: 9, ...bias } }))).toContain('Overruling cost fairways: −1.4');
        expect(headText({ head: 'Tern', n: 7, ...bias })).toBe('−1.4 of fourteen (likely −1.8 to −1.0), 7 clubs');
    });
});
