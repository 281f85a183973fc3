import { expect, test, type Page } from '@playwright/test';

// A fitting begun, briefed and built without a mouse: every control can be reached, is visibly focused, and nothing holds the focus.

async function tabTo(page: Page, name: RegExp, most = 90): Promise<void> {
    for (let i = 0; i < most; i++) {
        await page.keyboard.press('Tab');
        const label = await page.evaluate(() => {
            const e = document.activeElement as HTMLElement | null;
            if (!e) return '';
            const own = e.getAttribute('aria-label') ?? (e as HTMLInputElement).labels?.[0]?.innerText ?? e.innerText ?? '';
            return own.trim().replace(/\s+/g, ' ');
        });
        if (name.test(label)) return;
    }
    throw new Error(`${name} was not reached in ${most} steps`);
}
async function focusIsSeen(page: Page): Promise<void> {
    const outline = await page.evaluate(() => getComputedStyle(document.activeElement!).outlineStyle);
    expect(outline).not.toBe('none');
}

test('from sign-in to a setup with the keyboard alone', async ({ page }) => {
    await page.goto('/');
    await tabTo(page, /^E-mail/);
    await page.keyboard.type('fitter@demo.example');
    await tabTo(page, /^Password/);
    await page.keyboard.type('minted-demo');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Day book' })).toBeVisible();

    await tabTo(page, /^Player/);
    await page.keyboard.type('Keys Only');
    await tabTo(page, /right-handed|left-handed/);
    await page.keyboard.press('ArrowDown');
    await expect(page.getByLabel('left-handed')).toBeChecked();
    await tabTo(page, /^Begin/);
    await focusIsSeen(page);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();

    await tabTo(page, /^Typical carry/);
    await page.keyboard.type('205');
    await tabTo(page, /^hold a fade/);
    await page.keyboard.press('Space');
    await expect(page.getByRole('checkbox', { name: 'hold a fade' })).toBeChecked();
    await tabTo(page, /^Trouble right/);
    await page.keyboard.type('water');
    await expect(page.getByLabel('Trouble right')).toHaveValue('water');
    await tabTo(page, /^Agree the brief/);
    await page.keyboard.press('Enter');
    await expect(page.getByText('Saved.')).toBeVisible();

    // Off the fields, the number keys walk the steps.
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('2');
    await expect(page.getByRole('heading', { name: 'Setups' })).toBeVisible();
    await tabTo(page, /own club/);
    await page.keyboard.press('Enter');
    await tabTo(page, /^From the rack/);
    await page.keyboard.press('Enter');
    await expect(page.getByText('where the face points (open is left)')).toBeVisible();
    await tabTo(page, /^Position \+?[^:]*: loft/);
    await focusIsSeen(page);
    await page.keyboard.press('Enter');
    await tabTo(page, /^Slot /);
    await focusIsSeen(page);
    await tabTo(page, /^Add setup/);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'New from A' })).toBeVisible();
});

test('the number keys leave typing alone', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('E-mail').fill('fitter@demo.example');
    await page.getByLabel('Password').fill('minted-demo');
    await page.keyboard.press('Enter');
    await page
        .getByRole('listitem')
        .getByRole('link', { name: /Tobin Wexcroft/ })
        .click();
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
    await page.getByLabel('Typical carry').pressSequentially('215');
    await page.getByLabel('In their words').pressSequentially('3 more');
    await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
    await expect(page.getByLabel('Typical carry')).toHaveValue('215');
});
