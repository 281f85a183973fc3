import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { expect, test, type Page } from '@playwright/test';
import { accessible, addSetup, beginFitting, drawn, openPart, openStep, signIn, signInByForm, watch } from './help';

// What each view shows and does, on the demo studio or a fitting of its own; whole tasks are in fitting.spec.ts.

const PARTS = ['The shots', 'Every figure', 'Why they differ', 'Every setup', 'Confirm, other', 'Lofts, speeds'];

async function open(page: Page, player: string, step: string): Promise<void> {
    await page
        .getByRole('listitem')
        .getByRole('link', { name: new RegExp(player) })
        .click();
    await expect(page.getByRole('navigation', { name: 'Steps' })).toBeVisible();
    await openStep(page, step);
}

async function typeShots(page: Page, shots: Record<string, string>[]): Promise<void> {
    await openPart(page, 'The shots');
    await page.getByRole('button', { name: 'Type them' }).click();
    for (const [i, shot] of shots.entries()) {
        if (i > 0) await page.getByRole('button', { name: /^Another shot/ }).click();
        for (const [label, value] of Object.entries(shot)) await page.getByLabel(`${label} of shot ${i + 1}`, { exact: true }).fill(value);
    }
    await page.getByRole('button', { name: /^Store \d+ shots/ }).click();
    await expect(page.getByText(/typed shots? stored/)).toBeVisible();
}

test('a wrong password is refused plainly and the e-mail stays', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('E-mail').fill('fitter@demo.example');
    await page.getByLabel('Password').fill('guess');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toContainText('do not belong together');
    await expect(page.getByLabel('E-mail')).toHaveValue('fitter@demo.example');
    await accessible(page);
});

test('signing out leaves nothing of the studio on the screen', async ({ page }) => {
    await signInByForm(page);
    await open(page, 'Rafe Quillon', 'Why they differ');
    await expect(page.getByRole('img', { name: /Where the shots land/ })).toBeVisible();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await expect(page.getByText('Rafe Quillon')).toHaveCount(0);
    await page.goBack();
    await expect(page.getByText('Rafe Quillon')).toHaveCount(0);
});

test('a sign-in that ran out is taken up on the spot, and what was typed is stored once', async ({ page, context }) => {
    await signIn(page);
    await beginFitting(page, 'Sven Arbor', 'right', 'yards');
    await page.getByRole('button', { name: /own club/ }).click();
    await page.getByRole('button', { name: 'Only described' }).click();
    await page.getByLabel('Head').first().fill('Curlew L');
    await page.getByLabel('Stated loft').fill('9');
    // An answer that is still on its way would bring the cookie back.
    await drawn(page);
    await context.clearCookies({ name: 'mintcarry' });
    await page.getByRole('button', { name: 'Add setup' }).click();
    const dialog = page.getByRole('dialog', { name: 'Signed out' });
    await dialog.getByLabel('E-mail').fill('fitter@demo.example');
    await dialog.getByLabel('Password').fill('not this one');
    await dialog.getByRole('button', { name: 'Sign in' }).click();
    await expect(dialog.getByRole('alert')).toBeVisible();
    await accessible(page);
    await dialog.getByLabel('Password').fill('minted-demo');
    await dialog.getByRole('button', { name: 'Sign in' }).click();
    await expect(dialog).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Add setup' })).toBeHidden();
    await page.reload();
    await expect(page.getByText('Curlew L')).not.toHaveCount(0);
    await expect(page.getByRole('button', { name: /from A/ })).toHaveCount(1);
});

test('the day book is searched as one types', async ({ page }) => {
    await signIn(page);
    const search = page.getByLabel('Search the day book');
    await search.fill('imke');
    await expect(page.getByRole('listitem').getByRole('link', { name: /Imke Dorsay/ })).toBeVisible();
    await expect(page.getByRole('listitem').getByRole('link', { name: /Rafe Quillon/ })).toHaveCount(0);
    await search.fill('no such player');
    await expect(page.getByText('Nothing found for “no such player”.')).toBeVisible();
    await search.fill('');
    await expect(page.getByRole('listitem').getByRole('link', { name: /Rafe Quillon/ })).toBeVisible();
});

