import { expect, test } from '@playwright/test';
import { accessible, begin, signIn, watch } from './help';

// Each answers by a link on a phone; the brief that follows has it, marked as theirs.
for (const [name, hand, language, width] of [
    ['Ruben Ostrander', 'right', 'en', 390],
    ['Thea Windhorst', 'left', 'de', 320],
] as const) {
    test(`${name} says by link what they want (${hand}-handed, ${language}, ${width} px)`, async ({ page, browser }) => {
        const errors = watch(page);
        await signIn(page);
        await begin(page, name, hand, hand === 'left' ? 'metresKmh' : 'yards');
        await page.getByRole('link', { name, exact: true }).click();
        await page.getByRole('button', { name: 'A link to ask before they come' }).click();
        const address = (await page.locator('code').innerText()).trim();
        await expect(page.getByRole('img', { name: 'The link as a square code' })).toBeVisible();
        await accessible(page);

        const phone = await (await browser.newContext({ viewport: { width, height: 780 }, locale: 'en-GB' })).newPage();
        const phoneErrors = watch(phone);
        await phone.goto(address);
        if (language === 'de') await phone.getByRole('button', { name: 'DE', exact: true }).click();
        const de = language === 'de';
        await expect(phone.getByRole('heading', { name: de ? 'Bevor Sie kommen' : 'Before you come' })).toBeVisible();
        await accessible(phone);
        expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
        await phone.getByRole('radio', { name: de ? 'Linkshänder' : 'right-handed' }).check();
        await phone.getByRole('radio', { name: de ? 'Metern' : 'yards' }).check();
        await phone.getByLabel(de ? 'Sie fliegen meist' : 'They usually fly').selectOption('fade');
        // A left-hander’s fade curves the other way, and is said so.
        await expect(phone.getByLabel(de ? 'Sie fliegen meist' : 'They usually fly').locator('option:checked')).toHaveText(
            de ? 'mit kleiner Kurve von rechts nach links' : 'a small curve from left to right',
        );
        await phone.getByLabel(de ? 'Sie tragen etwa' : 'They carry about').fill(de ? '1.901' : '900');
        await phone.getByLabel(de ? 'In eigenen Worten' : 'In your own words').fill('Den Teich nie wieder');
        await phone.getByLabel(de ? 'Tut beim Schwingen' : 'Does something hurt').fill('Left wrist');
        await phone.getByRole('checkbox', { name: de ? 'Ich bin einverstanden' : 'I agree to this' }).check();
        await phone.getByRole('button', { name: de ? 'Senden' : 'Send' }).click();
        await expect(phone.getByRole('alert')).toContainText(de ? 'zwischen 60 und 340' : 'between 66 and 371');
        // The phone is put away and taken out again: nothing is gone, the language neither.
        await phone.reload();
        await expect(phone.getByLabel(de ? 'In eigenen Worten' : 'In your own words')).toHaveValue('Den Teich nie wieder');
        await phone.getByLabel(de ? 'Sie tragen etwa' : 'They carry about').fill(de ? '190,5' : '230');
        await phone.getByRole('button', { name: de ? 'Senden' : 'Send' }).click();
        await expect(phone.getByRole('heading', { name: de ? 'Danke' : 'Thank you' })).toBeVisible();
        await phone.reload();
        await expect(phone.getByText('Teich')).toHaveCount(0);
        expect(phoneErrors).toEqual([]);

        await page.goBack();
        await page.reload();
        await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
        await expect(page.getByText(/answered by link on/)).toBeVisible();
        await expect(page.getByText(/Pain or injury: “Left wrist”/)).toBeVisible();
        await expect(page.getByLabel(/Typical carry/)).toHaveValue(de ? '190.5' : '230');
        await expect(page.getByText('as they said by link').first()).toBeVisible();
        expect(errors).toEqual([]);
    });
}

test('a link that was ended says so and shows nothing', async ({ page, browser }) => {
    await signIn(page);
    await begin(page, 'Ended Early', 'right', 'yards');
    await page.getByRole('link', { name: 'Ended Early', exact: true }).click();
    await page.getByRole('button', { name: 'A link to ask before they come' }).click();
    const address = (await page.locator('code').innerText()).trim();
    await page.getByRole('button', { name: 'End it' }).click();
    await expect(page.getByText(/ended/)).toBeVisible();
    const phone = await (await browser.newContext()).newPage();
    await phone.goto(address);
    await expect(phone.getByRole('alert')).toContainText('not good any more');
});
