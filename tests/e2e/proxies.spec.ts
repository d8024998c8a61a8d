import { readFile, writeFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { mediaPath } from './media';
import { makeProbeClips, probe, probeClips } from './proxy-probe';
import { deep, openCards } from './screens';

/** Gives the page a folder to pick: one of this browser's own storage, which is written to by the same means. */
const givePicker = (page: Page) =>
  page.addInitScript(() => {
    Object.assign(window, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('Proxies of the barn', { create: true }),
    });
  });

const listFolder = (page: Page): Promise<readonly string[]> =>
  page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Proxies of the barn', {
      create: true,
    });
    const names: string[] = [];
    for await (const { name } of folder.values()) names.push(name);
    return names.sort();
  });

/** The bytes of a file in that folder. */
async function readFolderFile(page: Page, name: string): Promise<Buffer> {
  const base64 = await page.evaluate(async (fileName) => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Proxies of the barn');
    const file = await (await folder.getFileHandle(fileName)).getFile();
    return await new Promise<string>((resolve) => {
      const reader = new FileReader();
      reader.onload = () => resolve(String(reader.result).split(',')[1] ?? '');
      reader.readAsDataURL(file);
    });
  }, name);
  return Buffer.from(base64, 'base64');
}

/** A new card with clips on it, and the proxies of it. */
async function openWithClips(page: Page, ...names: readonly string[]): Promise<void> {
  await openCards(page);
  await page.getByRole('button', { name: 'Start a card' }).click();
  const steps = page.getByRole('navigation', { name: 'Steps' });
  await steps.getByRole('link', { name: /^Footage/ }).click();
  await page.getByLabel('Choose video files').setInputFiles(names.map(mediaPath));
  await expect(page.getByRole('row', { name: new RegExp(names.at(-1) ?? '') }).first()).toBeVisible();
  await steps.getByRole('link', { name: /^Proxies/ }).click();
}

test('makes smaller copies of stills, upright and as they are see-through, and checks them', deep, async ({ page }) => {
  await givePicker(page);
  await openWithClips(page, 'bowl-turned.jpg', 'bowl.png');
  await page.getByRole('radiogroup', { name: 'Lines' }).getByText('1/2').click();
  const clips = page.getByRole('table', { name: 'Clips that could have a proxy' });
  for (const name of ['bowl-turned.jpg', 'bowl.png'])
    await clips.getByRole('checkbox', { name: `Make a proxy of ${name}` }).check();
  await page.getByRole('button', { name: 'Choose where they go' }).click();
  await page.getByRole('button', { name: 'Make 2 proxies' }).click();
  const round = page.getByRole('table', { name: 'Proxies of this round' });
  await expect(round.getByText('fine: same frames, same pictures')).toHaveCount(2);
  expect(await listFolder(page)).toEqual(['bowl-turned_Proxy.jpg', 'bowl_Proxy.png', 'oil-can-proxies.json']);
  // The turned one is stored lying on its side: its copy stands, with no mark to turn it by.
  const sizes = await page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Proxies of the barn');
    const found: number[][] = [];
    for (const name of ['bowl-turned_Proxy.jpg', 'bowl_Proxy.png']) {
      const file = await (await folder.getFileHandle(name)).getFile();
      const { width, height } = await createImageBitmap(file, { imageOrientation: 'none' });
      found.push([width, height]);
    }
    return found;
  });
  expect(sizes).toEqual([
    [2000, 3000],
    [320, 180],
  ]);
});

