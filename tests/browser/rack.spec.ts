import { expect, test, type Page } from '@playwright/test';
import { accessible, openPart, signIn, watch } from './help';

async function toRack(page: Page, tab = ''): Promise<void> {
    await page.goto(`/#/rack${tab}`);
    await expect(page.getByRole('heading', { name: 'Rack' })).toBeVisible();
}
async function addHead(page: Page, label: string, loft = '10,5', hand = 'right'): Promise<void> {
    await toRack(page);
    await page.getByRole('button', { name: 'Add a head' }).click();
    await page.getByLabel('Label').fill(label);
    await page.getByLabel('Hand').selectOption(hand);
    await page.getByLabel('Stated loft').fill(loft);
    await page.getByLabel('Sleeve').selectOption('Saltbox');
    await page.getByRole('button', { name: 'Put it on the rack' }).click();
}
const reading = (page: Page, what: string, i: number) => page.getByLabel(`${what}, reading ${i}`);

test('the rack shows print against gauge, and a head goes on and off', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await page.getByRole('link', { name: 'Rack', exact: true }).click();
    await expect(page.getByRole('row', { name: /Curlew L/ })).toContainText('reads 10.1°, 1.1° over its print');
    await expect(page.getByRole('row', { name: /Dunlin 12/ })).toContainText('not on the gauge yet');
    await accessible(page);
    await addHead(page, 'Whimbrel 9');
    await expect(page.getByRole('heading', { name: 'Whimbrel 9' })).toBeVisible();
    await expect(page.getByText('Assumed from the middle preset: mass, CG, inertia, bulge, roll.')).toBeVisible();
    await accessible(page);
    await page.getByRole('button', { name: 'Take off the rack' }).click();
    await expect(page.getByRole('row', { name: /Whimbrel 9/ })).toHaveCount(0);
    expect(errors).toEqual([]);
});

test('a head that cannot be is refused by field; what was typed stays', async ({ page }) => {
    await signIn(page);
    await addHead(page, 'Tern 460', '105');
    await expect(page.getByText(/already a head 'Tern 460' for this hand/).first()).toBeVisible();
    await expect(page.getByText('The stated loft field must be between 4 and 20.')).toBeVisible();
    await expect(page.getByLabel('Label')).toHaveValue('Tern 460');
    await expect(page.getByLabel('Stated loft')).toHaveValue('105');
});

test('three readings are averaged, a far one is asked about, and the history stays', async ({ page }) => {
    await signIn(page);
    await addHead(page, `Stint ${Date.now()}`, '10.5');
    await reading(page, 'Loft', 1).fill('9,4');
    await reading(page, 'Loft', 2).fill('12.9');
    await reading(page, 'Loft', 3).fill('9.5');
    await page.getByRole('button', { name: 'Save readings' }).click();
    await expect(page.getByRole('alert')).toContainText('Loft 12.9 ° lies far from the others, which read about 9.4');
    await expect(reading(page, 'Loft', 2)).toHaveValue('12.9');
    await reading(page, 'Loft', 2).fill('9.3');
    await page.getByRole('button', { name: 'Save readings' }).click();
    await expect(page.getByText('Saved; in force from now on.')).toBeVisible();
    await expect(page.getByText('reads 9.4°, 1.1° under its print')).toBeVisible();
    await reading(page, 'Loft', 1).fill('9.9');
    await page.getByRole('button', { name: 'Save readings' }).click();
    await expect(page.getByText('reads 9.9°, 0.6° under its print')).toBeVisible();
    await page.getByText('2 sets of readings').click();
    await expect(page.getByText(/loft 9.4 \/ 9.3 \/ 9.5 \(no longer in force\)/)).toBeVisible();
    await page.getByRole('button', { name: 'Take off the rack' }).click();
});

