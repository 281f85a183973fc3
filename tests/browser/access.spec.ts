import { createHmac } from 'node:crypto';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { accessible, begin, drawn, signIn, signInByForm, watch } from './help';
import { address } from './served';

/** A code of RFC 6238, worked out apart from the application. */
function code(secret: string, offset = 0): string {
    const bits = [...secret].map((c) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0')).join('');
    const key = Buffer.from(bits.match(/.{8}/g)!.map((b) => parseInt(b, 2)));
    const counter = Buffer.alloc(8);
    counter.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000) + offset));
    const hash = createHmac('sha1', key).update(counter).digest();
    return String((hash.readUInt32BE(hash[19]! & 15) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}
async function other(browser: Browser): Promise<Page> {
    return (await browser.newContext({ baseURL: address(), viewport: { width: 1280, height: 800 } })).newPage();
}
const linkOf = async (page: Page) => (await page.locator('.link code').innerText()).trim();

test('an owner invites a front desk, who chooses a password, sees no judging, and is removed', async ({ page, browser }) => {
    const errors = watch(page);
    const name = `Perrin Gale ${Date.now()}`;
    await signIn(page);
    await page.getByRole('link', { name: 'Studio' }).click();
    await accessible(page);
    await page.getByLabel('As').selectOption({ label: 'Front desk' });
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByLabel('E-mail').fill(`desk${Date.now()}@demo.example`);
    await page.getByRole('button', { name: 'Invite' }).click();
    const link = await linkOf(page);
    await accessible(page);

    const desk = await other(browser);
    const deskErrors = watch(desk);
    await desk.goto(link);
    await expect(desk.getByRole('heading', { name: 'Lantern Yard Fitting' })).toBeVisible();
    await accessible(desk);
    await desk.getByLabel('New password').fill('short');
    await desk.getByLabel('The same again').fill('short');
    await desk.getByRole('button', { name: 'Sign in with it' }).click();
    await expect(desk.getByText('Use at least 12 letters')).toBeVisible();
    await desk.getByLabel('New password').fill('seven quiet owls');
    await desk.getByRole('button', { name: 'Sign in with it' }).click();
    await expect(desk.getByText('The two are not the same')).toBeVisible();
    await desk.getByLabel('The same again').fill('seven quiet owls');
    await desk.getByRole('button', { name: 'Sign in with it' }).click();
    await expect(desk.getByRole('heading', { name: 'Day book' })).toBeVisible();
    expect(desk.url()).not.toContain('welcome');
    await expect(desk.getByRole('link', { name: 'Rack', exact: true })).toHaveCount(0);
    await desk
        .getByRole('link', { name: /Imke Dorsay/ })
        .first()
        .click();
    await expect(desk.getByRole('article', { name: /^Report of Imke/ })).toBeVisible();
    await expect(desk.getByRole('link', { name: /^Answer/ })).toHaveCount(0);
    // What the screens do not offer is refused as well.
    for (const path of ['comparison', 'shots', 'judge', 'bay'])
        expect(await desk.evaluate(async (p) => (await fetch(`/api/fittings/3/${p}`)).status, path)).toBe(403);
    // The link is used up.
    const late = await other(browser);
    await late.goto(link);
    await expect(late.getByText('This link is not good any more')).toBeVisible();

    await page.reload();
    const row = page.getByRole('row', { name });
    await expect(row).toContainText('1 open session');
    await row.getByRole('button', { name: 'Remove' }).click();
    await row.getByRole('button', { name: `Yes, remove ${name}` }).click();
    await expect(row).toContainText('removed');
    await desk.goto('/#/');
    await desk.reload();
    await expect(desk.getByRole('button', { name: 'Sign in' })).toBeVisible();
    expect([...errors, ...deskErrors]).toEqual([]);
});

test('a fitter sets a second factor up, comes in with it, and with a recovery code once', async ({ page, browser }) => {
    await signIn(page);
    await page.goto('/#/studio/people');
    const email = `two${Date.now()}@demo.example`;
    await page.getByLabel('Name', { exact: true }).fill('Ottilie Brandt');
    await page.getByLabel('E-mail').fill(email);
    await page.getByRole('button', { name: 'Invite' }).click();

    const fitter = await other(browser);
    const errors = watch(fitter);
    await fitter.goto(await linkOf(page));
    await fitter.getByLabel('New password').fill('seven quiet owls');
    await fitter.getByLabel('The same again').fill('seven quiet owls');
    await fitter.getByRole('button', { name: 'Sign in with it' }).click();
    await fitter.getByRole('link', { name: 'Account' }).click();
    await accessible(fitter);
    const panel = fitter.getByRole('region', { name: 'Second factor' });
    await panel.getByLabel('Password now').fill('wrong');
    await panel.getByRole('button', { name: 'Set it up' }).click();
    await expect(panel.getByText('This is not your password.')).toBeVisible();
    await panel.getByLabel('Password now').fill('seven quiet owls');
    await panel.getByRole('button', { name: 'Set it up' }).click();
    await expect(panel.getByRole('img', { name: /secret of the second factor/ })).toBeVisible();
    const secret = (await panel.locator('code').innerText()).trim();
    await panel.getByLabel('Code').fill('000000');
    await panel.getByRole('button', { name: 'Put it in force' }).click();
    await expect(panel.getByText('This code does not fit')).toBeVisible();
    await panel.getByLabel('Code').fill(code(secret));
    await panel.getByRole('button', { name: 'Put it in force' }).click();
    await expect(panel.locator('li code')).toHaveCount(10);
    const recovery = await panel.locator('li code').first().innerText();
    await accessible(fitter);
    const enter = async (second: string) => {
        await fitter.getByRole('button', { name: 'Sign out' }).click();
        await fitter.getByLabel('E-mail').fill(email);
        await fitter.getByLabel('Password').fill('seven quiet owls');
        await fitter.getByRole('button', { name: 'Sign in' }).click();
        await fitter.getByLabel(/Code of your authenticator/).fill(second);
        await fitter.getByRole('button', { name: 'Sign in' }).click();
    };
    await enter(code(secret, 1));
    await expect(fitter.getByRole('heading', { name: 'Day book' })).toBeVisible();
    await enter(recovery);
    await expect(fitter.getByRole('heading', { name: 'Day book' })).toBeVisible();
    await enter(recovery);
    await expect(fitter.getByText('This code does not fit')).toBeVisible();
    expect(errors).toEqual([]);
});

test('a screen locks, keeps what was typed under it, and opens with the password', async ({ page }) => {
    await signInByForm(page);
    await page.getByLabel('Player').fill('Half a na');
    // Left alone: the application is told so, as its timer would.
    await page.evaluate(async () => {
        const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]!.split(';')[0]!);
        await fetch('/api/session/lock', { method: 'POST', headers: { 'X-XSRF-TOKEN': token, Accept: 'application/json' } });
    });
    await page.getByLabel('Search the day book').fill('x');
    const lock = page.getByRole('dialog', { name: 'Locked' });
    await expect(lock).toBeVisible();
    await accessible(page);
    await page.keyboard.press('Escape');
    await expect(lock).toBeVisible();
    await lock.getByLabel('Password').fill('wrong');
    await lock.getByRole('button', { name: 'Open' }).click();
    await expect(lock.getByText('This is not your password.')).toBeVisible();
    await lock.getByLabel('Password').fill('minted-demo');
    await lock.getByRole('button', { name: 'Open' }).click();
    await expect(lock).toBeHidden();
    await expect(page.getByLabel('Player')).toHaveValue('Half a na');
    // It stays locked over a reload, too.
    await page.evaluate(async () => {
        const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]!.split(';')[0]!);
        await fetch('/api/session/lock', { method: 'POST', headers: { 'X-XSRF-TOKEN': token, Accept: 'application/json' } });
    });
    await page.reload();
    await expect(lock).toBeVisible();
    await lock.getByRole('button', { name: 'Sign out instead' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
});