test('makes proxies of chosen clips into a folder, checks them, and follows them to the export check', async ({
  page,
}) => {
  await givePicker(page);
  await openWithClips(page, 'wheel.mp4', 'wheel.webm');
  const clips = page.getByRole('table', { name: 'Clips that could have a proxy' });
  await clips.getByRole('checkbox', { name: 'Make a proxy of wheel.mp4' }).check();
  await clips.getByRole('checkbox', { name: 'Make a proxy of wheel.webm' }).check();
  await page.getByRole('button', { name: 'Choose where they go' }).click();
  await page.getByRole('button', { name: 'Make 2 proxies' }).click();
  const round = page.getByRole('table', { name: 'Proxies of this round' });
  await expect(round.getByText('fine: same frames, same pictures')).toHaveCount(2, { timeout: 90_000 });
  expect(await listFolder(page)).toEqual(['oil-can-proxies.json', 'wheel-mp4_Proxy.mp4', 'wheel-webm_Proxy.mp4']);
  // They are on the card: nothing more is suggested, and the export check asks for the originals.
  await expect(clips.getByText('has one that was checked')).toHaveCount(2);
  await page.getByRole('link', { name: 'What to put back before export' }).click();
  await expect(page.getByText('Export from the originals, not from proxies or previews')).toBeVisible();
  // After a restart the folder is remembered, and what was made there may be deleted with a second press.
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Proxies/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Proxies', level: 1 })).toBeVisible();
  await page.reload();
  const made = page.getByRole('table', { name: 'Proxies that Oil Can made' });
  await expect(made.getByRole('rowheader')).toHaveCount(2);
  await page.getByRole('button', { name: 'Delete them…' }).click();
  await page.getByRole('button', { name: 'Delete 2 proxies for good' }).click();
  await expect(made).toHaveCount(0);
  expect(await listFolder(page)).toEqual(['oil-can-proxies.json']);
});

test(
  'leaves no half file where the page is closed in the middle, and makes that clip anew',
  deep,
  async ({ page, context }) => {
    await givePicker(page);
    await openWithClips(page, 'wheel.mp4');
    const tick = (on: Page) => on.getByRole('checkbox', { name: 'Make a proxy of wheel.mp4' }).check();
    await tick(page);
    await page.getByRole('button', { name: 'Choose where they go' }).click();
    await page.getByRole('button', { name: 'Make 1 proxy' }).click();
    await expect(page.getByText(/\d+ of 100 frames/)).toBeVisible();
    const address = page.url();
    await page.close();

    const again = await context.newPage();
    await givePicker(again);
    await again.goto(address);
    await expect(again.getByText('1 proxy had been begun and not finished')).toBeVisible();
    expect(await listFolder(again)).toEqual(['oil-can-proxies.json']);
    // Browsers forget files: it is asked for once more.
    await tick(again);
    await again.getByLabel('Choose the files of the chosen clips').setInputFiles(mediaPath('wheel.mp4'));
    await again.getByRole('button', { name: 'Make 1 proxy' }).click();
    await expect(again.getByText('fine: same frames, same pictures')).toBeVisible({ timeout: 60_000 });
    expect(await listFolder(again)).toEqual(['oil-can-proxies.json', 'wheel_Proxy.mp4']);
  },
);

test(
  'can be held, gone on with and stopped, and says what to do where the drive is full',
  deep,
  async ({ page, baseURL }) => {
    await givePicker(page);
    await openWithClips(page, 'wheel.mp4', 'wheel.webm');
    const clips = page.getByRole('table', { name: 'Clips that could have a proxy' });
    const tickBoth = async () => {
      for (const name of ['wheel.mp4', 'wheel.webm'])
        await clips.getByRole('checkbox', { name: `Make a proxy of ${name}` }).check();
    };
    await tickBoth();
    await page.getByRole('button', { name: 'Choose where they go' }).click();
    await page.getByRole('button', { name: 'Make 2 proxies' }).click();
    const round = page.getByRole('table', { name: 'Proxies of this round' });
    await expect(round.getByText(/\d+ of \d+ frames/)).toBeVisible();
    await page.getByRole('button', { name: 'Hold' }).click();
    await expect(page.getByRole('heading', { name: 'Held' })).toBeVisible();
    // The frame under way when it was held still comes; then nothing does.
    await page.waitForTimeout(1500);
    const held = await round.getByText(/\d+ of \d+ frames/).textContent();
    await page.waitForTimeout(1500);
    expect(await round.getByText(/\d+ of \d+ frames/).textContent()).toBe(held);
    await page.getByRole('button', { name: 'Go on' }).click();
    await page.getByRole('button', { name: 'Stop all' }).click();
    await expect(round.getByText('stopped; nothing of it was left')).toHaveCount(2);
    await expect.poll(() => listFolder(page)).toEqual(['oil-can-proxies.json']);

    const session = await page.context().newCDPSession(page);
    // What was deleted is counted for a while yet: with that much more room, the first of the two would fit.
    let usage = Number.POSITIVE_INFINITY;
    await expect
      .poll(async () => {
        const before = usage;
        ({ usage } = await session.send('Storage.getUsageAndQuota', { origin: baseURL ?? '' }));
        return usage === before;
      })
      .toBe(true);
    await session.send('Storage.overrideQuotaForOrigin', { origin: baseURL ?? '', quotaSize: usage + 600_000 });
    await tickBoth();
    await page.getByRole('button', { name: 'Make 2 proxies' }).click();
    await expect(round.getByText('There is no room left where proxies go.')).toBeVisible({ timeout: 60_000 });
    // The rest waits until there is room; nothing of the one that failed lies there.
    await expect(page.getByRole('heading', { name: 'Held' })).toBeVisible();
    expect(await listFolder(page)).toEqual(['oil-can-proxies.json']);
    await session.send('Storage.overrideQuotaForOrigin', { origin: baseURL ?? '' });
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(round.getByText('fine: same frames, same pictures')).toHaveCount(1, { timeout: 60_000 });
  },
);

