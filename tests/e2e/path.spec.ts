import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { mediaPath } from './media';
import { openCards } from './screens';
import { lowerQuality, makeChange, unfold, untilConcluded } from './trials';

const goOn = (page: Page, to: string) =>
  page
    .getByRole('main')
    .getByRole('button', { name: `On to ${to}` })
    .click();
const choose = (page: Page, group: string, option: string) =>
  page.getByRole('radiogroup', { name: group }).getByText(option, { exact: true }).click();
const type = async (page: Page, label: string, value: string) => {
  await page.getByRole('textbox', { name: label }).fill(value);
  await page.keyboard.press('Tab');
};
const pick = async (page: Page, label: string, option: RegExp) => {
  await page
    .getByRole('button', { name: new RegExp(label) })
    .first()
    .click();
  await page.getByRole('option', { name: option }).click();
};
const typeReading = async (page: Page, fps: string, feel: RegExp, button: string) => {
  await type(page, 'Shown, frames a second', fps);
  await page.getByRole('radiogroup', { name: 'Scrubbing felt' }).getByText(feel).click();
  await page.getByRole('button', { name: button }).click();
};

test('takes a person from a new card to ready to export, and keeps it all', async ({ page }) => {
  await openCards(page);
  await page.getByRole('button', { name: 'Start a card' }).click();
  await expect(page.getByRole('heading', { name: 'First things', level: 1 })).toBeVisible();
  await type(page, 'Card name', 'Glaze tests, spring');
  for (const question of ['Is the project saved', 'autosave on', 'been restarted', 'up to date', 'meet the minimum'])
    await page
      .getByRole('radiogroup', { name: new RegExp(question) })
      .getByText('Yes', { exact: true })
      .click();
  await type(page, 'Delivered height', '1080');
  await goOn(page, 'machine');

  await expect(page.getByText('read here').first()).toBeVisible();
  await type(page, 'Processor cores', '4');
  await type(page, 'Memory', '8');
  await pick(page, 'Processor speed', /Slow/);
  await pick(page, 'Graphics', /Shared/);
  await type(page, 'Bought, or graphics from', '2015');
  await choose(page, 'Power mode', 'Balanced');
  await page.getByRole('button', { name: 'Add a program' }).click();
  await type(page, 'Program', 'Loft sync');
  await goOn(page, 'footage');

  await page
    .getByLabel('Choose video files')
    .setInputFiles([mediaPath('kiln-loading.mp4'), mediaPath('h264-8bit.mov')]);
  const heavy = page.getByRole('row', { name: /kiln-loading\.mp4/ });
  await expect(heavy).toContainText('HEVC 10-bit 4:2:0, 3840 × 2160 at 25');
  await expect(heavy).toContainText('key frames far apart');
  await expect(page.getByRole('row', { name: /h264-8bit\.mov/ })).toContainText(
    'H.264 8-bit 4:2:0, 640 × 360 at 29.97',
  );
  await goOn(page, 'timeline');

  // What most of the footage has, and that is said.
  await expect(page.getByRole('textbox', { name: 'Height' }).first()).toHaveValue('360');
  await expect(page.getByText('such as “h264-8bit.mov”')).toBeVisible();
  await type(page, 'Width', '1920');
  await page.getByRole('textbox', { name: 'Height', exact: true }).fill('1080');
  await page.keyboard.press('Tab');
  await pick(page, 'Frame rate', /^25 a second/);
  await page.getByRole('button', { name: 'Add effect' }).click();
  await expect(page.getByRole('textbox', { name: 'Layers with Colour curves or a look-up table' })).toHaveValue('1');
  await page
    .getByRole('radiogroup', { name: 'The editor draws on the graphics' })
    .getByText('Yes', { exact: true })
    .click();
  await goOn(page, 'symptoms');

  await page.getByText('In plain playback').click();
  await page.getByText('When scrubbing').click();
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByText('Jumpy', { exact: true }).click();
  await page.getByRole('button', { name: 'Go on' }).click();
  await typeReading(page, '9', /Unusable/, 'Store this reading');
  await expect(page.getByRole('complementary', { name: 'Gauge' })).toContainText('9of 25 a second');
  await goOn(page, 'findings');

  await expect(page.getByText(/Decoding the footage takes about \d+ ms a frame, and only 40 are there/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'The originals are too heavy to decode' })).toBeVisible({
    timeout: 20_000,
  });
  // The figures are by what is concluded of the newest reading.
  await untilConcluded(page);
  const result = page.getByRole('status').filter({ hasText: 'Playing' });
  const before = await result.textContent();
  await choose(page, 'Preview quality', '1/4');
  await expect(result).toContainText('→');
  await choose(page, 'Proxies', '1 heavy clip');
  await expect(result).toContainText('→ 25 of 25 a second');
  await page.getByRole('button', { name: 'Back to how it is' }).click();
  await expect(result).toHaveText(before ?? '');
  await goOn(page, 'fixes');

  const proxies = 'Make proxies 540 pixels high for the heavy clips';
  await untilConcluded(page);
  await unfold(page);
  await page
    .getByRole('button', { name: `Try this: ${proxies}` })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: `On trial: ${proxies}` })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeHidden();
  await page.getByRole('button', { name: 'It is made: measure it' }).click();
  await typeReading(page, '25', /Fine/, 'Store the second reading');
  await expect(page.getByText('Better.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('KEPT', { exact: true })).toBeVisible();
  await expect(page.getByText('The preview is usable: your last reading')).toBeVisible();
  await goOn(page, 'export check');

  await expect(page.getByRole('heading', { name: 'Not ready to export' })).toBeVisible();
  const line = page.getByRole('checkbox', { name: /Link the originals again/ });
  await page.getByRole('main').getByText('Link the originals again and switch proxies off').click();
  await expect(line).toBeChecked();
  await expect(page.getByText('One question is open')).toBeVisible();
  await choose(page, 'Does anything on the timeline still point at a small copy?', 'No, nothing');
  await expect(page.getByRole('heading', { name: 'Ready to export' }).first()).toBeVisible();

  // Close the tab in the middle, open it again: nothing is lost.
  const address = page.url();
  const again = await page.context().newPage();
  await page.close();
  await again.goto(address);
  await expect(again.getByRole('heading', { name: 'Ready to export' }).first()).toBeVisible();

  // Export, delete, undo, delete, import: the same card.
  const download = again.waitForEvent('download');
  await again.getByRole('button', { name: 'Export card' }).click();
  const path = await (await download).path();
  expect((await download).suggestedFilename()).toBe('glaze-tests-spring.oil-can.json');
  await again.getByRole('link', { name: 'Oil Can' }).click();
  await again.getByRole('button', { name: 'Delete Glaze tests, spring' }).click();
  await expect(again.getByRole('link', { name: 'Glaze tests, spring' })).toBeHidden();
  await again.getByRole('button', { name: 'Undo' }).click();
  await expect(again.getByRole('link', { name: 'Glaze tests, spring' })).toBeVisible();
  await again.getByRole('button', { name: 'Delete Glaze tests, spring' }).click();
  await again.getByLabel('Import card files').setInputFiles(path);
  await expect(again.getByText('Imported 1 card.')).toBeVisible();
  const second = again.waitForEvent('download');
  await again.getByRole('button', { name: 'Export Glaze tests, spring' }).click();
  const [first, exportedAgain] = await Promise.all([
    readFile(path, 'utf8'),
    readFile(await (await second).path(), 'utf8'),
  ]);
  expect(exportedAgain).toBe(first);
});

test('undoes a trial that brought nothing, and shows it struck through', async ({ page }) => {
  await page.goto('/card/demo-decode-bound/fixes');
  await makeChange(page, lowerQuality);
  await unfold(page);
  await typeReading(page, '11', /Unusable/, 'Store the second reading');
  await expect(page.getByText('No clear change.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo it' }).click();
  await expect(page.getByText('undone', { exact: true })).toBeVisible();
  await page.goto('/card/demo-decode-bound/export-check');
  await expect(page.getByRole('heading', { name: 'Ready to export' })).toBeVisible();
});

test('leads by keys: digits to steps, 0 to the cards, ? to the list, Escape closes it', async ({ page }) => {
  await page.goto('/card/demo-effects-bound/findings');
  await page.getByRole('heading', { name: 'Findings', level: 1 }).waitFor();
  await page.keyboard.press('3');
  await expect(page.getByRole('heading', { name: 'Footage', level: 1 })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('0');
  await expect(page.getByRole('heading', { name: 'Job cards' })).toBeVisible();
});
