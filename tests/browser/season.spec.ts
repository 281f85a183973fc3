import { expect, test, type Page } from '@playwright/test';
import { accessible, quietWeek, signIn, watch } from './help';

// One player's season, as they and the studio live it: booked, asked, fitted, ordered, out of tolerance, mended, three rounds, fitted again.

/** What the page itself would send. */
async function send<T>(page: Page, method: string, path: string, body?: unknown): Promise<T> {
    return page.evaluate(
        async ([method, path, body]) => {
            const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]?.split(';')[0] ?? '');
            const answer = await fetch(`/api/${path}`, {
                method,
                headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
                body: body === undefined ? undefined : JSON.stringify(body),
            });
            if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
            return answer.json();
        },
        [method, path, body] as const,
    );
}

for (const [hand, unit] of [
    ['right', 'yd'],
    ['left', 'm'],
] as const) {
    test(`a season of a ${hand}-hander in ${unit === 'yd' ? 'yards' : 'metres'}`, async ({ page, browser }) => {
        const errors = watch(page);
        const name = `${hand === 'right' ? 'Leif' : 'Runa'} Askerby ${Date.now() % 100_000}`;
        await signIn(page);

        // Booked, and asked before they come.
        await page.goto(`/#/calendar/${quietWeek(9).monday}`);
        await page.getByRole('button', { name: /Enter books/ }).click();
        await page.getByLabel('Player').fill(name);
        await page.getByRole('radio', { name: `${hand}-handed` }).check();
        await page.getByRole('button', { name: 'Book', exact: true }).last().click();
        await page.getByText('Send questions before they come').click();
        await page.getByRole('button', { name: 'A link to ask before they come' }).click();
        const address = (await page.locator('code').first().innerText()).trim();
        const phone = await (await browser.newContext({ viewport: { width: 390, height: 780 } })).newPage();
        await phone.goto(address);
        await expect(phone.getByText(/We see you on/)).toBeVisible();
        await phone.getByRole('radio', { name: `${hand}-handed` }).check();
        await phone.getByRole('radio', { name: unit === 'yd' ? 'yards and mph' : 'metres and km/h' }).check();
        await phone.getByLabel('When it goes wrong, it goes').selectOption(hand === 'right' ? 'right' : 'left');
        await phone.getByLabel('In your own words').fill('One side of the course is enough');
        await phone.getByRole('button', { name: 'Send' }).click();
        await expect(phone.getByRole('heading', { name: 'Thank you' })).toBeVisible();

        // Fitted: the brief is theirs, the bench is prepared, the bay is simulated.
        await page.getByRole('button', { name: 'They are here: begin the fitting' }).click();
        await expect(page.getByText(/answered by link on/)).toBeVisible();
        await expect(page.getByLabel(/In their words/)).toHaveValue('One side of the course is enough');
        await page.getByRole('button', { name: 'Agree the brief' }).click();
        await expect(page.getByRole('link', { name: 'Lay out the bench' })).toBeVisible();
        const id = Number(page.url().match(/fitting\/(\d+)/)![1]);
        const rack = await send<{ heads: { id: number; label: string; hand: string }[] }>(page, 'GET', 'rack');
        const plover = rack.heads.find((h) => h.label.startsWith('Plover') && h.hand === hand)!;
        const length = { value: unit === 'yd' ? '45' : '1143', unit: unit === 'yd' ? 'in' : 'mm' };
        await send(page, 'POST', `fittings/${id}/setups`, { headId: plover.id, length, swingWeight: 'D1' });
        await page.getByRole('link', { name: /^Bench/ }).click();
        await page.reload();
        await expect(page.getByRole('heading', { name: 'Lay out before they come' })).toBeVisible();
        await accessible(page);
        // What is laid out goes into the hand, and is a setup from then on.
        await page
            .getByRole('button', { name: /^In the hand/ })
            .first()
            .click();
        await expect(page).toHaveURL(/\/bay\/B$/);
        const { setups } = await send<{ setups: { id: number }[] }>(page, 'GET', `fittings/${id}`);
        const bay = await send<{ id: number }>(page, 'POST', 'bays', { name: `Season ${hand} ${Date.now() % 100_000}` });
        await send(page, 'PATCH', `bays/${bay.id}`, { fittingId: id });
        for (const setup of setups) {
            await send(page, 'POST', `fittings/${id}/trials`, { setupId: setup.id });
            await send(page, 'POST', `fittings/${id}/simulate`, { count: 5, player: 'steady' });
        }
        await send(page, 'POST', `fittings/${id}/decisions`, { setupId: setups[1]!.id, reason: 'It starts where they look' });

        // Ordered, out of tolerance, mended, handed over.
        await page.goto(`/#/fitting/${id}/sheet`);
        await page.getByRole('button', { name: 'Order this club' }).click();
        const row = page.getByRole('listitem').filter({ hasText: name });
        for (const step of ['Mark as ordered', 'Mark as arrived', 'Mark as built']) await row.getByRole('button', { name: step }).click();
        const { figures } = (
            await send<{ player: { name: string }; figures: Record<string, number | null> }[]>(page, 'GET', 'orders')
        ).find((o) => o.player.name === name)!;
        const read = async (face: number) => {
            await row.getByLabel('Loft').fill(String(figures.loftDeg));
            await row.getByLabel('Lie').fill(String(figures.lieDeg));
            await row.getByLabel('Face').fill(face.toFixed(2));
            if (figures.lengthMm !== null)
                await row.getByLabel(/^Length/).fill(unit === 'yd' ? (figures.lengthMm! / 25.4).toFixed(2) : String(figures.lengthMm));
            const points = figures.swingWeightPoints;
            if (points !== null && points !== undefined)
                await row.getByLabel('Swing weight').fill(`${'ABCDEFG'[Math.floor(points / 10)]}${(points % 10).toFixed(1)}`);
            await row.getByRole('button', { name: 'Compare with the order' }).click();
        };
        await read(figures.faceOpenDeg! + 1.5);
        await expect(row.getByText('Out of tolerance: face.')).toBeVisible();
        await expect(row.getByText(new RegExp(`${unit} further (left|right)`))).toBeVisible();
        await read(figures.faceOpenDeg!);
        await row.getByRole('button', { name: 'Hand it over' }).click();
        await expect(page.getByRole('region', { name: 'Done with' }).getByText(name)).toBeVisible();

        // Three rounds by link; then again from there, with the club as it was built.
        await page.goto(`/#/fitting/${id}/follow-up`);
        await page.getByRole('button', { name: 'A link to tell of their rounds' }).click();
        const link = (await page.locator('code').innerText()).trim();
        await phone.goto(link);
        await expect(phone.getByRole('heading', { name: 'Your rounds' })).toBeVisible();
        await expect(phone.getByText(unit, { exact: true }).first()).toBeVisible();
        for (const round of [1, 2, 3])
            await send(phone, 'POST', 'for-player/rounds', {
                token: link.split('/').at(-1),
                key: `season-${id}-${round}`,
                // Today by the studio's clock: at midnight elsewhere it is another day.
                playedOn: new Date().toLocaleDateString('sv-SE', { timeZone: 'Europe/Berlin' }),
                course: 'Tarn Hollow',
                club: 'new',
                holes: 14,
                hit: 7 + round,
                left: 5 - round,
                right: 2,
                lost: 0,
                drives: [unit === 'yd' ? 240 : 219],
                unit,
                feel: 4,
            });
        await page.reload();
        await expect(page.getByText(/3 rounds, 27 of 42 fairways/)).toBeVisible();
        await expect(page.getByText(new RegExp(`Measured on the course: (240 yd|219 m) in all`))).toBeVisible();
        await page.getByRole('button', { name: 'Fit again from here' }).click();
        await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
        await page.getByRole('link', { name: /^Bench/ }).click();
        await expect(page.getByText(/delivered \(order \d+\)/).first()).toBeVisible();
        await page.goto('/#/season');
        await expect(page.getByText(/clubs ordered/)).toBeVisible();
        await accessible(page);

        // All of it on a phone, nothing to the side of it.
        const { player } = await send<{ player: { id: number } }>(page, 'GET', `fittings/${id}`);
        await page.setViewportSize({ width: 320, height: 720 });
        for (const [place, heading] of [
            ['season', 'Season'],
            [`fitting/${id}/follow-up`, 'Three rounds after'],
            [`player/${player.id}`, name],
            ['orders', 'Orders'],
        ] as const) {
            await page.goto(`/#/${place}`);
            await expect(page.getByRole('heading', { name: heading, level: 1 })).toBeVisible();
            await page.waitForLoadState('networkidle');
            expect(await page.evaluate(() => document.documentElement.scrollWidth), place).toBeLessThanOrEqual(320);
        }
        expect(errors).toEqual([]);
    });
}
