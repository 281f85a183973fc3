import { expect, test } from '@playwright/test';
import { begin, carry, count, hitting, monitor, newBay, noRatings, recorded, toBay } from './atbay';
import { accessible, addSetup, beginFitting, openPart, signIn, watch } from './help';

// The bay as the fitter works in it: live shots from a simulated monitor, by keys, with faults, and without a connection.

test('a right-hander in yards: warm-up, benchmark, a second head, by keys and a live monitor', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await beginFitting(page, 'Corin Vale', 'right', 'yards');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await addSetup(page, 'Add a setup', { Head: 'Tern 460', 'Stated loft': '10.5' });
    await toBay(page);
    await expect(page.getByText('Choose the setup in the hand, and begin.')).toBeVisible();
    await expect(page.getByText('In which bay?')).toBeVisible();
    const bay = await newBay(page);
    await accessible(page);

    await page.getByRole('button', { name: 'Warm-up' }).click();
    await expect(page.getByText('Warm up. These shots count for nothing')).toBeVisible();
    await page.getByRole('button', { name: /Hit one/ }).click();
    await expect(carry(page)).toHaveText(/^\d+$/);
    await expect(count(page)).toContainText('0 count');

    // From here on the keyboard alone, and the monitor from outside.
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('Enter'); // the change-over is done already: it is in the hand
    await expect(count(page)).toContainText('trial 2, the benchmark · 0 count');
    expect(await monitor(bay, '--count', '6')).toContain('6 hit, 6 stored, 0 held');
    // The trial has its shots: the player is asked once, and a digit answers and changes no step. The rest is behind one more key.
    await expect(page.getByRole('heading', { name: 'confidence?' })).toBeVisible();
    await page.keyboard.press('6');
    await page.keyboard.press('4');
    for (const kind of ['looks', 'feel', 'sound']) {
        await expect(page.getByRole('heading', { name: `${kind}?` })).toBeVisible();
        await page.keyboard.press('3');
    }
    await expect(page.getByRole('heading', { name: /\?$/ })).toHaveCount(0);
    await expect(count(page)).toContainText('6 count');
    await expect(carry(page)).toHaveText(/^\d{3}$/);
    await expect(page.locator('p.line')).toContainText(
        /launch \d+\.\d°, \d+ rpm, (\d+ yd (right|left)|on the target line), ball \d+\.\d mph, apex \d+ ft/,
    );
    await page.keyboard.press('-');
    await expect(page.getByText(/You left shot \d+ out: mishit\./)).toBeVisible();
    await expect(count(page)).toContainText('5 count');
    await page.keyboard.press('Backspace');
    await expect(count(page)).toContainText('6 count');

    // A setup of the trail by its letter; the whole change-over by one key, and one more begins.
    await page.keyboard.press('b');
    await expect(page.getByRole('checkbox', { name: 'Head: Tern 460' })).toBeVisible();
    await expect(page.getByRole('button', { name: /Begin the trial/ })).toHaveCount(0);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /Begin the trial/ })).toBeEnabled();
    await page.keyboard.press('Enter');
    await expect(page.getByText(/Next: 4 more of B first/)).toBeVisible();
    await monitor(bay, '--count', '4');
    await expect(page.getByRole('heading', { name: 'confidence?' })).toBeVisible();
    await page.keyboard.press('0'); // no answers for this one
    await expect(page.locator('.verdicts')).toContainText(/longer [✓✗?=]/);
    await expect(page.locator('.verdicts')).toContainText(/straighter [✓✗?=]/);
    // A word has its size in the player's units, and its interval.
    await expect(page.locator('.verdicts li').filter({ hasText: 'longer' })).toContainText(/[+−]?\d+ yd.*[+−]?\d+ to [+−]?\d+/);
    await page.getByText(/simulated monitor/).click();
    // With its drawer shut the bay needs no scrolling where the fitter stands.
    const fits = () => page.evaluate(() => document.querySelector('.bottom')!.getBoundingClientRect().bottom);
    expect(await fits()).toBeLessThanOrEqual(800);
    await page.keyboard.press('Space');
    await expect(count(page)).toContainText('5 count');
    // The flight from the side is on a key.
    await page.keyboard.press('.');
    await expect(page.getByRole('img', { name: /from the side and from above/ })).toBeVisible();
    await page.keyboard.press('.');
    await expect(page.getByRole('img', { name: /Where the shots land/ })).toContainText('A, held');
    await page.keyboard.press('a');
    await expect(page.getByRole('checkbox', { name: 'Head: Curlew L' })).toBeVisible();
    for (let i = 0; i < 2; i++) await page.keyboard.press('Enter');
    await expect(count(page)).toContainText('the benchmark · 0 count');
    await page.keyboard.press('0');
    await expect(page.getByRole('button', { name: /All figures/ })).toBeVisible();
    await accessible(page);
    await page.keyboard.press('0');
    await expect(page.getByRole('img', { name: /speed shot by shot/ })).toBeVisible();
    expect(await fits()).toBeLessThanOrEqual(800);
    // The shots are in the fitting like any others.
    await openPart(page, 'Every figure');
    await expect(page.getByRole('region', { name: 'Expected', exact: true })).toContainText('Loft it plays');
    expect(errors).toEqual([]);
});

