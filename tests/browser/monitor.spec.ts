import { spawn } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { begin, count, hitting, inTheBay, monitor, newBay, noRatings, recorded, toBay } from './atbay';
import { addSetup, beginFitting, signIn } from './help';
import { address } from './served';

// bin/monitor as a process of its own, against the served application.

interface Stored {
    typed: Record<string, number>;
    measured: Record<string, number>;
    source: string;
    sequence: number;
    setupId: number;
}

test('the simulated monitor hits what is in the hand, the same from the same seed, and follows a change of club', async ({ page }) => {
    await signIn(page);
    const hits: Stored[][] = [];
    for (const player of ['Seed One', 'Seed Two']) {
        await beginFitting(page, player, 'right', 'yards');
        await addSetup(page, /own club/, { Head: 'Curlew L', 'Stated loft': '9' });
        await addSetup(page, 'Add a setup', { Head: 'Tern 460', 'Stated loft': '13' });
        await toBay(page);
        const bay = await newBay(page);
        await noRatings(page);
        await begin(page);
        await expect(count(page)).toContainText('0 count');
        expect(await monitor(bay, '--count', '4', '--player', 'slicer')).toContain('4 hit, 4 stored, 0 held');
        await expect(count(page)).toContainText('4 count');
        await page.getByRole('radio', { name: 'Setup B' }).check();
        await begin(page);
        await expect(count(page)).toContainText('trial 2 · 0 count');
        expect(await monitor(bay, '--count', '4', '--player', 'slicer')).toContain('4 hit, 4 stored, 0 held');
        await expect(count(page)).toContainText('4 count');
        hits.push(await recorded<Stored[]>(page, 'shots'));
    }
    const [one, two] = hits.map((shots) => shots.map((s) => s.measured));
    expect(one).toHaveLength(8);
    expect(one).toEqual(two);
    expect(hits[0]!.every((s) => s.source === 'simulated')).toBe(true);
    // The same draws with four degrees more loft: every shot launches higher.
    const shots = hits[0]!.map((s) => s.measured);
    const own = hits[0]!.find((s) => s.sequence === 1)!.setupId;
    const launches = (of: Stored[]) => of.sort((a, b) => a.sequence - b.sequence).map((s) => s.measured.launchDeg!);
    const low = launches(hits[0]!.filter((s) => s.setupId === own));
    const high = launches(hits[0]!.filter((s) => s.setupId !== own));
    expect(low.map((degrees, i) => high[i]! > degrees)).toEqual([true, true, true, true]);
    // Club data come with the ball’s, unless the fault is on.
    expect(shots.every((s) => s.clubSpeedMps! > 30 && s.ballSpeedMps! > s.clubSpeedMps!)).toBe(true);
});

test('the simulated monitor says plainly what it cannot do', async ({ page }) => {
    const bay = await inTheBay(page, 'No Token', 'metresKmh');
    await expect(monitor({ id: bay.id, token: 'guessed' }, '--count', '1')).rejects.toThrow(/does not open this bay/);
    await expect(monitor(bay, '--count', '1', '--player', 'nobody')).rejects.toThrow(/nobody/);
    await expect(monitor(bay, '--count', '1', '--faults', 'sneeze')).rejects.toThrow(/There is no fault 'sneeze'/);
    // Nobody said which setup is in the hand: the shots are kept in the tray, with that reason.
    expect(await monitor(bay, '--count', '2')).toMatch(/No trial is running[\s\S]*2 hit, 0 stored, 2 held/);
    await expect(page.getByText('2 shots held')).toBeVisible();
    // A token that was taken back opens nothing any more. The answer that tells it comes late, after one that was asked for later.
    let release = () => {};
    const late = new Promise<void>((go) => (release = go));
    await page.route(/\/fittings\/\d+\/bay$/, async (route) => (await late, route.continue()), { times: 1 });
    const asked = page.waitForRequest(/\/fittings\/\d+\/bay$/);
    await page.getByRole('button', { name: 'Revoke' }).click();
    await asked;
    const later = page.waitForResponse(/\/fittings\/\d+\/bay/);
    await page.keyboard.press(',');
    await page.getByText('Star A').click();
    await later;
    release();
    await expect(page.getByRole('button', { name: 'Revoke' })).toHaveCount(0);
    await expect(monitor(bay, '--count', '1')).rejects.toThrow(/Make a new one on the bay screen/);
});

test('a monitor that is killed in the middle of posting leaves nothing behind: the next run sends it, once', async ({ page }) => {
    const bay = await hitting(page, 'Cut Off', 'yards');
    // A first run that nobody answers, and one whose answers get lost on the way; both are killed while they wait.
    for (const [to, seed, faults] of [
        ['http://127.0.0.1:9', '5', 'no-club'],
        [address(), '6', 'drop'],
    ] as const) {
        const options = { address: to, bay: bay.id, token: bay.token, count: 30, pace: 0.02, seed, faults };
        const run = spawn(
            'bin/monitor',
            Object.entries(options).flatMap(([name, value]) => [`--${name}`, String(value)]),
        );
        await new Promise<void>((done) => run.stdout.on('data', (text: Buffer) => text.toString().includes('waiting') && done()));
        run.kill('SIGKILL');
        await new Promise((done) => run.on('close', done));
    }
    const said = await monitor(bay, '--count', '2');
    const [, left, stored] = said
        .match(/(\d+) shots of a run that was cut off are sent again[\s\S]*2 hit, (\d+) stored, 0 held/)!
        .map(Number);
    expect(left).toBeGreaterThanOrEqual(1);
    expect(stored).toBe(left! + 2);
    // What the killed run had stored without hearing of it is not there twice.
    const shots = await recorded<Stored[]>(page, 'shots');
    expect(new Set(shots.map((s) => JSON.stringify(s.measured))).size).toBe(shots.length);
    expect(shots.length).toBeGreaterThanOrEqual(left! + 2);
    await expect(count(page)).toContainText(`${shots.length} count`);
    expect(await monitor(bay, '--count', '1')).not.toContain('cut off');
});
