import { expect, test, type Page } from '@playwright/test';
import { begin, carry, count, hitting, inTheBay, noRatings, recorded } from './atbay';
import { accessible, openPart, watch } from './help';

// What is kept of a session while hands are quick, connections are gone, and two screens are open.

/** A shot as a monitor sends it. */
const shot = (id: string, sequence: number, spinRpm = 2400) => ({
    id,
    sequence,
    values: { ballSpeedMps: 64, launchDeg: 12.5, spinRpm, directionDeg: 1 },
});
const off = (page: Page) => page.evaluate(() => (document.activeElement as HTMLElement).blur());

test('a trial takes a note, the log tells it, and two screens lose neither of theirs', async ({ page, context }) => {
    const errors = watch(page);
    await hitting(page, 'Mara Wend', 'yards');
    await page.getByRole('button', { name: 'Note on this trial' }).click();
    await page.getByLabel('Note on trial 1').fill('wind got up');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Change the note' })).toBeVisible();
    await expect(page.getByText('You noted on trial 1: wind got up.')).toBeVisible();
    await accessible(page);

    // A second screen has the old words before it when the first one writes new ones.
    const second = await context.newPage();
    await second.goto(page.url());
    await second.getByRole('button', { name: 'Change the note' }).click();
    await second.getByLabel('Note on trial 1').fill('new balls from here');
    await page.getByRole('button', { name: 'Change the note' }).click();
    await page.getByLabel('Note on trial 1').fill('wind got up, then fell');
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(second.getByText('wind got up, then fell').first()).toBeVisible();
    await expect(second.getByLabel('Note on trial 1')).toHaveValue('new balls from here');
    // Told of the other's words, with its own still in the field; pressed again, they stand.
    await second.getByRole('button', { name: 'Keep' }).click();
    await expect(second.getByText('Changed on another screen meanwhile: “wind got up, then fell”.')).toBeVisible();
    await expect(second.getByLabel('Note on trial 1')).toHaveValue('new balls from here');
    await second.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByText('new balls from here').first()).toBeVisible();
    // Without a connection the words stay where they are; nor does the player being asked take them away.
    await second.getByRole('button', { name: 'Change the note' }).click();
    await second.getByLabel('Note on trial 1').fill('new balls, sun out');
    await context.setOffline(true);
    await second.getByRole('button', { name: 'Keep' }).click();
    await expect(second.getByText(/What you typed is kept on this screen/)).toBeVisible();
    await context.setOffline(false);
    await second.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByText('new balls, sun out').first()).toBeVisible();
    await second.close();
    expect(errors).toEqual([]);
});

test('keys faster than answers: each is taken once, in its order', async ({ page }) => {
    const bay = await inTheBay(page, 'Quick Ansel', 'yards');
    await off(page);
    // The key that ticks and begins, and begins again: one trial.
    for (let i = 0; i < 4; i++) await page.keyboard.press('Enter');
    await expect(count(page)).toContainText('trial 1, the benchmark · 0 count');
    // A note that is being written is not taken away by the question to the player, and its digits are no answers.
    await page.getByRole('button', { name: 'Note on this trial' }).click();
    await page.keyboard.type('at 4');
    const sent = await page.request.post(`/api/bays/${bay.id}/shots`, {
        headers: { Authorization: `Bearer ${bay.token}` },
        data: { shots: [1, 2, 3, 4, 5].map((n) => shot(`q-${n}`, n)) },
    });
    expect(sent.status()).toBe(200);
    await expect(page.getByRole('heading', { name: 'confidence?' })).toBeVisible();
    await page.keyboard.type('5 pm');
    await expect(page.getByLabel('Note on trial 1')).toHaveValue('at 45 pm');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Note on trial 1')).toHaveCount(0);
    await expect(page.getByRole('heading', { name: 'confidence?' })).toBeVisible();
    await off(page);
    // The rest is asked for, and four answers in a row, without waiting for any.
    for (const key of ['6', '3', '4', '2', '5']) await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: /\?$/ })).toHaveCount(0);
    await expect(count(page)).toContainText('5 count');
    await page.getByText('Log of this fitting').click();
    for (const words of ['rated looks 4', 'rated feel 2', 'rated sound 5', 'rated confidence 3'])
        await expect(page.getByText(new RegExp(words)).first()).toBeVisible();
    await expect(page.getByText(/began trial 2/)).toHaveCount(0);
});

