import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { mediaPath } from './media';
import { openCards, openStep } from './screens';

/** Exports every card that the bar offers; each must really reach the disk. */
const exportAll = async (page: Page, bar: Locator) => {
  for (const title of ['Kiln diaries, episode 6', 'Village choir, winter concert', 'Narrowboat repairs, week 3']) {
    const download = page.waitForEvent('download');
    await bar.getByRole('button', { name: `Export “${title}”` }).click();
    expect(await readFile(await (await download).path(), 'utf8')).toContain(`"title": "${title}"`);
  }
};
const cardFile = (name: string, text: string) => ({ name, mimeType: 'application/json', buffer: Buffer.from(text) });

test('answers each bad file in its place, and takes the good one', async ({ page }) => {
  await openCards(page);
  await openStep(page, 'demo-decode-bound', 'footage');
  const names = [
    'not-a-film.mp4',
    'empty.mp4',
    'cut-off.mp4',
    'cut-off-after-index.mp4',
    'cut-off.mkv',
    'sound-only.m4a.mp4',
    'unknown-codec.mp4',
    'vp9.webm',
  ];
  await page.getByLabel('Choose video files').setInputFiles(names.map(mediaPath));
  const answers = page.getByRole('main').getByRole('alert');
  await expect(answers.getByRole('listitem').filter({ hasText: 'not-a-film.mp4' })).toContainText(
    'no video file that Oil Can can read',
  );
  await expect(answers.getByRole('listitem').filter({ hasText: 'empty.mp4' })).toContainText('0 bytes');
  await expect(answers.getByRole('listitem').filter({ hasText: 'cut-off.mp4' })).toContainText(
    '198 kB where its own header says 391 kB',
  );
  await expect(answers.getByRole('listitem').filter({ hasText: 'cut-off-after-index.mp4' })).toContainText(
    '198 kB where its own header says 395 kB',
  );
  await expect(answers.getByRole('listitem').filter({ hasText: 'cut-off.mkv' })).toContainText(
    '192 kB where its own header says 384 kB',
  );
  await expect(answers.getByRole('listitem').filter({ hasText: 'sound-only' })).toContainText('sound and no picture');
  await expect(answers.getByRole('listitem').filter({ hasText: 'unknown-codec.mp4' })).toContainText('code "oilc"');
  await expect(page.getByRole('row', { name: /vp9\.webm/ })).toContainText('VP9 8-bit 4:2:0, 640 × 360 at 30');
  await expect(page.getByRole('main').getByRole('row')).toHaveCount(1 + 14 + 1);

  await page.getByRole('button', { name: 'Remove vp9.webm' }).click();
  await expect(page.getByRole('row', { name: /vp9\.webm/ })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: /vp9\.webm/ })).toBeVisible();
});

test('refuses card files that are none, says why, and changes nothing', async ({ page }) => {
  await openCards(page);
  const cards = page.getByRole('main').getByRole('listitem');
  const before = await cards.count();
  const input = page.getByLabel('Import card files');
  await input.setInputFiles(cardFile('a.json', 'not json'));
  await expect(page.getByText('it is not JSON text')).toBeVisible();
  await input.setInputFiles(cardFile('b.json', '{"format":"oil-can-job-card","version":7}'));
  await expect(page.getByText('written by a newer Oil Can (card version 7; this one reads up to 1)')).toBeVisible();
  const good = await readFile('src/demo/cards/programs-busy.json', 'utf8');
  const outOfRange = JSON.parse(good);
  outOfRange.machine.coreCount.value = -4;
  await input.setInputFiles(cardFile('c.json', JSON.stringify(outOfRange)));
  await expect(page.getByText('“machine.coreCount.value” holds -4')).toBeVisible();
  await expect(cards).toHaveCount(before);
  await input.setInputFiles(cardFile('d.json', good));
  await expect(cards).toHaveCount(before + 1);
});

test('keeps both tabs’ changes and follows the other tab live', async ({ page, context }) => {
  await openCards(page);
  await openStep(page, 'demo-programs-busy', 'machine');
  const other = await context.newPage();
  await openStep(other, 'demo-programs-busy', 'machine');

  await other.getByRole('textbox', { name: 'Card name' }).fill('Narrowboat, named in tab two');
  await other.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Card name' })).toHaveValue('Narrowboat, named in tab two');
  await page.getByRole('button', { name: 'Remove Lamplight screen saver' }).click();
  await expect(other.getByRole('button', { name: 'Remove Lamplight screen saver' })).toBeHidden();
  await expect(other.getByRole('textbox', { name: 'Card name' })).toHaveValue('Narrowboat, named in tab two');
});

test('goes on in memory and says so while the database does not open, until the card is exported', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('refused for this test', 'SecurityError');
    };
  });
  await openCards(page);
  const bar = page.getByRole('alert').filter({ hasText: 'does not let Oil Can store anything' });
  await expect(bar).toBeVisible();
  await exportAll(page, bar);
  await expect(bar).toBeHidden();
  await page.getByRole('link', { name: 'Kiln diaries, episode 6' }).click();
  await page.getByRole('textbox', { name: 'Card name' }).fill('Only in this tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Export “Only in this tab”' })).toBeVisible();
});

test('goes on in memory and says so while the storage is full, until the card is exported', async ({
  page,
  context,
  baseURL,
}) => {
  // Chromium looks at the quota when a site first opens its storage, so it is set before the first visit.
  const session = await context.newCDPSession(page);
  await session.send('Storage.overrideQuotaForOrigin', { origin: baseURL ?? '', quotaSize: 1 });
  await openCards(page);
  const bar = page.getByRole('alert').filter({ hasText: 'storage is full' });
  await expect(bar).toBeVisible();
  await exportAll(page, bar);
  await expect(bar).toBeHidden();
});
