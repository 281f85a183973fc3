import { describe, expect, it } from 'vitest';
import type { FollowUp, UnitChoice } from '../../resources/web/api/generated/types';
import { adviceText, cameText, drivesText, promiseText, tweakText, verdictText } from '../../resources/web/views/followup/sentences';
import { sent, wrong, EMPTY } from '../../resources/web/views/forplayer/intake';
import { sentRound, emptyRound } from '../../resources/web/views/forplayer/rounds';

const yards: UnitChoice = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
type Seen = NonNullable<FollowUp['seen']>;
const seen = (more: Partial<Seen> = {}): Seen => ({
    fairways: 'not yet',
    against: 'nothing',
    now: { rounds: 3, drives: 42, hit: 24, left: 0, right: 18, lost: 1 },
    share: { low: 0.4, high: 0.7 },
    before: null,
    gain: null,
    difference: null,
    error: null,
    promisedGain: 0.2,
    moreDrives: null,
    miss: null,
    drivesM: null,
    measured: 0,
    feel: null,
    advice: 'keep',
    ...more,
});
const promise = {
    tag: 'C',
    own: 'A',
    isOverruled: false,
    keepsOwn: false,
    shareBefore: 0.25,
    shareNow: 0.62,
    carryGainM: 9.144,
    carryGain: { low: 1, high: 16 },
    chanceBetter: 0.86,
    carryNowM: 200,
};

describe('a promise and what came, in words', () => {
    it('tells what was promised', () => {
        expect(promiseText(promise, yards)).toBe(
            'Promised: 9 of 14 fairways, 4 of 14 with the club before; +10 yd of carry (likely +1 to +17); better with a chance of 86 in 100.',
        );
        expect(promiseText({ ...promise, keepsOwn: true }, yards)).toContain('nothing new was promised');
        expect(promiseText({ ...promise, isOverruled: true }, yards)).toContain('spoke for another setup');
    });
    it('judges only where there is something to hold it against', () => {
        expect(verdictText(seen())).toContain('courses differ more than clubs do');
        const same = seen({
            against: 'same courses',
            before: { rounds: 2, drives: 28, hit: 7 },
            gain: { low: 0.05, high: 0.5 },
            difference: 0.275,
        });
        expect(verdictText({ ...same, fairways: 'kept' })).toBe(
            'Kept: +3.9 of 14 (likely +0.7 to +7.0) fairways more, course by course against 7 of 28 with the club before.',
        );
        expect(verdictText({ ...same, fairways: 'broken' })).toContain('+2.8 was promised');
        expect(verdictText({ ...same, moreDrives: 28 })).toContain('About 28 more drives would tell');
        expect(verdictText({ ...same, promisedGain: null })).toContain('Nothing was promised of fairways');
    });
    it('counts what came, and says what to do', () => {
        expect(cameText(seen())).toBe('3 rounds, 24 of 42 fairways (of 14 likely 6 to 10); missed 0 left, 18 right, 1 lost.');
        expect(drivesText(seen({ drivesM: 228.6, measured: 2 }), promise, yards)).toBe(
            'Measured on the course: 250 yd in all over 2 drives; the bay saw 219 yd of carry, run comes on top.',
        );
        expect(adviceText(seen({ advice: 'tweak', miss: 'right' }))).toContain('lie right');
        const tweak = {
            kind: 'sleeve',
            to: '+0.7 U',
            loftDeg: 0.6,
            faceOpenDeg: -0.2,
            masses: {},
            slots: [],
            effect: { sideM: { value: -3, interval: { low: -12, high: 7 } } },
        };
        expect(tweakText(tweak, yards)).toContain('Expected: 3 yd further left (likely −13 to +8, + right)');
    });
});

describe('what a player sends', () => {
    it('bounds numbers in the units that the player thinks in', () => {
        expect(wrong({ ...EMPTY, scale: 'yd', carry: '371' })).toEqual({});
        expect(wrong({ ...EMPTY, scale: 'yd', carry: '372' }).carry).toEqual({ low: 66, high: 371 });
        expect(wrong({ ...EMPTY, scale: 'm', carry: '340,5' }).carry).toEqual({ low: 60, high: 340 });
        expect(wrong({ ...EMPTY, handicap: 'low' }).handicap).toEqual({ low: -8, high: 54 });
        expect(wrong({ ...EMPTY, consent: true, isMinor: true }).guardian).toBe('needed');
        expect(sent({ ...EMPTY, carry: '190,5', scale: 'm' })).toMatchObject({ carry: 190.5, hand: null, guardian: null });
    });
    it('sends the drives that are numbers', () => {
        expect(sentRound({ ...emptyRound('2026-12-01', 'Reedmere'), drive1: '204,5', drive2: '' }, 'm')).toMatchObject({
            drives: [204.5],
            unit: 'm',
            course: 'Reedmere',
        });
    });
});
