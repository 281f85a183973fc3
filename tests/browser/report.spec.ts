import { expect, test } from '@playwright/test';
import { accessible, decided, signIn, watch } from './help';

for (const [name, of, language, width] of [
    ['Report Reader', 'Imke', 'DE', 320],
    ['Paper Keeper', 'Rafe', 'EN', 390],
] as const) {
    test(`${name} reads the report on a phone and takes it on paper (${language}, ${width} px)`, async ({ page, browser }) => {
        const errors = watch(page);
        await signIn(page);
        const id = await decided(page, `${name} ${Date.now() % 100_000}`, of);
        await page.goto(`/#/fitting/${id}/sheet`);
        await page.getByRole('button', { name: 'Share by link' }).click();
        await page.getByRole('button', { name: 'A link to their report' }).click();
        const address = (await page.locator('code').innerText()).trim();
        await accessible(page);
        const paper = await page.request.get(`/api/fittings/${id}/report.pdf?paper=Letter`);
        expect(paper.headers()['content-type']).toBe('application/pdf');
        const phone = await (await browser.newContext({ viewport: { width, height: 780 } })).newPage();
        const phoneErrors = watch(phone);
        await phone.goto(address);
        await phone.getByRole('button', { name: language }).click();
        await expect(phone.getByRole('heading', { name: language === 'DE' ? /Ihr Driver/ : /your driver/ })).toBeVisible();
        await expect(phone.getByText(language === 'DE' ? 'Vierzehn Abschläge' : 'Fourteen drives', { exact: true })).toBeVisible();
        for (const picture of await phone.getByRole('img').all()) {
            expect(await picture.evaluate((i: HTMLImageElement) => i.complete && i.naturalWidth > 0)).toBe(true);
        }
        expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
        await accessible(phone);
        const download = phone.waitForEvent('download');
        await phone.getByRole('button', { name: 'PDF' }).click();
        expect((await download).suggestedFilename()).toBe('report.pdf');
        expect(phoneErrors).toEqual([]);
        // Ended by the studio, it shows nothing any more.
        await page.getByRole('button', { name: 'End it' }).click();
        await expect(page.getByText(/ended/)).toBeVisible();
        await phone.reload();
        await expect(phone.getByRole('alert')).toBeVisible();
        await expect(phone.getByRole('img')).toHaveCount(0);
        expect(errors).toEqual([]);
    });
}
