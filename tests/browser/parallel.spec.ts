import { execFileSync } from 'node:child_process';
import { expect, test, type APIResponse, type Page } from '@playwright/test';
import type { BayView, Fitting, LogEntry } from '../../resources/web/api/generated/types';
import { signIn } from './help';
import { address } from './served';

// Eight requests at once against the served application; what is counted is what stands in the database afterwards.

const EIGHT = Array.from({ length: 8 }, (_, i) => i);
const SHOT = { ballSpeedMps: 67, launchDeg: 12, spinRpm: 2400, directionDeg: 1, spinAxisDeg: 2 };

/** A count from the database itself. */
function rows(sql: string): number {
    const database = process.env.MINT_ADDRESSES
        ? `mintcarry_browser_${Number(process.env.TEST_PARALLEL_INDEX ?? 0) + 1}`
        : 'mintcarry_demo';
    return Number(execFileSync('bash', ['-c', '. bin/parts/common.sh && sql -N -e "$1" "$2"', 'sql', sql, database], { encoding: 'utf8' }));
}
class Studio {
    constructor(
        private readonly page: Page,
        private readonly token: string,
    ) {}
    static async open(page: Page): Promise<Studio> {
        await signIn(page);
        const cookie = (await page.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')!;
        return new Studio(page, decodeURIComponent(cookie.value));
    }
    send(method: string, path: string, data?: unknown): Promise<APIResponse> {
        return this.page.request.fetch(`/api/${path}`, {
            method,
            data,
            headers: { Accept: 'application/json', 'X-XSRF-TOKEN': this.token },
            failOnStatusCode: false,
        });
    }
    async ask<T>(method: string, path: string, data?: unknown): Promise<T> {
        const answer = await this.send(method, path, data);
        expect(answer.status(), `${method} ${path}: ${await answer.text()}`).toBeLessThan(300);
        return answer.json() as Promise<T>;
    }
    /** Eight at once; none of them may break down. */
    async eight(method: string, path: string, data: (i: number) => unknown = () => ({})): Promise<number[]> {
        // Who is told that the server is busy judging sends the same again, as the screens do.
        const patient = async (i: number): Promise<APIResponse> => {
            for (let tries = 0; ; tries++) {
                const answer = await this.send(method, path, data(i));
                if (answer.headers()['x-busy'] === undefined || tries > 20) return answer;
                await new Promise((done) => setTimeout(done, 500));
            }
        };
        const answers = await Promise.all(EIGHT.map(patient));
        const said = await Promise.all(answers.map(async (a) => `${a.status()} ${(await a.text()).slice(0, 200)}`));
        expect(said.filter((s) => s.startsWith('5'))).toEqual([]);
        return answers.map((a) => a.status());
    }
    async fitting(name: string, setups: number): Promise<{ id: number; setups: number[] }> {
        const { id } = await this.ask<Fitting>('POST', 'fittings', { name, hand: 'right' });
        const made: number[] = [];
        for (let i = 0; i < setups; i++)
            made.push((await this.ask<{ id: number }>('POST', `fittings/${id}/setups`, { head: `Head ${i}`, statedLoftDeg: 9 + i })).id);
        return { id, setups: made };
    }
    /** Typed shots, a few that differ. */
    type(fitting: number, setupId: number, lines: { clientId: string; spin: number }[]): Promise<APIResponse> {
        const values = (spin: number) => ({
            ballSpeedMps: { value: '150', unit: 'mph' },
            launchDeg: { value: '12' },
            spinRpm: { value: String(spin) },
        });
        return this.send('POST', `fittings/${fitting}/shots`, {
            setupId,
            shots: lines.map((l) => ({ clientId: l.clientId, values: values(l.spin) })),
        });
    }
    async bay(fittingId: number): Promise<{ id: number; post: (shots: unknown[]) => Promise<Response> }> {
        const { id } = await this.ask<{ id: number }>('POST', 'bays', { name: `Bay ${Math.random().toString(36).slice(2)}` });
        const { token } = await this.ask<{ token: string }>('POST', `bays/${id}/token`);
        await this.ask('PATCH', `bays/${id}`, { fittingId });
        return {
            id,
            post: (shots) =>
                fetch(`${address()}/api/bays/${id}/shots`, {
                    method: 'POST',
                    headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
                    body: JSON.stringify({ shots }),
                }),
        };
    }
}
const good = (statuses: number[]) => statuses.filter((s) => s < 300).length;

test('setups, visits and trials that begin at once have letters and numbers of their own', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id } = await studio.fitting('Eight At Once', 0);
    expect(good(await studio.eight('POST', `fittings/${id}/setups`, (i) => ({ head: `Head ${i}`, statedLoftDeg: 9 })))).toBe(8);
    expect(rows(`select count(distinct tag) from setups where fitting_id = ${id}`)).toBe(8);
    expect(rows(`select count(*) from setups where fitting_id = ${id} and is_baseline = 1`)).toBe(1);
    expect(rows(`select count(*) from fittings f join setups s on s.id = f.benchmark_setup_id where f.id = ${id} and s.tag = 'A'`)).toBe(1);
    const { setups } = await studio.ask<Fitting>('GET', `fittings/${id}`);
    expect(good(await studio.eight('POST', `fittings/${id}/trials`, (i) => ({ setupId: setups[i]!.id })))).toBe(8);
    expect(rows(`select count(distinct number) from trials where fitting_id = ${id}`)).toBe(8);
    expect(rows(`select count(*) from trials where fitting_id = ${id} and ended_at is null`)).toBe(1);
    expect(
        rows(`select count(*) from fittings f join trials t on t.id = f.running_trial_id where f.id = ${id} and t.ended_at is null`),
    ).toBe(1);
    expect(rows(`select count(*) from log_entries where fitting_id = ${id} and words like 'began trial%'`)).toBe(8);
    expect(good(await studio.eight('POST', `fittings/${id}/visits`))).toBe(8);
    expect(rows(`select count(distinct number) from visits where fitting_id = ${id}`)).toBe(9);
});

