import { expect, test, type Locator } from '@playwright/test';
import { accessible, addSetup, beginFitting, openPart, readFile, signIn, watch } from './help';

test('a right-hander in yards: two files in, compare, leave out a mishit, pick, sheet', async ({ page }) => {
    const errors = watch(page);
    await page.goto('/');
    await accessible(page);
    await signIn(page);
    await accessible(page);
    await beginFitting(page, 'Wilf Ambrose', 'right', 'yards');
    await addSetup(page, /own club/, {
        Head: 'Curlew L',
        'Stated loft': '10.5',
        'Measured loft': '8.9',
        Length: '45.5',
        Ball: 'Mallow Four',
    });
    await expect(page.getByText('print and gauge differ by 1.6°')).toBeVisible();
    await addSetup(page, 'Add a setup', { Head: 'Tern 460', 'Measured loft': '10.4', 'Sleeve position': '+0.75', 'changes loft': '0.75' });
    await expect(page.getByText('2 things changed from A')).toBeVisible();
    await page.getByRole('link', { name: /^Brief/ }).click();
    await page.getByLabel('Trouble right').selectOption('water');
    await page.getByRole('textbox', { name: /^Corridor/ }).fill('35');
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
    await accessible(page);

    await openPart(page, 'The shots');
    await page.locator('input[type=file]').setInputFiles('examples/yards-own-club.csv');
    await expect(page.getByText('as they will be stored')).toBeVisible();
    await expect(page.getByText('2 average rows left out')).toBeVisible();
    await expect(page.getByLabel('Measure of column 10')).toHaveValue('sideM');
    await accessible(page);
    await page.getByRole('button', { name: 'Store 9 shots' }).click();
    await expect(page.getByText('9 shots stored from “yards-own-club.csv”')).toBeVisible();
    await readFile(page, 'yards-new-head.csv', 'B · Tern 460 +0.75 ·');
    // The same file again: recognised, nothing to store.
    await page.locator('input[type=file]').setInputFiles('examples/yards-new-head.csv');
    await expect(page.getByText('This same file was stored on')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Store 0 shots' })).toBeDisabled();
    await page.getByRole('button', { name: 'Set aside' }).click();

    await openPart(page, 'Every figure');
    await page.getByLabel('These shots').check();
    const carry = page.getByRole('row', { name: /^Carry yd/ });
    const before = await carry.textContent();
    await accessible(page);
    await openPart(page, 'The shots');
    await page.getByRole('button', { name: 'Leave out shot 17', exact: true }).click();
    await page.getByLabel('Why is shot 17 left out?').selectOption('mishit');
    await expect(page.getByRole('row', { name: /Bring back shot 17/ })).toBeVisible();
    await openPart(page, 'Every figure');
    await page.getByLabel('These shots').check();
    await expect(page.getByRole('columnheader', { name: /7 shots\s*hold against this/ })).toBeVisible();
    expect(await carry.textContent()).not.toBe(before);
    await openPart(page, 'The shots');
    await page.getByRole('button', { name: 'Bring back shot 17' }).click();
    await expect(page.getByRole('button', { name: 'Leave out shot 17', exact: true })).toBeVisible();
    await openPart(page, 'Every figure');
    await page.getByLabel('These shots').check();
    await expect(page.getByRole('columnheader', { name: /8 shots\s*hold against this/ })).toBeVisible();
    await expect(carry).toHaveText(before!);

    await openPart(page, 'Confirm, other');
    await expect(page.getByRole('heading', { name: 'Who would pick what' })).toBeVisible({ timeout: 30_000 });
    await accessible(page);
    const id = page.url().match(/fitting\/(\d+)/)![1];
    const { pick } = (await (await page.request.get(`/api/fittings/${id}/advice`)).json()) as { pick: string };
    const other = pick === 'A' ? 'B' : 'A';
    await page.getByRole('button', { name: 'Choose another' }).click();
    await page.getByLabel(`Setup ${other}`, { exact: true }).check();
    await page.getByRole('button', { name: `Note ${other}, lock it later` }).click();
    await expect(page.getByRole('alert')).toContainText('Say in a sentence why');
    await page.getByRole('textbox', { name: /^Why|^A word/ }).fill('He trusts the look of it');
    await page.getByRole('button', { name: `Note ${other}, lock it later` }).click();
    await expect(page.getByText(`Saved: ${other}.`)).toBeVisible();

    await page.getByRole('link', { name: /^Sheet/ }).click();
    await expect(page.getByText('He trusts the look of it')).toBeVisible();
    await page.getByRole('tab', { name: 'For the workshop' }).click();
    await expect(page.getByText('Torque the sleeve')).toBeVisible();
    await accessible(page);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(errors).toEqual([]);
});

test('a left-hander in metres: setup column, decimal commas, a row that cannot be read', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await beginFitting(page, 'Greta Lindow', 'left', 'metresKmh');
    await addSetup(page, /own club/, { Head: 'Plover 445', 'Stated loft': '10,5', 'Measured loft': '9,8', Length: '1143' });
    await addSetup(page, 'Add a setup', { Head: 'Tern 460', 'changes face': '1,2', 'Sleeve position': 'open' });
    await expect(page.getByText('1.2° open')).toBeVisible();
    await openPart(page, 'The shots');
    await page.locator('input[type=file]').setInputFiles('examples/metric-semicolon-setup-column.csv');
    await expect(page.getByText('Row 14: spin rate', { exact: false })).toContainText("'2.4OO' is not a number");
    await expect(page.getByLabel('Setup meant by A')).toBeVisible();
    await expect(page.getByLabel('Decimal mark of column 3')).toHaveValue(',');
    await page.getByRole('button', { name: 'Store 13 shots' }).click();
    await expect(page.getByText('13 shots stored')).toBeVisible();
    await openPart(page, 'Every figure');
    await expect(page.getByRole('row', { name: /^Carry m/ })).toBeVisible();
    await openPart(page, 'Why they differ');
    await expect(page.getByText('Carry up, side across, m.')).toBeVisible();
    await page.getByRole('button', { name: 'Dark' }).click();
    await accessible(page);
    await page.getByRole('button', { name: 'Choose another' }).click();
    await page.getByLabel('Setup A', { exact: true }).check();
    await page.getByRole('textbox', { name: /^Why|^A word/ }).fill('She keeps it.');
    await page.getByRole('button', { name: /^Note A/ }).click();
    await expect(page.getByText(/^Saved: /)).toBeVisible();
    await page.getByRole('link', { name: /^Sheet/ }).click();
    await expect(page.getByText('1143 mm').first()).toBeVisible();
    await expect(page.getByRole('article').getByText(/left-handed/)).toBeVisible();
    await accessible(page);
    expect(errors).toEqual([]);
});

