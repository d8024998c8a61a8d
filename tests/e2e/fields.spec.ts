import { expect, type Page, test } from '@playwright/test';
import { openCards, openStep } from './screens';
import { untilConcluded } from './trials';

const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });

test.describe('in a German browser', () => {
  test.use({ locale: 'de-DE' });

  test('takes comma and point alike, changes nothing silently, and says what it takes', async ({ page }) => {
    await openStep(page, 'demo-decode-bound', 'meter');
    await page.getByRole('radiogroup', { name: 'Take a reading' }).getByText('Type it').click();
    const shown = field(page, 'Shown, frames a second');
    for (const [typed, note] of [
      ['-3', '“-3” is not stored: it takes'],
      ['1e3', '“1e3” is not stored: it takes'],
      ['99999999', '“99999999” is not stored: it takes'],
      ['about 9', '“about 9” is not stored: it takes digits, with a comma or a point, from 0 to'],
    ] as const) {
      await shown.fill(typed);
      await page.keyboard.press('Tab');
      await expect(page.getByText(note).first()).toBeVisible();
    }
    for (const typed of ['9,5', '9.5']) {
      await shown.fill(typed);
      await page.keyboard.press('Tab');
      await expect(shown).toHaveValue('9.5');
    }
    // Enter stores the reading, and it is written alike everywhere.
    await shown.press('Enter');
    await expect(page.getByRole('complementary', { name: 'Gauge' })).toContainText('9.5of 25 a second');
    await expect(page.getByRole('region', { name: 'Readings on this card' })).toContainText('9.5');
  });
});

test('stores a number as it is typed, and gives the old one back on Escape', async ({ page, context }) => {
  await openStep(page, 'demo-decode-bound', 'machine');
  const cores = field(page, 'Processor cores');
  const before = await cores.inputValue();
  await cores.fill('12');
  await page.keyboard.press('Escape');
  await expect(cores).toHaveValue(before);
  await cores.fill('12');
  // The tab goes in the middle: neither Enter nor Tab was pressed, and nothing says that it is stored.
  await page.close();
  const again = await context.newPage();
  await openStep(again, 'demo-decode-bound', 'machine');
  await expect(field(again, 'Processor cores')).toHaveValue('12');
});

test('takes nothing for stated that nobody stated, and names no cause from it', async ({ page }) => {
  await openCards(page);
  await page.getByRole('button', { name: 'Start a card' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Timeline/ })
    .click();
  await expect(page.getByText('assumed', { exact: true }).first()).toBeVisible();
  const assumed = await page.getByText('assumed', { exact: true }).count();
  // One answer is one answer.
  await field(page, 'Moving pictures at once').fill('3');
  await expect(page.getByText('assumed', { exact: true })).toHaveCount(assumed - 1);
  await page.getByRole('button', { name: 'All of this is how it is' }).click();
  await expect(page.getByText('assumed', { exact: true })).toHaveCount(1);
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Findings/ })
    .click();
  await expect(page.getByRole('region', { name: 'What causes it' })).toContainText('Add your footage');
});

test('starts a program unknown, and shows a percentage both ways', async ({ page }) => {
  await openStep(page, 'demo-decode-bound', 'machine');
  await page.getByRole('button', { name: 'Add a program' }).click();
  await expect(field(page, 'Program').last()).toBeFocused();
  const share = page.getByRole('textbox', { name: /^Processor/ }).last();
  await expect(share).toHaveValue('');
  await share.fill('50');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/12\.5 % of all|50 % of one/).first()).toBeVisible();
});

test('says the same cause on the wall, the gauge, the rail and the findings, and keeps it over a reload', async ({
  page,
}) => {
  await openStep(page, 'demo-effects-bound', 'findings');
  await untilConcluded(page);
  const cause = (
    await page.getByRole('region', { name: 'What causes it' }).getByRole('heading', { level: 3 }).first().textContent()
  )?.trim();
  if (!cause) throw new Error('no cause');
  await expect(page.getByRole('complementary', { name: 'Gauge' })).toContainText(cause);
  await page.goto('/');
  const pinned = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Village choir, winter concert' });
  await expect(pinned).toContainText(cause);
});
