import { expect, type Page } from '@playwright/test';

/** Opens everything that is folded away, so that all of it can be reached. */
export const unfold = (page: Page) =>
  page.locator('main details').evaluateAll((folded) => {
    for (const details of folded) (details as HTMLDetailsElement).open = true;
  });

/** Waits until what is concluded belongs to the card as it is, and the fixes stand in their order by it. */
export async function untilConcluded(page: Page): Promise<void> {
  await page
    .locator('section[aria-label="Next step"][aria-busy="false"]')
    .waitFor({ state: 'attached', timeout: 30_000 });
  await expect(page.locator('main section[aria-busy="true"]')).toHaveCount(0, { timeout: 30_000 });
}

/** Lowers the preview quality, to whichever level is the gentlest that cures. */
export const lowerQuality = /^Try this: Lower the preview quality to 1\/\d$/;

/** Begins a trial by its title, or by the name of its button, and says that the change is made. */
export async function makeChange(page: Page, title: string | RegExp): Promise<void> {
  // What is concluded meanwhile folds lists together again.
  await expect(async () => {
    await untilConcluded(page);
    await unfold(page);
    await page
      .getByRole('button', {
        name: typeof title === 'string' ? new RegExp(`^Try (this|that|the other): ${title}$`) : title,
      })
      .first()
      .click({ timeout: 3000 });
  }).toPass({ timeout: 60_000 });
  await page.getByRole('button', { name: 'It is made: measure it' }).click();
}

/** Types the reading of a trial. */
export async function typeSecondReading(page: Page, fps: string): Promise<void> {
  await unfold(page);
  await page.getByRole('textbox', { name: 'Shown, frames a second' }).fill(fps);
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Store the second reading' }).click();
}