test('a left-hander in metres: strikes from the ball, sides in words, dark theme', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await beginFitting(page, 'Lieke Marant', 'left', 'metresKmh');
    await addSetup(page, /own club/, { Head: 'Plover 445', 'Stated loft': '10,5' });
    await page.getByRole('button', { name: 'Dark' }).click();
    await toBay(page);
    await newBay(page);
    await noRatings(page);
    await begin(page);
    await page.getByLabel('Made-up player').selectOption('slicer');
    await page.getByRole('button', { name: /Hit five/ }).click();
    await expect(count(page)).toContainText('5 count');
    await expect(page.locator('.carry')).toContainText('m carry, computed');
    await expect(page.locator('p.line')).toContainText('km/h');
    const strike = page.getByRole('img', { name: /Strikes on the face, seen from the ball: 5 shots/ });
    const at = async (word: string) => (await strike.locator('text', { hasText: word }).first().boundingBox())!.x;
    expect(await at('heel')).toBeLessThan(await at('toe'));
    // One of them is left out with a reason, and comes back.
    await page
        .getByLabel(/^Shot \d+:/)
        .first()
        .selectOption('ground contact');
    await expect(count(page)).toContainText('4 count');
    await page.getByLabel(/left out: ground contact/).selectOption('Bring back');
    await expect(count(page)).toContainText('5 count');
    await accessible(page);
    expect(errors).toEqual([]);
});

test('a monitor with faults: dropped, doubled, reordered and nonsense shots, none lost and none twice', async ({ page }) => {
    const bay = await hitting(page, 'Oren Tull', 'yards');
    const said = await monitor(bay, '--count', '12', '--faults', 'drop,duplicate,reorder,nonsense,no-club');
    const [, stored, held] = said.match(/12 hit, (\d+) stored, (\d+) held/)!.map(Number);
    expect(stored! + held!).toBe(12);
    expect(held).toBeGreaterThan(0);
    await expect(count(page)).toContainText(`${stored} count`);
    await expect(page.getByText(`${held} shot${held === 1 ? '' : 's'} held`)).toBeVisible();
    await expect(page.getByText('This monitor gives no strike')).toBeVisible();
    // The fitter puts one right, and discards the others.
    await page.getByRole('button', { name: 'Look' }).first().click();
    await expect(page.getByText('As it was sent')).toBeVisible();
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByText('The shot stays in the tray.')).toBeVisible();
    await page.getByLabel(/^Spin rate/).fill('2450');
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(count(page)).toContainText(`${stored! + 1} count`);
    for (let i = 1; i < held!; i++) {
        await page.getByRole('button', { name: 'Discard' }).first().click();
        await expect(page.getByRole('button', { name: 'Discard' })).toHaveCount(Math.min(3, held! - 1 - i));
    }
    await expect(page.getByText('held', { exact: false }).locator('b', { hasText: 'held' })).toHaveCount(0);
});

