import { expect, test, type Page } from '@playwright/test';
import { count, monitor, newBay, recorded, toBay } from './atbay';
import { accessible, beginFitting, signIn, watch } from './help';

// The bay as an instrument: turned by arrows, told before it is turned, begun by one key, rated by one; on every size of screen.

/** A fitting whose own club is a head of the rack, in a bay of its own. */
async function withARackedClub(page: Page, name: string, hand: 'right' | 'left', scale: string): Promise<{ id: number; token: string }> {
    await signIn(page);
    await beginFitting(page, name, hand, scale);
    await page.getByRole('button', { name: /own club/ }).click();
    await page.getByRole('button', { name: /^From the rack/ }).click();
    await expect(page.getByText(/where the face points/)).toBeVisible();
    await page.getByRole('button', { name: 'Add setup' }).click();
    await expect(page.getByRole('button', { name: 'New from A' })).toBeVisible();
    await toBay(page);
    const bay = await newBay(page);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    return bay;
}

for (const [hand, scale, unit] of [
    ['right', 'yards', 'yd'],
    ['left', 'metresKmh', 'm'],
] as const)
    test(`a new position takes a ${hand}-hander’s fitter five keys with the rating, a setup hit before four, and no mouse`, async ({
        page,
    }) => {
        const errors = watch(page);
        const bay = await withARackedClub(page, `Five Keys ${hand}`, hand, scale);
        const url = page.url();
        let pressed = 0;
        const press = async (key: string) => (pressed++, await page.keyboard.press(key));
        await expect(page.getByRole('group', { name: 'Change-over' })).toBeVisible();
        await press('Enter');
        await press('Enter');
        await expect(count(page)).toContainText('trial 1, the benchmark · 0 count');
        await monitor(bay, '--count', '5');
        await expect(page.getByRole('heading', { name: 'confidence?' })).toBeVisible();
        await press('4');
        await expect(page.getByRole('heading', { name: 'confidence?' })).toHaveCount(0);

        // To the end of the travel, where fitters go first. What it changes is told with its interval before anybody turns it.
        pressed = 0;
        await press('Home');
        const expected = page.getByRole('list', { name: 'Expected of it' });
        await expect(expected).toContainText(new RegExp(`carry [+−]?\\d+ ${unit} \\([+−]?\\d+ to [+−]?\\d+\\)`));
        await expect(page.getByRole('group', { name: 'Change-over' })).toContainText('Sleeve: from');
        expect(await recorded<{ setups: unknown[] }>(page, '').then((f) => f.setups.length)).toBe(1);
        await accessible(page);
        await press('Enter');
        await press('Enter');
        await expect(count(page)).toContainText('trial 2 · 0 count');
        await monitor(bay, '--count', '4');
        await expect(page.getByRole('heading', { name: 'confidence?' })).toBeVisible();
        await press('5');
        await expect(page.getByRole('heading', { name: 'confidence?' })).toHaveCount(0);
        expect(pressed).toBeLessThanOrEqual(5);
        await expect(page.getByRole('list', { name: 'Trail of setups' })).toContainText('sleeve');

        // Back to the one before.
        pressed = 0;
        await press('a');
        await press('Enter');
        await press('Enter');
        await expect(count(page)).toContainText('trial 3, the benchmark · 0 count');
        expect(pressed).toBeLessThanOrEqual(4);
        // Weight moves with Shift, and comes back with Escape; nothing is made by looking.
        await press('Shift+ArrowDown');
        await press('Escape');
        await expect(page.getByRole('group', { name: 'Change-over' })).toHaveCount(0);
        expect(await recorded<{ setups: unknown[] }>(page, '').then((f) => f.setups.length)).toBe(2);
        // Another head, from the rack by a part of its name: six keys with its rating.
        type Racked = { heads: { hand: string; label: string }[]; parts: { kind: string; label: string }[] };
        const rack = (await (await page.request.get('/api/rack')).json()) as Racked;
        const [club] = await recorded<{ setups: { head: string; shaft: string }[] }>(page, '').then((f) => f.setups);
        const other = rack.heads
            .find((h) => h.hand === hand && h.label !== club!.head)!
            .label.slice(0, 1)
            .toLowerCase();
        pressed = 0;
        await press('7');
        await expect(page.getByRole('dialog').getByRole('option').first()).not.toHaveText(/Opening/);
        await press(other);
        await expect(page.getByRole('dialog').getByRole('option').first()).toContainText('head');
        await accessible(page);
        await press('Enter');
        await expect(page.getByRole('dialog')).toHaveCount(0);
        await expect(page.getByRole('group', { name: 'Change-over' })).toContainText('Head');
        await press('Enter');
        await press('Enter');
        await expect(count(page)).toContainText('trial 4 · 0 count');
        await monitor(bay, '--count', '4');
        await expect(page.getByRole('heading', { name: 'confidence?' })).toBeVisible();
        await press('3');
        await expect(page.getByRole('heading', { name: 'confidence?' })).toHaveCount(0);
        expect(pressed).toBe(6);
        const { setups } = await recorded<{ setups: { head: string; shaft: string }[] }>(page, '');
        expect(setups).toHaveLength(3);
        expect(setups[2]!.head).not.toBe(setups[0]!.head);
        expect(setups[2]!.shaft).toBe(setups[0]!.shaft);
        // Another shaft in a setup that is turned keeps it turned; the same from the own club is another setup.
        const shaft = rack.parts.filter((p) => p.kind === 'shaft' && p.label !== setups[0]!.shaft)[0]!.label;
        for (const [tag, n] of [
            ['b', 4],
            ['a', 5],
        ] as const) {
            await page.keyboard.press(tag);
            await page.keyboard.press('7');
            await page.keyboard.type(shaft);
            await expect(page.getByRole('dialog').getByRole('option').first()).toContainText(shaft);
            await page.keyboard.press('Enter');
            await expect(page.getByRole('dialog')).toHaveCount(0);
            await expect(page.getByRole('group', { name: 'Change-over' })).toContainText('Shaft');
            const now = await recorded<{ setups: { sleeveLabel: string; shaft: string }[] }>(page, '').then((f) => f.setups);
            expect(now).toHaveLength(n);
            expect(now.at(-1)).toMatchObject({ shaft, sleeveLabel: now[tag === 'b' ? 1 : 0]!.sleeveLabel });
        }
        await page.keyboard.press('Escape');
        // The same once more is what is on the bench already; what nothing is called makes nothing.
        await page.keyboard.press('7');
        await page.keyboard.type('no such thing');
        await page.keyboard.press('Enter');
        await expect(page.getByText('Nothing on the rack is called that.')).toBeVisible();
        await page.keyboard.press('Escape');
        await expect(page.getByRole('dialog')).toHaveCount(0);
        expect(await recorded<{ setups: unknown[] }>(page, '').then((f) => f.setups.length)).toBe(5);
        expect(page.url()).toBe(url);
        expect(errors).toEqual([]);
    });

