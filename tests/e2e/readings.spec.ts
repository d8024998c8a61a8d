import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { deep } from './screens';

const openMeter = async (page: Page, way: string, cardId = 'demo-effects-bound'): Promise<void> => {
  await page.goto(`/card/${cardId}/meter`);
  await page.getByRole('radiogroup', { name: 'Take a reading' }).getByText(way).click();
};

const fill = async (page: Page, name: string, value: string): Promise<void> => {
  await page.getByRole('textbox', { name, exact: true }).fill(value);
  await page.keyboard.press('Tab');
};

test('answers a refusal to share and a browser that cannot', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getDisplayMedia = () => Promise.reject(new DOMException('', 'NotAllowedError'));
  });
  await openMeter(page, 'Share the window');
  await page.getByRole('button', { name: 'Share a window' }).click();
  await expect(page.getByText(/^No window was shared/)).toBeVisible();
});

test('says before any press where a browser cannot share a window, and offers what works there', async ({ page }) => {
  await page.addInitScript(() => Reflect.deleteProperty(globalThis, 'MediaStreamTrackProcessor'));
  await openMeter(page, 'Share the window');
  const sheet = page.getByRole('region', { name: 'Share the editor’s window' });
  await expect(sheet).toContainText('This browser does not hand a shared window’s frames to a page');
  await sheet.getByRole('button', { name: 'Tap along' }).click();
  await expect(page.getByRole('region', { name: 'Tap at each stutter' })).toBeVisible();
});

test('takes taps and held freezes from a small window of its own', deep, async ({ page, context }) => {
  // A picture-in-picture window is out of a test's reach; the narrow window is what other browsers have.
  await page.addInitScript(() => Reflect.deleteProperty(window, 'documentPictureInPicture'));
  await openMeter(page, 'Tap along');
  const opened = context.waitForEvent('page');
  await page.getByRole('button', { name: 'Tap for 20 s' }).click();
  const pad = await opened;
  await expect(pad.getByText('Begins in')).toBeVisible();
  await expect(pad.getByText('0 so far')).toBeVisible();
  // Down and up bear their own times, so that a busy machine makes no tap of a held key, nor the other way round.
  const tapFor = (ms: number) =>
    pad.evaluate((length) => {
      const press = (type: string, atMs: number) => {
        const event = new KeyboardEvent(type, { key: ' ', code: 'Space', bubbles: true, cancelable: true });
        Object.defineProperty(event, 'timeStamp', { value: atMs });
        document.body.dispatchEvent(event);
      };
      const nowMs = performance.now();
      press('keydown', nowMs);
      press('keyup', nowMs + length);
    }, ms);
  for (let i = 0; i < 4; i++) {
    await tapFor(60);
  }
  await tapFor(900);
  await expect(pad.getByText('5 so far')).toBeVisible();
  const seen = page.getByRole('region', { name: 'What you saw' });
  await expect(seen).toContainText('12 stutters a minute');
  await expect(seen).toContainText(/1 freeze held, the longest 0\.9|1 freeze held, the longest 9\d\d ms/);
  await seen.getByRole('button', { name: 'Store as a reading' }).click();
  await expect(page.getByRole('region', { name: 'Readings on this card' })).toContainText('4 stutters');
});

test('takes a count by eye, and dropped frames for a rate', async ({ page }) => {
  await openMeter(page, 'Tap along');
  await page.getByText('My editor stops when another window has the keyboard').click();
  await fill(page, 'Stutters counted', '9');
  await page.getByRole('button', { name: 'Use this count' }).click();
  await expect(page.getByRole('region', { name: 'What you saw' })).toContainText('27 stutters a minute');
  await openMeter(page, 'Type it');
  await page.getByText('My editor counts dropped frames').click();
  await fill(page, 'Frames dropped', '150');
  await fill(page, 'In so many seconds', '10');
  await expect(page.getByText('That is 10 shown a second.')).toBeVisible();
  await page.getByRole('button', { name: 'Store this reading' }).click();
  await expect(page.getByRole('region', { name: 'Readings on this card' }).getByRole('row')).toHaveCount(3);
});