test('the number keys walk the steps, but not while typing', async ({ page }) => {
    await signIn(page);
    await open(page, 'Rafe Quillon', 'Every figure');
    const steps = page.getByRole('navigation', { name: 'Steps' });
    const names = (await steps.getByRole('link').allTextContents()).map((t) => t.trim().split(/\s/)[0]);
    for (const [i, name] of names.entries()) {
        await page.keyboard.press(String(i + 1));
        await expect(steps.locator('[aria-current]')).toContainText(name!);
    }
    await page.goto('/#/');
    await page.getByLabel('Player').fill('12');
    await expect(page.getByRole('heading', { name: 'Day book' })).toBeVisible();
});

test('every shot that counts is on the landing map, and those left out are open', async ({ page }) => {
    await signIn(page);
    await beginFitting(page, 'Petra Linden', 'right', 'yards');
    await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
    const base = { 'Ball speed': '150', 'Launch angle': '12', 'Spin rate': '2400', Carry: '230' };
    await typeShots(page, [
        { ...base, 'Launch direction': '2 R', 'Spin axis': '0' },
        { ...base, 'Launch direction': '3 L', 'Spin axis': '0', 'Ball speed': '149' },
        { ...base, 'Launch direction': '0', 'Spin axis': '0', 'Ball speed': '151' },
    ]);
    await openPart(page, 'Why they differ');
    const map = page.getByRole('img', { name: /Where the shots land/ });
    await expect(map).toBeVisible();
    await expect(map.locator('title')).toHaveCount(3);
    const x = async (shot: number) =>
        (await map.locator('path', { has: page.locator('title', { hasText: new RegExp(`^Shot ${shot}\\b`) }) }).boundingBox())!.x;
    expect(await x(2)).toBeLessThan(await x(3));
    expect(await x(3)).toBeLessThan(await x(1));
    await accessible(page);
});