test('a monitor that restarts, counts from 1 again under the same ids and sets its clock: every shot once, with what was in the hand', async ({
    page,
}) => {
    const bay = await hitting(page, 'Anew Each Time', 'yards');
    for (const [player, faults] of [
        ['steady', 'restart,reuse,drop,nameless'],
        ['fast', 'restart,reuse,duplicate,step'],
        ['slow', 'reuse,step,nameless,drop'],
    ] as const)
        expect(await monitor(bay, '--count', '8', '--player', player, '--faults', faults)).toContain('8 hit, 8 stored, 0 held');
    await expect(count(page)).toContainText('24 count');
    const shots = await recorded<{ measured: unknown; source: string }[]>(page, 'shots');
    expect(new Set(shots.map((s) => JSON.stringify(s.measured))).size).toBe(24);
    expect(shots.every((s) => s.source === 'simulated')).toBe(true);
    await expect(page.locator('header').getByText('simulated', { exact: true })).toBeVisible();
});

test('without a connection the screen says so, and catches up by itself', async ({ page, context }) => {
    const bay = await hitting(page, 'Sunniva Lark', 'yards');
    await context.setOffline(true);
    await expect(page.getByText('this screen catches up when it is back')).toBeVisible();
    await monitor(bay, '--count', '3');
    await context.setOffline(false);
    await expect(count(page)).toContainText('3 count');
    await expect(page.getByText('No connection to the studio’s server.')).toHaveCount(0);
});