test('a screen that nobody touches locks by itself', async ({ page }) => {
    await page.clock.install();
    await signInByForm(page);
    await page.clock.runFor('20:00');
    await page.keyboard.press('Shift');
    await page.clock.runFor('20:00');
    await expect(page.getByRole('heading', { name: 'Day book' })).toBeVisible();
    await expect(page.getByRole('dialog', { name: 'Locked' })).toHaveCount(0);
    await page.clock.runFor('11:00');
    await expect(page.getByRole('dialog', { name: 'Locked' })).toBeVisible();
});

test('a guest screen shows its bay as it is hit, and nothing to press', async ({ page, browser }) => {
    await signIn(page);
    await page.goto('/#/studio/devices');
    const bay = `Wall ${Date.now()}`;
    await page.getByLabel('A new bay').fill(bay);
    await page.getByRole('button', { name: 'Add' }).click();
    await expect(page.getByRole('cell', { name: bay })).toBeVisible();
    await page.getByRole('link', { name: 'People' }).click();
    await page.getByLabel('As').selectOption({ label: 'Guest screen' });
    await page.getByLabel('Name of the screen').fill('Screen on the wall');
    await page.getByLabel('Shows').selectOption({ label: bay });
    await page.getByRole('button', { name: 'Make the screen' }).click();
    const wall = await other(browser);
    const errors = watch(wall);
    await wall.goto(await linkOf(page));
    await wall.getByRole('button', { name: 'Make this the guest screen' }).click();
    await expect(wall.getByText('Nobody is in this bay now')).toBeVisible();
    await accessible(wall);

    await begin(page, 'Wanda Lisle', 'right', 'yards');
    await page.evaluate(async (name) => {
        const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]!.split(';')[0]!);
        const send = async (method: string, path: string, body: unknown) =>
            (
                await fetch(`/api/${path}`, {
                    method,
                    headers: { 'X-XSRF-TOKEN': token, Accept: 'application/json', 'Content-Type': 'application/json' },
                    body: JSON.stringify(body),
                })
            ).json();
        const id = Number(location.hash.split('/')[2]);
        const setup = await send('POST', `fittings/${id}/setups`, { head: 'Tern 460', statedLoftDeg: 10.5 });
        const bays = await (await fetch('/api/bays')).json();
        await send('PATCH', `bays/${bays.find((b: { name: string }) => b.name === name).id}`, { fittingId: id });
        await send('PATCH', `fittings/${id}`, { version: 1, asksRatings: false });
        await send('POST', `fittings/${id}/trials`, { setupId: setup.id });
        await send('POST', `fittings/${id}/simulate`, { player: 'steady', count: 1 });
    }, bay);
    await expect(wall.locator('.carry')).toBeVisible();
    await expect(wall.getByText('Tern 460').first()).toBeVisible();
    await expect(wall.getByRole('button')).toHaveCount(0);
    await accessible(wall);
    expect(errors).toEqual([]);
});

