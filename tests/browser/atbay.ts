import { execFile } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import { address } from './served';

// What a fitter does in the bay again and again.

export async function toBay(page: Page): Promise<void> {
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /^Bay/ }).click();
    await expect(page.getByRole('button', { name: /Begin the trial/ })).toBeVisible();
}
export async function newBay(page: Page): Promise<{ id: number; token: string }> {
    const name = `Test bay ${Date.now() % 1e7}`;
    await page.getByLabel('A new bay').fill(name);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByRole('combobox', { name: /^Bay/ }).selectOption({ label: name });
    await page.getByRole('button', { name: 'Token for a monitor' }).click();
    const token = (await page.locator('code').first().textContent())!;
    const id = Number((await page.locator('code').nth(1).textContent())!.match(/bays\/(\d+)/)![1]);
    return { id, token };
}
/** bin/monitor as it ships, posting to the served application. */
export function monitor(bay: { id: number; token: string }, ...more: string[]): Promise<string> {
    return new Promise((done, fail) => {
        execFile(
            'bin/monitor',
            ['--address', address(), '--bay', String(bay.id), '--token', bay.token, '--pace', '0.05', '--seed', '7', ...more],
            (error, out, err) => (error ? fail(new Error(err)) : done(out)),
        );
    });
}
/** Ticks the change-over off and begins. */
export async function begin(page: Page): Promise<void> {
    const card = page.locator('fieldset', { hasText: 'Change-over' });
    while (await card.isVisible()) await card.getByRole('checkbox', { checked: false }).first().click();
    await page.getByRole('button', { name: /Begin the trial/ }).click();
}
/** Trials without asking the player first. */
export async function noRatings(page: Page): Promise<void> {
    await page.getByLabel('Ask the player before the numbers').uncheck();
    await expect(page.getByLabel('Ask the player before the numbers')).not.toBeChecked();
}
export const carry = (page: Page) => page.locator('.carry span').first();
export const count = (page: Page) => page.locator('.hand .small');
