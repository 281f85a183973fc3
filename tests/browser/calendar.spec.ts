import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import ICAL from 'ical.js';
import { nextJune, quietWeek, signIn } from './help';

const slot = (page: Page) => page.getByRole('button', { name: /Enter books/ });
const taken = (page: Page, name: RegExp) => page.getByRole('button', { name });

test('an appointment is booked, moved, called off and taken back by keyboard alone', async ({ page }) => {
    await signIn(page);
    const week = quietWeek(5);
    await page.goto(`/#/calendar/${week.monday}`);
    await slot(page).focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('PageDown');
    await page.keyboard.press('ArrowDown');
    await expect(slot(page)).toHaveAccessibleName(new RegExp(`${week.day(1)}, 10:15`));
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Day', { exact: true })).toHaveValue(week.iso(1));
    await page.getByLabel('Player').fill('Keya Boardman-Lisle');
    await page.getByRole('radio', { name: 'left-handed' }).check();
    await page.getByRole('button', { name: 'Book', exact: true }).last().press('Enter');
    const one = taken(page, /^10:15 to 11:45, Keya Boardman-Lisle/);
    await expect(one).toBeVisible();
    await one.press('Shift+ArrowDown');
    await taken(page, /^10:30 to 12:00, Keya/).press('Shift+ArrowRight');
    await expect(page.getByLabel('Day', { exact: true })).toHaveValue(week.iso(2));
    await page.getByRole('button', { name: 'Call off' }).press('Enter');
    await expect(taken(page, /^10:30 to 12:00, Keya/)).toHaveCount(0);
    await page.getByRole('button', { name: /^Undo: called off/ }).press('Enter');
    await expect(taken(page, /^10:30 to 12:00, Keya/)).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test('a press books, a drag moves, and what is taken is said with what was typed kept', async ({ page }) => {
    await signIn(page);
    const week = quietWeek(5);
    await page.goto(`/#/calendar/${week.monday}`);
    await page.getByRole('button', { name: `Book on ${week.day(0)}` }).click({ position: { x: 40, y: 60 } });
    await page.getByLabel('Player').fill('Dragan Oakhurst');
    await page.getByRole('button', { name: 'Book', exact: true }).last().click();
    const first = taken(page, /^10:00 to 11:30, Dragan Oakhurst/);
    await expect(first).toBeVisible();
    const box = (await first.boundingBox())!;
    await page.mouse.move(box.x + 30, box.y + 20);
    await page.mouse.down();
    await page.mouse.move(box.x + 30, box.y + 20 + 54, { steps: 4 });
    await page.mouse.up();
    await expect(taken(page, /^11:00 to 12:30, Dragan/)).toBeVisible();
    // Another at the same hour is refused, and nothing that was typed is gone.
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByRole('button', { name: `Book on ${week.day(0)}` }).click({ position: { x: 40, y: 60 } });
    await page.getByLabel('Player').fill('Second Comer');
    await page.getByLabel('Time', { exact: true }).fill('11:30');
    await page.getByRole('button', { name: 'Book', exact: true }).last().click();
    await expect(page.getByText(/Bay 1 is taken from 11:00 to 12:30/)).toBeVisible();
    await expect(page.getByLabel('Player')).toHaveValue('Second Comer');
    // Outside the hours it is offered all the same.
    await page.getByLabel('Time', { exact: true }).fill('19:30');
    await page.getByRole('button', { name: 'Book', exact: true }).last().click();
    await page.getByRole('button', { name: 'Book it anyway' }).click();
    await expect(taken(page, /^19:30 to 21:00, Second Comer/)).toBeVisible();
});

test('of two screens that book the same hour at once, one gets it', async ({ page }) => {
    await signIn(page);
    const day = quietWeek(5).iso(2);
    const answers = await page.evaluate(async (day) => {
        const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]!.split(';')[0]!);
        const { bays } = await (await fetch('/api/calendar')).json();
        const book = (name: string) =>
            fetch('/api/appointments', {
                method: 'POST',
                headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
                body: JSON.stringify({
                    day,
                    time: '10:00',
                    minutes: 60,
                    kind: 'Driver fitting',
                    swings: 40,
                    bayId: bays[0].id,
                    name,
                    hand: 'right',
                }),
            }).then((r) => r.status);
        return Promise.all(Array.from({ length: 6 }, (_, i) => book(`Racer ${i}`)));
    }, day);
    expect(answers.filter((s) => s === 201)).toHaveLength(1);
    expect(answers.filter((s) => s === 422)).toHaveLength(5);
    const seen = await page.evaluate(async (d) => (await (await fetch(`/api/calendar?from=${d}&days=1`)).json()).appointments.length, day);
    expect(seen).toBe(1);
});