test('a blind trial is begun, gone on with and revealed once', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Eight Blind', 3);
    expect(good(await studio.eight('POST', `fittings/${id}/blind`, () => ({ setupIds: setups, rounds: 2, shotsEach: 2 })))).toBe(1);
    expect(rows(`select count(*) from blinds where fitting_id = ${id}`)).toBe(1);
    expect(good(await studio.eight('POST', `fittings/${id}/blind/next`, () => ({ from: 1 })))).toBe(1);
    expect(rows(`select ordinal from blinds where fitting_id = ${id}`)).toBe(1);
    expect(rows(`select count(*) from trials where fitting_id = ${id}`)).toBe(2);
    expect(good(await studio.eight('POST', `fittings/${id}/blind/reveal`))).toBe(1);
    expect(rows(`select count(*) from log_entries where fitting_id = ${id} and words = 'revealed the blind trial'`)).toBe(1);
});

test('a held shot is settled once, whoever takes or discards it', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Eight Settle', 1);
    const bay = await studio.bay(id);
    await studio.ask('POST', `fittings/${id}/trials`, { setupId: setups[0] });
    await bay.post([
        { id: 'h1', values: { launchDeg: 12 } },
        { id: 'h2', values: { launchDeg: 13 } },
    ]);
    const [one, two] = (await studio.ask<BayView>('GET', `fittings/${id}/bay`)).held;
    expect(good(await studio.eight('PATCH', `held/${one!.id}`, () => ({ values: SHOT })))).toBe(1);
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(1);
    expect(rows(`select count(*) from held_shots where fitting_id = ${id} and settled_how = 'taken' and shot_id is not null`)).toBe(1);
    // Some take it, some discard it, and the monitor posts meanwhile.
    const [answers, posted] = await Promise.all([
        Promise.all(
            EIGHT.map((i) =>
                i % 2 ? studio.send('DELETE', `held/${two!.id}`) : studio.send('PATCH', `held/${two!.id}`, { values: SHOT }),
            ),
        ),
        Promise.all(EIGHT.map((i) => bay.post([{ id: `p${i}`, values: { ...SHOT, spinRpm: 2500 + i } }]))),
    ]);
    expect(good(answers.map((a) => a.status()))).toBe(1);
    expect(answers.every((a) => a.status() < 500)).toBe(true);
    expect(posted.map((p) => p.status)).toEqual(EIGHT.map(() => 200));
    const taken = rows(`select count(*) from held_shots where fitting_id = ${id} and settled_how = 'taken'`);
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(8 + taken);
    expect(rows(`select count(distinct sequence) from shots where fitting_id = ${id}`)).toBe(8 + taken);
    expect(
        rows(`select count(*) from log_entries where fitting_id = ${id} and (words like 'took a held%' or words like 'discarded a held%')`),
    ).toBe(2);
});

test('a shot that is posted eight times at once is there once, and eight shots are eight', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Eight Posts', 1);
    const bay = await studio.bay(id);
    await studio.ask('POST', `fittings/${id}/trials`, { setupId: setups[0] });
    const same = await Promise.all(EIGHT.map(async () => (await bay.post([{ id: '1', values: SHOT }])).text()));
    expect(new Set(same).size).toBe(1);
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(1);
    await Promise.all(EIGHT.map((i) => bay.post([{ id: '1', values: { ...SHOT, spinRpm: 2500 + i } }])));
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(9);
    expect(rows(`select count(distinct sequence) from shots where fitting_id = ${id}`)).toBe(9);
});