test('by touch alone: a position is tapped, its change-over ticked, begun and rated', async ({ browser, baseURL }) => {
    const context = await browser.newContext({ viewport: { width: 820, height: 1180 }, hasTouch: true, baseURL });
    const page = await context.newPage();
    const bay = await withARackedClub(page, 'Touch Tablet', 'right', 'yards');
    await page.getByRole('button', { name: /All done/ }).tap();
    await page.getByRole('button', { name: /Begin the trial/ }).tap();
    await expect(count(page)).toContainText('0 count');
    await monitor(bay, '--count', '4');
    await page.getByRole('button', { name: 'confidence 4' }).tap();
    await page
        .getByRole('group', { name: /Sleeve positions/ })
        .getByRole('button', { pressed: false })
        .first()
        .tap();
    await page.getByRole('button', { name: /All done/ }).tap();
    await page.getByRole('button', { name: /Begin the trial/ }).tap();
    await expect(count(page)).toContainText('trial 2 · 0 count');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
    await context.close();
});

test('big figures fill a second monitor with carry, strips and map, and nothing else', async ({ page }) => {
    const bay = await withARackedClub(page, 'Second Monitor', 'right', 'yards');
    await page.getByLabel('Ask the player after a trial').uncheck();
    await expect(page.getByLabel('Ask the player after a trial')).not.toBeChecked();
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    for (const key of ['Enter', 'Enter']) await page.keyboard.press(key);
    await expect(count(page)).toContainText('0 count');
    await monitor(bay, '--count', '4');
    await expect(count(page)).toContainText('4 count');
    await page.keyboard.press('End');
    await expect(page.getByRole('group', { name: 'Change-over' })).toContainText('Sleeve: from');
    for (const key of ['Enter', 'Enter']) await page.keyboard.press(key);
    await expect(count(page)).toContainText('trial 2 · 0 count');
    await monitor(bay, '--count', '4');
    await expect(page.locator('.verdicts li')).not.toHaveCount(0);
    await page.keyboard.press('0');
    const shares: number[] = [];
    for (const [width, height] of [
        [1280, 800],
        [1920, 1080],
        [3840, 2160],
    ] as const) {
        await page.setViewportSize({ width, height });
        const seen = await page.evaluate(() => {
            const box = (s: string) => document.querySelector(s)!.getBoundingClientRect();
            const [number, strips, map] = [box('.carry > span'), box('.verdicts'), box('.where svg')];
            return {
                below: Math.max(strips.bottom, map.bottom),
                over: document.querySelector('.big')!.scrollHeight - window.innerHeight,
                share: number.height / window.innerHeight,
                navigation: document.elementFromPoint(window.innerWidth - 60, 20)?.closest('nav, header') !== null,
            };
        });
        expect(seen.below).toBeLessThanOrEqual(height);
        expect(seen.over).toBeLessThanOrEqual(0);
        expect(seen.navigation).toBe(false);
        shares.push(seen.share);
    }
    // As large on the large one.
    expect(Math.min(...shares) / Math.max(...shares)).toBeGreaterThan(0.8);
    await page.keyboard.press('0');
    await expect(page.getByRole('region', { name: 'In the hand' })).toBeVisible();
});

