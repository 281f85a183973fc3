import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { accessible, decided, signIn, watch } from './help';

for (const [name, of, language, width, unit] of [
    ['Rhona Felsted', 'Imke', 'de', 320, 'm'],
    ['Ansgar Pell', 'Rafe', 'fr', 390, 'yd'],
] as const) {
    test(`${name} tells three rounds on a phone, and the promise is held against them (${language}, ${width} px)`, async ({
        page,
        browser,
    }) => {
        const errors = watch(page);
        const words = (JSON.parse(readFileSync(`resources/words/${language}.json`, 'utf8')) as { rounds: Record<string, string> }).rounds;
        const say = (key: string) => words[key]!;
        // A course that nobody else of the demo has played.
        const course = `Fallow Moor ${Date.now() % 100_000}`;
        const who = `${name} ${Date.now() % 100_000}`;
        await signIn(page);
        const id = await decided(page, who, of);
        await page.goto(`/#/fitting/${id}/follow-up`);
        await expect(page.getByText('No round with the new club was told of yet.')).toBeVisible();
        await page.getByRole('button', { name: 'A link to tell of their rounds' }).click();
        const address = (await page.locator('code').innerText()).trim();
        const phone = await (await browser.newContext({ viewport: { width, height: 780 } })).newPage();
        const phoneErrors = watch(phone);
        await phone.goto(address);
        await phone.getByRole('button', { name: language.toUpperCase() }).click();
        await expect(phone.getByRole('heading', { name: say('title') })).toBeVisible();
        await accessible(phone);
        expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
        const step = async (label: string, times: number) => {
            for (let i = 0; i < times; i++) await phone.getByRole('button', { name: `${label} +1` }).click();
        };
        for (const round of [1, 2, 3]) {
            await phone.getByLabel(say('course')).fill(course);
            await step(say('holes'), 1);
            await step(say('hit'), 8);
            await step(say('right'), 6);
            for (const none of [say('left'), say('lost')]) await phone.getByRole('button', { name: `${none} −1` }).click();
            if (round === 1) {
                // One too many is said at once, and nothing can be sent.
                await step(say('left'), 1);
                await expect(phone.getByRole('alert')).toContainText(say('tooMany').split(/ ?: /)[1]!.replace(/\.$/, ''));
                await expect(phone.getByRole('button', { name: say('send') })).toBeDisabled();
                await phone.getByRole('button', { name: `${say('left')} −1` }).click();
            }
            await phone.getByLabel(say('drive').replace('{n, number}', '1')).fill(unit === 'm' ? '204,5' : '251');
            await phone.getByRole('radio', { name: '4' }).check();
            await phone.getByRole('button', { name: say('send') }).click();
            await expect(phone.getByRole('heading', { name: new RegExp(say('thanks').split(/ ?:/)[0]!) })).toBeVisible();
            if (round < 3) await phone.getByRole('button', { name: say('another') }).click();
        }
        await expect(phone.getByText(course)).toHaveCount(3);
        expect(phoneErrors).toEqual([]);

        await page.reload();
        await expect(page.getByText(/3 rounds, 24 of 42 fairways/)).toBeVisible();
        await expect(page.getByText(/Not yet to be told: courses differ more than clubs do/)).toBeVisible();
        await expect(page.getByText(/the misses lie right and that is no accident/)).toBeVisible();
        await expect(page.getByText(/Turn the sleeve to|Move the weights to/).first()).toBeVisible();
        await expect(page.getByText(unit === 'm' ? /Measured on the course: 20[45] m/ : /Measured on the course: 251 yd/)).toBeVisible();
        await accessible(page);
        // The same course with the club before, from a table: now there is something to hold it against.
        const table = `played,course,club,holes,hit,left,right,lost\n2026-09-01,${course},before,14,3,2,8,1\n2026-09-08,${course.toLowerCase()},before,14,4,2,7,1\n`;
        writeFileSync(test.info().outputPath('rounds.csv'), table);
        await page.getByText('From a table (CSV)').click();
        await page.getByLabel('Choose a table of rounds').setInputFiles(test.info().outputPath('rounds.csv'));
        await page.getByRole('button', { name: 'Keep them' }).click();
        await expect(page.getByText(/against 7 of 28 with the club before/)).toBeVisible();
        await page.getByRole('button', { name: 'Fit again from here' }).click();
        await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
        await page.getByRole('link', { name: /^Bench/ }).click();
        await expect(page.getByRole('heading', { name: 'Setups' })).toBeVisible();
        expect(errors).toEqual([]);
    });
}
