import { expect, test } from '@playwright/test';
import type { Fitting } from '../../resources/web/api/generated/types';
import { accessible, openPart, signIn, watch } from './help';

// Every setup on the rack, on the demo fittings of both hands.

for (const [player, hand] of [
    ['Rafe Quillon', 'right'],
    ['Imke Dorsay', 'left'],
] as const)
    test(`every setup on the rack for ${player}, ${hand}-handed: the list, its pictures, and a setup added to the bench`, async ({
        page,
    }) => {
        const errors = watch(page);
        await signIn(page);
        await page
            .getByRole('listitem')
            .getByRole('link', { name: new RegExp(player) })
            .click();
        await openPart(page, 'Every setup');
        await expect(page.getByRole('heading', { name: 'Every setup on the rack' })).toBeVisible();
        await expect(page.getByText(/as well as the best/)).toBeVisible({ timeout: 30_000 });
        await expect(page.getByRole('img', { name: /Carry against fairways/ })).toBeVisible();
        await page.getByText(/^Two more pictures/).click();
        await expect(page.getByRole('img', { name: /Loft against face of every setup/ })).toBeVisible();
        const list = page.getByRole('region', { name: 'Setups, the best first' });
        await expect(list.getByRole('row')).not.toHaveCount(0);
        await page.getByText('What the shots taught about this player').click();
        await expect(page.getByText('loft of the sleeve that reaches the ball')).toBeVisible();
        await accessible(page);
        const id = page.url().match(/fitting\/(\d+)/)![1];
        const read = async () => (await (await page.request.get(`/api/fittings/${id}`)).json()) as Fitting;
        const before = (await read()).setups.length;
        await page.getByRole('button', { name: 'Put it on the bench' }).click();
        await expect(page.getByText(/is on the bench:/)).toBeVisible({ timeout: 30_000 });
        // It is built like the own club: only what the finder chose is another.
        const { setups } = await read();
        expect(setups.length).toBe(before + 1);
        const [own, added] = [setups[0], setups.at(-1)];
        for (const field of ['shaft', 'shaftId', 'gripId', 'lengthMm', 'ball', 'teeMm', 'cue'] as const)
            expect(added![field], field).toEqual(own![field]);
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
        await expect(page.getByText(/as well as the best/)).toBeVisible({ timeout: 30_000 });
        expect(errors).toEqual([]);
    });
