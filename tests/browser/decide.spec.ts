import { expect, test, type Page } from '@playwright/test';
import type { Fitting, Grounds, OtherDay, SchoolCell, TieBreak, Worth } from '../../resources/web/api/types';
import { confirmText } from '../../resources/web/views/bay/words';
import {
    againstRunnerUp,
    confirmVerdict,
    criterionText,
    dayText,
    daysText,
    notHitText,
    schoolsText,
    tieText,
    versionText,
    worthText,
} from '../../resources/web/views/decide/words';
import { accessible, signIn, watch } from './help';

// Decide: its words without a page; then Compare → Finder → Decide → Confirm in both hands and units, on a fitting that comes in as a file.

const yards = { speed: 'mph', distance: 'yd', height: 'ft', length: 'in' };
const metres = { speed: 'km/h', distance: 'm', height: 'm', length: 'mm' };
const fitting = (more: Partial<Fitting> = {}): Fitting =>
    ({
        player: { id: 1, name: 'P', hand: 'right', units: yards },
        brief: { startSide: 'any', currency: 'EUR', money: 500 },
        setups: [],
        ratings: {},
        ...more,
    }) as unknown as Fitting;
const cell = (pick: string, ties: string[] = []): SchoolCell => ({ pick, best: pick, gain: 0.05, chance: 0.9, ties });
const POLICIES = ['flagged', 'all', 'robust', 'best 6 of 8'].map((name) => ({ name, label: name }));
const rows = (picks: string[][]) =>
    ['fewest strokes', 'straightest', 'longest'].map((scoring, i) => ({ scoring, unit: 'strokes', declared: i === 0, cells: picks[i]!.map((p) => cell(p)) }));
const grounds = (more: Partial<Grounds>): Grounds => ({ benchmark: 'A', pick: 'B', unit: 'strokes', days: [], setups: [], ...more }) as unknown as Grounds;

