import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { mediaPath } from './media';
import { deep, openCards, openStep } from './screens';

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
  await openStep(page, 'demo-decode-bound', 'footage');
  const names = [
    'not-a-film.mp4',
    'empty.mp4',
    'cut-off.mp4',
    'cut-off-after-index.mp4',
    'cut-off.mkv',
    'old-camera.avi',
    'vp9.webm',
  ];
  await page.getByLabel('Choose video files').setInputFiles(names.map(mediaPath));
  const answers = page.getByRole('main').getByRole('alert');
  await expect(answers).toContainText('6 files did not become clips. The others are not affected.');
  await answers.getByText('Which, and why').click();
  await expect(answers.getByRole('listitem').filter({ hasText: 'not-a-film.mp4' })).toContainText(
    'no video, sound or picture that Oil Can can read',
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
  await expect(answers.getByRole('listitem').filter({ hasText: 'old-camera.avi' })).toContainText(
    'Make an ffprobe report of it',
  );
  await expect(page.getByRole('row', { name: /vp9\.webm/ })).toContainText('VP9 8-bit 4:2:0, 640 × 360 at 30');
  await expect(page.getByText('15 clips', { exact: true }).first()).toBeVisible();

  await page.getByRole('checkbox', { name: 'Select vp9.webm' }).check();
  await page.getByRole('group', { name: 'Selected clips' }).getByRole('button', { name: 'Remove' }).click();
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
  await input.setInputFiles(cardFile('b.json', '{"format":"oil-can-job-card","version":14}'));
  await expect(page.getByText('written by a newer Oil Can (card version 14; this one reads up to 13)')).toBeVisible();
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

test('stops reading a batch when asked: the file in hand and all that follow', deep, async ({ page }) => {
  await openStep(page, 'demo-decode-bound', 'footage');
  const whole = await readFile(mediaPath('h264-8bit.mp4'));
  const files = Array.from({ length: 60 }, (_, i) => ({ name: `take-${i}.mp4`, mimeType: 'video/mp4', buffer: whole }));
  await page.getByLabel('Choose video files').setInputFiles(files);
  await page.getByRole('main').getByRole('button', { name: 'Stop' }).click();
  const stopped = page.getByText(/files did not become clips, because reading was stopped/);
  await expect(stopped).toBeVisible();
  await expect(page.getByRole('progressbar', { name: 'Files read' })).toBeHidden();
  const table = page.getByRole('table', { name: 'Clips' });
  const stoppedCount = Number.parseInt((await stopped.textContent()) ?? '', 10);
  expect(stoppedCount).toBeGreaterThan(0);
  // A head and the demo card's 14 clips, and every file that was read before.
  await expect(table).toHaveAttribute('aria-rowcount', String(1 + 14 + 60 - stoppedCount));
});

test('takes files that are dropped anywhere on the footage step', async ({ page }) => {
  await openStep(page, 'demo-decode-bound', 'footage');
  const bytes = [...(await readFile(mediaPath('silent.mp4')))];
  const dropped = await page.evaluateHandle((content) => {
    const data = new DataTransfer();
    data.items.add(new File([new Uint8Array(content)], 'dropped.mp4', { type: 'video/mp4' }));
    return data;
  }, bytes);
  await page.getByRole('heading', { name: 'Footage', level: 1 }).dispatchEvent('drop', { dataTransfer: dropped });
  await expect(page.getByRole('row', { name: /dropped\.mp4/ })).toContainText('320 × 180 at 25, no sound');
});

test('refuses an empty card name with a word, gives the old one back, and stores what is typed although the field is never left', async ({
  page,
}) => {
  await openStep(page, 'demo-decode-bound', 'findings');
  const name = page.getByRole('textbox', { name: 'Card name' });
  await name.fill('   ');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A card needs a name of at least one letter')).toBeVisible();
  await expect(name).toHaveValue('Kiln diaries, episode 6');
  await name.fill('Typed and never left');
  // The heading of the page follows what is stored, not what stands in the field.
  await expect(page).toHaveTitle(/Typed and never left/);
  const again = await page.context().newPage();
  await page.close();
  await again.goto('/');
  await expect(again.getByRole('link', { name: 'Typed and never left' })).toBeVisible();
});

test('imports a card chosen twice as two cards, and overwrites none', async ({ page }) => {
  await openCards(page);
  const text = await readFile('src/demo/cards/decode-bound.json', 'utf8');
  const fresh = JSON.stringify({ ...JSON.parse(text), id: 'from-a-friend', title: 'From a friend' });
  await page.getByLabel('Import card files').setInputFiles([cardFile('a.json', fresh), cardFile('b.json', fresh)]);
  await expect(page.getByText('Imported 2 cards.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'From a friend' })).toHaveCount(2);
});

test('says so where a part of the program cannot be loaded any more, and starts nothing half', async ({ page }) => {
  await openCards(page);
  await page.route('**/_next/static/**', (route) => route.abort());
  await page.getByRole('button', { name: 'Start a card' }).click();
  await expect(page.getByText('A part of Oil Can did not load.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Job cards' })).toBeVisible();
});
