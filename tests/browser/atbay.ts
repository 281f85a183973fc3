import { execFile } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import { addSetup, beginFitting, changeOver, signIn } from './help';
import { address } from './served';

// What a fitter does in the bay again and again.

export async function toBay(page: Page): Promise<void> {
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: /^Bay/ }).click();
    await expect(page.getByText('In which bay?').or(page.getByRole('region', { name: 'In the hand' }))).toBeVisible();
}
/** Where no monitor is, shots are typed or read from a file. */
export async function withoutBay(page: Page): Promise<void> {
    await page.getByRole('button', { name: /^In no bay/ }).click();
    await expect(page.getByRole('region', { name: 'In the hand' })).toBeVisible();
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
    await expect(card.or(page.getByRole('button', { name: /Begin the trial/ }))).toBeVisible();
    await changeOver(page);
    await page.getByRole('button', { name: /Begin the trial/ }).click();
}
/** Trials without asking the player first. */
export async function noRatings(page: Page): Promise<void> {
    await page.getByLabel('Ask the player after a trial').uncheck();
    await expect(page.getByLabel('Ask the player after a trial')).not.toBeChecked();
}
export const carry = (page: Page) => page.locator('.carry > span').first();
export const count = (page: Page) => page.locator('.hand .small');
/** A new fitting with the own club alone, in a bay of its own. */
export async function inTheBay(page: Page, player: string, scale: 'yards' | 'metresKmh'): Promise<{ id: number; token: string }> {
    await signIn(page);
    await beginFitting(page, player, scale === 'yards' ? 'right' : 'left', scale);
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    await toBay(page);
    return newBay(page);
}
/** And its first trial begun, without asking the player first. */
export async function hitting(page: Page, player: string, scale: 'yards' | 'metresKmh'): Promise<{ id: number; token: string }> {
    const bay = await inTheBay(page, player, scale);
    await noRatings(page);
    await begin(page);
    await expect(count(page)).toContainText('0 count');
    return bay;
}
/** What the application has of the fitting that is open: '' for itself, 'shots', 'bay'. */
export async function recorded<T>(page: Page, what: string): Promise<T> {
    const id = page.url().match(/fitting\/(\d+)/)![1];
    return (await page.request.get(`/api/fittings/${id}/${what}`)).json() as Promise<T>;
}
