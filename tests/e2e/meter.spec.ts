import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { filmRecording } from '../../bench/meter/film-recording';
import { encodings, planRecording, type RecordingPlan } from '../../bench/meter/recordings';
import { writeRecording } from '../../bench/meter/write-recording';
import { deep } from './screens';

/** Decoding twelve seconds takes a while on a busy machine. */
const measured = { timeout: 60_000 };

let folder: string;
test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'oil-can-e2e-meter-'));
});
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));
/** A recording of a drawn window. */
async function record(plan: RecordingPlan): Promise<string> {
  const path = join(folder, `${plan.scene}-${plan.seed}.mp4`);
  await writeRecording(plan, path);
  return path;
}

const [live] = encodings;
if (!live) throw new Error('no encoding');

async function choose(page: Page, path: string): Promise<void> {
  await page.getByRole('radiogroup', { name: 'Take a reading' }).getByText('Drop a recording').click();
  await page.getByLabel('Choose a screen recording').setInputFiles(path);
}

test('measures a dropped recording within 3 %, and keeps it as a reading', async ({ page }) => {
  const plan = planRecording(71, 'shapes', live);
  const path = await record(plan);
  const seen = plan.newAtFrames.filter((frame) => frame > 0);
  const trueFps = ((seen.length - 1) * plan.recordedFps) / ((seen.at(-1) ?? 0) - (seen[0] ?? 0));
  await page.goto('/card/demo-decode-bound/meter');
  await page.getByRole('button', { name: 'Share a window' }).waitFor();
  const data = await page.evaluateHandle(
    ([base64, name]) => {
      const bytes = Uint8Array.from(atob(base64 as string), (letter) => letter.charCodeAt(0));
      const transfer = new DataTransfer();
      transfer.items.add(new File([bytes], name as string, { type: 'video/mp4' }));
      return transfer;
    },
    [readFileSync(path).toString('base64'), 'kiln.mp4'],
  );
  await page.getByRole('heading', { name: 'Lag meter' }).dispatchEvent('drop', { dataTransfer: data });
  const shown = page.getByRole('region', { name: 'What it showed' });
  await expect(shown).toContainText('a second', measured);
  const text = (await shown.locator('p').first().textContent()) ?? '';
  expect(Number.parseFloat(text) / trueFps).toBeGreaterThan(0.97);
  expect(Number.parseFloat(text) / trueFps).toBeLessThan(1.03);
  await expect(shown).toContainText('Oil Can is sure');
  await expect(page.getByRole('img', { name: 'The part that is measured' })).toBeVisible();
  await shown.getByRole('radiogroup', { name: 'Could you edit like this?' }).getByText('No').click();
  await shown.getByRole('button', { name: 'Store as a reading' }).click();
  await expect(page.getByRole('region', { name: 'Readings on this card' })).toContainText(text.split(' ')[0] ?? 'none');
});

test('says so where nothing moves, and where a file is no video', async ({ page }) => {
  const still = await record(planRecording(72, 'still', live));
  await page.goto('/card/demo-decode-bound/meter');
  await choose(page, still);
  await expect(page.getByText(/^Not enough movement to tell/)).toBeVisible(measured);
  await page.getByLabel('Choose a screen recording').setInputFiles({
    name: 'notes.mp4',
    mimeType: 'video/mp4',
    buffer: Buffer.from('no video at all'),
  });
  await expect(page.getByText(/^This file holds no video/)).toBeVisible(measured);
});

