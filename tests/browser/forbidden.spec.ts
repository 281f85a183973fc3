import { execFileSync } from 'node:child_process';
import { expect, test } from '@playwright/test';
import { accessible, drawn, signIn, watch } from './help';

// The side that must never come, from the bench to the decision: a longer head that brings it, right-handed in yards and left-handed in metres.

/** A fitting as `tests/MadeFitting.php` tells it, mirrored for a left-hander. */
function made(hand: string, name: string): string {
    const php = `require 'vendor/autoload.php';
        $brief = ['never' => ['left'], 'corridor' => ['widthM' => 32, 'left' => ['kind' => 'water', 'atM' => 28], 'right' => ['kind' => 'rough', 'atM' => null]]];
        $file = Tests\\MadeFitting::of($argv[1], $brief, 1)->head('Old 10', 10.5)->head('Tern 460', 10.5)
            ->hit('A', 'Old 10', 10, [150, 13, 2700, 0, 1])->hit('E', 'Tern 460', 10, [157, 13, 2500, -2.2, -5])->toArray();
        $file['player']['name'] = $argv[2];
        if ($argv[1] === 'left') $file['player']['units'] = ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'];
        echo json_encode($file);`;
    return execFileSync('php', ['-r', php, hand, name], { encoding: 'utf8' });
}

for (const [hand, side, unit] of [
    ['right', 'left', 'yd'],
    ['left', 'right', 'm'],
] as const)
    test(`${hand}-handed, in ${unit}: a head that brings ${side} is not advised, and is the benchmark only with a reason`, async ({
        page,
    }) => {
        const errors = watch(page);
        await signIn(page);
        const name = hand === 'right' ? 'Corin Hathersedge' : 'Maike Lindtorp';
        const input = page.getByRole('region', { name: 'Bring a fitting in' }).locator('input[type=file]');
        await input.setInputFiles({ name: 'made.json', mimeType: 'application/json', buffer: Buffer.from(made(hand, name)) });
        await expect(page.getByText(new RegExp(`made.json: ${name}`))).toBeVisible();
        await page.getByRole('button', { name: 'Add it to the day book' }).click();
        await expect(page).toHaveURL(/answer/);
        const id = /fitting\/(\d+)/.exec(page.url())![1]!;

        await page.goto(`/#/fitting/${id}/answer/choice`);
        await page.getByRole('button', { name: 'Choose another' }).click();
        await page.getByLabel('Setup E', { exact: true }).check();
        await expect(
            page.getByText(new RegExp(`E is not advised: it likely brings more of what must never be seen \\(${side}\\)`)),
        ).toBeVisible();
        await expect(page.getByRole('heading', { level: 1 })).toContainText(/^(Keep your own|Not yet)/);
        const schools = page.getByRole('region', { name: 'Picks by school and by which shots count' });
        await expect(schools).toBeVisible();
        await expect(schools.getByRole('img', { name: 'E', exact: true })).toHaveCount(0);

        await page.goto(`/#/fitting/${id}/bench`);
        await page.getByRole('button', { name: /^Make benchmark/ }).click();
        await expect(page.getByText(`E likely brings more of what must never come (${side})`)).toBeVisible();
        await page.setViewportSize({ width: 320, height: 720 });
        await drawn(page);
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
        await page.setViewportSize({ width: 1280, height: 800 });
        await accessible(page);
        await page.getByRole('button', { name: 'Leave it' }).click();
        await expect(page.getByLabel('Why all the same?')).toHaveCount(0);
        await page.getByRole('button', { name: /^Make benchmark/ }).click();
        await page.getByLabel('Why all the same?').fill('Only on the range');
        await page.getByRole('button', { name: 'Make it the benchmark' }).click();
        await expect(page.getByLabel('Why all the same?')).toHaveCount(0);
        const fitting = await (await page.request.get(`/api/fittings/${id}`)).json();
        const e = fitting.setups.find((s: { tag: string }) => s.tag === 'E').id;
        expect(fitting.benchmarkSetupId).toBe(e);
        const log = JSON.stringify(await (await page.request.get(`/api/fittings/${id}/log`)).json());
        expect(log).toContain('Only on the range');
        expect(errors).toEqual([]);
    });
