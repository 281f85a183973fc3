import { expect, test } from '@playwright/test';
import { withoutBay } from './atbay';
import { accessible, addSetup, beginFitting, changeOver, openPart, openStep, signIn, watch } from './help';

// A left-hander in metres on the range: wind and air are typed in the bay, and taken out of what is compared. Then the player comes back.

test('wind and air are typed, refused where they cannot be, taken out, and the player is found again', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    const name = `Runa Velthuis ${Date.now() % 1e6}`;
    await beginFitting(page, name, 'left', 'metresKmh');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await page.getByRole('link', { name: /^Bay/ }).click();
    await withoutBay(page);
    const asks = page.getByLabel('Ask the player after a trial');
    if (await asks.isChecked()) await asks.uncheck();
    await changeOver(page);
    await page.getByRole('button', { name: /Begin the trial/ }).click();
    await page.getByText('Type a shot', { exact: true }).click();
    for (const [field, value] of Object.entries({ ballSpeedMps: '236', launchDeg: '13', spinRpm: '2500' }))
        await page.locator(`#line-0-${field}`).fill(value);
    await page.getByRole('button', { name: /^Store/ }).click();
    const carry = page.locator('p.carry');
    await expect(carry).toContainText('m carry, computed');
    const still = Number(await carry.locator('span').first().textContent());

    await page.getByText('Hit outdoors?').click();
    const form = page.locator('form', { hasText: 'Wind and air are taken out' });
    await form.getByLabel('Wind', { exact: false }).first().fill('400');
    await form.getByLabel('Air').fill('12,5');
    await form.getByRole('button', { name: 'Keep wind and air' }).click();
    await expect(form.getByRole('alert').first()).toBeVisible();
    await expect(form.getByLabel('Air')).toHaveValue('12,5');
    await form.getByLabel('Wind', { exact: false }).first().fill('22,5');
    await form.getByRole('button', { name: 'Keep wind and air' }).click();
    await expect(form.getByText('Type where the wind comes from. Nothing was saved').first()).toBeVisible();
    await form.getByLabel('Wind from').selectOption('into the face');
    await accessible(page);
    await form.getByRole('button', { name: 'Keep wind and air' }).click();
    await expect(page.getByText(/Outdoors: wind 23 km\/h, into the face|Outdoors: wind 22 km\/h, into the face/)).toBeVisible();
    // Nothing of its flight was measured: what is computed has no wind to be taken out.
    await expect(carry.locator('span').first()).toHaveText(String(still));
    await openPart(page, 'Every figure');
    await expect(page.getByText(/1 shot hit outdoors, wind 22\.5 km\/h/)).toBeVisible({ timeout: 30_000 });

    // A week later: a part of the name is enough.
    await page.goto('/#/');
    await page.getByLabel('Player').fill(name.slice(5, 16));
    await page.getByRole('button', { name: new RegExp(`${name}, left-handed`) }).click();
    await expect(page.getByLabel('Own club now')).toContainText('A: Curlew L');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Here before' })).toBeVisible();
    await openStep(page, 'Bench');
    await expect(page.getByRole('list', { name: 'Trail of setups' })).toContainText('Curlew L');
    expect(errors).toEqual([]);
});