test('schools that agree are called unanimous, others are named with what it hangs on', () => {
    const same = [0, 1, 2].map(() => ['B', 'B', 'B', 'B']);
    expect(schoolsText(grounds({ schools: { policies: POLICIES, rows: rows(same), unanimous: true, picks: { B: 12 } } }))).toBe(
        'Unanimous: every school picks B, whichever shots count.',
    );
    const split = [
        ['B', 'B', 'B', 'A'],
        ['A', 'A', 'A', 'A'],
        ['B', 'B', 'B', 'B'],
    ];
    expect(schoolsText(grounds({ schools: { policies: POLICIES, rows: rows(split), unanimous: false, picks: { B: 7, A: 5 } } }))).toBe(
        '“fewest strokes” picks B; “straightest” A. Counting “best 6 of 8” would turn the pick to A: it hangs on which shots count.',
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
        told: 'open',
    };
    const said = worthText(worth, 'strokes', fitting());
    expect(said.price).toBe('540 EUR');
    expect(said.head).toBe('It cannot be told whether C beats adjusting the own club.');
    expect(said.rest).toBe(
        'Tern 460 saves about 0.4 strokes a round of fourteen drives (likely −0.3 to 1.1) against the own club at +1, 10 g back; the chance that it gains at all is 86\u00a0%. That setting was not hit. The brief has 500 EUR.',
    );
    expect(worthText({ ...worth, told: 'less' }, 'strokes', fitting()).head).toContain('Adjusting the own club does more');
    const inYards = worthText(
        { ...worth, gain: 9.144, interval: { low: 4.572, high: 13.716 }, perRound: null, perRoundInterval: null, told: 'more' },
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
    expect(tieText(tie)).toBe('Among those that cannot be told apart, apex decides for B.');
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
    expect(daysText(grounds({ days: [day('as it is', false), day('soft ground', false)] }), yards)).toContain('The pick stays B');
    expect(daysText(grounds({ days: [day('as it is', false), day('wind from the left', true, 'A')] }), yards)).toBe(
        'The pick would be A with: 11 mph from the left.',
    );
});

test('the pick is held against the runner-up in yards, drives and stars', () => {
    const judged = (tag: string, gain: number, carryM: number, share: number) => ({ tag, gain, carry: { n: 5, mean: carryM, sd: 3 }, sideKnown: 5, share });
    const f = fitting({
        setups: [
            { id: 1, tag: 'B' },
            { id: 2, tag: 'C' },
        ] as Fitting['setups'],
        ratings: { 1: { confidence: 3 }, 2: { confidence: 4.5 } } as unknown as Fitting['ratings'],
    });
    const g = grounds({ setups: [judged('A', 0, 200, 0.5), judged('B', 0.06, 200, 0.7), judged('C', 0.04, 209.144, 0.6)] as unknown as Grounds['setups'] });
    expect(againstRunnerUp(g, f)).toBe('Against the runner-up C it gives up 10 yd of carry and 1.5 stars of confidence for 10 of 100 drives in the corridor.');
    const level = grounds({ setups: [judged('A', 0, 200, 0.5), judged('B', 0.06, 200, 0.5)] as unknown as Grounds['setups'] });
    expect(againstRunnerUp(level, fitting())).toBe('Nothing that can be measured sets it apart from the runner-up A.');
    const found = {
        unit: 'strokes',
        setups: [
            { tag: 'x', setupTag: null, tested: false, gain: 0.09, head: 'Plover 445', sleeve: 'UP', weights: '' },
            { tag: 'B', setupTag: 'B', tested: true, gain: 0.06 },
        ],
    };
    expect(notHitText(g, found as never)).toBe('Not hit yet: Plover 445 · UP is expected to beat the pick by 0.030 strokes.');
    expect(notHitText(g, { ...found, setups: [{ ...found.setups[0]!, gain: 0.065 }, found.setups[1]!] } as never)).toBe('');
});

test('a confirm run says its leg, its word and its chance', () => {
    expect(confirmText({ held: 'A', chosen: 'C', shotsEach: 5, leg: 0, tag: null, n: 0, next: 'A' })).toBe('Confirm run of C against A: A, C, A, 5 shots each');
    expect(confirmText({ held: 'A', chosen: 'C', shotsEach: 5, leg: 2, tag: 'C', n: 7, next: 'A' })).toBe(
        'Confirm run of C against A: leg 2 of 3, C, 5 of 5 shots',
    );
    const run = { id: 1, held: 'A', chosen: 'C', shotsEach: 5, rested: false, ended: 'x', legs: [], word: 'confirmed', drift: {}, z: 1, chance: 0.86 };
    expect(confirmVerdict(run)).toBe('Confirmed: C is better than A with a chance of 86\u00a0%, the run’s shots among them.');
    expect(confirmVerdict({ ...run, word: 'drifted', drift: { clubSpeedMps: -3.1, sideM: 1 } })).toContain('the player drifted in speed');
    expect(confirmVerdict({ ...run, word: 'open', chance: 0.7, rested: true })).toBe(
        'Still open: C is better than A with a chance of 70\u00a0%; 80 % are asked for. Begun without the pause, because the player had rested.',
    );
    expect(versionText({ version: 2, lockedAt: null, reopenedAt: null } as never)).toBe('Version 2, not locked');
});

/** A fitting of the demo comes in as a file under another name, so that the demo stays as it is. */
async function bring(page: Page, player: string, name: string): Promise<void> {
    const entries = (await (await page.request.get('/api/fittings')).json()) as { id: number; player: { name: string } }[];
    const id = entries.find((e) => e.player.name === player)!.id;
    const file = await (await page.request.get(`/api/fittings/${id}/file`)).json();
    file.player.name = name;
    const input = page.getByRole('region', { name: 'Bring a fitting in' }).locator('input[type=file]');
    await input.setInputFiles({
        name: 'broken.json',
        mimeType: 'application/json',
        buffer: Buffer.from(JSON.stringify({ ...file, format: 'mint-carry-fitting/2' })),
    });
    await expect(page.getByText(/This file is of schema 2/)).toBeVisible();
    await input.setInputFiles({ name: 'fitting.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) });
    await expect(page.getByText(new RegExp(`fitting.json: ${name}`))).toBeVisible();
    await page.getByRole('button', { name: 'Add it to the day book' }).click();
    await expect(page).toHaveURL(/compare/);
}
const steps = (page: Page, name: string) => page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: new RegExp(`^${name}`) });

for (const [player, name, hand, unit, chosen, version] of [
    ['Rafe Quillon', 'Emrys Talbot', 'right', 'yd', 'B', 1],
    // Her file brings a decision along.
    ['Imke Dorsay', 'Sunna Merrow', 'left', 'm', 'D', 2],
] as const)
    test(`${hand}-handed, in ${unit}: compare, find, decide, confirm, lock, reopen`, async ({ page }) => {
        test.setTimeout(180_000);
        const errors = watch(page);
        await signIn(page);
        await bring(page, player, name);
        await expect(
            page
                .getByRole('heading', { name: /Compare/ })
                .or(page.getByText('benchmark').first())
                .first(),
        ).toBeVisible();
        await steps(page, 'Finder').click();
        await expect(page.getByText(/cannot be told from the best/).first()).toBeVisible({ timeout: 30_000 });

        await steps(page, 'Decide').click();
        await expect(page.getByRole('heading', { name: 'Who would pick what' })).toBeVisible({ timeout: 30_000 });
        const schools = page.getByRole('region', { name: 'Picks by school and by which shots count' });
        await expect(schools.getByRole('row')).toHaveCount(6);
        await expect(page.getByRole('region', { name: 'The pick on other days' }).getByRole('row')).toHaveCount(10);
        await expect(page.getByRole('region', { name: 'Worth buying' })).toContainText(/EUR|Nothing has to be bought/);
        await expect(page.getByRole('region', { name: 'Setups judged' })).toContainText(`Carry ${unit}`);
        await accessible(page);

        // What breaks a tie is the fitter's order.
        const tie = page.getByRole('region', { name: 'What breaks the tie' });
        if (await tie.isVisible()) {
            await tie.getByRole('button', { name: 'price before start side' }).click();
            await expect(tie.getByRole('listitem').nth(2)).toContainText('price');
        }

        // The confirm run: the pause is asked for, then three legs in the bay.
        await page.getByLabel(`Setup ${chosen}`).check();
        await page.getByRole('button', { name: `Confirm ${chosen} against A` }).click();
        await expect(page.getByText(/pause until then, or say that they rested/)).toBeVisible();
        await page.getByRole('button', { name: 'The player has rested' }).click();
        await expect(page).toHaveURL(/bay/);
        const bar = page.getByRole('region', { name: 'Confirm run' });
        await expect(bar).toContainText(`A, ${chosen}, A, 5 shots each`);
        await page.getByLabel('Ask the player before the numbers').uncheck();
        await expect(page.getByLabel('Ask the player before the numbers')).not.toBeChecked();
        const bay = `Confirm bay ${Date.now() % 1e7}`;
        await page.getByLabel('A new bay').fill(bay);
        await page.getByRole('button', { name: 'Add', exact: true }).click();
        await page.getByRole('combobox', { name: /^Bay/ }).selectOption({ label: bay });
        for (const [leg, tag] of ['A', chosen, 'A'].entries()) {
            const card = page.locator('fieldset', { hasText: 'Change-over' });
            const go = page.getByRole('button', { name: `Begin leg ${leg + 1}: ${tag}` });
            await expect(go).toBeVisible();
            while (await card.isVisible()) await card.getByRole('checkbox', { checked: false }).first().click();
            await go.click();
            await expect(bar).toContainText(`leg ${leg + 1} of 3, ${tag}, 0 of 5 shots`);
            await page.getByRole('button', { name: /Hit five/ }).click();
            await expect(bar).toContainText('5 of 5 shots');
            if (leg === 0) await accessible(page);
        }
        await page.getByRole('button', { name: 'What it says' }).click();
        await expect(page).toHaveURL(/decide/);
        await expect(page.getByRole('region', { name: 'Confirm run' })).toContainText(/Confirmed:|Overturned:|Still open:|Says nothing:/, { timeout: 30_000 });

        // Decide otherwise or as advised, lock, find it closed, reopen.
        await page.getByLabel(`Setup ${chosen}`).check();
        await page.getByLabel(/^Why/).fill('She trusts it.');
        await page.getByRole('button', { name: `Save the decision for ${chosen}` }).click();
        await expect(page.getByText(`Saved: ${chosen}.`)).toBeVisible();
        await expect(page.getByText(new RegExp(`Version ${version}, not locked.*She trusts it\\.`))).toBeVisible();
        await page.getByRole('button', { name: `Lock the decision for ${chosen}` }).click();
        await expect(page.getByText(`Version ${version}, locked`).first()).toBeVisible();
        await expect(page.getByRole('button', { name: /^Save the decision/ })).toBeHidden();
        await accessible(page);
        // What it rests on is kept with it, and can be looked at beside what holds now.
        await page.getByRole('button', { name: `What version ${version} rested on` }).click();
        await expect(page.getByText(/what it rested on when it was locked/)).toBeVisible();
        await expect(page.getByRole('region', { name: 'Picks by school and by which shots count' }).getByRole('row')).toHaveCount(6);
        await expect(page.getByRole('region', { name: 'Confirm run' })).toContainText(/Confirmed:|Overturned:|Still open:|Says nothing:/);
        await expect(page.getByRole('button', { name: /Another run/ })).toHaveCount(0);
        await page.getByRole('button', { name: 'Back to now' }).click();
        await expect(page.getByText(/what it rested on when it was locked/)).toHaveCount(0);
        await page.getByLabel(/^Reopen, because/).fill('The shaft broke');
        await page.getByRole('button', { name: 'Reopen' }).click();
        await page.getByLabel(`Setup ${chosen}`).check();
        await page.getByLabel(/^Why/).fill('Same again, new shaft.');
        await page.getByRole('button', { name: `Save the decision for ${chosen}` }).click();
        await expect(page.getByText(`Version ${version + 1}, not locked`)).toBeVisible();
        await page.getByRole('link', { name: 'To the sheet' }).click();
        await expect(page.getByText(`version ${version + 1}, not locked`)).toBeVisible();
        await expect(page.getByRole('link', { name: 'Fitting file' })).toBeVisible();
        expect(errors).toEqual([]);
    });
