import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, writeFileSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { cardTextWithClips } from '../arbitrary/many-clips';
import { mediaPath } from './media';
import { deep, openCards, openStep } from './screens';
import { unfold, untilConcluded } from './trials';

const openFootage = async (page: Page) => {
  await openStep(page, 'demo-decode-bound', 'footage');
  await page.getByRole('heading', { name: 'Footage', level: 1 }).waitFor();
};
const addFiles = async (page: Page, ...names: readonly string[]) => {
  await page.getByLabel('Choose video files').setInputFiles(names.map(mediaPath));
  await expect(page.getByRole('progressbar', { name: 'Files read' })).toBeHidden({ timeout: 30_000 });
};
const find = (page: Page, text: string) => page.getByRole('searchbox', { name: 'Find by name or folder' }).fill(text);
const pick = async (page: Page, label: string, option: RegExp) => {
  await page.getByRole('button', { name: new RegExp(label) }).click();
  await page.getByRole('option', { name: option }).click();
};
const openClip = async (page: Page, name: string) => {
  await find(page, name);
  await page.getByRole('table', { name: 'Clips' }).getByRole('button', { name, exact: true }).click();
  return page.getByRole('dialog', { name });
};
const firstClip = (page: Page) => page.getByRole('table', { name: 'Clips' }).getByRole('rowheader').first();