test('the gauge and the balance fill the fields at a press, and the check piece shows a wrong zero', async ({ page }) => {
    await signIn(page);
    await page.goto('/#/rack');
    await page
        .getByRole('row', { name: /Dunlin 12/ })
        .getByRole('link')
        .click();
    await page.getByRole('button', { name: 'Zero gauge' }).click();
    await expect(page.getByText('The gauge is true on its check piece.')).toBeVisible();
    for (let i = 1; i <= 3; i++) {
        await page.getByRole('button', { name: 'Read the gauge' }).click();
        await expect(reading(page, 'Loft', i)).not.toHaveValue('');
    }
    await page.getByRole('button', { name: 'Zero balance' }).click();
    await expect(page.getByText('The balance is true on its check piece.')).toBeVisible();
    await page.getByRole('button', { name: 'Weigh' }).click();
    await expect(reading(page, 'Mass', 1)).not.toHaveValue('');
    expect(Number(await reading(page, 'Loft', 1).inputValue())).toBeGreaterThan(10);
    expect(
        await page.evaluate(
            async () => (await (await fetch('/api/rack')).json()).heads.find((h: { label: string }) => h.label === 'Dunlin 12').loftOffDeg,
        ),
    ).toBeNull();
});

test('a gauge reading changes the playing loft that the answer shows', async ({ page }) => {
    await signIn(page);
    await page
        .getByRole('listitem')
        .getByRole('link', { name: /Rafe Quillon/ })
        .click();
    await openPart(page, 'Every figure');
    const plays = page.getByRole('row', { name: /^Loft it plays/ });
    await expect(plays).toContainText('8.7°');
    const id = await page.evaluate(
        async () =>
            (await (await fetch('/api/rack')).json()).heads.find(
                (h: { label: string; hand: string }) => h.label === 'Tern 460' && h.hand === 'right',
            ).id,
    );
    await page.goto(`/#/rack/head/${id}`);
    await reading(page, 'Loft', 1).fill('7.4');
    await page.getByRole('button', { name: 'Save readings' }).click();
    await expect(page.getByText('reads 7.4°, 1.6° under its print')).toBeVisible();
    await page.goBack();
    await expect(plays).toContainText('7.2°');
    await expect(plays).toContainText('stamped 9.0°, by that 8.8°');
    // Back to what it was, for the tests after this one.
    await page.goto(`/#/rack/head/${id}`);
    await reading(page, 'Loft', 1).fill('8.9');
    await page.getByRole('button', { name: 'Save readings' }).click();
    await expect(page.getByText('reads 8.9°, 0.1° under its print')).toBeVisible();
});

test('a sleeve is edited beside its plane, and its print is checked', async ({ page }) => {
    const sleeve = `Millrace ${test.info().retry + 1}`;
    await signIn(page);
    await toRack(page, '/sleeves');
    await page.getByRole('button', { name: 'Add a sleeve' }).click();
    await page.getByLabel('Name').fill(sleeve);
    await page.getByLabel('Kind').selectOption('card');
    await page.getByLabel('Label of position 1').fill('N');
    await page.getByRole('button', { name: 'Another position' }).click();
    await page.getByLabel('Label of position 2').fill('+1.5');
    await page.getByLabel('Printed loft of +1.5').fill('1,5');
    await expect(page.getByText('+1.5, −2.4')).toBeVisible();
    await page.getByLabel('Printed face of +1.5').fill('0');
    await expect(page.getByText(/print is [01]\.\d° off/)).toBeVisible();
    await accessible(page);
    await page.getByRole('button', { name: 'Another position' }).click();
    await page.getByLabel('Label of position 3').fill('N');
    await expect(page.getByText("Two positions are labelled 'N'; each needs a label of its own.")).toBeVisible();
    await page.getByRole('button', { name: 'Remove position N' }).last().click();
    await page.getByRole('button', { name: 'Save the sleeve' }).click();
    await expect(page.getByRole('row', { name: sleeve })).toContainText('+1.5: print is off');
    // One that setups stand at keeps its positions.
    await page.getByRole('button', { name: 'Open Saltbox' }).click();
    await page.getByRole('button', { name: 'Remove position −0.75' }).click();
    await page.getByRole('button', { name: 'Save the sleeve' }).click();
    await expect(page.getByRole('alert')).toContainText("Position '−0.75' is used by setup C of");
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByRole('button', { name: `Open ${sleeve}` }).click();
    await page.getByRole('button', { name: 'Take off the rack' }).click();
    await expect(page.getByRole('row', { name: sleeve })).toHaveCount(0);
});