test('a fitting is thrown away and brought back; a player agrees, and is erased for good', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    const name = `Maren Wold ${Date.now()}`;
    await begin(page, name, 'left', 'metresKmh');
    await page.getByRole('link', { name }).click();
    await accessible(page);
    await page.getByLabel(/a minor/).check();
    await page.getByRole('button', { name: 'They agree to this, today' }).click();
    await expect(page.getByText('For a minor, a parent or guardian agrees')).toBeVisible();
    await page.getByRole('textbox', { name: 'Parent or guardian' }).fill('A. Wold');
    await page.getByRole('button', { name: 'They agree to this, today' }).click();
    await expect(page.getByText(/by A. Wold, for a minor/)).toBeVisible();
    await page.getByRole('button', { name: /^Throw away the fitting of/ }).click();
    await page.getByRole('button', { name: /Yes, throw it away/ }).click();
    await expect(page.getByText('Nothing yet.')).toBeVisible();
    await page.goto('/#/studio/bin');
    await accessible(page);
    await page.getByRole('button', { name: `Bring back the fitting of ${name}` }).click();
    await expect(page.getByRole('button', { name: `Bring back the fitting of ${name}` })).toHaveCount(0);
    await page.goto('/#/studio/data');
    await page.getByLabel('Search players').fill(name);
    await page.getByRole('link', { name }).click();
    await expect(page.getByRole('link', { name: /^Fitting/ })).toBeVisible();
    const file = page.waitForEvent('download');
    await page.getByRole('link', { name: /^Everything about/ }).click();
    expect((await file).suggestedFilename()).toMatch(/^person-\d+\.mint\.json$/);
    await page.getByText('Erase name and words for good').click();
    await page.getByLabel('Type the name as it stands').fill('Maren');
    await expect(page.getByRole('button', { name: /^Erase Maren/ })).toBeDisabled();
    await page.getByLabel('Type the name as it stands').fill(name);
    await page.getByRole('button', { name: /^Erase Maren/ }).click();
    await expect(page.getByText('What was hit stays without a name')).toBeVisible();
    await expect(page.getByRole('heading', { name: /^Erased player/ })).toBeVisible();
    await page.goto('/#/studio/data');
    await page.getByLabel('only data that was taken out').check();
    await accessible(page);
    for (const tab of ['rules', 'backups', 'devices']) {
        await page.goto(`/#/studio/${tab}`);
        await accessible(page);
    }
    expect(errors).toEqual([]);
});

test('the studio’s pages fit a phone of 320 px', async ({ page }) => {
    await page.setViewportSize({ width: 320, height: 700 });
    await signIn(page);
    for (const path of [
        '',
        'studio/people',
        'studio/devices',
        'studio/rules',
        'studio/data',
        'studio/backups',
        'studio/bin',
        'account',
        'player/1',
    ]) {
        await page.goto(`/#/${path}`);
        await drawn(page);
        expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(320);
    }
});

test('what is no memory of a studio is refused with words, and the memory can be given away', async ({ page }) => {
    await signIn(page);
    await page.goto('/#/studio/rules');
    await expect(page.getByRole('link', { name: 'Give it to other studios' })).toHaveAttribute('download', 'memory.json');
    const bad = { name: 'other.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"something else"}') };
    await page.getByLabel('Take in another studio’s').setInputFiles(bad);
    await expect(page.getByText('Nothing was taken in; all stays as it was.')).toBeVisible();
    await expect(page.getByText(/^Learned on .* from \d+ fittings, of \d+ heads/)).toBeVisible();
    await accessible(page);
});