test('leaves no half file where its worker dies, and makes that clip when asked again', deep, async ({ page }) => {
  await givePicker(page);
  await openWithClips(page, 'wheel.mp4');
  const make = async () => {
    await page.getByRole('checkbox', { name: 'Make a proxy of wheel.mp4' }).check();
    await page.getByRole('button', { name: 'Make 1 proxy' }).click();
  };
  await page.getByRole('button', { name: 'Choose where they go' }).click();
  await make();
  const round = page.getByRole('table', { name: 'Proxies of this round' });
  await expect(round.getByText(/\d+ of 100 frames/)).toBeVisible();
  for (const worker of page.workers())
    await worker.evaluate(() =>
      setTimeout(() => {
        throw new Error('out of memory');
      }),
    );
  await expect(round.getByText('It broke off for a reason that is not known.')).toBeVisible();
  await expect.poll(() => listFolder(page)).toEqual(['oil-can-proxies.json']);
  await make();
  await expect(round.getByText('fine: same frames, same pictures')).toBeVisible({ timeout: 60_000 });
});

test('keeps a recipe of one’s own, names it, and takes it from a file', deep, async ({ page }) => {
  await openWithClips(page, 'wheel.mp4');
  await page.getByRole('radiogroup', { name: 'Lines' }).getByText('360').click();
  await page.getByRole('button', { name: 'Keep this recipe' }).click();
  const name = page.getByRole('textbox', { name: 'Its name' });
  await expect(name).toHaveValue('360 lines, all key frames, usual');
  await name.fill('for the train');
  await page.keyboard.press('Tab');
  await page.getByRole('radiogroup', { name: 'Lines' }).getByText('720').click();
  await expect(name).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: /Recipes of your own/ }).click();
  await page.getByRole('option', { name: 'for the train' }).click();
  await expect(page.getByRole('radio', { name: '360' })).toBeChecked();
  const recipes = JSON.stringify({
    format: 'oil-can-proxy-recipes',
    version: 1,
    recipes: [{ name: 'grading', lines: 1080, keyFrames: 'half-second', grade: 'fine' }],
  });
  const give = (text: string) =>
    page
      .getByLabel('Choose a file of recipes')
      .setInputFiles({ name: 'recipes.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await give(recipes.slice(0, 30));
  await expect(page.getByText('recipes.json: this is not a file of recipes')).toBeVisible();
  await give(recipes);
  await page.getByRole('button', { name: /Recipes of your own/ }).click();
  await page.getByRole('option', { name: 'grading' }).click();
  await expect(page.getByRole('radio', { name: 'Two a second' })).toBeChecked();
});

