import { readFile } from 'node:fs/promises';
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
  // What was typed and does not hold is pointed out, and taken over with one press.
  const memory = page.getByRole('textbox', { name: 'Memory', exact: true });
  await memory.fill('1.5');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Measure again' }).click();
  await expect(page.getByText('Memory: 1.5 GB was typed,')).toBeVisible({ timeout: 120_000 });
  await page.getByRole('button', { name: 'Take over what was read' }).click();
  await expect(page.getByText('Memory: 1.5 GB was typed,')).toBeHidden();
  await expect(memory).not.toHaveValue('1.5');
  // A drive was read, and what lies on it is said once.
  await page.getByText('What lies on which drive').click();
  const cache = page.getByRole('button', { name: /The cache of computed pictures$/ });
  await cache.click();
  await page.getByRole('option').nth(1).click();
  await expect(page.getByText('A cache lies on the system’s own drive')).toBeVisible();
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

test('reads and measures a practice machine, and forgets what new parts make void', async ({ page }) => {
  await openStep(page, 'demo-programs-busy', 'machine');
  const sheet = page.getByRole('region', { name: 'The practice machine of this card' });
  await sheet.getByRole('button', { name: 'Read and measure it' }).click();
  const measured = page.getByRole('region', { name: 'Measured on the practice machine' });
  await expect(measured).toContainText(/[\d.]+ × reference/);
  await expect(measured).toContainText(/\d+ megapixels a second/);
  await expect(measured).toContainText(/\d+ MB a second written/);
  await page.getByText('Something was changed in it').click();
  await page.getByText(/^The graphics: what was measured/).click();
  await page.getByRole('button', { name: 'These are new' }).click();
  await expect(measured).toContainText('Decoding on the graphicsnot seen');
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(measured).toContainText(/\d+ megapixels a second/);
});

test('says what the film asks for, and what each better part would buy', async ({ page }) => {
  await openStep(page, 'demo-decode-bound', 'machine');
  const needs = page.getByRole('region', { name: 'What this film asks for' });
  await needs.getByRole('button', { name: 'Work it out' }).click();
  await expect(needs).toContainText(/At least\d+ cores/);
  await expect(needs.getByRole('row')).toHaveCount(6);
  await expect(needs.getByRole('row', { name: /A quick processor of today/ })).toContainText(/\d/);
});

test('takes what one project taught over to the next, and drops a line of it', deep, async ({ page }) => {
  const demo = await readFile(new URL('../../src/demo/cards/decode-bound.json', import.meta.url), 'utf8');
  const own = { ...JSON.parse(demo), id: 'own-kiln', title: 'Kiln diaries, episode 5' };
  await openCards(page);
  await page.getByLabel('Import card files').setInputFiles({
    name: 'own.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(own)),
  });
  const card = page.getByRole('listitem').filter({ hasText: own.title });
  await expect(card).toContainText('The originals are too heavy to decode', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Start a card' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Machine/ })
    .click();
  const lessons = page.getByRole('region', { name: 'From your last project' });
  await expect(lessons).toContainText(own.title);
  const thread = 'Your editor decodes with several threads';
  await expect(lessons.getByRole('listitem').filter({ hasText: thread })).toBeVisible();
  await lessons.getByRole('button', { name: `Drop: ${thread}` }).click();
  await expect(lessons).not.toContainText(thread);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lessons).toContainText(thread);
  await lessons.getByRole('button', { name: 'I edit in another editor now' }).click();
  await expect(lessons).toBeHidden();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Machine', exact: true, level: 1 })).toBeVisible();
  await expect(lessons).toBeHidden();
});