test('doubts a screen that a phone has filmed, and measures it once that is said', deep, async ({ page }) => {
  const plan = planRecording(91_001, 'grain', live);
  const seen = plan.newAtFrames.filter((frame) => frame > 0);
  const trueFps = ((seen.length - 1) * plan.recordedFps) / ((seen.at(-1) ?? 0) - (seen[0] ?? 0));
  const path = join(folder, 'filmed.mp4');
  await filmRecording(plan, path, 'held');
  await page.goto('/card/demo-decode-bound/meter');
  await choose(page, path);
  const shown = page.getByRole('region', { name: 'What it showed' });
  await expect(shown).toContainText('as where a camera films the screen', measured);
  await expect(shown).toContainText('Oil Can is not sure');
  await page.getByRole('button', { name: 'It was filmed: measure it as that' }).click();
  await expect(shown).toContainText('It was filmed: a picture', measured);
  await expect(page.getByRole('checkbox', { name: 'Filmed with a phone or camera' })).toBeChecked();
  const fps = Number.parseFloat((await shown.locator('p').first().textContent()) ?? '');
  expect(fps / trueFps).toBeGreaterThan(0.95);
  expect(fps / trueFps).toBeLessThan(1.05);
});

test('marks the part where it is seen in a recording that is stored lying on its side', deep, async ({ page }) => {
  const plan = planRecording(71, 'shapes', live);
  const path = join(folder, 'turned.mp4');
  // How to turn it stands beside the frames, as phones write it. ffmpeg counts the other way round: it is shown turned
  // clockwise by a quarter.
  execFileSync('ffmpeg', ['-v', 'error', '-i', await record(plan), '-c', 'copy', '-metadata:s:v', 'rotate=270', path]);
  await page.goto('/card/demo-decode-bound/meter');
  await choose(page, path);
  await expect(page.getByRole('region', { name: 'What it showed' })).toContainText('Oil Can is sure', measured);
  const valueIn = async (name: string) => Number(await page.getByRole('textbox', { name }).inputValue());
  const { region, heightPx } = plan;
  for (const [name, truePx] of [
    ['Part, from the left', heightPx - region.yPx - region.heightPx],
    ['Part, from the top', region.xPx],
    ['Part, width', region.heightPx],
    ['Part, height', region.widthPx],
  ] as const)
    expect(Math.abs((await valueIn(name)) - truePx)).toBeLessThanOrEqual(8);
  // Measured once more in the part that is shown there, it comes to the same.
  const width = page.getByRole('textbox', { name: 'Part, width' });
  await width.fill(String((await valueIn('Part, width')) - 10));
  await width.press('Tab');
  await page.getByRole('button', { name: 'Measure again' }).click();
  await expect(page.getByRole('region', { name: 'What it showed' })).toContainText('Oil Can is sure', measured);
});

test('measures the part and the span that a person types', deep, async ({ page }) => {
  const plan = planRecording(73, 'pan', live);
  await page.goto('/card/demo-decode-bound/meter');
  await choose(page, await record(plan));
  const shown = page.getByRole('region', { name: 'What it showed' });
  await expect(shown).toContainText('a second', measured);
  const field = (name: string) => page.getByRole('textbox', { name });
  for (const [name, value] of [
    ['Part, from the left', plan.region.xPx],
    ['Part, from the top', plan.region.yPx],
    ['Part, width', 20],
    ['Part, height', 20],
    ['Measure to (empty: end)', 0.5],
  ] as const) {
    await field(name).fill(String(value));
    await field(name).press('Tab');
  }
  // By keys it moves a hundredth of the picture at a time; dragging draws it anew.
  const part = page.getByRole('img', { name: 'The part that is measured' });
  await part.focus();
  await page.keyboard.press('ArrowRight');
  await expect(field('Part, from the left')).toHaveValue(String(plan.region.xPx + 6));
  await page.keyboard.press('Shift+ArrowDown');
  await expect(field('Part, height')).toHaveValue('26');
  const box = await page.getByLabel(/^The recording/).boundingBox();
  if (!box) throw new Error('the recording is not in sight');
  await page.mouse.move(box.x + 0.25 * box.width, box.y + 0.25 * box.height);
  await page.mouse.down();
  await page.mouse.move(box.x + 0.75 * box.width, box.y + 0.5 * box.height, { steps: 4 });
  await page.mouse.up();
  await expect(field('Part, width')).toHaveValue(/^3[12]\d$/);
  await page.getByRole('button', { name: 'Measure again' }).click();
  await expect(page.getByText(/it takes at least 0:01/)).toBeVisible(measured);
});
