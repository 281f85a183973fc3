import { expect, test, type Page } from '@playwright/test';
import type { FittingAnswer } from '../../resources/web/api/generated/types';
import { accessible, decided, openPart, openStep, signIn, watch } from './help';

// The answer as a fitter and a player read it, for both hands.

const answerOf = async (page: Page, id: number): Promise<FittingAnswer> => (await page.request.get(`/api/fittings/${id}/answer`)).json();

for (const [player, hand, unit] of [
    ['Rafe', 'right', 'yd'],
    ['Imke', 'left', 'm'],
] as const)
    test(`${hand}-handed, in ${unit}: one answer, whose dots are its counts, and whose parts have addresses`, async ({ page }) => {
        const errors = watch(page);
        await signIn(page);
        const id = await decided(page, `Read ${hand}`, player);
        await page.goto(`/#/fitting/${id}/answer`);
        const title = page.getByRole('heading', { level: 1 });
        await expect(title).toContainText(/^(Take|Turn|Keep|Not yet)/);
        const answer = await answerOf(page, id);
        expect(answer.rows.length).toBeGreaterThan(0);
        expect(answer.rows.length).toBeLessThanOrEqual(3);
        // The drives that are drawn are those that are counted, on the map, in the rows and on the cards.
        const map = page.getByRole('region', { name: /^Fourteen drives/ });
        for (const [tag, drives] of Object.entries(answer.drives)) {
            expect(drives.left + drives.fairway + drives.right).toBe(14);
            for (const end of ['left', 'fairway', 'right'] as const)
                await expect(map.locator(`g[data-tag="${tag}"] path[data-end="${end}"]`)).toHaveCount(drives[end]);
        }
        const row = page.locator('[data-what="share"]');
        await expect(row.locator('circle.full.now')).toHaveCount(answer.drives[answer.after!]!.fairway);
        await expect(row).toContainText(`${answer.drives[answer.before!]!.fairway} → ${answer.drives[answer.after!]!.fairway} of 14`);
        for (const card of answer.field)
            await expect(
                page
                    .locator('article')
                    .filter({ has: page.getByText(card.tag, { exact: true }) })
                    .first(),
            ).toContainText(`fairways ${card.fairway}`);
        await expect(page.locator('main')).toContainText(` ${unit}`);
        // All of it at once, on the screen that the fitter has.
        expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800);
        await accessible(page);
        // Whoever shall feel first is told neither advice nor price.
        await page.keyboard.press('.');
        await expect(title).toContainText('first say how it feels');
        await expect(page.getByText(/EUR|as good|beats/)).toHaveCount(0);
        await page.keyboard.press('.');
        for (const [part, at] of [
            ['Every figure', 'figures'],
            ['The shots', 'shots'],
            ['Why they', 'why'],
            ['Lofts', 'lofts'],
            ['Every setup', 'rack'],
            ['Confirm, other', 'choice'],
        ] as const) {
            await openPart(page, part);
            await expect(page).toHaveURL(new RegExp(`answer/${at}$`));
            await expect(page.getByRole('navigation', { name: 'Steps' }).locator('[aria-current]')).toContainText('Answer');
            if (at !== 'shots') await expect(page.getByRole('region', { name: part }).last().getByRole('heading').first()).toBeInViewport();
        }
        await page.getByRole('link', { name: 'Back to the answer' }).click();
        await expect(title).toContainText(/^(Take|Turn|Keep|Not yet)/);
        // On a phone the answer, its rows and the button come first.
        await page.setViewportSize({ width: 390, height: 844 });
        await expect(page.locator('.do button').first()).toBeInViewport();
        await accessible(page);
        expect(errors).toEqual([]);
    });

test('another setup is chosen against the advice with a reason, locked, and on the sheet', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    const id = await decided(page, 'Read Chosen', 'Rafe');
    await page.goto(`/#/fitting/${id}/answer`);
    await page.getByRole('button', { name: 'Choose another' }).click();
    await page.getByLabel('Setup C', { exact: true }).check();
    await page.getByLabel(/^Why C/).fill('He likes the look of it.');
    await page.getByRole('button', { name: 'Lock C and write the report' }).click();
    await expect(page).toHaveURL(/sheet/);
    await openStep(page, 'Answer');
    await expect(page.getByText(/^C is locked as version/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Open the report' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Choose another' })).toHaveCount(0);
    expect(errors).toEqual([]);
});