test('no screen asks again for what it has, while nobody does anything', async ({ page }) => {
    await signIn(page);
    await open(page, 'Imke Dorsay', 'Brief');
    let asked: string[] = [];
    page.on('request', (r) => r.url().includes('/api/') && asked.push(r.url().replace(/^.*\/api\//, '')));
    for (const step of ['Bench', 'Bay', 'Answer', ...PARTS, 'Sheet', 'Brief']) {
        asked = [];
        await openStep(page, step);
        // Whatever it wanted to know has come, and it does not begin anew.
        await drawn(page);
        let known = -1;
        for (let more = 0; more < 4 && asked.length !== known; more++) {
            known = asked.length;
            await drawn(page);
        }
        expect(asked.length, `${step} asks on and on: ${asked.slice(-6).join(', ')}`).toBe(known);
    }
});

test('a fitting without shots says so on every step, without an error', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await beginFitting(page, 'Otto Breck', 'left', 'metresMps');
    for (const step of ['Brief', 'Bench', 'Bay', 'Answer', ...PARTS, 'Sheet']) {
        await openStep(page, step);
        await expect(page.locator('main')).not.toBeEmpty();
        await accessible(page);
    }
    expect(errors).toEqual([]);
});

test('the dark theme stays after a reload and can be read', async ({ page }) => {
    await signIn(page);
    await page.getByRole('button', { name: 'Dark' }).click();
    await page.reload();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    await open(page, 'Rafe Quillon', 'Why they differ');
    await expect(page.getByRole('img', { name: /Where the shots land/ })).toBeVisible();
    await accessible(page);
    await page.getByRole('button', { name: 'Light' }).click();
    await expect(page.locator('html')).not.toHaveAttribute('data-theme', 'dark');
});

for (const step of ['Brief', 'Bench', 'Bay', 'Answer', ...PARTS, 'Sheet']) {
    test(`${step} fits a phone and a tablet`, async ({ page }) => {
        await signIn(page);
        await open(page, 'Rafe Quillon', step);
        for (const width of [1280, 820, 390]) {
            await page.setViewportSize({ width, height: 844 });
            await expect(page.locator('main')).not.toBeEmpty();
            expect(await page.evaluate(() => document.documentElement.scrollWidth), `${step} at ${width}`).toBeLessThanOrEqual(width);
        }
    });
}

// A name of sixty letters without a space, in a head, a player and a shaft: nothing pushes the page aside, down to the smallest phone.
const LONG = 'Grebenwindmerkelbrackenfieldstonewrightingtonhollowaymerewode'.slice(0, 60);

test('no screen scrolls sideways at 320, 390 and 1280 px, whatever the names are', async ({ page }) => {
    await signIn(page);
    const id = await page.evaluate(async (long) => {
        const entries = (await (await fetch('/api/fittings?q=Imke')).json()) as { id: number; player: { name: string } }[];
        const of = entries.find((e) => e.player.name === 'Imke Dorsay')!.id;
        const text = await (await fetch(`/api/fittings/${of}/file`)).text();
        const file = JSON.parse(text.replaceAll('Tern 460', long));
        file.player.name = long;
        file.brief.wish = long;
        for (const setup of file.setups) {
            setup.shaft = long;
            setup.ball = long;
            setup.note = long;
        }
        const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)![1]!);
        const body = new FormData();
        body.append('keep', '1');
        body.append('file', new File([JSON.stringify(file)], 'long.json', { type: 'application/json' }));
        const send = () =>
            fetch('/api/fittings/import', { method: 'POST', body, headers: { 'X-XSRF-TOKEN': token, Accept: 'application/json' } });
        let answer = await send();
        // Who is told that the server is busy judging sends the same again, as the screens do.
        while (answer.headers.has('X-Busy')) answer = await send();
        return ((await answer.json()) as { fittingId: number }).fittingId;
    }, LONG);
    const screens = [
        '',
        'rack',
        ...[
            'brief',
            'bench',
            'bay',
            'answer',
            'answer/shots',
            'answer/figures',
            'answer/why',
            'answer/rack',
            'answer/choice',
            'answer/lofts',
            'sheet',
        ].map((s) => `fitting/${id}/${s}`),
    ];
    const wide: string[] = [];
    for (const screen of screens) {
        await page.goto(`/#/${screen}`);
        await expect(page.locator('main h1, main b, main table').first()).toBeVisible({ timeout: 30_000 });
        for (const width of [1280, 390, 320]) {
            await page.setViewportSize({ width, height: 800 });
            await drawn(page);
            const is = await page.evaluate(() => document.documentElement.scrollWidth);
            if (is > width) wide.push(`${screen || 'day book'}: ${is} at ${width}`);
        }
    }
    expect(wide).toEqual([]);
});

test('no text is cut or overlapped by its neighbour on the trail', async ({ page }) => {
    await signIn(page);
    await open(page, 'Rafe Quillon', 'Bench');
    const stops = page.locator('ol[aria-label="Trail of setups"] > li');
    await expect(stops).not.toHaveCount(0);
    const boxes = await stops.evaluateAll((all) =>
        all.map((e) => e.getBoundingClientRect()).map((r) => [r.left, r.right, r.top, r.bottom] as const),
    );
    expect(boxes.length).toBeGreaterThan(2);
    for (const [i, a] of boxes.entries())
        for (const b of boxes.slice(i + 1)) {
            const across = Math.min(a[1], b[1]) - Math.max(a[0], b[0]);
            const down = Math.min(a[3], b[3]) - Math.max(a[2], b[2]);
            expect(across > 1 && down > 1).toBe(false);
        }
});

