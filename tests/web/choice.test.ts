import { expect, test } from 'vitest';
import type { ConfirmRun, Fitting, Grounds, OtherDay, SchoolCell, TieBreak, Worth } from '../../resources/web/api/generated/types';
import { confirmText } from '../../resources/web/views/bay/sentences';
import {
    confirmVerdict,
    criterionText,
    dayText,
    daysText,
    schoolsText,
    tieText,
    versionText,
    worthText,
} from '../../resources/web/views/answer/choice';

// What the answer hangs on, in words: schools, other days, money, ties, the confirm run.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres = { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' };
const fitting = (more: Partial<Fitting> = {}): Fitting =>
    ({
        player: { id: 1, name: 'P', hand: 'right', units: yards },
        brief: { startSide: 'any', currency: 'EUR', money: 500 },
        setups: [],
        names: {},
        ratings: {},
        ...more,
    }) as unknown as Fitting;
const cell = (pick: string, ties: string[] = []): SchoolCell => ({ pick, best: pick, gain: 0.05, chance: 0.9, ties });
const POLICIES = ['flagged', 'all', 'robust', 'best 6 of 8'].map((name) => ({ name, label: name }));
const rows = (picks: string[][]) =>
    ['fewest strokes', 'straightest', 'longest'].map((scoring, i) => ({
        scoring,
        unit: 'strokes',
        declared: i === 0,
        cells: picks[i]!.map((p) => cell(p)),
    }));
const grounds = (more: Partial<Grounds>): Grounds =>
    ({ benchmark: 'A', pick: 'B', unit: 'strokes', days: [], setups: [], ...more }) as unknown as Grounds;

test('schools that agree are called unanimous, others are named with what it hangs on', () => {
    const same = [0, 1, 2].map(() => ['B', 'B', 'B', 'B']);
    expect(schoolsText({ policies: POLICIES, rows: rows(same), unanimous: true, picks: { B: 12 } })).toBe(
        'Everybody picks B, whichever shots count.',
    );
    const split = [
        ['B', 'B', 'B', 'A'],
        ['A', 'A', 'A', 'A'],
        ['B', 'B', 'B', 'B'],
    ];
    expect(schoolsText({ policies: POLICIES, rows: rows(split), unanimous: false, picks: { B: 7, A: 5 } })).toBe(
        '“fewest strokes” picks B; “straightest” picks A. With “best 6 of 8” the pick would be A: it hangs on which shots count.',
    );
});

test('a purchase is told as what it saves against the own club at its best setting', () => {
    const worth: Worth = {
        tag: 'C',
        head: 'Tern 460',
        adjusted: { tag: null, sleeve: '+1', weights: '10 g back', isOwn: false, tested: false, gainOverOwn: 0.02 },
        adjustable: true,
        gain: 0.03,
        interval: { low: -0.02, high: 0.08 },
        chance: 0.86,
        perRound: 0.42,
        perRoundInterval: { low: -0.28, high: 1.12 },
        price: 540,
        currency: 'EUR',
        money: 500,
        verdict: 'open',
    };
    const said = worthText(worth, 'strokes', fitting());
    expect(said.price).toBe('540 EUR');
    expect(said.head).toBe('It cannot be told whether C beats adjusting the own club.');
    expect(said.rest).toBe(
        'Tern 460 saves about 0.4 strokes in fourteen drives (likely −0.3 to 1.1) against the own club at +1, 10 g back; the chance that it gains at all is 86 in 100. That setting was not hit. The brief has 500 EUR.',
    );
    expect(worthText({ ...worth, verdict: 'less' }, 'strokes', fitting()).head).toContain('Adjusting the own club does more');
    const inYards = worthText(
        { ...worth, gain: 9.144, interval: { low: 4.572, high: 13.716 }, perRound: null, perRoundInterval: null, verdict: 'more' },
        'm',
        fitting(),
    );
    expect(inYards.rest).toContain('gains +10.0 yd (likely +5.0 to +15.0)');
    expect(worthText(null, 'strokes', fitting()).head).toBe('Nothing has to be bought.');
});

test('ties say who decides, and what was passed over', () => {
    const tie: TieBreak = {
        order: ['confidence', 'apex', 'start side', 'price'],
        choice: 'B',
        by: 'apex',
        remaining: ['B'],
        steps: [
            { criterion: 'confidence', known: false, values: { A: null, B: 4 }, remaining: ['A', 'B'] },
            { criterion: 'apex', known: true, values: { A: 6.096, B: 1.524 }, remaining: ['B'] },
        ],
        wantedApexM: 30.48,
    };
    expect(tieText(tie)).toBe('Among those that are as good, apex decides for B.');
    expect(tieText({ ...tie, choice: null, by: null, remaining: ['A', 'B'] })).toBe('A and B stay level by all of it: the player chooses.');
    expect(criterionText('confidence', tie.steps[0], tie, fitting())).toBe('passed over: not known of all of them');
    expect(criterionText('apex', tie.steps[1], tie, fitting())).toBe('A 20 ft off, B 5 ft off, wanted 100 ft');
    expect(criterionText('price', undefined, tie, fitting())).toBe('not needed');
    expect(criterionText('start side', { ...tie.steps[0]!, criterion: 'start side' }, tie, fitting())).toContain('the brief wants none');
});

test('other days are told in the player’s unit of speed', () => {
    const day = (name: string, turns: boolean, pick = 'B'): OtherDay => ({
        day: name,
        pick,
        best: pick,
        of: 'B',
        gain: 0.05,
        interval: { low: 0, high: 0.1 },
        chance: 0.9,
        turns,
        carryM: 200,
    });
    expect(dayText('into the wind', yards)).toBe('11 mph into the wind');
    expect(dayText('slower by 3 mph', metres)).toBe('a swing 5 km/h slower');
    expect(daysText(grounds({ days: [day('as it is', false), day('soft ground', false)] }), yards)).toContain('B stays the pick');
    expect(daysText(grounds({ days: [day('as it is', false), day('wind from the left', true, 'A')] }), yards)).toBe(
        'A would be the pick with 11 mph from the left.',
    );
});

test('a confirm run says its leg, its word and its chance', () => {
    expect(confirmText({ benchmark: 'A', chosen: 'C', shotsEach: 5, leg: 0, tag: null, n: 0, next: 'A' })).toBe(
        'Confirm run of C against A: A, C, A, 5 shots each',
    );
    expect(confirmText({ benchmark: 'A', chosen: 'C', shotsEach: 5, leg: 2, tag: 'C', n: 7, next: 'A' })).toBe(
        'Confirm run of C against A: leg 2 of 3, C, 5 of 5 shots',
    );
    const run: ConfirmRun = {
        id: 1,
        benchmark: 'A',
        chosen: 'C',
        shotsEach: 5,
        rested: false,
        ended: 'x',
        legs: [],
        verdict: 'confirmed',
        drift: {},
        z: 1,
        chance: 0.86,
    };
    expect(confirmVerdict(run)).toBe('Confirmed: C is better than A with a chance of 86 in 100, the run’s shots among them.');
    expect(confirmVerdict({ ...run, verdict: 'drifted', drift: { clubSpeedMps: -3.1, sideM: 1 } })).toContain(
        'the player drifted in speed',
    );
    expect(confirmVerdict({ ...run, verdict: 'open', chance: 0.7, rested: true })).toBe(
        'Still open: C is better than A with a chance of 70 in 100; 80 in 100 are asked for. Begun without the pause, because the player had rested.',
    );
    expect(versionText({ version: 2, lockedAt: null, reopenedAt: null } as never)).toBe('Version 2, not locked');
});