test('bad files are answered plainly, and HTML in a name stays text', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await beginFitting(page, '<img src=x onerror=alert(1)>', 'right', 'yards');
    await expect(page.locator('header').getByText('<img src=x onerror=alert(1)>')).toBeVisible();
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await openPart(page, 'The shots');
    const give = (name: string, buffer: Buffer) => page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer });
    await give('photo.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3]));
    await expect(page.getByRole('alert')).toContainText('not a table of text but a picture (PNG)');
    await give('empty.csv', Buffer.from(''));
    await expect(page.getByRole('alert')).toContainText('The file is empty');
    await give('huge.csv', Buffer.alloc(40_000_000, '1,2,3\n'));
    await expect(page.getByRole('alert')).toContainText('up to 12 MB');
    await expect(page.locator('td')).toHaveCount(0);
    expect(errors).toEqual([]);
});

test('typed shots survive a lost connection, a reload and a wrong figure', async ({ page, context }) => {
    await signIn(page);
    await beginFitting(page, 'Tessa Holm', 'right', 'yards');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await openPart(page, 'The shots');
    await page.getByRole('button', { name: 'Type them' }).click();
    await page.getByLabel('Ball speed of shot 1').fill('148,5');
    await page.getByLabel('Launch angle of shot 1').fill('12.4');
    await page.getByLabel('Spin rate of shot 1').fill('2,4OO');
    await page.getByLabel('Launch direction of shot 1').fill('2 L');
    await page.getByRole('button', { name: 'Store 1 shots' }).click();
    await expect(page.getByRole('alert')).toContainText("spin rate '2,4OO' is not a number");
    await page.getByLabel('Spin rate of shot 1').fill('2,400');
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Store 1 shots' }).click();
    await expect(page.getByRole('alert')).toContainText('No connection');
    await context.setOffline(false);
    await page.reload();
    await page.getByRole('button', { name: 'Type them' }).click();
    await expect(page.getByLabel('Ball speed of shot 1')).toHaveValue('148,5');
    await accessible(page);
    await page.getByRole('button', { name: 'Store 1 shots' }).click();
    await expect(page.getByText('1 typed shot stored for A.')).toBeVisible();
    await expect(page.getByRole('cell', { name: '148.5' })).toBeVisible();
    await expect(page.getByRole('cell', { name: '2400' })).toBeVisible();
});

