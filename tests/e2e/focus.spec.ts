import { expect, type Page, test } from '@playwright/test';
import { deep, openCards, openStep } from './screens';
import { lowerQuality, untilConcluded } from './trials';

/** What has the focus, as its own words or its label; "the page" where nothing has. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const active = document.activeElement;
    if (!active || active === document.body) return 'the page';
    return active.getAttribute('aria-label') ?? active.textContent?.trim() ?? '';
  });

test('hands the focus on from buttons that remove themselves, and brings a trial into view', async ({ page }) => {
  await openCards(page);
  await page.getByRole('button', { name: 'Start a card' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(() => focused(page)).toBe('First things');
  await page.getByRole('main').getByRole('button', { name: 'On to machine' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(() => focused(page)).toBe('Machine');
  await openStep(page, 'demo-programs-busy', 'machine');
  await page.getByRole('button', { name: 'Remove Lamplight screen saver' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(() => focused(page)).not.toBe('the page');
  await openStep(page, 'demo-effects-bound', 'fixes');
  await untilConcluded(page);
  const tryIt = page.getByRole('button', { name: lowerQuality }).last();
  await tryIt.focus();
  await page.keyboard.press('Enter');
  const trial = page.getByRole('region', { name: /^On trial: / });
  await expect(trial.getByRole('heading', { level: 2 })).toBeInViewport();
  await expect.poll(() => trial.evaluate((region) => region.contains(document.activeElement))).toBe(true);
  await page.getByRole('button', { name: 'It is made: measure it' }).focus();
  await page.keyboard.press('Enter');
  await expect.poll(() => focused(page)).not.toBe('the page');
  await expect.poll(() => trial.evaluate((region) => region.contains(document.activeElement))).toBe(true);
});

test('has a link over the head of every page to what the page is about', async ({ page }) => {
  await openStep(page, 'demo-effects-bound', 'findings');
  await page.getByRole('heading', { name: 'Findings', level: 1 }).waitFor();
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
});

for (const [width, height] of [
  [390, 844],
  [640, 400],
] as const)
  test(`shows a step's heading, its first control and the export at ${width} × ${height}`, deep, async ({ page }) => {
    await openCards(page);
    await page.setViewportSize({ width, height });
    for (const [stepId, name] of [
      ['machine', 'Machine'],
      ['timeline', 'Timeline'],
      ['symptoms', 'Symptoms'],
      ['fixes', 'Fixes'],
    ] as const) {
      await openStep(page, 'demo-effects-bound', stepId);
      await untilConcluded(page);
      const main = page.getByRole('main');
      await expect(main.getByRole('heading', { name, level: 1 })).toBeInViewport();
      const first = main.locator('button, input, select, summary, [role=radio]').filter({ visible: true }).first();
      await expect(first, `${stepId}: first control`).toBeInViewport();
      await expect(page.getByRole('button', { name: 'Export card' })).toBeInViewport();
    }
  });