test('compares readings of two set-ups, and says why others cannot be', async ({ page }) => {
  await openMeter(page, 'Type it');
  for (const [fps, setup] of [
    ['6.2', 'As it is now'],
    ['19', 'As it is now'],
  ] as const) {
    await fill(page, 'Shown, frames a second', fps);
    await page.getByText('What was played, and under which set-up').click();
    if (setup === 'As it is now' && fps === '19') {
      await fill(page, 'Stretch or clip that played', 'the title sequence');
      await page.getByRole('radiogroup', { name: 'Viewer' }).getByText('Single clip').click();
    }
    await page.getByRole('button', { name: 'Store this reading' }).click();
    await page.getByText('What was played, and under which set-up').click();
  }
  const list = page.getByRole('region', { name: 'Readings on this card' });
  await expect(list).toContainText('the title sequence');
  const ticks = list.getByRole('checkbox');
  await ticks.first().check();
  await ticks.last().check();
  await expect(page.getByRole('region', { name: 'Did it change?' })).toContainText(
    'All chosen readings are of one set-up',
  );
});

test('asks which of two readings of one set-up holds, and takes the answer', async ({ page }) => {
  await openMeter(page, 'Type it');
  for (const fps of ['4', '22']) {
    const shown = page.getByRole('textbox', { name: 'Shown, frames a second', exact: true });
    await shown.fill(fps);
    await shown.press('Enter');
  }
  const list = page.getByRole('region', { name: 'Readings on this card' });
  await expect(list).toContainText('say different things');
  await expect(list).toContainText('4 (typed) and 22 (typed)');
  // The one that is deleted is gone, and the other one counts.
  await list.getByRole('button', { name: '4 was wrong: delete it' }).click();
  await expect(list).not.toContainText('4 (typed)');
  // What was on the card before differs from it as well; where both hold, nobody is asked again.
  const stillAsked = list.getByRole('button', { name: 'Both hold: it differs from time to time' });
  await stillAsked.click();
  await expect(list).not.toContainText('say different things');
  await page.reload();
  await expect(list).toContainText('22');
  await expect(list).not.toContainText('say different things');
});

test('takes readings out as CSV and JSON and in again, and deletes one with a way back', async ({ page }) => {
  await openMeter(page, 'Type it');
  await fill(page, 'Shown, frames a second', '7');
  await page.getByRole('button', { name: 'Store this reading' }).click();
  const list = page.getByRole('region', { name: 'Readings on this card' });
  await expect(list).toContainText('2 readings');
  await list.getByText('Readings as a file').click();
  const save = async (format: string): Promise<string> => {
    const download = page.waitForEvent('download');
    await list.getByRole('button', { name: format, exact: true }).click();
    return readFile(await (await download).path(), 'utf8');
  };
  const [csv, json] = [await save('CSV'), await save('JSON')];
  expect(csv.split('\r\n')[0]).toContain('id,takenAtMs,how,moment,shownFps');
  await page.goto('/card/demo-programs-busy/meter');
  await expect(list).toContainText('1 reading');
  const take = (name: string, text: string) =>
    page.getByLabel('Choose a file of readings').setInputFiles({
      name,
      mimeType: 'text/plain',
      buffer: Buffer.from(text),
    });
  await take('notes.txt', 'clay, glaze');
  await expect(page.getByText(/^This file holds no readings of Oil Can/)).toBeVisible();
  await take('readings.csv', csv);
  await expect(list).toContainText('3 readings');
  await take('readings.json', json);
  await expect(list).toContainText('3 readings');
  await list
    .getByRole('button', { name: /^Delete the reading/ })
    .last()
    .click();
  await expect(list).toContainText('2 readings');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(list).toContainText('3 readings');
});
