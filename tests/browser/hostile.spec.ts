import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { drawn, signIn } from './help';

// Somebody wrote what a browser would run, and what a spreadsheet would work out, into everything that can be written. It stays text:
// on each screen, on paper and in tables.
const RUNS = '<img src=x onerror=window.ran=1>';
const hostile = (i: number) => `=1+${i}${RUNS}`;

/** A fitting with a decision whose every name and note is hostile, by way of the file that a studio brings in. */
function fileOf(): string {
    const file = JSON.parse(readFileSync('tests/fixtures/fittings/2-of-0.2-begun.json', 'utf8'));
    let text = JSON.stringify({
        ...file,
        player: { ...file.player, name: hostile(1) },
        brief: { ...file.brief, wish: hostile(2), feel: hostile(3), guardian: hostile(4) },
        setups: file.setups.map((s: object, i: number) => ({
            ...s,
            note: hostile(10 + i),
            cue: hostile(20 + i),
            shelfReason: hostile(30 + i),
        })),
        decisions: file.decisions.map((d: object) => ({ ...d, reason: hostile(5) })),
        shots: file.shots.map((s: object, i: number) => (i % 9 ? s : { ...s, note: hostile(100 + i) })),
        longClubs: [{ name: hostile(6), kind: 'hybrid', loftDeg: 20, lieDeg: 59, shots: [] }],
    });
    const names = [...file.rack.heads, ...file.rack.parts].map((p: { label: string }) => p.label);
    names.push(...file.rack.sleeves.map((s: { name: string }) => s.name));
    names.forEach((name: string, i: number) => (text = text.replaceAll(`"${name}"`, JSON.stringify(hostile(50 + i)))));
    return text;
}

async function send(
    page: Page,
    method: string,
    path: string,
    data?: object,
    multipart?: Record<string, string | { name: string; mimeType: string; buffer: Buffer }>,
) {
    const token = decodeURIComponent((await page.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')!.value);
    const once = () =>
        page.request.fetch(`/api/${path}`, {
            method,
            ...(multipart ? { multipart } : { data }),
            headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token },
        });
    let answer = await once();
    // Who is told that the server is busy judging sends the same again, as the screens do.
    while (answer.headers()['x-busy'] !== undefined) answer = await once();
    expect(answer.status(), `${method} ${path}: ${(await answer.text()).slice(0, 300)}`).toBeLessThan(300);
    return answer;
}

test('what somebody wrote is never run: not on a screen, on paper, or in a table', async ({ page }) => {
    page.on('dialog', (d) => {
        throw new Error(`a dialog: ${d.message()}`);
    });
    await signIn(page);
    const made = await (
        await send(page, 'POST', 'fittings/import', undefined, {
            keep: '1',
            file: { name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(fileOf()) },
        })
    ).json();
    const id = made.fittingId as number;
    const fitting = await (await page.request.get(`/api/fittings/${id}`)).json();
    await send(page, 'POST', `fittings/${id}/rounds`, {
        key: `hostile-round-${id}`,
        playedOn: new Date().toISOString().slice(0, 10),
        course: hostile(7),
        club: 'before',
        holes: 14,
        hit: 7,
        left: 4,
        right: 3,
        lost: 0,
        words: hostile(8),
    });
    const order = await (await send(page, 'POST', `fittings/${id}/orders`, {})).json();
    const player = fitting.player.id as number;
    for (const [path, text] of [
        ...['brief', 'bench', 'bay', 'shots', 'compare', 'finder', 'decide', 'sheet', 'follow-up', 'gaps'].map((s) => [
            `fitting/${id}/${s}`,
            'img',
        ]),
        [`player/${player}`, 'img'],
        [`orders/${order.id}`, 'img'],
        ['', 'img'],
        ['rack', 'img'],
        ['season', ''],
        ['orders', 'img'],
        ['calendar', ''],
        ['studio', ''],
        ['studio/data', ''],
    ] as const) {
        await page.goto(`/#/${path}`);
        await drawn(page);
        if (text)
            await expect(
                page
                    .getByText(RUNS)
                    .or(page.locator(`option:has-text("${RUNS}")`))
                    .first(),
                path,
            ).toBeAttached();
        expect(await page.evaluate(() => [document.querySelectorAll('img[src="x"], img[onerror]').length, 'ran' in window]), path).toEqual([
            0,
            false,
        ]);
    }
    for (const paper of ['report.pdf', 'build.pdf']) {
        const pdf = await (await page.request.get(`/api/fittings/${id}/${paper}`)).body();
        const words = execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' });
        expect(words.replace(/\s+/g, ''), paper).toContain(RUNS.replace(/\s+/g, ''));
    }
    for (const table of [`fittings/${id}/shots.csv`, 'orders.csv', 'rack.csv', 'season.csv']) {
        const csv = await (await page.request.get(`/api/${table}`)).text();
        if (table !== 'season.csv') expect(csv, table).toContain(RUNS);
        // A cell that begins as a formula does is a number, and nothing else.
        for (const cell of csv.match(/(^|[,;])"?[=+@-][^,;\n]*/gm) ?? []) expect(cell, table).toMatch(/^[,;]?"?[+-][\d.]+"?$/);
    }
});
