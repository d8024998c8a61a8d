import { expect, test } from '@playwright/test';
import { deep, openCards, openStep } from './screens';

test('reads and measures this computer with one press, and the next card takes it over', deep, async ({ page }) => {
  await openCards(page);
  await page.getByRole('button', { name: 'Start a card' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Machine/ })
    .click();
  const sheet = page.getByRole('region', { name: 'Is this the computer that lags?' });
  await sheet.getByRole('button', { name: 'Yes: read and measure it' }).click();
  const running = page.getByRole('progressbar', { name: 'Measuring this computer' });
  await expect(running).toBeVisible();
  // Stopped in the middle, nothing is kept of it, and what was read stays.
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped before the end; nothing was kept of it.')).toBeVisible();
  await expect(page.getByText('read here', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Yes: read and measure it' }).click();
  const measured = page.getByRole('region', { name: 'Measured on this computer' });
  await expect(measured).toContainText(/[\d.]+ × reference/, { timeout: 120_000 });
  await expect(measured).toContainText('this browser draws by the processor');
  await expect(page.getByText('measured', { exact: true }).first()).toBeVisible();
  // A drive was read, and what lies on it is said once.
  await page.getByText('What lies on which drive').click();
  const cache = page.getByRole('button', { name: /The cache$/ });
  await cache.click();
  await page.getByRole('option').nth(1).click();
  await expect(page.getByText('The cache lies on the system’s own drive')).toBeVisible();
  await page.getByRole('textbox', { name: 'What you call this machine' }).fill('the old laptop');
  await page.keyboard.press('Tab');
  await expect(page.getByText('The next card takes it over.')).toBeVisible();
  await openCards(page);
  await page.getByRole('button', { name: 'Start a card' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Machine/ })
    .click();
  await expect(page.getByRole('textbox', { name: 'What you call this machine' })).toHaveValue('the old laptop');
  await expect(page.getByRole('region', { name: 'Measured on this computer' })).toContainText('× reference');
});

test('says what the film asks for, and what each better part would buy', async ({ page }) => {
  await openStep(page, 'demo-decode-bound', 'machine');
  const needs = page.getByRole('region', { name: 'What this film asks for' });
  await needs.getByRole('button', { name: 'Work it out' }).click();
  await expect(needs).toContainText(/At least\d+ cores/);
  await expect(needs.getByRole('row')).toHaveCount(6);
  await expect(needs.getByRole('row', { name: /A quick processor of today/ })).toContainText(/\d/);
});