test('the bay fits the screen it stands beside', async ({ page }) => {
    await signIn(page);
    await page
        .getByRole('listitem')
        .getByRole('link', { name: /Rafe Quillon/ })
        .click();
    await toBay(page);
    await expect(page.getByText(/simulated monitor/)).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(1000);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('a blind trial keeps its secret on the screen until it is revealed', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await beginFitting(page, 'Wil Ostrand', 'left', 'metresKmh');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await addSetup(page, 'Add a setup', { Head: 'Tern 460', 'Stated loft': '10.5' });
    await toBay(page);
    await newBay(page);
    await noRatings(page);
    await page.getByText('Blind trial', { exact: true }).click();
    await page.getByLabel('Blind A').check();
    await page.getByLabel('Blind B').check();
    await page.getByLabel('Rounds').selectOption('1');
    await page.getByLabel('Shots each').selectOption('2');
    await page.getByRole('button', { name: 'Begin blind: 4 swings' }).click();
    const bar = page.getByRole('region', { name: 'Blind trial' });
    await expect(bar).toContainText('setting 1 of 2');
    await expect(bar).toContainText('In the hand:');
    await accessible(page);
    // The fitter hides it by a key before the player looks up.
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('Enter');
    await expect(bar).not.toContainText('In the hand:');
    // From now on nobody is told, on no screen and by no answer.
    const refused = await page.request.get(page.url().replace(/#\/fitting\/(\d+).*/, 'api/fittings/$1/blind/hand'));
    expect(refused.status()).toBe(422);
    await expect(page.locator('.hand')).toContainText('Blind: setting 1 of 2');
    await expect(page.locator('.hand')).not.toContainText(/Curlew|Tern/);
    await page.keyboard.press('Space');
    await page.keyboard.press('Space');
    await expect(bar).toContainText('2 of 2 shots');
    await expect(page.getByRole('list', { name: 'Trail of setups' })).toContainText('0 shots');
    // The player is asked which it was; a digit answers, and turns no page.
    await expect(bar).toContainText('Which does the player think it was?');
    await page.keyboard.press('1');
    await expect(bar).not.toContainText('Which does the player');
    await page.keyboard.press('Enter');
    await expect(bar).toContainText('setting 2 of 2');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Space');
    await page.keyboard.press('Space');
    await expect(bar).toContainText('Which does the player think it was?');
    await page.keyboard.press('2');
    await expect(page.getByText('All settings are hit: reveal.')).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByText(/The order was (A, B|B, A)\./)).toBeVisible();
    await expect(page.getByText(/The player named [02] of 2 rightly/)).toBeVisible();
    await expect(page.getByRole('list', { name: 'Trail of setups' })).toContainText('2 shots');
    expect(errors).toEqual([]);
});

test('by keys: how a shot was meant, a star, parking with a reason, the log, and the help', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await beginFitting(page, 'Ines Carrow-Reed', 'right', 'yards');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await addSetup(page, 'Add a setup', { Head: 'Tern 460', 'Stated loft': '10.5' });
    await toBay(page);
    await newBay(page);
    await noRatings(page);
    await begin(page);
    await expect(count(page)).toContainText('0 count');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    for (let i = 0; i < 5; i++) await page.keyboard.press('Space');
    await expect(count(page)).toContainText('5 count');
    // What is done seldom is behind one key and a digit.
    await page.keyboard.press(',');
    await page.keyboard.press('1');
    await expect(page.getByText(/You shot \d+ was meant full out/)).toBeVisible();
    await expect(page.getByLabel('Shots of this trial')).toContainText('full out');
    await page.keyboard.press('PageDown');
    await page.keyboard.press(',');
    await page.keyboard.press('2');
    await expect(page.getByRole('list', { name: 'Trail of setups' })).toContainText('★');
    await page.keyboard.press(',');
    await page.keyboard.press('3');
    await page.getByLabel('Why is B parked?').fill('shaft on order');
    await page.keyboard.press('Enter');
    await expect(page.getByText('B parked: shaft on order')).toBeVisible();
    await page.getByRole('button', { name: 'Bring B back' }).click();
    await expect(page.getByRole('radio', { name: 'Setup B' })).toBeVisible();
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press(',');
    await expect(page.getByRole('region', { name: 'Keys' })).toContainText('the finder’s next one into the hand');
    await accessible(page);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('region', { name: 'Keys' })).toBeHidden();
    // The log says who did it, and gives it back.
    await page.getByText('Log of this fitting').click();
    await page.getByRole('button', { name: /Take back starred setup B/ }).click();
    await expect(page.getByRole('list', { name: 'Trail of setups' })).not.toContainText('★');
    // Another policy is named on the averages, with what it does to them.
    await page.getByText('Averages', { exact: true }).click();
    await page.getByLabel('Screening policy').selectOption('best 4 of 5');
    await expect(page.getByText(/takes about 30 % off the spread/)).toBeVisible();
    await expect(page.locator('table').first()).toContainText('± ');
    expect(errors).toEqual([]);
});

test('shots typed in the bay while the connection is gone are stored once when it is back', async ({ page, context }) => {
    await hitting(page, 'Dorrit Hale', 'yards');
    await page.getByText('Type a shot', { exact: true }).click();
    await page.locator('#line-0-ballSpeedMps').fill('148');
    await page.locator('#line-0-launchDeg').fill('12.5');
    await page.locator('#line-0-spinRpm').fill('2450');
    await context.setOffline(true);
    await page.getByRole('button', { name: /^Store/ }).click();
    await expect(page.getByText(/The lines are kept/)).toBeVisible();
    await context.setOffline(false);
    await page.reload();
    await page.getByText('Type a shot', { exact: true }).click();
    await expect(page.locator('#line-0-spinRpm')).toHaveValue('2450');
    await page.getByRole('button', { name: /^Store/ }).click();
    await expect(count(page)).toContainText('1 count');
    await expect(carry(page)).toHaveText(/^\d{3}$/);
});
