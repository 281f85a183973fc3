import { execFileSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { addSetup, beginFitting, openPart, signIn } from './help';
import { begin, recorded } from './atbay';

// Shots that are typed: two tabs, an answer that gets lost, a line begun while another is being stored; and a studio that takes nothing made up.

async function toType(page: Page): Promise<void> {
    await openPart(page, 'The shots');
    await page.getByRole('button', { name: 'Type them' }).click();
    await expect(page.getByLabel('ball speed of shot 1')).toBeVisible();
}
async function line(page: Page, n: number, mph: string): Promise<void> {
    if (n > 1) await page.getByRole('button', { name: /Another shot/ }).click();
    await page.getByLabel(`Ball speed of shot ${n}`, { exact: true }).fill(mph);
    await page.getByLabel(`Launch angle of shot ${n}`, { exact: true }).fill('12');
    await page.getByLabel(`Spin rate of shot ${n}`, { exact: true }).fill('2400');
}
const speeds = async (page: Page): Promise<number[]> =>
    (await recorded<{ typed: { ballSpeedMps: { value: string } } }[]>(page, 'shots')).map((s) => Number(s.typed.ballSpeedMps.value)).sort();

test('two tabs type shots of one fitting, and all are kept', async ({ page, context }) => {
    await signIn(page);
    await beginFitting(page, 'Two Tabs', 'right', 'yards');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await toType(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await other.getByRole('button', { name: 'Type them' }).click();
    await line(page, 1, '141');
    await line(other, 1, '151');
    await line(page, 2, '142');
    await line(other, 2, '152');
    // A tab that is reloaded has its own lines, not those that somebody types in the other.
    await page.reload();
    await page.getByRole('button', { name: 'Type them' }).click();
    await expect(page.getByLabel('ball speed of shot 1')).toHaveValue('141');
    await expect(page.getByLabel('ball speed of shot 2')).toHaveValue('142');
    await expect(page.getByLabel('ball speed of shot 3')).toHaveCount(0);
    await page.getByRole('button', { name: 'Store 2 shots' }).click();
    await expect(page.getByText('2 typed shots stored for A.')).toBeVisible();
    await other.getByRole('button', { name: 'Store 2 shots' }).click();
    await expect(other.getByText('2 typed shots stored for A.')).toBeVisible();
    expect(await speeds(page)).toEqual([141, 142, 151, 152]);
});

test('lines of a tab that was shut are there in the next', async ({ page, context }) => {
    await signIn(page);
    await beginFitting(page, 'Shut Tab', 'left', 'metresKmh');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await toType(page);
    await line(page, 1, '230');
    const url = page.url();
    await expect
        .poll(() => page.evaluate(() => JSON.stringify(Object.entries(localStorage).filter(([k]) => k.startsWith('typed-')))))
        .toContain('230');
    await page.evaluate(() => {
        // As if it had been shut a while ago.
        for (const key of Object.keys(localStorage).filter((k) => k.startsWith('typed-')))
            localStorage.setItem(key, JSON.stringify({ ...JSON.parse(localStorage.getItem(key)!), seen: Date.now() - 60_000 }));
        location.href = 'about:blank';
    });
    const next = await context.newPage();
    await next.goto(url);
    await next.getByRole('button', { name: 'Type them' }).click();
    await expect(next.getByLabel('ball speed of shot 1')).toHaveValue('230');
});

test('a line begun while another is being stored is kept, and a line whose answer got lost is not stored as another without being asked', async ({
    page,
}) => {
    await signIn(page);
    await beginFitting(page, 'Lost Answer', 'right', 'yards');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await toType(page);
    await line(page, 1, '141');
    let go: () => void = () => undefined;
    const held = new Promise<void>((done) => (go = done));
    await page.route('**/shots', async (route) => {
        if (route.request().method() !== 'POST') return route.continue();
        const answer = await route.fetch();
        await held;
        await route.fulfill({ response: answer });
    });
    await page.getByRole('button', { name: 'Store 1 shots' }).click();
    await line(page, 2, '142');
    go();
    await expect(page.getByText('1 typed shot stored for A.')).toBeVisible();
    await expect(page.getByLabel('ball speed of shot 1')).toHaveValue('142');
    await page.unroute('**/shots');
    // It is stored, but the answer never comes; the fitter corrects the line and stores again.
    await page.route('**/shots', async (route) => {
        if (route.request().method() !== 'POST') return route.continue();
        await route.fetch();
        await route.abort();
    });
    await page.getByRole('button', { name: 'Store 1 shots' }).click();
    await expect(page.getByText('The lines are kept, also if this page is reloaded.')).toBeVisible();
    await page.unroute('**/shots');
    await page.getByLabel('ball speed of shot 1').fill('143');
    await page.getByRole('button', { name: 'Store 1 shots' }).click();
    await expect(page.getByText('Line 1 is on record as shot 2, with other values.')).toBeVisible();
    await expect(page.getByLabel('ball speed of shot 1')).toHaveValue('143');
    expect(await speeds(page)).toEqual([141, 142]);
    await page.getByRole('button', { name: 'Yes, store it as another shot' }).click();
    await expect(page.getByText('Line 1 is on record')).toHaveCount(0);
    await expect(page.getByText('1 typed shot stored for A.')).toBeVisible();
    expect(await speeds(page)).toEqual([141, 142, 143]);
});

test('a real studio takes nothing made up until it is switched on, and then it is marked', async ({ page }) => {
    const database = process.env.MINT_ADDRESSES
        ? `mintcarry_browser_${Number(process.env.TEST_PARALLEL_INDEX ?? 0) + 1}`
        : 'mintcarry_demo';
    const email = `f${Date.now()}@real.example`;
    const said = execFileSync(
        'bash',
        ['-c', '. bin/parts/common.sh && DB_DATABASE="$1" artisan mint:fitter "$2" Fitter "$2"', 'artisan', database, email],
        {
            encoding: 'utf8',
        },
    );
    await page.goto('/');
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill(said.match(/password (\S+)/)![1]!);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Day book' })).toBeVisible();
    await beginFitting(page, 'A Real Player', 'left', 'metresKmh');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await page.getByRole('link', { name: /^Bay/ }).click();
    await page.getByLabel('A new bay').fill('Bay 1');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByRole('combobox', { name: /^Bay/ }).selectOption({ label: 'Bay 1' });
    await page.getByLabel('Ask the player after a trial').uncheck();
    await begin(page);
    await expect(page.locator('.hand .small')).toContainText('0 count');
    // The keys that hit are dead, and nobody offers them.
    await expect(page.getByRole('button', { name: /Hit one/ })).toHaveCount(0);
    await page.keyboard.press('Space');
    await page.keyboard.press(',');
    await expect(page.getByText('hit a simulated shot')).toHaveCount(0);
    await page.keyboard.press('9');
    expect(await recorded<unknown[]>(page, 'shots')).toEqual([]);
    await page.getByRole('button', { name: 'Switch simulated shots and readings on' }).click();
    await page.getByRole('button', { name: /Hit one/ }).click();
    await expect(page.locator('.hand .small')).toContainText('1 count');
    await expect(page.locator('.carry').getByText('simulated', { exact: true })).toBeVisible();
    await expect(page.locator('header').getByText('simulated', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Switch them off' }).click();
    await expect(page.getByRole('button', { name: /Hit one/ })).toHaveCount(0);
    // What is there stays marked, on other screens too.
    await page.goto('/#/');
    await expect(
        page
            .getByRole('listitem')
            .getByRole('link', { name: /A Real Player/ })
            .getByText('simulated', { exact: true }),
    ).toBeVisible();
});
