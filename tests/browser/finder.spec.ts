import { expect, test } from '@playwright/test';
import { accessible, openPart, signIn, watch } from './help';

// Every setup on the rack, on the demo fittings of both hands.

for (const [player, hand] of [
    ['Rafe Quillon', 'right'],
    ['Imke Dorsay', 'left'],
] as const)
    test(`every setup on the rack for ${player}, ${hand}-handed: what it advises, the two pictures, the list, and a setup added to the bench`, async ({
        page,
    }) => {
        const errors = watch(page);
        await signIn(page);
        await page.getByRole('link', { name: new RegExp(player) }).click();
        await openPart(page, 'Every setup');
        await expect(page.getByRole('heading', { name: 'Every setup on the rack' })).toBeVisible();
        await expect(page.getByText(/cannot be told from the best/).first()).toBeVisible({ timeout: 30_000 });
        await expect(page.getByText(/^Next: /).first()).toBeVisible();
        await expect(page.getByRole('img', { name: /Carry against share in the corridor/ })).toBeVisible();
        await expect(page.getByRole('img', { name: /Loft against face of every setup/ })).toBeVisible();
        const list = page.getByRole('region', { name: 'Setups by expected gain' });
        await expect(list.getByRole('row')).not.toHaveCount(0);
        await expect(page.getByRole('heading', { name: 'Learned of this player' })).toBeVisible();
        await accessible(page);
        const before = await page.getByRole('list', { name: 'Trail of setups' }).getByRole('listitem').count();
        await page.getByRole('button', { name: 'Add it to the bench' }).first().click();
        await expect(page.getByText(/is on the bench:/)).toBeVisible({ timeout: 30_000 });
        await expect(page.getByRole('list', { name: 'Trail of setups' }).getByRole('listitem')).not.toHaveCount(before);
        // It is built like the own club: only what the finder chose is another.
        const id = page.url().match(/fitting\/(\d+)/)![1];
        const { setups } = await (await page.request.get(`/api/fittings/${id}`)).json();
        const [own, added] = [setups[0], setups.at(-1)];
        for (const field of ['shaft', 'shaftId', 'gripId', 'lengthMm', 'ball', 'teeMm', 'cue'])
            expect(added[field], field).toEqual(own[field]);
        // The demo stays as it was for the tests after this one.
        await page.getByRole('link', { name: /^Bay/ }).click();
        await page.getByText('Log of this fitting').click();
        await page
            .getByRole('button', { name: /Take back added setup/ })
            .first()
            .click();
        await expect(page.getByText(/^added setup \w+ \(taken back\)/).first()).toBeVisible();
        await openPart(page, 'Every setup');
        await page.getByLabel('In stock', { exact: true }).check();
        await expect(page.getByText(/cannot be told from the best/).first()).toBeVisible({ timeout: 30_000 });
        expect(errors).toEqual([]);
    });