test('typed lines are stored once each, and none is lost', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Eight Typed', 1);
    const same = await Promise.all(EIGHT.map(() => studio.type(id, setups[0]!, [{ clientId: 'one', spin: 2400 }])));
    expect(same.map((a) => a.status())).toEqual(EIGHT.map(() => 201));
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(1);
    // Two tabs under the same ids with other values: seven of eight are told, the first stands.
    const other = await Promise.all(EIGHT.map((i) => studio.type(id, setups[0]!, [{ clientId: 'two', spin: 2500 + i }])));
    expect(other.map((a) => a.status()).sort()).toEqual([201, ...Array(7).fill(409)]);
    await Promise.all(
        EIGHT.map((i) =>
            studio.type(id, setups[0]!, [
                { clientId: `n${i}`, spin: 2600 + i },
                { clientId: `m${i}`, spin: 2700 + i },
            ]),
        ),
    );
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(18);
    expect(rows(`select count(distinct sequence) from shots where fitting_id = ${id}`)).toBe(18);
});

test('decisions have versions of their own, are locked once and reopened once; an entry is taken back once', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Eight Decisions', 2);
    for (const [s, setup] of setups.entries())
        expect(
            (
                await studio.type(
                    id,
                    setup,
                    [0, 1, 2, 3, 4].map((i) => ({ clientId: `${s}-${i}`, spin: 2300 + 60 * i + 200 * s })),
                )
            ).status(),
        ).toBe(201);
    // The same press eight times is one decision; eight different ones are eight versions.
    expect(good(await studio.eight('POST', `fittings/${id}/decisions`, () => ({ setupId: setups[0], reason: 'The same' })))).toBe(8);
    expect(rows(`select count(*) from decisions where fitting_id = ${id}`)).toBe(1);
    expect(good(await studio.eight('POST', `fittings/${id}/decisions`, (i) => ({ setupId: setups[0], reason: `Reason ${i}` })))).toBe(8);
    expect(rows(`select count(*) from decisions where fitting_id = ${id}`)).toBe(9);
    expect(rows(`select count(distinct number) from decisions where fitting_id = ${id}`)).toBe(9);
    const latest = rows(`select max(id) from decisions where fitting_id = ${id}`);
    expect(good(await studio.eight('POST', `decisions/${latest}/lock`))).toBe(1);
    expect(rows(`select count(*) from decisions where fitting_id = ${id} and locked_at is not null`)).toBe(1);
    expect(rows(`select count(*) from log_entries where fitting_id = ${id} and words like 'locked the decision%'`)).toBe(1);
    expect(good(await studio.eight('POST', `decisions/${latest}/reopen`, () => ({ why: 'Again' })))).toBe(1);
    expect(rows(`select count(*) from log_entries where fitting_id = ${id} and words like 'reopened version%'`)).toBe(1);
    const shot = rows(`select min(id) from shots where fitting_id = ${id}`);
    await studio.ask('PATCH', `shots/${shot}`, { leftOut: { reason: 'mishit' } });
    const [entry] = await studio.ask<LogEntry[]>('GET', `fittings/${id}/log`);
    expect(good(await studio.eight('POST', `log/${entry!.id}/undo`))).toBe(1);
    expect(rows(`select count(*) from log_entries where fitting_id = ${id} and undo_of = ${entry!.id}`)).toBe(1);
    expect(rows(`select count(*) from shots where id = ${shot} and left_out_reason is null`)).toBe(1);
});

