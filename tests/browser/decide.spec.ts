import { expect, test, type Page } from '@playwright/test';
import { accessible, changeOver, openPart, openStep, signIn, watch } from './help';

// The parts of the answer and the confirm run in both hands and units, on a fitting that comes in as a file.

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
        buffer: Buffer.from(JSON.stringify({ ...file, format: 'mint-carry-fitting/3' })),
    });
    await expect(page.getByText(/This file is of schema 3/)).toBeVisible();
    await input.setInputFiles({ name: 'fitting.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) });
    await expect(page.getByText(new RegExp(`fitting.json: ${name}`))).toBeVisible();
    await page.getByRole('button', { name: 'Add it to the day book' }).click();
    await expect(page).toHaveURL(/answer/);
}

for (const [player, name, hand, unit, chosen, version] of [
    ['Rafe Quillon', 'Emrys Talbot', 'right', 'yd', 'B', 1],
    // Her file brings a decision along.
    ['Imke Dorsay', 'Sunna Merrow', 'left', 'm', 'D', 2],
] as const)
    test(`${hand}-handed, in ${unit}: compare, find, decide, confirm, lock, reopen`, async ({ page }) => {
        const errors = watch(page);
        await signIn(page);
        await bring(page, player, name);
        await openPart(page, 'Every figure');
        await expect(page.getByRole('region', { name: 'Expected', exact: true })).toContainText(`Carry ${unit}`);
        await expect(page.getByText('held against').first()).toBeVisible();
        await openPart(page, 'Every setup');
        await expect(page.getByText(/as well as the best/)).toBeVisible({ timeout: 30_000 });

        await openPart(page, 'Confirm, other');
        await expect(page.getByRole('heading', { name: 'Who would pick what' })).toBeVisible({ timeout: 30_000 });
        const schools = page.getByRole('region', { name: 'Picks by school and by which shots count' });
        await expect(schools.getByRole('row')).toHaveCount(6);
        await expect(page.getByRole('region', { name: 'The pick on other days' }).getByRole('row')).toHaveCount(10);
        await expect(page.getByRole('region', { name: 'Worth buying' })).toContainText(/EUR|Nothing has to be bought/);
        await accessible(page);

        // What breaks a tie is the fitter's order.
        const tie = page.getByRole('region', { name: 'What breaks the tie' });
        if (await tie.isVisible()) {
            await tie.getByRole('button', { name: 'price before start side' }).click();
            await expect(tie.getByRole('listitem').nth(2)).toContainText('price');
        }

        // The confirm run: the pause is asked for, then three legs in the bay.
        await page.getByLabel('Setup to confirm').selectOption(chosen);
        await page.getByRole('button', { name: `Confirm ${chosen} against A` }).click();
        await expect(page.getByText(/pause until then, or say that they rested/)).toBeVisible();
        await page.getByRole('button', { name: 'The player has rested' }).click();
        await expect(page).toHaveURL(/bay/);
        const bar = page.getByRole('region', { name: 'Confirm run' });
        await expect(bar).toContainText(`A, ${chosen}, A, 5 shots each`);
        await page.getByLabel('Ask the player after a trial').uncheck();
        await expect(page.getByLabel('Ask the player after a trial')).not.toBeChecked();
        const bay = `Confirm bay ${Date.now() % 1e7}`;
        await page.getByLabel('A new bay').fill(bay);
        await page.getByRole('button', { name: 'Add', exact: true }).click();
        await page.getByRole('combobox', { name: /^Bay/ }).selectOption({ label: bay });
        for (const [leg, tag] of ['A', chosen, 'A'].entries()) {
            const go = page.getByRole('button', { name: `Begin leg ${leg + 1}: ${tag}` });
            await expect(go).toBeVisible();
            await changeOver(page);
            await go.click();
            await expect(bar).toContainText(`leg ${leg + 1} of 3, ${tag}, 0 of 5 shots`);
            await page.getByRole('button', { name: /Hit five/ }).click();
            await expect(bar).toContainText('5 of 5 shots');
            if (leg === 0) await accessible(page);
        }
        await page.getByRole('button', { name: 'What it says' }).click();
        await expect(page).toHaveURL(/choice/);
        await expect(page.getByRole('region', { name: 'Confirm run' })).toContainText(/Confirmed:|Overturned:|Still open:|Says nothing:/, {
            timeout: 30_000,
        });

        // Decide otherwise or as advised, lock, find it closed, reopen.
        const choose = async (why: string) => {
            await page.getByRole('button', { name: 'Choose another' }).click();
            await page.getByLabel(`Setup ${chosen}`, { exact: true }).check();
            await page.getByRole('textbox', { name: /^Why|^A word/ }).fill(why);
            await page.getByRole('button', { name: `Note ${chosen}, lock it later` }).click();
        };
        await choose('She trusts it.');
        await expect(page.getByText(`Saved: ${chosen}.`)).toBeVisible();
        await expect(page.getByText(new RegExp(`Version ${version}, not locked.*She trusts it\\.`))).toBeVisible();
        await page.getByRole('button', { name: `Lock the decision for ${chosen}` }).click();
        await expect(page.getByText(`Version ${version}, locked`).first()).toBeVisible();
        await expect(page.getByRole('button', { name: 'Choose another' })).toBeHidden();
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
        await choose('Same again, new shaft.');
        await expect(page.getByText(`Version ${version + 1}, not locked`)).toBeVisible();
        await openStep(page, 'Sheet');
        await expect(page.getByText(`Version ${version + 1}, not locked`)).toBeVisible();
        await expect(page.getByRole('link', { name: 'Fitting file' })).toBeVisible();
        expect(errors).toEqual([]);
    });