test('without a shot the answer says what to hit first, and addresses of before still lead there', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await page.getByLabel('Player').fill('Read Nothing');
    await page.getByRole('button', { name: 'Begin' }).click();
    await openStep(page, 'Answer');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Not yet: hit your own club first');
    const id = /fitting\/(\d+)/.exec(page.url())![1];
    for (const [old, part] of [
        ['compare', 'Every figure'],
        ['finder', 'Every setup'],
        ['decide', 'Confirm, other'],
        ['shots', 'The shots'],
    ] as const) {
        await page.goto(`/#/fitting/${id}/${old}`);
        await expect(page.getByRole('navigation', { name: 'More', exact: true }).locator('[aria-current]')).toContainText(part);
    }
    expect(errors).toEqual([]);
});

test('what nobody asked in the bay is asked before the figures, one key each, and a digit turns no page', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    const id = await decided(page, 'Read Unasked', 'Rafe');
    const send = (path: string, data: object) =>
        page.evaluate(
            async ([path, data]) => {
                const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]!.split(';')[0]!);
                const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
                return (await fetch(`/api/${path}`, { method: 'POST', headers, body: JSON.stringify(data) })).json();
            },
            [path, data] as const,
        );
    const { setups } = (await (await page.request.get(`/api/fittings/${id}`)).json()) as { setups: { id: number }[] };
    const bay = (await send('bays', { name: `Unasked ${Date.now() % 1e6}` })) as { id: number };
    await page.evaluate(
        async ([bay, id]) => {
            const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]!.split(';')[0]!);
            const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
            await fetch(`/api/bays/${bay}`, { method: 'PATCH', headers, body: JSON.stringify({ fittingId: id }) });
        },
        [bay.id, id] as const,
    );
    for (const setup of setups.slice(0, 2)) {
        await send(`fittings/${id}/trials`, { setupId: setup.id });
        await send(`fittings/${id}/simulate`, { count: 2, player: 'steady' });
    }
    await page.goto(`/#/fitting/${id}/answer`);
    const title = page.getByRole('heading', { level: 1 });
    await expect(title).toContainText('how much do you trust Curlew L? 2 to go.');
    await expect(page.locator('[data-what]')).toHaveCount(0);
    await accessible(page);
    await page.keyboard.press('4');
    await expect(title).toContainText(/how much do you trust (?!Curlew)/);
    await page.keyboard.press('0');
    await expect(title).toContainText(/^(Take|Turn|Keep|Not yet)/);
    expect(page.url()).toContain('answer');
    const { ratings } = (await (await page.request.get(`/api/fittings/${id}`)).json()) as { ratings: Record<string, object> };
    expect(ratings[setups[0]!.id]).toEqual({ confidence: 4 });
    expect(ratings[setups[1]!.id]).toBeUndefined();
    expect(errors).toEqual([]);
});

test('the answer is seen without what earlier fittings showed, and nothing is locked there', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    const entries = (await (await page.request.get('/api/fittings?q=Imke')).json()) as { id: number; player: { name: string } }[];
    const of = entries.find((e) => e.player.name === 'Imke Dorsay')!.id;
    await page.goto(`/#/fitting/${of}/answer`);
    await expect(page.getByText(/^Without what \d+ earlier fittings showed of these heads: /)).toBeVisible();
    // The whole answer still stands on one screen.
    expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800);
    await page.getByRole('button', { name: 'See it' }).click();
    await expect(page.getByText(/^As if the \d+ earlier fittings had shown nothing/)).toBeVisible();
    await expect(page.getByText('To look at only')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Lock/ })).toHaveCount(0);
    await expect(page.getByRole('navigation', { name: 'More', exact: true })).toHaveCount(0);
    await accessible(page);
    await page.getByRole('button', { name: 'Back to the answer' }).click();
    await expect(page.getByRole('button', { name: /^Lock|Open the report/ }).first()).toBeVisible();
    expect(errors).toEqual([]);
});

test('season says what the memory is worth', async ({ page }) => {
    await signIn(page);
    await page.goto('/#/season');
    const worth = page.getByRole('region', { name: 'What the studio’s memory is worth' });
    await expect(worth.getByRole('row')).toHaveCount(7);
    await expect(worth.getByRole('row', { name: /^start line/ })).toContainText(/\d\.\d\d°.*\d\.\d\d°.*(nearer|no difference that shows)/);
    await accessible(page);
});