test('a launch file that is confirmed from eight screens is stored once', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Eight Files', 1);
    const upload = await page.request.post(`/api/fittings/${id}/files`, {
        headers: {
            Accept: 'application/json',
            'X-XSRF-TOKEN': decodeURIComponent((await page.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')!.value),
        },
        multipart: {
            file: {
                name: 'x.csv',
                mimeType: 'text/csv',
                buffer: Buffer.from('Ball Speed (mph),Launch,Spin\n151,12,2400\n152,12.5,2500\n153,11,2300\n'),
            },
        },
    });
    const seen = (await upload.json()) as { id: number; map: unknown };
    expect(good(await studio.eight('POST', `files/${seen.id}/confirm`, () => ({ map: seen.map, setupId: setups[0] })))).toBe(1);
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(3);
    expect(rows(`select stored_shots from import_files where id = ${seen.id}`)).toBe(3);
});

test('whoever looks at the bay and the log while shots are posted stands in nobody’s way', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Onlooker Vane', 2);
    const bay = await studio.bay(id);
    await studio.ask('POST', `fittings/${id}/trials`, { setupId: setups[0] });
    const stored: number[] = [];
    const write = async (lane: number) => {
        for (let i = 0; i < 8; i++) {
            const answer = await bay.post([{ id: `${lane}-${i}`, values: { ...SHOT, spinRpm: 2300 + 10 * lane + i } }]);
            expect(answer.status).toBeLessThan(300);
            stored.push(lane);
        }
    };
    const look = async (path: string) => {
        const said: number[] = [];
        for (let i = 0; i < 12; i++) said.push((await studio.send('GET', `fittings/${id}/${path}`)).status());
        expect(said.filter((s) => s !== 200)).toEqual([]);
    };
    const change = async () => {
        for (let i = 0; i < 6; i++) await studio.ask('POST', `fittings/${id}/trials`, { setupId: setups[i % 2] });
    };
    await Promise.all([write(1), write(2), look('bay'), look('bay'), look('log'), look('log'), change()]);
    expect(stored.length).toBe(16);
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(16);
});

test('eight loops of one person over all screens while shots are posted: nothing is refused, nothing is lost', async ({ page }) => {
    test.setTimeout(240_000);
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Onlooker Quill', 2);
    const bay = await studio.bay(id);
    await studio.ask('POST', `fittings/${id}/trials`, { setupId: setups[0] });
    await bay.post(EIGHT.map((i) => ({ id: `first-${i}`, values: { ...SHOT, spinRpm: 2200 + i } })));
    const parts = ['comparison', 'judging', 'judge', 'advice', 'finder', 'grounds', 'schools', 'bay', 'shots', 'questions', 'speed-ladder'];
    let over = false;
    const said = new Map<number, number>();
    const loop = async (lane: number) => {
        for (let i = lane; !over || i < lane + parts.length; i++) {
            const status = (await studio.send('GET', `fittings/${id}/${parts[i % parts.length]}`)).status();
            said.set(status, (said.get(status) ?? 0) + 1);
        }
    };
    const write = async () => {
        for (let i = 0; i < 10; i++)
            expect((await bay.post([{ id: `shot-${i}`, values: { ...SHOT, spinRpm: 2300 + i } }])).status).toBeLessThan(300);
        over = true;
    };
    await Promise.all([...EIGHT.map(loop), write()]);
    // 422: a part that says why it cannot be told yet.
    expect([...said.keys()].filter((s) => s !== 200 && s !== 422)).toEqual([]);
    expect(said.get(200)).toBeGreaterThan(40);
    expect(rows(`select count(*) from shots where fitting_id = ${id}`)).toBe(18);
});

test('a screen shows what was judged last with its age, then the new figures in its place, and is never empty', async ({ page }) => {
    const studio = await Studio.open(page);
    const { id, setups } = await studio.fitting('Judged Ahead', 2);
    const lines = (from: number) => EIGHT.map((i) => ({ clientId: `${from + i}`, spin: 2300 + 20 * i + from }));
    for (const [k, setup] of setups.entries()) expect((await studio.type(id, setup, lines(100 * k))).status()).toBeLessThan(300);
    await page.goto(`/#/fitting/${id}/answer/figures`);
    await expect(page.getByRole('region', { name: 'Expected', exact: true })).toContainText('Loft it plays');
    const count = page.getByRole('table').first().getByText('16 shots', { exact: false });
    await expect(count).toBeHidden();
    // The newer judgement is held back: the older one stays, and says how old it is.
    let letGo: () => void = () => {};
    const held = new Promise<void>((go) => (letGo = go));
    let isHeld = true;
    await page.route(/\/(comparison|judging)$/, async (route) => {
        const answer = await route.fetch();
        if (isHeld && ((await answer.json()) as { age: { isCurrent: boolean } }).age.isCurrent) await held;
        await route.fulfill({ response: answer });
    });
    expect((await studio.type(id, setups[1]!, lines(500))).status()).toBeLessThan(300);
    await expect(page.getByRole('region', { name: 'Expected', exact: true })).toContainText('Loft it plays');
    await expect(page.getByText('Judging the shots …')).toHaveCount(0);
    isHeld = false;
    letGo();
    // Of the 24 shots both screens tell the same.
    await expect
        .poll(async () => ((await (await studio.send('GET', `fittings/${id}/judging`)).json()) as { age: object }).age)
        .toMatchObject({ shots: 24, of: 24, isCurrent: true });
    await expect(page.getByText(/^Judged after/)).toBeHidden();
    await expect(page.locator('table').first()).toContainText('16');
});
