import { expect, type Page, test } from '@playwright/test';
import { openCards, openStep } from './screens';
import { lowerQuality, makeChange, typeSecondReading } from './trials';

/** Makes one part of the page throw while it is drawn, until it is called off. */
const breakCharts = (page: Page) =>
  page.addInitScript(() => {
    const own = HTMLCanvasElement.prototype.getContext;
    Reflect.set(window, 'mendCharts', () => {
      HTMLCanvasElement.prototype.getContext = own;
    });
    HTMLCanvasElement.prototype.getContext = () => {
      throw new Error('broken for this test');
    };
  });

test('keeps the other sheets at work where one breaks, says what happened, and goes on', async ({ page }) => {
  await breakCharts(page);
  await openStep(page, 'demo-effects-bound', 'fixes');
  await makeChange(page, lowerQuality);
  await typeSecondReading(page, '24');
  await page.getByRole('button', { name: 'Keep it' }).click();
  const broken = page.getByRole('alert').filter({ hasText: 'This part could not be shown' });
  await expect(broken.first()).toContainText('broken for this test');
  await expect(page.getByRole('complementary', { name: 'Gauge' })).toContainText('24of 25 a second');
  await expect(broken.first().getByRole('button', { name: /^Export/ })).toBeVisible();
  await page.evaluate(() => Reflect.get(window, 'mendCharts')());
  await broken.first().getByRole('button', { name: /again/ }).click();
  await expect(broken).toHaveCount(0);
  await expect(page.getByRole('img', { name: /Readings in order/ })).toBeVisible();
});

test('keeps the undo of a first deletion when a second one follows', async ({ page }) => {
  await openCards(page);
  await page.getByRole('button', { name: 'Delete Kiln diaries, episode 6' }).click();
  await page.getByRole('button', { name: 'Delete Village choir, winter concert' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveCount(2);
  // Neither lies over what is below it.
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Kiln diaries, episode 6' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Village choir, winter concert' })).toBeVisible();
});

test('offers the card in hand first where nothing is stored, and asks before it is left', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('refused for this test', 'SecurityError');
    };
  });
  await openCards(page);
  await page.getByRole('link', { name: 'Narrowboat repairs, week 3' }).click();
  const bar = page.getByRole('alert').filter({ hasText: 'does not let Oil Can store anything' });
  await expect(bar.getByRole('button', { name: /^Export/ }).first()).toHaveText('Export “Narrowboat repairs, week 3”');
  // A browser asks only where a person did something on the page.
  await page.getByRole('textbox', { name: 'Card name' }).click();
  const asked = page.waitForEvent('dialog');
  const left = page.reload().catch(() => undefined);
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.accept();
  await left;
});
