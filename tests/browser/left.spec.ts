import { expect, test, type Page, type Route } from '@playwright/test';
import { hitting } from './atbay';
import { drawn, signIn, watch } from './help';

// An answer that comes after its screen was left is nobody's: it is not shown on another's page, and touches nothing.

const fittings = async (page: Page) =>
    (await (await page.request.get('/api/fittings')).json()) as { id: number; player: { name: string } }[];
/** Holds the answers of a route back until they are let go. */
async function holdBack(page: Page, what: RegExp): Promise<() => void> {
    const held: Route[] = [];
    await page.route(what, (route) => void held.push(route));
    return () => {
        for (const route of held.splice(0)) void route.continue().catch(() => undefined);
        void page.unroute(what);
    };
}

test('one fitting’s advice is never shown on another’s page', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    const all = await fittings(page);
    const [one, other] = ['Imke Dorsay', 'Rafe Quillon'].map((name) => all.find((f) => f.player.name === name)!.id);
    const letGo = await holdBack(page, new RegExp(`/api/fittings/${one}/(advice|grounds|schools)`));
    await page.goto(`/#/fitting/${one}/answer/choice`);
    await expect(page.getByText('Imke Dorsay').first()).toBeVisible();
    await page.goto(`/#/fitting/${other}/answer/choice`);
    await expect(page.getByText('Rafe Quillon').first()).toBeVisible();
    letGo();
    await drawn(page);
    // Alone, it says the same.
    const told = (await page.locator('main').innerText()).replace(/\s+/g, ' ');
    await page.reload();
    await expect(page.getByText('Rafe Quillon').first()).toBeVisible();
    await drawn(page);
    expect(told).toBe((await page.locator('main').innerText()).replace(/\s+/g, ' '));
    expect(errors).toEqual([]);
});

test('a screen that was left is left alone', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    const one = (await fittings(page)).find((f) => f.player.name === 'Imke Dorsay')!.id;
    for (const step of ['answer', 'answer/choice', 'answer/rack', 'answer/figures', 'sheet', 'bay', 'follow-up']) {
        const letGo = await holdBack(page, new RegExp(`/api/fittings/${one}/`));
        await page.goto(`/#/fitting/${one}/${step}`);
        await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 50))));
        await page.goto('/#/orders');
        await expect(page.getByRole('heading', { name: 'Orders', exact: true })).toBeVisible();
        letGo();
        await drawn(page);
    }
    expect(errors).toEqual([]);
});

test('what is still being written for a fitting that was left is stored, and shows nothing of it on another’s page', async ({ page }) => {
    await hitting(page, 'Left Behind', 'yards');
    const left = Number(/fitting\/(\d+)/.exec(page.url())![1]);
    const other = (await fittings(page)).find((f) => f.player.name === 'Rafe Quillon')!.id;
    const letGo = await holdBack(page, /\/api\/setups\/\d+\/shelf$/);
    const sent = page.waitForRequest(/\/api\/setups\/\d+\/shelf$/);
    await page.keyboard.press(',');
    await page.keyboard.press('2');
    await sent;
    await page.goto(`/#/fitting/${other}/brief`);
    await expect(page.getByText('Rafe Quillon').first()).toBeVisible();
    const stored = page.waitForResponse(/\/api\/setups\/\d+\/shelf$/);
    letGo();
    expect((await stored).status()).toBe(200);
    await drawn(page);
    await expect(page.getByText('Rafe Quillon').first()).toBeVisible();
    await expect(page.getByText('Left Behind')).toHaveCount(0);
    const kept = (await (await page.request.get(`/api/fittings/${left}`)).json()) as { setups: { starred: boolean }[] };
    expect(kept.setups[0]!.starred).toBe(true);
});

test('one answer that hangs does not silence the bay’s keys', async ({ page }) => {
    await hitting(page, 'Hanging Answer', 'yards');
    await expect(page.getByText(/^trial 1/)).toBeVisible();
    const letGo = await holdBack(page, /\/api\/fittings\/\d+\/trials\/end$/);
    await page.keyboard.press(',');
    await page.keyboard.press('7');
    await expect(page.getByText('The server has not answered yet.')).toBeVisible();
    await page.keyboard.press(',');
    await page.keyboard.press('2');
    await page.getByRole('button', { name: 'Wait no longer' }).click();
    await expect(page.getByTitle('starred')).toBeVisible();
    await expect(page.getByText('The server has not answered yet.')).toHaveCount(0);
    letGo();
    await expect(page.getByText(/^trial 1/)).toHaveCount(0);
});

test('“No connection” goes when the connection is back: what was read comes by itself, what was written is asked for again', async ({
    page,
    context,
}) => {
    const errors = watch(page);
    await signIn(page);
    await page.goto('/#/orders');
    await expect(page.getByRole('heading', { name: 'Orders', exact: true })).toBeVisible();
    await page.goto('/#/season');
    await expect(page.getByRole('heading', { name: /Season|Ledger/ }).first()).toBeVisible();
    await drawn(page);
    await context.setOffline(true);
    await page.goto('/#/orders');
    await expect(page.getByRole('alert')).toContainText('No connection');
    await context.setOffline(false);
    await expect(page.getByText('No connection')).toHaveCount(0);
    await drawn(page);
    await expect(page.locator('main').getByRole('link').or(page.locator('main').getByRole('row')).first()).toBeVisible();
    // A write is not sent by itself: whoever typed it may have typed on meanwhile.
    await page.goto('/#/');
    const were = (await fittings(page)).filter((f) => f.player.name === 'Lost Connection').length;
    await page.getByLabel('Player').fill('Lost Connection');
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByRole('alert')).toContainText('No connection');
    await context.setOffline(false);
    await expect(page.getByText('No connection')).toHaveCount(0);
    await expect(page.getByLabel('Player')).toHaveValue('Lost Connection');
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
    expect((await fittings(page)).filter((f) => f.player.name === 'Lost Connection')).toHaveLength(were + 1);
    expect(errors.filter((e) => !e.includes('net::ERR_'))).toEqual([]);
});