test('a calendar elsewhere reads the feed and the file for the player', async ({ page, request }) => {
    await signIn(page);
    const week = nextJune();
    const day = Math.floor(Math.random() * 5);
    await page.goto(`/#/calendar/${week.monday}`);
    await page.getByRole('button', { name: `Book on ${week.day(day)}` }).click({ position: { x: 40, y: 60 } });
    await page.getByLabel('Player').fill('Feodora; Ash, the "Second"');
    await page.getByRole('button', { name: 'Book', exact: true }).last().click();
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: /For their calendar/ }).click();
    const file = readFileSync(await (await download).path(), 'utf8');
    const event = new ICAL.Event(new ICAL.Component(ICAL.parse(file)).getFirstSubcomponent('vevent')!);
    // Ten by the wall in summer is eight in UTC.
    expect(event.startDate.toJSDate().toISOString()).toBe(`${week.iso(day)}T08:00:00.000Z`);
    expect(event.duration.toSeconds()).toBe(90 * 60);
    await page.getByText('In your own calendar').click();
    await page.getByRole('button', { name: /^Make a/ }).click();
    const address = (await page.locator('code').innerText()).trim();
    const feed = await (await request.get(address)).text();
    const events = new ICAL.Component(ICAL.parse(feed)).getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    expect(events.find((e) => e.summary === 'Driver fitting: Feodora; Ash, the "Second"')?.startDate.toString()).toBe(
        `${week.iso(day)}T08:00:00Z`,
    );
    expect(events.length).toBeGreaterThan(10);
    await page.getByRole('button', { name: 'Close it' }).click();
    await expect(page.locator('code')).toHaveCount(0);
    expect((await request.get(address)).status()).toBe(404);
});

// Both are on another day than the studio for hours.
for (const timezoneId of ['Pacific/Auckland', 'America/Los_Angeles'])
    test(`fitter and player read the studio’s clock, with a browser in ${timezoneId}`, async ({ browser }) => {
        const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, timezoneId })).newPage();
        await signIn(page);
        const week = quietWeek(6);
        const name = `Ottoline Farrow ${timezoneId.slice(0, 3)}`;
        await page.goto(`/#/calendar/${week.monday}`);
        await page.getByRole('button', { name: `Book on ${week.day(0)}` }).click({ position: { x: 40, y: 60 } });
        await page.getByLabel('Player').fill(name);
        await page.getByRole('button', { name: 'Book', exact: true }).last().click();
        await expect(taken(page, new RegExp(`^10:00 to 11:30, ${name}`))).toBeVisible();
        const player = await page.evaluate(
            async (d) => (await (await fetch(`/api/calendar?from=${d}&days=1`)).json()).appointments[0].player.id as number,
            week.iso(0),
        );
        await page.goto(`/#/player/${player}`);
        await expect(page.getByText(/10:00/).first()).toBeVisible();
        await page.getByRole('button', { name: 'A link to ask before they come' }).click();
        const address = (await page.locator('code').innerText()).trim();
        const phone = await (await browser.newContext({ viewport: { width: 390, height: 780 }, timezoneId, locale: 'en-GB' })).newPage();
        await phone.goto(address);
        await expect(phone.getByText(/ 2\d{3} at 10:00/)).toBeVisible();
        await page.context().close();
        await phone.context().close();
    });

test('on a phone the day stands as it is today, and fits 320 px', async ({ page }) => {
    await page.setViewportSize({ width: 320, height: 720 });
    await signIn(page);
    await page.goto('/#/calendar');
    await expect(page.getByRole('heading', { level: 2, name: 'Bay 1', exact: true })).toBeVisible();
    const today = await page.evaluate(async () => (await (await fetch('/api/calendar')).json()).today);
    await expect(slot(page)).toHaveAccessibleName(new RegExp(` ${Number(today.slice(8))} `));
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
});