test('weights move the CG on the drawing, by pointer', async ({ page }) => {
    await signIn(page);
    await page.goto('/#/rack');
    await page
        .getByRole('row', { name: /Tern 460 left-handed/ })
        .getByRole('link')
        .click();
    const back = page.locator('dl > div', { hasText: 'CG back' }).locator('dd');
    await expect(back).toContainText('40.0 mm');
    await page.getByRole('button', { name: 'Slot back: 12 g' }).click();
    await expect(back).not.toContainText('40.0 mm');
    await expect(page.getByText('The weights add up to 12.0 g less than the standard')).toBeVisible();
    await page.getByRole('button', { name: 'Slot heel: empty, place 12 g here' }).click();
    await expect(page.locator('dl > div', { hasText: 'CG heel' }).locator('dd')).toContainText('2.2 mm');
    await expect(page.locator('dl > div', { hasText: 'Delivers face' }).locator('dd')).toContainText('−0.2°');
});

test('shafts, grips and balls are kept, and the rack goes out and comes in', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await toRack(page, '/shafts');
    await page.getByRole('button', { name: 'Add a shaft' }).click();
    await page.getByLabel('Label', { exact: true }).fill('Sedge 48 L');
    await page.getByLabel('Mass before cutting').fill('900');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText(/must be between 20 and 160/).first()).toBeVisible();
    await page.getByLabel('Mass before cutting').fill('50,5');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('row', { name: /Sedge 48 L/ })).toContainText('50.5');
    await accessible(page);
    await page.getByRole('button', { name: 'Take off Sedge 48 L' }).click();
    await expect(page.getByRole('row', { name: /Sedge 48 L/ })).toHaveCount(0);
    await page.goto('/#/rack/file');
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Rack as JSON' }).click()]);
    await page.locator('input[type=file]').setInputFiles(await download.path());
    await expect(page.getByText(/: 0 new, \d+ already here\./)).toBeVisible();
    await page.locator('input[type=file]').setInputFiles({
        name: 'new.json',
        mimeType: 'application/json',
        buffer: Buffer.from('{"format":"mint-carry-rack/1","parts":[{"kind":"ball","label":"Shingle One"}]}'),
    });
    await page.getByRole('button', { name: 'Add 1 to the rack' }).click();
    await expect(page.getByText('1 added to the rack.')).toBeVisible();
    await page.locator('input[type=file]').setInputFiles({
        name: 'bad.json',
        mimeType: 'application/json',
        buffer: Buffer.from('{"format":"mint-carry-rack/1","heads":[{"label":"X","hand":"right","statedLoftDeg":105}]}'),
    });
    await expect(page.getByRole('alert')).toContainText(
        "heads 1 ('X'): The stated loft field must be between 4 and 20. Nothing was added.",
    );
    await accessible(page);
    await page.goto('/#/rack/balls');
    await page.getByRole('button', { name: 'Take off Shingle One' }).click();
    expect(errors).toEqual([]);
});

for (const where of ['rack', 'rack/sleeves', 'rack/shafts', 'rack/file', 'rack/head/1']) {
    test(`${where} fits a phone, in either theme`, async ({ page }) => {
        await signIn(page);
        await page.goto(`/#/${where}`);
        await page.setViewportSize({ width: 390, height: 844 });
        await expect(page.locator('main')).not.toBeEmpty();
        await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
        await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
        await page.getByLabel('Menu').click();
        await accessible(page);
        await page.getByRole('button', { name: 'Dark' }).click();
        await accessible(page);
    });
}
