// Takes the pictures of the main views from the demo data. Usage: node bin/parts/pictures.mjs ADDRESS FOLDER [name …]
import { chromium } from '@playwright/test';
import { browser as launch } from './browser.mjs';

const [address, folder, ...only] = process.argv.slice(2);
const browser = await chromium.launch(launch);

async function page(width, height, theme) {
    const context = await browser.newContext({ viewport: { width, height }, reducedMotion: 'reduce' });
    await context.addInitScript((t) => localStorage.setItem('theme', t), theme);
    return context.newPage();
}
async function signIn(p) {
    await p.goto(address);
    await p.getByLabel('E-mail').fill('fitter@demo.example');
    await p.getByLabel('Password').fill('minted-demo');
    await p.getByRole('button', { name: 'Sign in' }).click();
    await p.getByRole('heading', { name: 'Day book' }).waitFor();
}
const fitting = async (p, player) => {
    const list = await (await p.request.get(`${address}/api/fittings`)).json();
    return list.find((f) => f.player.name === player).id;
};
const wanted = (name) => only.length === 0 || only.includes(name);
async function shot(p, name, fullPage = false) {
    await p.evaluate(() => document.fonts.ready);
    await p.waitForTimeout(250);
    await p.screenshot({ path: `${folder}/${name}.png`, fullPage });
}

const desk = await page(1280, 800, 'light');
await signIn(desk);
const imke = await fitting(desk, 'Imke Dorsay');
const rafe = await fitting(desk, 'Rafe Quillon');
const at = async (p, id, step, ready) => {
    await p.goto(`${address}/#/fitting/${id}/${step}`);
    await p.locator(ready).first().waitFor();
};
const laddered = (p) =>
    p
        .getByRole('img', { name: /in each loft/ })
        .first()
        .waitFor();
if (wanted('day-book')) await shot(desk, 'day-book');
if (wanted('brief')) {
    await at(desk, imke, 'brief', '.says');
    await shot(desk, 'brief');
}
if (wanted('bench')) {
    await at(desk, rafe, 'bench', 'section dl');
    await laddered(desk);
    await shot(desk, 'bench', true);
}
const rack = async (where, ready) => {
    await desk.goto(`${address}/#/rack${where}`);
    await desk.locator(ready).first().waitFor();
};
if (wanted('rack')) {
    await rack('', 'td');
    await shot(desk, 'rack');
}
if (wanted('head')) {
    await rack('', 'td');
    await desk
        .getByRole('row', { name: /Tern 460 right-handed/ })
        .getByRole('link')
        .click();
    await desk.getByRole('button', { name: 'Slot back: 12 g' }).click();
    await desk.getByRole('button', { name: 'Slot heel: empty, place 12 g here' }).click();
    await desk.getByText('CG heel').waitFor();
    await shot(desk, 'head', true);
}
if (wanted('import')) {
    await at(desk, rafe, 'shots', '.drop');
    await desk.locator('input[type=file]').setInputFiles('examples/metric-semicolon-setup-column.csv');
    await desk.getByText('as they will be stored').waitFor();
    await shot(desk, 'import');
    await desk.getByRole('button', { name: 'Set aside' }).click();
    await desk.locator('.drop').waitFor();
}
if (wanted('answer')) {
    await at(desk, imke, 'answer', '[data-end]');
    await shot(desk, 'answer');
}
if (wanted('why')) {
    await at(desk, imke, 'answer/why', 'svg .contour');
    await shot(desk, 'why', true);
}
if (wanted('every-setup')) {
    await at(desk, imke, 'answer/rack', 'svg .front');
    await shot(desk, 'every-setup', true);
}
if (wanted('player')) {
    await at(desk, imke, 'sheet', 'article');
    await desk.getByRole('link', { name: 'Imke Dorsay' }).click();
    await desk.getByText('Their data').waitFor();
    await shot(desk, 'player');
}
if (wanted('sheet')) {
    await at(desk, imke, 'sheet', 'article');
    await shot(desk, 'sheet', true);
}

// The bay needs shots: a made-up player hits some, in a bay of its own, for a player made for the picture.
const bay = async (p, name) => {
    const token = decodeURIComponent((await p.context().cookies()).find((c) => c.name === 'XSRF-TOKEN').value);
    const call = async (method, path, data) =>
        (
            await p.request.fetch(`${address}/api/${path}`, {
                method,
                data,
                headers: { 'X-XSRF-TOKEN': token, Accept: 'application/json' },
            })
        ).json();
    const id = await fitting(p, 'Rafe Quillon');
    const view = await call('GET', `fittings/${id}/bay`);
    await call('PATCH', `bays/${view.bays[0].id}`, { fittingId: id });
    const { setups } = await call('GET', `fittings/${id}`);
    if (view.trials.length === 0)
        for (const [i, count] of [
            [0, 5],
            [1, 5],
        ]) {
            await call('POST', `fittings/${id}/trials`, { setupId: setups[i].id });
            await call('POST', `fittings/${id}/simulate`, { count, player: 'fast' });
        }
    const { asks } = await call('GET', `fittings/${id}/bay`);
    if (asks) await call('PATCH', `trials/${asks.trialId}`, { ratingSkipped: true });
    await p.goto(`${address}/#/fitting/${id}/bay`);
    await p.locator('.carry > span').waitFor();
    await p.getByText(/^Next:/).waitFor();
    await p.keyboard.press('ArrowDown');
    await p.getByRole('list', { name: 'Expected of it' }).waitFor();
    await shot(p, name);
};
if (wanted('bay')) await bay(desk, 'bay');
// Around the hour.
if (wanted('gaps')) {
    await at(desk, rafe, 'gaps', '.brace');
    await shot(desk, 'gaps');
}
if (wanted('calculators')) {
    await desk.goto(`${address}/#/calculators/worth?u=yd&club=100&attack=0&temp=18&alt=0&turf=medium&hand=right`);
    await desk.getByText('1° face more right').waitFor();
    await shot(desk, 'calculators');
}
if (wanted('calendar')) {
    await desk.goto(`${address}/#/calendar`);
    await desk.locator('.taken').first().waitFor();
    await shot(desk, 'calendar');
}
if (wanted('orders')) {
    await desk.goto(`${address}/#/orders`);
    await desk.getByRole('button', { name: 'Yara Emmerling', exact: true }).click();
    await desk.getByText(/^Out of tolerance/).waitFor();
    await shot(desk, 'orders', true);
}
if (wanted('follow-up')) {
    await at(desk, await fitting(desk, 'Mirel Tashkova'), 'follow-up', '.verdict');
    await shot(desk, 'follow-up', true);
}
if (wanted('season')) {
    await desk.goto(`${address}/#/season`);
    await desk.locator('.trust').waitFor();
    await shot(desk, 'season');
}
const phone = await page(390, 844, 'light');
if (wanted('phone-report')) {
    const token = decodeURIComponent((await desk.context().cookies()).find((c) => c.name === 'XSRF-TOKEN').value);
    const { player } = await (await desk.request.get(`${address}/api/fittings/${imke}`)).json();
    const made = await desk.request.fetch(`${address}/api/players/${player.id}/links`, {
        method: 'POST',
        data: { kind: 'report', fittingId: imke },
        headers: { 'X-XSRF-TOKEN': token, Accept: 'application/json' },
    });
    await phone.goto(`${address}${(await made.json()).path}`);
    await phone.getByRole('img').first().waitFor();
    await shot(phone, 'phone-report', true);
}
await browser.close();