test('many posts at once, doubled and in any order, are stored once each and stand in the sender’s order', async ({ page }) => {
    const bay = await hitting(page, 'Tove Hallam', 'metresKmh');
    const headers = { Authorization: `Bearer ${bay.token}` };
    const numbers = [7, 3, 12, 1, 9, 4, 11, 2, 8, 5, 10, 6];
    const answers = await Promise.all(
        [...numbers, ...numbers].map(async (n) => {
            const answer = await page.request.post(`/api/bays/${bay.id}/shots`, { headers, data: shot(`p-${n}`, n, 2300 + n) });
            expect(answer.status()).toBe(200);
            return (await answer.json()).results[0] as { id: string; status: string; shot: number };
        }),
    );
    expect(answers.every((a) => a.status === 'stored')).toBe(true);
    // Whichever of the two came first, both were answered with the same shot.
    for (const n of numbers) expect(new Set(answers.filter((a) => a.id === `p-${n}`).map((a) => a.shot)).size).toBe(1);
    await expect(count(page)).toContainText('12 count');
    const stored = await recorded<{ sequence: number }[]>(page, 'shots');
    expect(new Set(stored.map((s) => s.sequence)).size).toBe(12);
    const view = await recorded<{ shots: { typed: { spinRpm: number } }[] }>(page, 'bay');
    expect(view.shots.map((s) => s.typed.spinRpm - 2300)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    // A wrong token opens nothing, and says what to do.
    const refused = await page.request.post(`/api/bays/${bay.id}/shots`, {
        headers: { Authorization: 'Bearer guessed' },
        data: shot('p-99', 99),
    });
    expect(refused.status()).toBe(401);
    expect((await refused.json()).message).toContain('Make a new one on the bay screen');
});

test('a bay that is opened without a connection says so, and comes by itself when it is back', async ({ page, context }) => {
    await hitting(page, 'Edda Rusk', 'metresKmh');
    await page.getByRole('button', { name: /Hit one/ }).click();
    await expect(count(page)).toContainText('1 count');
    await page.getByRole('link', { name: /^Bench/ }).click();
    await expect(page.getByRole('heading', { name: 'Setups' })).toBeVisible();
    await context.setOffline(true);
    await page.getByRole('link', { name: /^Bay/ }).click();
    await expect(page.getByRole('alert').first()).toContainText('No connection to the studio’s server.');
    await context.setOffline(false);
    await expect(count(page)).toContainText('1 count');
    await expect(page.getByText('No connection')).toHaveCount(0);
    await expect(carry(page)).toHaveText(/^\d{3}$/);
});

test('another visit has trials of its own, and what was refused stays said until the next action', async ({ page }) => {
    const bay = await inTheBay(page, 'Noor Askew', 'yards');
    await noRatings(page);
    await begin(page);
    await page.getByRole('button', { name: /Hit one/ }).click();
    await expect(count(page)).toContainText('1 count');
    await page.getByRole('button', { name: 'Another visit' }).click();
    await expect(page.getByText('Nothing in the hand yet')).toBeVisible();
    await page.getByRole('button', { name: /Begin the trial/ }).click();
    await expect(count(page)).toContainText('trial 2, the benchmark · 0 count');
    await expect(count(page)).toContainText('visit 2');
    // Ended, there is nothing in the hand: a hit is refused, and shots that come meanwhile do not wipe the reason away.
    await page.getByRole('button', { name: 'End the trial', exact: true }).click();
    await expect(page.getByText('Nothing in the hand yet')).toBeVisible();
    await page.getByRole('button', { name: /Hit one/ }).click();
    await expect(page.getByRole('alert')).toContainText('No trial is running');
    // A shot that comes now has no trial: it goes to the tray, and the screen with it.
    const sent = await page.request.post(`/api/bays/${bay.id}/shots`, {
        headers: { Authorization: `Bearer ${bay.token}` },
        data: shot('late-1', 2),
    });
    expect((await sent.json()).results[0].status).toBe('held');
    await expect(page.getByText('1 shot held')).toBeVisible();
    await expect(page.getByRole('alert')).toContainText('No trial is running');
    await page.getByRole('button', { name: /Begin the trial/ }).click();
    await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a shot that came out of count is flagged, and moved to the trial it was hit in', async ({ page }) => {
    const bay = await hitting(page, 'Moved Back', 'yards');
    const send = async (n: number) => {
        const answer = await page.request.post(`/api/bays/${bay.id}/shots`, {
            headers: { Authorization: `Bearer ${bay.token}` },
            data: shot(`m-${n}`, n, 2300 + n),
        });
        expect((await answer.json()).results[0].status).toBe('stored');
    };
    for (const n of [1, 2, 4]) await send(n);
    await expect(count(page)).toContainText('3 count');
    await page.getByRole('button', { name: /Begin the trial/ }).click();
    await expect(count(page)).toContainText('trial 2');
    for (const n of [5, 3]) await send(n);
    await expect(page.getByText(/By the monitor’s count, 3, it was hit before a shot that came earlier/)).toHaveCount(0); // it is not the last one by its count
    await openPart(page, 'The shots');
    await page.getByRole('button', { name: /^look at shot 5/ }).click();
    await expect(page.getByText(/By the monitor’s count, 3, it was hit before a shot that came earlier/).last()).toBeVisible();
    await page.getByLabel('Shot 5 was hit in another trial').selectOption('trial 1 with A');
    await expect
        .poll(
            async () =>
                (await recorded<{ sequence: number; trialId: number }[]>(page, 'shots')).filter(
                    (s, _, all) => s.trialId === all[0]!.trialId,
                ).length,
        )
        .toBe(4);
});
