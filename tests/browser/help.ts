import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, type Request } from '@playwright/test';

const asked = new WeakMap<Page, Set<Request>>();
/** Questions of this page that are not answered yet. */
function open(page: Page): Set<Request> {
    const known = asked.get(page);
    if (known) return known;
    const now = new Set<Request>();
    asked.set(page, now);
    page.on('request', (r: Request) => r.url().includes('/api/') && now.add(r));
    page.on('requestfinished', (r: Request) => now.delete(r));
    page.on('requestfailed', (r: Request) => now.delete(r));
    return now;
}

/** Waits until what this page asked for has come and is drawn, and nothing more is asked for some frames. */
export async function drawn(page: Page): Promise<void> {
    const waiting = open(page);
    for (let calm = 0; calm < 6; calm = waiting.size === 0 ? calm + 1 : 0)
        await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 20))));
}

/** At the form, with a session of its own. */
export async function signInByForm(page: Page): Promise<void> {
    await page.goto('/');
    await page.getByLabel('E-mail').fill('fitter@demo.example');
    await page.getByLabel('Password').fill('minted-demo');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Day book' })).toBeVisible();
}

let session: Awaited<ReturnType<ReturnType<Page['context']>['cookies']>> = [];
/** One session for all tests that do not end it: hashing a password slowly, on purpose, is not what they try. */
export async function signIn(page: Page): Promise<void> {
    open(page);
    if (session.length === 0) {
        await signInByForm(page);
        session = await page.context().cookies();
    } else {
        await page.context().addCookies(session);
        await page.goto('/');
        await expect(page.getByRole('heading', { name: 'Day book' })).toBeVisible();
    }
    // A face that comes late moves everything, also from under a button that is being pressed.
    await page.evaluate(() => document.fonts.ready);
}

/** No violation of WCAG 2.2 A and AA on what is shown now. */
export async function accessible(page: Page): Promise<void> {
    const result = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze();
    expect(result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)).toEqual([]);
}

/** Fails the test on any error in the page's own console, such as something that the Content-Security-Policy held back. */
export function watch(page: Page): string[] {
    const errors: string[] = [];
    page.on('console', (m) => {
        if (m.type() === 'error' && !/status of (4\d\d)|ERR_INTERNET_DISCONNECTED/.test(m.text())) errors.push(m.text());
    });
    page.on('pageerror', (e) => errors.push(e.message));
    return errors;
}

/** A new fitting, at its brief. */
export async function begin(page: Page, name: string, hand: 'right' | 'left', scale: string): Promise<void> {
    await page.goto('/#/');
    await page.getByLabel('Player').fill(name);
    await page.getByLabel(`${hand}-handed`).check();
    await page.getByLabel('Units').selectOption(scale);
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByRole('heading', { name: 'Brief', exact: true })).toBeVisible();
}

/** Opens what lies behind "more" of each card of the brief. */
export async function unfold(page: Page): Promise<void> {
    const closed = page.locator('details.more:not([open]) > summary');
    await expect(page.locator('details.more')).not.toHaveCount(0);
    while (await closed.count()) await closed.first().click();
}

/** A new fitting, at its bench. */
export async function beginFitting(page: Page, name: string, hand: 'right' | 'left', scale: string): Promise<void> {
    await begin(page, name, hand, scale);
    await page.getByRole('link', { name: /^Bench/ }).click();
    await expect(page.getByRole('heading', { name: 'Setups' })).toBeVisible();
}

/** Ticks off the whole change-over. The card goes with its last box, also while somebody looks for that box. */
export async function changeOver(page: Page): Promise<void> {
    const card = page.locator('fieldset', { hasText: 'Change-over' });
    const open = card.getByRole('checkbox', { checked: false });
    await expect(async () => {
        if (await open.count()) await open.first().click({ timeout: 1000 });
        await expect(card).toBeHidden({ timeout: 500 });
    }).toPass();
}

const STEPS = ['Brief', 'Bench', 'Bay', 'Answer', 'Sheet'];
/** A step of the fitting that is open, or a part of its answer. */
export async function openStep(page: Page, name: string): Promise<void> {
    if (!STEPS.includes(name)) return openPart(page, name);
    await page
        .getByRole('navigation', { name: 'Steps' })
        .getByRole('link', { name: new RegExp(`^${name}`) })
        .click();
}

/** A part of the answer, by the beginning of its name on the line of parts. */
export async function openPart(page: Page, part: string): Promise<void> {
    const parts = page.getByRole('navigation', { name: 'More', exact: true });
    if (!(await parts.isVisible()))
        await page
            .getByRole('navigation', { name: 'Steps' })
            .getByRole('link', { name: /^Answer/ })
            .click();
    await parts.getByRole('link', { name: new RegExp(`^${part}`) }).click();
}

