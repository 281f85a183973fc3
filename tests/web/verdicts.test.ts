import { expect, test } from 'vitest';
import fixture from '../fixtures/sentences.json';
import type { Finding, FindingKind, GuardRail, JudgedSetup } from '../../resources/web/api/generated/types';
import { findingText, railText, verdictText, withheldText } from '../../resources/web/views/answer/verdicts';

// What shots say, in words. The same sentences are held against the server's in tests/App/SentencesTest.php.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const finding = (kind: FindingKind, figures: Finding['figures'], tag = 'B'): Finding => ({
    tag,
    kind,
    figures,
    forCoach: false,
    gives: null,
});

test('a finding is a sentence with its evidence in the player’s units and hand', () => {
    const toPath = finding('faceToPath', { faceToPathDeg: 4.2, faceDeg: 2, pathDeg: -2.2, sideM: 18, faceFrom: 'measured' });
    expect(findingText(toPath, 'right', yards)).toBe('The face is 4.2° open to the path: it moves the landing 20 yd to the right.');
    expect(findingText(toPath, 'left', yards)).toContain('4.2° closed to the path');
    expect(findingText(finding('offCgLine', { toeMm: -11, highMm: 1, costM: 6 }), 'right', yards)).toBe(
        'The strike is 11 mm to the heel from the line of the CG, worth about 7 yd of carry.',
    );
    expect(findingText(finding('twoWayMiss', { leftShare: 0.2, rightShare: 0.24, spreadM: 20 }), 'right', yards)).toContain(
        '3 of 14 drives left of the corridor and 3 of 14 right',
    );
    expect(findingText(finding('attackDown', { attackDeg: -4, costM: 5 }), 'right', yards)).toBe(
        'The attack is 4.0° down; level, at the same delivered loft, would be worth about 5 yd of carry.',
    );
    expect(railText({ tag: 'B', kind: 'twoChanges', figures: { changed: ['shaft', 'length'] } }, 'right', yards)).toBe(
        'B: shaft and length changed at once — the bridge says what each moved; which one to keep needs a trial with one change.',
    );
});

test('a shape is called by its name', () => {
    const shape = (start: string, curve: string) =>
        findingText(finding('startsThere', { sideM: 9, startM: 8, curveM: 1, start, curve }), 'right', yards);
    expect(shape('push', 'hook')).toContain('a push and hook.');
    expect(shape('pull', 'straight')).toContain('a pull.');
    expect(shape('straight', 'fade')).toContain('a fade.');
    expect(shape('straight', 'straight')).toContain('a straight ball.');
});

test.each(fixture.findings)('says the finding as the server does: $says', ({ finding, hand, units, says }) => {
    expect(findingText(finding as unknown as Finding, hand as 'right' | 'left', units)).toBe(says);
});

test.each(fixture.guardRails)('says the guard rail as the server does: $says', ({ rail, hand, units, says }) => {
    expect(railText(rail as unknown as GuardRail, hand as 'right' | 'left', units)).toBe(says);
});

test.each(fixture.verdicts)('says the verdict as the server does: $says', ({ setup, benchmark, units, says }) => {
    expect(verdictText(setup as unknown as JudgedSetup, benchmark, units)).toBe(says);
});

test('why no word is said, and what the usual miss asks first', () => {
    const withheld = (why: string) => ({ tag: 'B', withheld: { speedMps: -0.9, why } }) as unknown as JudgedSetup;
    expect(withheldText(withheld('trend'), 'A', 'right', yards)).toBe(
        'No word on B yet: the player’s speed moved by 2.0 mph since A was hit. Hit A again.',
    );
    expect(withheldText(withheld('otherSwing'), 'A', 'right', yards)).toContain('2.0 mph slower than A. Hit A again.');
    expect(withheldText(withheld('warmingUp'), 'A', 'left', yards)).toContain('were a warm-up');
    expect(findingText(finding('usualMiss', { miss: 'right', missShare: 0.31, tag: 'A' }), 'right', yards)).toBe(
        'Usual miss right: is it where it starts, or how it curves? 4 of 14 drives with A end right of the corridor.',
    );
    expect(findingText(finding('usualMiss', { miss: 'heel', strike: 'none', toeMm: 0, tag: 'A' }), 'left', yards)).toContain(
        'spray the face',
    );
});