test('checks proxies that something else made, paired by their names @deep', async ({ page }) => {
  await openWithClips(page, 'wheel.mp4');
  const give = async (name: string, from: string) => ({
    name,
    mimeType: 'video/mp4',
    buffer: await readFile(mediaPath(from)),
  });
  await page
    .getByLabel('Choose proxies to check')
    .setInputFiles([
      await give('wheel_Proxy.webm', 'wheel.webm'),
      await give('holiday.mp4', 'h264-8bit.mp4'),
      await give('wheel_small.mp4', 'not-a-film.mp4'),
    ]);
  const checked = page.getByRole('table', { name: 'Proxies that were checked' });
  await expect(checked.getByRole('row', { name: /wheel_Proxy.webm/ })).toContainText(
    'It has 90 frames, the original 100.',
    {
      timeout: 60_000,
    },
  );
  await expect(checked.getByRole('row', { name: /holiday.mp4/ })).toContainText('no clip on this card has that name');
  await expect(checked.getByRole('row', { name: /wheel_small.mp4/ })).toContainText('It broke off');
  // One that is fine takes the place of the one that was not.
  await page.getByLabel('Choose proxies to check').setInputFiles(await give('wheel_Proxy.mp4', 'wheel.mp4'));
  await expect(checked.getByRole('row', { name: /wheel_Proxy.mp4/ })).toContainText('fine: same frames', {
    timeout: 60_000,
  });
  await expect(
    page.getByRole('table', { name: 'Clips that could have a proxy' }).getByText('has one that was checked'),
  ).toBeVisible();
});

test('makes twenty proxies of which ffprobe says the same as of their originals', deep, async ({ page }, info) => {
  test.setTimeout(600_000);
  const paths = makeProbeClips(info.outputPath('probe'));
  await givePicker(page);
  await openCards(page);
  await page.getByRole('button', { name: 'Start a card' }).click();
  const steps = page.getByRole('navigation', { name: 'Steps' });
  await steps.getByRole('link', { name: /^Footage/ }).click();
  await page.getByLabel('Choose video files').setInputFiles([...paths]);
  await expect(steps).toContainText(`${paths.length} clips`, { timeout: 60_000 });
  await steps.getByRole('link', { name: /^Proxies/ }).click();
  await page.getByRole('button', { name: /^Show \d+ more clips/ }).click();
  for (const { name } of probeClips)
    await page.getByRole('checkbox', { name: `Make a proxy of ${name}` }).setChecked(true);
  await page.getByRole('button', { name: 'Choose where they go' }).click();
  await page.getByRole('button', { name: `Make ${paths.length} proxies` }).click();
  await expect(page.getByText(`of ${paths.length} are fine`)).toBeVisible({ timeout: 400_000 });
  const round = page.getByRole('table', { name: 'Proxies of this round' });
  expect(await round.getByRole('row').allTextContents()).toEqual(
    paths.map(() => expect.stringContaining('fine: same frames, same pictures')),
  );
  for (const [i, { name }] of probeClips.entries()) {
    const proxyName =
      (await listFolder(page)).find((made) => made.startsWith(name.replace(/\.[^.]*$/, '_Proxy'))) ?? '';
    const path = info.outputPath(proxyName);
    await writeFile(path, await readFolderFile(page, proxyName));
    const [original, proxy] = [probe(paths[i] as string), probe(path)];
    const frameSec = 1 / original.rate;
    expect(proxy.frameTimes.length, `${name}: frames`).toBe(original.frameTimes.length);
    const startsAt = (probed: typeof proxy) => probed.frameTimes[0] ?? 0;
    for (const [k, at] of proxy.frameTimes.entries())
      expect(
        Math.abs(at - startsAt(proxy) - ((original.frameTimes[k] ?? 0) - startsAt(original))),
        `${name}: time of frame ${k}`,
      ).toBeLessThan(frameSec / 2);
    expect(Math.abs(proxy.rate / original.rate - 1), `${name}: rate`).toBeLessThan(0.002);
    expect(proxy.displayAspect, `${name}: aspect`).toBeCloseTo(original.displayAspect, 2);
    expect(
      { rotation: proxy.rotation, range: proxy.range, channels: proxy.channels, keys: proxy.keyFrameCount },
      name,
    ).toEqual({
      rotation: original.rotation,
      range: original.range,
      channels: original.channels,
      keys: proxy.frameTimes.length,
    });
  }
});