test('a newcomer fits a made-up player on the real screens, hint by hint, and is told at the end who it was', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await page.getByRole('button', { name: 'Fit a made-up player in five minutes' }).click();
    const hint = page.getByRole('complementary', { name: 'Practice' });
    await expect(hint).toContainText('Practice, 1 of 8');
    await page.getByText('fairways', { exact: true }).click();
    await page.getByRole('button', { name: /Agree the brief/ }).click();
    await expect(hint).toContainText('2 of 8');
    await accessible(page);
    await hint.getByRole('link', { name: 'To the bench' }).click();
    await expect(page.getByRole('heading', { name: 'Setups' })).toBeVisible();
    await hint.getByRole('link', { name: 'To the bay' }).click();
    await expect(hint).toContainText('3 of 8');
    await expect(page.getByRole('group', { name: 'Change-over' })).toBeVisible();
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    for (const key of ['Enter', 'Enter']) await page.keyboard.press(key);
    await expect(count(page)).toContainText('0 count');
    await page.keyboard.press('Space');
    await expect(hint).toContainText('4 of 8');
    for (let i = 0; i < 4; i++) await page.keyboard.press('Space');
    await page.getByRole('button', { name: 'confidence 4' }).click();
    await expect(hint).toContainText('5 of 8');
    await page.keyboard.press('Home');
    await expect(page.getByRole('list', { name: 'Expected of it' })).toContainText('carry');
    for (const key of ['Enter', 'Enter']) await page.keyboard.press(key);
    await expect(count(page)).toContainText('trial 2 · 0 count');
    for (let i = 0; i < 5; i++) await page.keyboard.press('Space');
    await page.getByRole('button', { name: 'confidence 5' }).click();
    await expect(hint).toContainText('7 of 8');
    await hint.getByRole('link', { name: 'To the answer' }).click();
    await page.getByRole('button', { name: 'Choose another' }).click();
    await page.getByRole('textbox', { name: /^Why|^A word/ }).fill('It looks right to me.');
    await page
        .getByRole('button', { name: /^Lock \w and write/ })
        .last()
        .click();
    await expect(hint).toContainText('8 of 8');
    const truth = page.getByRole('region', { name: 'Who the player was' });
    await expect(truth).toContainText(/Made up: .*mph/);
    await expect(truth.getByRole('row')).toHaveCount(3);
    await accessible(page);
    expect(errors).toEqual([]);
});

test('what the player said is kept where the screen is left before its turn came', async ({ page }) => {
    await signIn(page);
    await page.getByRole('button', { name: 'Fit a made-up player in five minutes' }).click();
    await page.getByText('fairways', { exact: true }).click();
    await page.getByRole('button', { name: /Agree the brief/ }).click();
    const hint = page.getByRole('complementary', { name: 'Practice' });
    await hint.getByRole('link', { name: 'To the bench' }).click();
    await hint.getByRole('link', { name: 'To the bay' }).click();
    await expect(page.getByRole('group', { name: 'Change-over' })).toBeVisible();
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    for (const key of ['Enter', 'Enter']) await page.keyboard.press(key);
    await expect(count(page)).toContainText('0 count');
    for (let i = 0; i < 4; i++) await page.keyboard.press('Space');
    await expect(count(page)).toContainText('4 count');
    // The last shot is stored and its answer still on its way: what is pressed now waits behind it.
    let goOn = () => {};
    const heldUp = new Promise<void>((go) => (goOn = go));
    await page.route('**/simulate', async (route) => {
        const response = await route.fetch();
        await heldUp;
        await route.fulfill({ response });
    });
    await page.keyboard.press('Space');
    await page.getByRole('button', { name: 'confidence 4' }).click();
    await page.getByRole('link', { name: /^Answer/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    goOn();
    const id = /fitting\/(\d+)/.exec(page.url())![1];
    await expect
        .poll(async () => Object.values(((await (await page.request.get(`/api/fittings/${id}`)).json()) as { ratings: object }).ratings))
        .toEqual([{ confidence: 4 }]);
});