test('two screens on one fitting lose neither’s edits', async ({ page, context }) => {
    await signIn(page);
    await beginFitting(page, 'Una Sorrel', 'right', 'yards');
    const other = await context.newPage();
    await page.getByRole('link', { name: /^Brief/ }).click();
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
    await other.goto(page.url());
    await other.getByLabel('In their words').fill('from the tablet');
    await page.getByLabel('In their words').fill('from the bay');
    await other.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(other.getByText('Saved.')).toBeVisible();
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByRole('alert')).toContainText('“from the tablet”');
    await expect(page.getByLabel('In their words')).toHaveValue('from the bay');
    await page.getByLabel('Why does the brief change?').fill('the player put it better');
    await page.getByRole('button', { name: 'Save the change' }).click();
    await expect(page.getByRole('alert')).toBeHidden();
});

test('the day book and the sheet fit a phone, and a wrong address leads back', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await signIn(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page
        .getByRole('listitem')
        .getByRole('link', { name: /Imke Dorsay/ })
        .click();
    await expect(page.getByRole('article', { name: /^Report of Imke/ }).locator('img')).toHaveCount(4);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.goto('/#/nowhere');
    await page.getByRole('link', { name: 'Back to the day book' }).click();
    await expect(page.getByRole('heading', { name: 'Day book' })).toBeVisible();
});

test('a file with several clubs alone is enough: from a new fitting to the locked decision in six clicks', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await page.goto('/#/');
    await page.getByLabel('Player').fill('Corvin Hale');
    let clicks = 0;
    const press = async (what: Locator) => {
        await what.click();
        clicks++;
    };
    await press(page.getByRole('button', { name: 'Begin' }));
    await press(page.getByRole('link', { name: /^Answer/ }));
    const rows = ['Club,Ball Speed (mph),Launch,Spin,Carry (yd),Side (yd)'];
    for (let i = 0; i < 6; i++) {
        rows.push(`Old faithful,${147 + (i % 3)},${11 + i / 5},${2900 - 20 * i},${218 + i},${i * 5 - 12}`);
        rows.push(`Tern 460,${151 + (i % 3)},${12.5 + i / 5},${2400 + 15 * i},${232 + i},${i * 3 - 6}`);
    }
    await page
        .getByLabel('Read a file of shots')
        .setInputFiles({ name: 'a-day.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) });
    clicks++;
    await expect(page.getByText('Which of these is the player’s own club?')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Store 12 shots' })).toBeDisabled();
    await accessible(page);
    await press(page.getByRole('radio').first());
    await press(page.getByRole('button', { name: 'Store 12 shots' }));
    await expect(page).toHaveURL(/answer$/);
    await expect(page.getByText('12 shots stored from “a-day.csv”, and 2 setups made of its clubs')).toBeVisible();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Take the Tern 460');
    await press(page.getByRole('button', { name: 'Lock B and write the report' }));
    await expect(page).toHaveURL(/sheet/);
    await expect(page.getByText('Version 1', { exact: true })).toBeVisible();
    expect(clicks).toBe(6);
    expect(errors).toEqual([]);
});
