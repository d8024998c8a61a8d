import { expect, type Page, test } from '@playwright/test';
import { mediaPath } from './media';
import { openCards } from './screens';

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

test('leaves no half file where the page is closed in the middle, and makes that clip anew', async ({
  page,
  context,
}) => {
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
});

test('can be held, gone on with and stopped, and says what to do where the drive is full', async ({
  page,
  baseURL,
}) => {
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
  await expect(round.getByText(/\d+ of 100 frames/)).toBeVisible();
  await page.getByRole('button', { name: 'Hold' }).click();
  await expect(page.getByRole('heading', { name: 'Held' })).toBeVisible();
  const held = await round.getByText(/\d+ of 100 frames/).textContent();
  await page.waitForTimeout(1500);
  expect(Number.parseInt((await round.getByText(/\d+ of 100 frames/).textContent()) ?? '', 10)).toBeLessThanOrEqual(
    Number.parseInt(held ?? '', 10) + 12,
  );
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Stop all' }).click();
  await expect(round.getByText('stopped; nothing of it was left')).toHaveCount(2);
  await expect.poll(() => listFolder(page)).toEqual(['oil-can-proxies.json']);

  const session = await page.context().newCDPSession(page);
  const { usage } = await session.send('Storage.getUsageAndQuota', { origin: baseURL ?? '' });
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
});
