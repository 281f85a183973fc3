import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { accessible, addSetup, beginFitting, changeOver, openPart, signIn, watch } from './help';

// Every figure and why setups differ, as the fitter and the player look at them, for both hands.

/** Shots of two setups from the made-up players of the bay. */
async function hitTwo(page: Page, player: string): Promise<void> {
    await page.getByRole('link', { name: /^Bay/ }).click();
    const name = `Compare bay ${Date.now() % 1e7}`;
    await page.getByLabel('A new bay').fill(name);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByRole('combobox', { name: /^Bay/ }).selectOption({ label: name });
    await page.getByLabel('Ask the player after a trial').uncheck();
    await page.getByLabel('Made-up player').selectOption(player);
    for (const tag of ['A', 'B']) {
        await page.getByRole('radio', { name: `Setup ${tag}` }).check();
        await changeOver(page);
        await page.getByRole('button', { name: /Begin the trial/ }).click();
        await expect(page.locator('.hand .small')).toContainText('0 count');
        for (const n of [5, 10]) {
            await page.getByRole('button', { name: /Hit five/ }).click();
            await expect(page.locator('.hand .small')).toContainText(`${n} count`);
            if (tag === 'B' && n === 5) await expect(page.locator('.verdicts')).toContainText(/longer [✓✗?=]/);
        }
    }
    await openPart(page, 'Every figure');
    await expect(page.getByRole('region', { name: 'Expected', exact: true })).toContainText('Loft it plays');
}

for (const [hand, scale, player] of [
    ['right', 'yards', 'hooker'],
    ['left', 'metresKmh', 'slicer'],
] as const)
    test(`${hand}-handed, in ${scale}: verdict, like for like, the bridge, strikes, and pictures to take away`, async ({ page }) => {
        const errors = watch(page);
        await signIn(page);
        await beginFitting(page, `Compare ${hand}`, hand, scale);
        await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
        await addSetup(page, 'Add a setup', { Head: 'Tern 460', 'Stated loft': '10.5' });
        await hitTwo(page, player);
        await page.getByLabel('These shots').check();
        await expect(page.getByText(/B against A|B and A |B from A|No word on B yet/).first()).toBeVisible();
        await page.getByLabel('Like for like').check();
        await expect(page.getByRole('region', { name: 'Like for like' })).toContainText('these shots');
        await expect(page.getByText(/^Evened out: luck in club speed/).first()).toBeVisible();
        await openPart(page, 'Why they differ');
        const why = page.getByRole('region', { name: 'Why B differs from A' });
        await expect(why.locator('svg[role=img]')).toBeVisible();
        // The bars add up to the sum below them.
        await why.getByText('Figures and files').click();
        const cells = await why.locator('tbody tr td:nth-child(2)').allTextContents();
        const values = cells.map((c) => Number(c.replace('−', '-').replace('+', '').replace(',', '.')));
        const total = values.pop()!;
        expect(Math.abs(values.reduce((s, v) => s + v, 0) - total)).toBeLessThan(0.06 * values.length);
        await why.getByRole('combobox', { name: /^Figure/ }).selectOption('sideM');
        await expect(why.locator('svg[role=img]')).toBeVisible();
        // A picture goes with its styles, a table with its figures.
        const [svg] = await Promise.all([page.waitForEvent('download'), why.getByRole('button', { name: /^SVG/ }).click()]);
        expect(readFileSync((await svg.path())!, 'utf8')).toContain('stroke');
        const [csv] = await Promise.all([page.waitForEvent('download'), why.getByRole('button', { name: /^CSV/ }).click()]);
        expect(readFileSync((await csv.path())!, 'utf8')).toMatch(/^Cause,Happened/);
        const [png] = await Promise.all([page.waitForEvent('download'), why.getByRole('button', { name: /^PNG/ }).click()]);
        expect(
            readFileSync((await png.path())!)
                .subarray(1, 4)
                .toString(),
        ).toBe('PNG');
        // A shot under the pointer is ringed in every picture. The mark drawn last: an earlier one can lie hidden under another.
        const mark = page.getByRole('region', { name: 'Where they land' }).locator('g[role=presentation]').last();
        await mark.hover();
        await expect(page.locator('circle.ring')).not.toHaveCount(0);
        const strike = page.getByRole('region', { name: 'Strike and forgiveness' }).locator('svg[role=img]');
        const at = async (word: string) => (await strike.locator('text', { hasText: word }).first().boundingBox())!.x;
        expect((await at('heel')) > (await at('toe'))).toBe(hand === 'right');
        await expect(page.getByRole('region', { name: 'What an off-centre strike costs' })).toContainText('model, corrected by 10 strikes');
        await accessible(page);
        expect(errors).toEqual([]);
    });

test('a picture of simulated shots says so wherever it is taken', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await page
        .getByRole('listitem')
        .getByRole('link', { name: /Rafe Quillon/ })
        .click();
    await openPart(page, 'Why they differ');
    const map = page.getByRole('region', { name: 'Where they land' });
    await expect(map.locator('svg[role=img]')).toBeVisible();
    await map.getByText('Figures and files').click();
    const [svg] = await Promise.all([page.waitForEvent('download'), map.getByRole('button', { name: /^SVG/ }).click()]);
    expect(readFileSync((await svg.path())!, 'utf8')).toMatch(/Simulated: \d+ of the shots are simulated, not hit \(A, B, C\)/);
    const [csv] = await Promise.all([page.waitForEvent('download'), map.getByRole('button', { name: /^CSV/ }).click()]);
    expect(readFileSync((await csv.path())!, 'utf8')).toContain('Simulated:');
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByText(/^Simulated: \d+ of the shots/)).toBeVisible();
    expect(errors).toEqual([]);
});
