import { expect, test } from '@playwright/test';
import { accessible, decided, signIn, watch } from './help';

test('a club is ordered, comes out of tolerance, is mended and handed over; a step is taken back', async ({ page }) => {
    const errors = watch(page);
    const name = `Isolde Marrack ${Date.now() % 100_000}`;
    await signIn(page);
    const id = await decided(page, name);
    await page.goto(`/#/fitting/${id}/sheet`);
    await page.getByRole('button', { name: 'Order this club' }).click();
    await expect(page.getByRole('heading', { name: 'Orders' })).toBeVisible();
    const row = page.getByRole('listitem').filter({ hasText: name });
    await row.getByLabel('Price').first().fill('415,50');
    await row.getByLabel('Days').fill('9');
    await row.getByRole('button', { name: 'Save' }).click();
    await expect(row.getByText(/\d\.50 EUR/).first()).toBeVisible();
    await row.getByRole('button', { name: 'Mark as ordered' }).click();
    await expect(row.getByText(/waits for the parts, due/)).toBeVisible();
    await page.getByRole('button', { name: /^Undo: noted as ordered/ }).click();
    await expect(row.getByText('waits to be ordered')).toBeVisible();
    for (const step of ['Mark as ordered', 'Mark as arrived', 'Mark as built']) await row.getByRole('button', { name: step }).click();
    await row
        .getByRole('button', { name: 'Read it' })
        .click()
        .catch(() => undefined);
    // Bad input first: what was typed stays.
    await row.getByLabel('Loft').fill('eleven');
    await row.getByRole('button', { name: 'Compare with the order' }).click();
    await expect(row.getByRole('alert').first()).toBeVisible();
    await expect(row.getByLabel('Loft')).toHaveValue('eleven');
    const wanted = await page.evaluate(
        async (name) =>
            (await (await fetch('/api/orders')).json()).find((o: { player: { name: string } }) => o.player.name === name).figures,
        name,
    );
    await row.getByLabel('Loft').fill(String(wanted.loftDeg).replace('.', ','));
    await row.getByLabel('Lie').fill(String(wanted.lieDeg));
    await row.getByLabel('Face').fill(String(wanted.faceOpenDeg - 2));
    await row.getByLabel(/Length/).fill(String(wanted.lengthMm));
    await row.getByLabel('Swing weight').fill('C9');
    await row.getByRole('button', { name: 'Compare with the order' }).click();
    await expect(row.getByText(/Out of tolerance: face/)).toBeVisible();
    await expect(row.getByText('For this player’s ball, by the models:')).toBeVisible();
    await expect(row.getByText(/Turn the sleeve to/)).toBeVisible();
    await accessible(page);
    // Mended: read again, in tolerance.
    await row.getByLabel('Face').fill(String(wanted.faceOpenDeg));
    await row.getByLabel('Swing weight').fill(`D${(wanted.swingWeightPoints - 30).toFixed(1)}`.replace('D-1', 'C9').replace('D-', 'C'));
    await row.getByRole('button', { name: 'Compare with the order' }).click();
    await expect(row.getByText('waits to be handed over')).toBeVisible();
    await row.getByRole('button', { name: 'Hand it over' }).click();
    await expect(page.getByRole('region', { name: 'Done with' }).getByText(name)).toBeVisible();
    await page.goto(`/#/fitting/${id}/sheet`);
    await page.getByRole('tab', { name: 'For the workshop' }).click();
    await expect(page.getByText('As it was built, on gauge and balance:')).toBeVisible();
    await page.goto('/#/');
    await expect(page.getByRole('listitem').getByRole('link', { name: new RegExp(`${name}.*handed over`) })).toBeVisible();
    expect(errors).toEqual([]);
});

test('the front page of orders fits a phone, and a cancelled order says why', async ({ page }) => {
    await page.setViewportSize({ width: 320, height: 720 });
    await signIn(page);
    const id = await decided(page, 'Petra Winslade');
    await page.goto(`/#/fitting/${id}/sheet`);
    await page.getByRole('button', { name: 'Order this club' }).click();
    await expect(page.getByRole('heading', { name: 'Orders' })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
    await page.getByRole('button', { name: 'Cancel', exact: true }).click();
    await page.getByRole('button', { name: 'Cancel', exact: true }).last().click();
    await expect(page.getByText('Say in a few words why').first()).toBeVisible();
    await page.getByLabel('Why?').fill('moved away');
    await page.getByRole('button', { name: 'Cancel', exact: true }).last().click();
    await expect(page.getByText('moved away').first()).toBeVisible();
});