test('sorts, filters and selects clips, says where they lie, and takes the table away', async ({ page }) => {
  await openFootage(page);
  await addFiles(page, 'bowl.jpg', 'choir.wav', 'h264-interlaced.mts');
  const table = page.getByRole('table', { name: 'Clips' });
  await expect(table).toHaveAttribute('aria-rowcount', '18');
  await table.getByRole('button', { name: 'Clip', exact: true }).click();
  await expect(table.getByRole('columnheader', { name: 'Clip', exact: true })).toHaveAttribute(
    'aria-sort',
    'ascending',
  );
  await expect(firstClip(page)).toContainText('bowl.jpg');
  await expect(firstClip(page)).toContainText('JPEG still, 6000 × 4000');
  await table.getByRole('button', { name: 'Mbit/s' }).click();
  await expect(firstClip(page)).toContainText('kiln-loading');

  await pick(page, 'Show', /^Sounds/);
  await expect(firstClip(page)).toContainText('choir.wav');
  await expect(page.getByText('1 of 17')).toBeVisible();
  await expect(table).toContainText('sound only');
  await pick(page, 'Show', /^All clips/);
  await pick(page, 'What stands out', /^interlaced \(1\)/);
  await expect(firstClip(page)).toContainText('h264-interlaced.mts');
  await pick(page, 'What stands out', /^Anything/);
  await find(page, 'no such clip');
  await page.getByRole('button', { name: 'Show all clips' }).click();

  await find(page, 'kiln');
  await page.getByRole('checkbox', { name: 'Select all clips shown' }).check();
  const bar = page.getByRole('group', { name: 'Selected clips' });
  await expect(bar).toContainText('clips selected');
  await bar.getByRole('button', { name: /Say which/ }).click();
  await page.getByRole('option', { name: 'Still in the cloud' }).click();
  await expect(page.getByRole('row', { name: /kiln-loading-a/ })).toContainText('still in the cloud');
  await bar.getByRole('button', { name: 'State facts' }).click();
  const facts = page.getByRole('dialog', { name: /State facts of/ });
  await facts.getByRole('button', { name: /Scan/ }).click();
  await page.getByRole('option', { name: 'interlaced' }).click();
  await facts.getByRole('button', { name: 'State these' }).click();
  const sheet = await openClip(page, 'kiln-loading-a.mov');
  await expect(sheet.getByText('interlaced typed')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();

  await find(page, '');
  const csvDownload = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  const csv = await readFile(await (await csvDownload).path(), 'utf8');
  expect(csv.split('\r\n')).toHaveLength(1 + 17 + 1);
  expect(csv).toContain('fileName,folder,kind,container,codec');
  const jsonDownload = page.waitForEvent('download');
  await page.getByRole('button', { name: 'JSON' }).click();
  const clips = JSON.parse(await readFile(await (await jsonDownload).path(), 'utf8'));
  expect(clips).toHaveLength(17);
  expect(clips.find((clip: { fileName: string }) => clip.fileName === 'bowl.jpg')).toMatchObject({ kind: 'still' });
});

test('reads on while the person goes to another step, and goes through a sorted list from one sheet', async ({
  page,
}) => {
  await openFootage(page);
  const names = ['silent.mp4', 'h264-8bit.mov', 'vp9.webm', 'wheel.mp4', 'prores.mov', 'h264.ts', 'uneven.mkv'];
  await page.getByLabel('Choose video files').setInputFiles(names.map(mediaPath));
  const steps = page.getByRole('navigation', { name: 'Steps' });
  await steps.getByRole('link', { name: /^Timeline/ }).click();
  await expect(page.getByRole('heading', { name: 'Timeline', level: 1 })).toBeVisible();
  await expect(steps.getByRole('link', { name: /^Footage/ })).toContainText('21 clips', { timeout: 20_000 });
  await steps.getByRole('link', { name: /^Footage/ }).click();
  const table = page.getByRole('table', { name: 'Clips' });
  await expect(table).toHaveAttribute('aria-rowcount', '22');
  await table.getByRole('button', { name: 'Length', exact: true }).click();
  const inOrder = await table.getByRole('rowheader').getByRole('button').allTextContents();
  await table.getByRole('button', { name: inOrder[0] ?? '', exact: true }).click();
  await page.getByRole('button', { name: 'The next clip' }).click();
  await expect(page.getByRole('dialog', { name: inOrder[1] ?? '' })).toBeVisible();
  await page.getByRole('button', { name: 'The clip before' }).click();
  await expect(page.getByRole('dialog', { name: inOrder[0] ?? '' })).toBeVisible();
});

test('keeps the widths of columns, set by keyboard, over a reload', async ({ page }) => {
  await openFootage(page);
  const grip = page.getByRole('separator', { name: 'Width of Clip' });
  const before = Number(await grip.getAttribute('aria-valuenow'));
  await grip.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuenow', String(before + 32));
  await page.waitForTimeout(700);
  await page.reload();
  await expect(page.getByRole('separator', { name: 'Width of Clip' })).toHaveAttribute(
    'aria-valuenow',
    String(before + 32),
  );
});

test('reads a folder with all that lies in it, leaves other files aside, and asks where it lies', async ({ page }) => {
  const dir = join(mkdtempSync(join(tmpdir(), 'oil-can-')), 'Day 1');
  for (const name of ['silent.mp4', 'uneven.mp4']) cpSync(mediaPath(name), join(dir, 'camera', name));
  cpSync(mediaPath('bowl.png'), join(dir, 'bowl.png'));
  writeFileSync(join(dir, 'notes.txt'), 'cones, gloves');
  writeFileSync(join(dir, 'camera', 'silent.xml'), '<clip/>');
  await openFootage(page);
  await page.getByLabel('Choose a folder of footage').setInputFiles(dir);
  await expect(page.getByText('2 other files in the folder are no footage and were left aside.')).toBeVisible();
  // The dearest stand first, and a long list holds no more rows than are seen.
  await page.getByRole('searchbox', { name: 'Find by name or folder' }).fill('uneven.mp4');
  await expect(page.getByRole('row', { name: /uneven\.mp4/ })).toContainText('uneven frame rate');
  await page.getByRole('button', { name: /Drive of Day 1\/camera/ }).click();
  await page.getByRole('option', { name: 'Memory card' }).click();
  const sheet = await openClip(page, 'uneven.mp4');
  await sheet.getByText('uneven frame rate').click();
  await expect(sheet.getByText(/From 33 to \d+ ms between frames, usually/).first()).toBeVisible();
  await expect(sheet.getByText('on a slow drive')).toBeVisible();
  await sheet.getByRole('button', { name: 'Read again' }).click();
  await expect(page.getByText('Read “uneven.mp4”.')).toBeVisible();
});

test('takes an ffprobe report for files that are not read here, and gives the command to make it', async ({ page }) => {
  await openFootage(page);
  await page.getByRole('button', { name: 'Add a report' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add an ffprobe report' });
  for (const system of ['Windows (PowerShell)', 'macOS (Terminal)', 'Linux (a terminal)'])
    await expect(dialog.getByRole('button', { name: `Copy for ${system}` })).toBeVisible();
  const report = execFileSync('ffprobe', [
    ...['-v', 'error', '-show_format', '-show_streams', '-of', 'json', mediaPath('old-camera.avi')],
  ]);
  await page
    .getByLabel('Choose report files')
    .setInputFiles({ name: 'clips.json', mimeType: 'application/json', buffer: report });
  const sheet = await openClip(page, 'old-camera.avi');
  await expect(sheet.getByText('an ffprobe report')).toBeVisible();
  await expect(sheet.getByText('not known from a report')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add a report' }).click();
  await page
    .getByLabel('Choose report files')
    .setInputFiles({ name: 'notes.json', mimeType: 'application/json', buffer: Buffer.from('{"kiln":1}') });
  await expect(page.getByRole('main').getByRole('alert')).toContainText('no ffprobe report');
});

/** What a clip costs a frame where the machine is said to be of a class: the first figure of its sheet. */
async function costAtSpeed(page: Page, speed: RegExp): Promise<string> {
  // By the rail: a page that is loaded anew has no files in hand.
  const rail = page.getByRole('navigation', { name: 'Steps' });
  await rail.getByRole('link', { name: /^Machine/ }).click();
  await pick(page, 'Processor speed', speed);
  await rail.getByRole('link', { name: /^Footage/ }).click();
  const sheet = await openClip(page, 'wheel.mp4');
  const cost = await sheet
    .getByText(/^[\d.]+ ms$/)
    .first()
    .textContent();
  await page.keyboard.press('Escape');
  return cost ?? '';
}

test('plays a clip for real, lets the estimates follow, and takes it back', deep, async ({ page }) => {
  await openFootage(page);
  await addFiles(page, 'wheel.mp4', 'kiln-loading.mp4');
  // What the clip costs goes by what is said of the processor, until this machine has shown how quick it is.
  expect(await costAtSpeed(page, /^Fast/)).not.toBe(await costAtSpeed(page, /^Slow/));
  let sheet = await openClip(page, 'wheel.mp4');
  await sheet.getByRole('button', { name: 'Test-play this clip' }).click();
  await expect(sheet.getByRole('progressbar', { name: 'Test-play' })).toBeVisible();
  await expect(sheet.getByText(/This machine decodes [\d.,]+ frames a second of this clip/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(sheet.getByText(/the estimate had said/).first()).toBeVisible();
  await expect(sheet.getByRole('row', { name: /Decoded and drawn 1080 pixels high/ })).toBeVisible();
  await expect(sheet.getByRole('row', { name: /Decoded and drawn 270 pixels high/ })).toBeVisible();
  await expect(sheet.getByText(/A move of the playhead takes/)).toBeVisible();
  await page.keyboard.press('Escape');
  expect(await costAtSpeed(page, /^Fast/)).toBe(await costAtSpeed(page, /^Slow/));

  await openStep(page, 'demo-decode-bound', 'machine');
  await expect(page.getByText(/× reference/)).toBeVisible();
  await page.getByRole('button', { name: 'Delete the test-play of wheel.mp4' }).click();
  await expect(page.getByText('nothing yet')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/× reference/)).toBeVisible();

  await openStep(page, 'demo-decode-bound', 'footage');
  // What this browser does not decode is said, with the nearest clip that it does.
  sheet = await openClip(page, 'kiln-loading.mp4');
  await expect(sheet.getByText(/This browser does not decode HEVC of this form/)).toBeVisible();
  await sheet.getByRole('button', { name: 'wheel.mp4' }).click();
  await expect(page.getByRole('dialog', { name: 'wheel.mp4' })).toBeVisible();
});

/** A clip with so much room behind it that reading it takes a drive some time; players skip a box called `free`. */
async function makeLarge(name: string, path: string, addedBytes: number): Promise<string> {
  const room = Buffer.alloc(addedBytes, 7);
  room.writeUInt32BE(addedBytes, 0);
  room.write('free', 4, 'latin1');
  await writeFile(path, Buffer.concat([await readFile(mediaPath(name)), room]));
  return path;
}

test('reads a large clip that it cannot decode, and lets the drive be what was measured', async ({
  page,
}, testInfo) => {
  await openFootage(page);
  const path = await makeLarge('kiln-loading.mp4', testInfo.outputPath('kiln-large.mp4'), 60_000_000);
  await page.getByLabel('Choose video files').setInputFiles(path);
  await expect(page.getByRole('progressbar', { name: 'Files read' })).toBeHidden({ timeout: 30_000 });
  const sheet = await openClip(page, 'kiln-large.mp4');
  await expect(sheet.getByText(/This browser does not decode HEVC of this form/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Read this clip' }).click();
  await expect(sheet.getByText(/Its file came at [\d,]+ megabytes a second/)).toBeVisible();
  await expect(sheet.getByText(/The clip asks for [\d.]+ while it plays/)).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Read it again' })).toBeVisible();
  await page.keyboard.press('Escape');

  await openStep(page, 'demo-decode-bound', 'machine');
  await expect(page.getByRole('listitem').filter({ hasText: 'kiln-large.mp4' })).toContainText('read only');
  await expect(page.getByText('Drive of the footage')).toBeVisible();
  await page.getByRole('button', { name: 'Delete the test-play of kiln-large.mp4' }).click();
  await expect(page.getByText('nothing yet')).toBeVisible();
});

test('proposes to play a clip among the looks, leads to it, and asks no more once it was put off', async ({ page }) => {
  await openFootage(page);
  await addFiles(page, 'wheel.mp4');
  await openStep(page, 'demo-decode-bound', 'findings');
  await untilConcluded(page);
  await unfold(page);
  await page.getByRole('link', { name: 'Go to the clip: wheel.mp4' }).click();
  const sheet = page.getByRole('dialog', { name: 'wheel.mp4' });
  await expect(sheet.getByRole('button', { name: 'Test-play this clip' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();

  await openStep(page, 'demo-decode-bound', 'findings');
  await untilConcluded(page);
  await unfold(page);
  await page.getByRole('button', { name: 'Not now: Let Oil Can play wheel.mp4 here' }).click();
  await expect(page.getByRole('link', { name: 'Go to the clip: wheel.mp4' })).toBeHidden();
  await expect(page.getByRole('list', { name: 'Answered so far' })).toContainText('Playing a clip here Not now');
  await page.getByRole('button', { name: 'Ask again: Playing a clip here' }).click();
  await untilConcluded(page);
  await unfold(page);
  await expect(page.getByRole('link', { name: 'Go to the clip: wheel.mp4' })).toBeVisible();
});

test('stops a test-play at once and keeps nothing of it', async ({ page }) => {
  await openFootage(page);
  await addFiles(page, 'wheel.webm');
  const sheet = await openClip(page, 'wheel.webm');
  await sheet.getByRole('button', { name: 'Test-play this clip' }).click();
  await expect(sheet.getByText(/Decoding alone, by the processor/)).toBeVisible();
  const workers = page.workers().length;
  await sheet.getByRole('button', { name: 'Stop' }).click();
  await expect(sheet.getByText('Stopped. Nothing of this test is kept.')).toBeVisible();
  await expect.poll(() => page.workers().length).toBeLessThan(workers);
  await expect(sheet.getByText('not played yet')).toBeVisible();
});

test('holds a thousand clips with only those in sight in the page', deep, async ({ page }) => {
  await openCards(page);
  const text = cardTextWithClips(1000, 'thousand', 'A thousand takes');
  await page
    .getByLabel('Import card files')
    .setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await page.getByRole('link', { name: 'A thousand takes' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Footage/ })
    .click();
  const table = page.getByRole('table', { name: 'Clips' });
  await expect(table).toHaveAttribute('aria-rowcount', '1001');
  expect(await table.getByRole('row').count()).toBeLessThan(40);
  await table.getByRole('button', { name: 'Clip', exact: true }).click();
  await expect(firstClip(page)).toContainText('take-0000.mov');
  await table.getByRole('button', { name: 'take-0003.mov' }).focus();
  // A turn of the wheel may fall into the drawing of the one before, and what is above may move the table meanwhile.
  await expect(async () => {
    await table.getByRole('rowheader').nth(4).hover();
    await page.mouse.wheel(0, 6000);
    await expect(page.getByRole('button', { name: 'take-0999.mov' })).toBeVisible({ timeout: 100 });
  }).toPass({ intervals: [100] });
  expect(await table.getByRole('row').count()).toBeLessThan(40);
});
