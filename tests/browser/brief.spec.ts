import { expect, test, type Page } from '@playwright/test';
import { accessible, begin, signIn, unfold, watch } from './help';

// From the brief to a setup built on the rack: once right-handed in yards, once left-handed in metres, and with bad answers.

const says = (page: Page) => page.locator('.says');

test('a right-hander in yards: brief, what it means, own club and a head from the rack', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await begin(page, 'Bram Castell', 'right', 'yards');
    await expect(says(page)).toContainText('is assumed');
    await page.getByLabel('Typical carry').fill('235');
    await expect(says(page)).toContainText('worked out from the typical carry');
    await page.getByRole('group', { name: 'Usual miss' }).getByLabel('right').check();
    await unfold(page);
    // The first tap counts most, and says so.
    await page.getByRole('checkbox', { name: 'fairways' }).check();
    await page.getByRole('checkbox', { name: 'carry', exact: true }).check();
    await expect(page.locator('label', { hasText: 'fairways' }).locator('i')).toHaveText('1');
    await page.getByRole('checkbox', { name: 'right', exact: true }).check();
    await page.getByRole('textbox', { name: /^Corridor/ }).fill('32');
    await page.getByLabel('Trouble right').selectOption('out of bounds');
    await page.getByLabel('Where it begins on the right').fill('25');
    await page.getByLabel('Driving holes').fill('410');
    await page.getByLabel('Six-iron apex').fill('95');
    await page.getByLabel('At address').selectOption('squared');
    await expect(
        page.getByRole('img', { name: /corridor from above: 32 yd wide, rough on the left, out of bounds from 25 on the right/ }),
    ).toBeVisible();
    await expect(says(page)).toContainText('the out of bounds right');
    await expect(says(page)).toContainText(/0\.0\d strokes for ten yd on holes of 410 yd/);
    await expect(says(page)).toContainText('Look for a top of 95 ft, like the six-iron’s');
    const high = await says(page).textContent();
    await page.getByLabel('Flight school').selectOption('flat and running');
    await expect(says(page)).toContainText('runs farthest');
    await expect(says(page)).not.toHaveText(high!);
    await accessible(page);
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
    await expect(page.getByText(/Brief agreed \d+ \w+ 20\d\d/)).toBeVisible();

    // A later change says why, and both stay on the record.
    await page.getByLabel('Best setup is').selectOption('straightest');
    await page.getByRole('button', { name: 'Save the change' }).click();
    await expect(page.getByRole('alert').first()).toContainText('Say in a few words why it changes');
    await page.getByLabel('Why does the brief change?').fill('New course with trees on both sides');
    await page.getByRole('button', { name: 'Save the change' }).click();
    await expect(page.getByText('New course with trees on both sides')).toBeVisible();
    await expect(page.getByText('scoring: fewest strokes → straightest')).toBeVisible();
    await page.reload();
    await unfold(page);
    await expect(page.getByLabel('Best setup is')).toHaveValue('straightest');

    await page.getByRole('link', { name: /^Bench/ }).click();
    await page.getByRole('button', { name: /own club/ }).click();
    await page.getByRole('button', { name: 'From the rack' }).click();
    await page.getByLabel('Head on the rack').selectOption({ label: 'Curlew L, 9.0°' });
    await expect(page.getByText('reads 10.1°, 1.1° over its print')).toBeVisible();
    await expect(page.locator('dl', { hasText: 'Plays for this player' })).toContainText('9.7°');
    await page.getByRole('button', { name: 'Add setup' }).click();
    await expect(page.getByText('print and gauge differ by 1.1°')).toBeVisible();

    // The next one by keyboard alone: position on the plane, a weight from slot to slot.
    await page.getByRole('button', { name: 'New from A' }).click();
    await page.getByRole('button', { name: 'Position −1.4: loft' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('combobox', { name: /^Sleeve position/ })).toHaveValue('−1.4');
    await expect(page.getByText('Changed from A: sleeve −1.4.')).toBeVisible();
    await page.getByRole('button', { name: 'Slot front: 10 g' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText('The slot front may not be left empty.').first()).toBeVisible();
    await page.getByRole('button', { name: 'Slot back: 4 g' }).focus();
    await page.keyboard.press(' ');
    await page.getByRole('button', { name: 'Slot front: empty' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText('Changed from A: sleeve −1.4, 4 g front, 10 g back.')).toBeVisible();
    await expect(page.getByText('That is 2 things at once')).toBeVisible();
    await accessible(page);
    await page.getByRole('button', { name: 'Add setup' }).click();
    await expect(page.getByText('2 things changed from A: sleeve −1.4, 4 g front, 10 g back')).toBeVisible();
    expect(errors).toEqual([]);
});

test('a left-hander in metres: words, drawings and planes are left-handed', async ({ page }) => {
    const errors = watch(page);
    await signIn(page);
    await begin(page, 'Saskia Rooke', 'left', 'metresMps');
    await unfold(page);
    await page.getByLabel('Typical carry').fill('188,5');
    await page.getByLabel(/^Wind ?m\/s/).fill('5');
    await page.getByLabel('Wind from').selectOption('from the left');
    await page.getByLabel('Trouble left').selectOption('water');
    await expect(says(page)).toContainText('the wind moves a straight ball');
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
    await page.getByRole('link', { name: /^Bench/ }).click();
    await page.getByRole('button', { name: /own club/ }).click();
    await page.getByRole('button', { name: 'From the rack' }).click();
    const heads = page.getByLabel('Head on the rack');
    await expect(heads.locator('option')).toHaveText(['Plover 445, 10.5°', 'Tern 460, 10.5°']);
    await heads.selectOption({ label: 'Tern 460, 10.5°' });
    await expect(page.getByText('where the face points (open is left)')).toBeVisible();
    // From above with the target up: a left-hander's heel is on the right.
    const drawing = page.getByRole('group', { name: /The head from above, left-handed/ });
    const x = async (name: string) => (await drawing.getByRole('button', { name }).boundingBox())!.x;
    expect(await x('Slot heel')).toBeGreaterThan(await x('Slot toe'));
    // Closed points right: a lofted position sits right of the middle.
    const across = async (label: string) =>
        (await page
            .getByRole('button', { name: `Position ${label}: loft` })
            .locator('circle')
            .boundingBox())!.x;
    expect(await across('+1.5')).toBeGreaterThan(await across('−1.5'));
    await page.getByLabel('Length').fill('1143');
    await page.getByRole('button', { name: 'Add setup' }).click();
    await expect(page.getByText('1143 mm')).toBeVisible();
    await accessible(page);
    expect(errors).toEqual([]);
});

test('bad answers are named beside their field, and nothing typed is lost', async ({ page, context }) => {
    await signIn(page);
    await begin(page, 'Pim Aldous', 'right', 'yards');
    await page.getByLabel('Typical carry').fill('a long way');
    await expect(page.getByText("Typical carry 'a long way' is not a number")).toBeVisible();
    await page.getByLabel('Typical carry').fill('900');
    await expect(page.getByText(/must lie between 60 and 340/)).toBeVisible();
    await page.getByLabel('Typical carry').fill('220');
    await page.getByLabel('Trouble left').selectOption('water');
    await page.getByLabel('Where it begins on the left').fill('3');
    await expect(page.getByText(/inside the corridor/)).toBeVisible();
    await page.getByLabel('Where it begins on the left').fill('');
    await unfold(page);
    await page.getByLabel('The player is a minor').check();
    await page.getByLabel(/agrees that name/).check();
    await expect(page.getByText('the guardian gives consent')).toBeVisible();
    await page.getByLabel('Guardian who agrees').fill('A parent');
    await page.getByLabel('Best setup is').selectOption('own weights');
    await page.getByLabel('Weight of fairways').fill('3');
    await expect(page.locator('em[role=alert]')).toHaveCount(0);
    await page.getByLabel('Feel notes').fill('likes a heavy head');
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByRole('alert')).toContainText('No connection');
    await context.setOffline(false);
    await page.reload();
    await expect(page.getByText('Answers that were not saved yet are back')).toBeVisible();
    await unfold(page);
    await expect(page.getByLabel('Feel notes')).toHaveValue('likes a heavy head');
    await expect(page.getByLabel('Guardian who agrees')).toHaveValue('A parent');
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
    await page.reload();
    await unfold(page);
    await expect(page.getByLabel('Weight of fairways')).toHaveValue('3');
});

test('what was typed stays to the last digit, in whatever order it is saved, and follows into other units', async ({ page }) => {
    await signIn(page);
    await begin(page, 'Odo Marl', 'right', 'yards');
    await page.getByRole('textbox', { name: /^Corridor/ }).fill('31.5');
    await page.getByLabel('Club speed').fill('100.4');
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByText('Saved.')).toBeVisible();
    // A wrong field beside a new name: nothing is saved, and the correction goes through at once.
    await unfold(page);
    await page.getByLabel('Player', { exact: true }).fill('Odo Marlen');
    await page.getByLabel('Typical carry').fill('far');
    await page.getByLabel('Why does the brief change?').fill('asked again');
    await page.getByRole('button', { name: 'Save the change' }).click();
    await expect(page.getByText("Typical carry 'far' is not a number").first()).toBeVisible();
    await page.getByLabel('Typical carry').fill('231');
    await page.getByRole('button', { name: 'Save the change' }).click();
    await expect(page.getByText('asked again')).toBeVisible();
    await expect(page.locator('li', { hasText: 'asked again' })).toContainText(/typical carry/);
    await expect(page.locator('li', { hasText: 'asked again' })).not.toContainText(/corridor|club speed/);
    await page.reload();
    await unfold(page);
    await expect(page.getByRole('textbox', { name: /^Corridor/ })).toHaveValue('31.5');
    await expect(page.getByLabel('Club speed')).toHaveValue('100.4');
    await expect(page.getByLabel('Player', { exact: true })).toHaveValue('Odo Marlen');
    // A draft in yards is read in metres.
    await page.getByLabel('Driving holes').fill('410');
    await page.getByLabel('Distances in').selectOption('m');
    await expect(page.getByLabel('Driving holes')).toHaveValue('374.904');
    await page.getByLabel('Why does the brief change?').fill('reads metres');
    await page.getByRole('button', { name: 'Save the change' }).click();
    await expect(page.locator('li', { hasText: 'reads metres' })).toContainText('driving holes');
    await page.getByLabel('Distances in').selectOption('yd');
    await expect(page.getByRole('textbox', { name: /^Corridor/ })).toHaveValue('31.5');
});

test('a player who has been here before: from the day book to the agreed brief in two clicks and a key', async ({ page }) => {
    await signIn(page);
    await begin(page, 'Ysolde Farrow', 'left', 'metresKmh');
    await page.getByLabel('Typical carry').fill('171');
    await page.getByRole('button', { name: 'Agree the brief' }).click();
    await expect(page.getByRole('link', { name: 'Lay out the bench' })).toBeVisible();
    await page.goto('/#/');
    await page.getByLabel('Player').fill('Ysolde');
    await page.getByRole('button', { name: /Ysolde Farrow, left-handed/ }).click();
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByLabel('Typical carry')).toHaveValue('171');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/Brief agreed/)).toBeVisible();
    // The bar stays in sight, however long the page is.
    await page.setViewportSize({ width: 390, height: 844 });
    await expect(page.getByRole('link', { name: 'Lay out the bench' })).toBeInViewport();
    await accessible(page);
});