test('a trail of fourteen folds its middle, keeps the benchmark in sight, and opens', async ({ page }) => {
    await signIn(page);
    await beginFitting(page, 'Maud Tenney', 'right', 'yards');
    await page.evaluate(async () => {
        const id = location.hash.match(/fitting\/(\d+)/)![1];
        const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)![1]!);
        const send = async (method: string, path: string, body: object) =>
            (
                await fetch(`/api/fittings/${id}${path}`, {
                    method,
                    headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
                    body: JSON.stringify(body),
                })
            ).json();
        const ids: number[] = [];
        for (let i = 0; i < 14; i++)
            ids.push(
                (
                    await send('POST', '/setups', {
                        head: `Head ${i}`,
                        statedLoftDeg: 9 + i / 4,
                        ...(i ? { branchedFromId: ids[i > 5 ? 2 : 0] } : {}),
                    })
                ).id,
            );
        const { version } = await (await fetch(`/api/fittings/${id}`)).json();
        await send('PATCH', '', { version, benchmarkSetupId: ids[6] });
    });
    await page.reload();
    const trail = page.getByRole('list', { name: 'Trail of setups' });
    await expect(trail.getByRole('button', { name: /between$/ })).toHaveText(['4 between', '4 between']);
    await expect(trail.getByRole('listitem')).toHaveCount(8);
    await expect(trail.locator('li', { hasText: 'benchmark' })).toContainText('Head 6');
    await accessible(page);
    await trail
        .getByRole('button', { name: /between$/ })
        .first()
        .click();
    await expect(trail.getByRole('listitem')).toHaveCount(14);
    await expect(trail.locator('li', { hasText: 'Head 9' })).toContainText('from C');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});

test('the sheet prints without the buttons of the screen', async ({ page }) => {
    await signIn(page);
    await page
        .getByRole('listitem')
        .getByRole('link', { name: /Imke Dorsay/ })
        .click();
    const report = page.getByRole('article', { name: /^Report of Imke/ });
    await expect(report.locator('img')).toHaveCount(4);
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('navigation', { name: 'Steps' })).toBeHidden();
    await expect(page.getByRole('button', { name: /Print/ })).toBeHidden();
    await expect(report).toBeVisible();
    const pdf = await page.pdf({ format: 'A4' });
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)!.length).toBeLessThanOrEqual(2);
});

test('the same fitting reads in the units of its player', async ({ page }) => {
    await signIn(page);
    await open(page, 'Imke Dorsay', 'Every figure');
    await expect(page.getByRole('row', { name: /^Carry m / })).toBeVisible();
    await expect(page.locator('main')).not.toContainText(' yd');
    await page.goto('/#/');
    await open(page, 'Rafe Quillon', 'Every figure');
    await expect(page.getByRole('row', { name: /^Carry yd/ })).toBeVisible();
});

test('the fitter overrules the mapping: unit, sign and a column set aside', async ({ page }) => {
    await signIn(page);
    await beginFitting(page, 'Nils Farrow', 'right', 'metresMps');
    await addSetup(page, /own club/, { Head: 'Tern 460', 'Stated loft': '10.5' });
    await openPart(page, 'The shots');
    await expect(page.getByText('Drop a file of launch data here')).toBeVisible();
    const csv = 'Ball Speed,Launch,Spin,Offline,Nonsense\n150,12,2450,10,7\n151,13,2500,-4,8\n';
    await page.locator('input[type=file]').setInputFiles({ name: 'plain.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
    await expect(page.getByText('as they will be stored')).toBeVisible();
    await expect(page.getByLabel('Measure of column 5')).toHaveValue('');
    await page.getByLabel('Unit of column 4').selectOption('m');
    await page.getByLabel('Sign of column 4').selectOption('left');
    await expect(page.getByRole('cell', { name: '10 L' })).toBeVisible();
    await expect(page.getByRole('cell', { name: '4 R' })).toBeVisible();
    await accessible(page);
    await page.getByRole('button', { name: 'Store 2 shots' }).click();
    await expect(page.getByText(/2 shots stored/)).toBeVisible();
    await expect(page.getByRole('cell', { name: '10 L' })).toBeVisible();
});

test('what is loaded before anything can be used is at most 120 kB of script', () => {
    const manifest = JSON.parse(readFileSync('public/build/manifest.json', 'utf8')) as Record<string, { file: string; imports?: string[] }>;
    const files = new Set<string>();
    const walk = (key: string) => {
        const { file, imports } = manifest[key]!;
        if (files.has(file)) return;
        files.add(file);
        imports?.forEach(walk);
    };
    walk('resources/web/main.ts');
    const sizes = [...files].map((file) => gzipSync(readFileSync(`public/build/${file}`)).length);
    expect(sizes.length).toBeGreaterThan(1);
    expect(sizes.reduce((sum, size) => sum + size, 0)).toBeLessThan(120_000);
});