export async function addSetup(page: Page, button: string | RegExp, values: Record<string, string>): Promise<void> {
    await page.getByRole('button', { name: button }).click();
    // A head that is not on the rack is only described.
    const described = page.getByRole('button', { name: 'Only described' });
    await expect(described.or(page.getByLabel('Stated loft'))).not.toHaveCount(0);
    if (await described.isVisible()) await described.click();
    for (const [label, value] of Object.entries(values)) await page.getByLabel(label).first().fill(value);
    await page.getByRole('button', { name: 'Add setup' }).click();
    await expect(page.getByRole('button', { name: 'Add setup' })).toBeHidden();
}

export async function readFile(page: Page, file: string, setup?: string): Promise<void> {
    // The empty answer takes a file, too: this one is for the shots.
    await expect(page.getByText('Drop a file of launch data here')).toBeVisible();
    await page.locator('input[type=file]').setInputFiles(`examples/${file}`);
    await expect(page.getByText('as they will be stored')).toBeVisible();
    if (setup) await page.getByLabel('Hit with').selectOption({ label: setup });
    await page.getByRole('button', { name: /^Store \d+ shots/ }).click();
    await expect(page.getByText(/shots? stored from/)).toBeVisible();
}

/** A decided fitting of the demo once more, as one of its own under another name: of Imke left-handed in metres, of Rafe right-handed in yards. */
export async function decided(page: Page, name: string, of: 'Imke' | 'Rafe' = 'Imke'): Promise<number> {
    return page.evaluate(
        async ([name, of]) => {
            const token = decodeURIComponent(document.cookie.split('XSRF-TOKEN=')[1]!.split(';')[0]!);
            const headers = { Accept: 'application/json', 'X-XSRF-TOKEN': token };
            // A server that is busy judging says when to ask again; anything else than an answer is a fault.
            const ask = async (path: string, init: RequestInit = {}): Promise<unknown> => {
                for (;;) {
                    const answer = await fetch(`/api/${path}`, { headers, ...init });
                    if (answer.ok) return answer.json();
                    const wait = Number(answer.headers.get('Retry-After'));
                    if (![429, 503].includes(answer.status) || !wait) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
                    await new Promise((done) => setTimeout(done, 1000 * wait));
                }
            };
            const read = async (path: string) => (await ask(path)) as any; // eslint-disable-line @typescript-eslint/no-explicit-any
            const known = (await read('fittings?q=' + of)).filter((e: { player: { name: string } }) => e.player.name.startsWith(of));
            const file = await read(`fittings/${Math.min(...known.map((e: { id: number }) => e.id))}/file`);
            const form = new FormData();
            form.append(
                'file',
                new Blob([JSON.stringify({ ...file, player: { ...file.player, name } })], { type: 'application/json' }),
                'x.json',
            );
            form.append('keep', '1');
            const { fittingId } = (await ask('fittings/import', { method: 'POST', body: form })) as { fittingId: number };
            const fitting = await read(`fittings/${fittingId}`);
            if (!fitting.decision) {
                const advice = await read(`fittings/${fittingId}/advice`);
                const setupId = fitting.setups.find((s: { tag: string }) => s.tag === advice.pick).id;
                await ask(`fittings/${fittingId}/decisions`, {
                    method: 'POST',
                    headers: { ...headers, 'Content-Type': 'application/json' },
                    body: JSON.stringify({ setupId, reason: 'It holds' }),
                });
            }
            return fittingId as number;
        },
        [name, of] as const,
    );
}

/** A week that nobody else books, of a year of its own: its Monday, and its days as the calendar calls them. */
let quiet = Math.floor(Math.random() * 70);
export function quietWeek(month: number): Week {
    quiet = (quiet + 1) % 70;
    return weekOf(2030 + quiet, month, 0);
}

/** A week of the June that comes, as far as a feed reaches. */
export function nextJune(): Week {
    const now = new Date();
    return weekOf(now.getUTCFullYear() + (now.getUTCMonth() >= 5 ? 1 : 0), 6, Math.floor(Math.random() * 3));
}

interface Week {
    monday: string;
    day: (i: number) => string;
    iso: (i: number) => string;
}
function weekOf(year: number, month: number, weeks: number): Week {
    const first = new Date(Date.UTC(year, month - 1, 1));
    const at = (i: number) => new Date(Date.UTC(year, month - 1, 1 + ((8 - first.getUTCDay()) % 7) + 7 * weeks + i));
    return {
        monday: at(0).toISOString().slice(0, 10),
        iso: (i) => at(i).toISOString().slice(0, 10),
        day: (i) =>
            new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' })
                .format(at(i))
                .replace(',', ''),
    };
}
