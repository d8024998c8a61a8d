import { createRequire } from 'node:module';
import { expect, type Page, test } from '@playwright/test';
import type { AxeResults } from 'axe-core';
import { deep, openCards, openStep, stepNames } from './screens';
import { lowerQuality, typeSecondReading, unfold, untilConcluded } from './trials';

const axePath = createRequire(import.meta.url).resolve('axe-core/axe.min.js');

/** Everything that axe finds wrong, as short lines. */
async function findViolations(page: Page): Promise<readonly string[]> {
  // Injected by the debugger, which the page's policy does not bind.
  await page.evaluate(await (await import('node:fs/promises')).readFile(axePath, 'utf8'));
  const results = await page.evaluate<AxeResults>('axe.run(document, { resultTypes: ["violations"] })');
  return results.violations.flatMap((violation) =>
    violation.nodes.map((node) => `${violation.id}: ${node.target.join(' ')} ${node.failureSummary ?? ''}`),
  );
}

const setTheme = (page: Page, theme: 'day' | 'night', baseURL = '') =>
  page.context().addCookies([{ name: 'oil-can-theme', value: theme, url: baseURL }]);

async function openAs(page: Page, theme: 'day' | 'night', baseURL?: string): Promise<void> {
  await setTheme(page, theme, baseURL);
  await openCards(page);
  expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe(theme);
}

for (const theme of ['day', 'night'] as const) {
  const details = theme === 'night' ? deep : {};

  test(
    `has nothing that axe objects to on any step or tool, and at any way to read, by ${theme}`,
    details,
    async ({ page, baseURL }) => {
      await openAs(page, theme, baseURL);
      expect(await findViolations(page)).toEqual([]);
      for (const [stepId] of stepNames) {
        await openStep(page, 'demo-effects-bound', stepId);
        expect(await findViolations(page), stepId).toEqual([]);
      }
      await openStep(page, 'demo-effects-bound', 'meter');
      for (const way of ['Share the window', 'Drop a recording', 'Tap along', 'Type it']) {
        await page.getByRole('radiogroup', { name: 'Take a reading' }).getByText(way, { exact: true }).click();
        expect(await findViolations(page), `lag meter: ${way}`).toEqual([]);
      }
      await page.getByText('What was played, and under which set-up').click();
      expect(await findViolations(page), 'lag meter: what is said of a reading').toEqual([]);
      for (const tool of ['programs', 'proxies', 'what-if', 'work', 'editor']) {
        await openStep(page, 'demo-effects-bound', tool);
        await untilConcluded(page);
        await unfold(page);
        expect(await findViolations(page), tool).toEqual([]);
      }
    },
  );

  // A trial under way, a put-back list, and an empty card look different.
  test(
    `has nothing that axe objects to from a trial to the put-back list by ${theme}`,
    deep,
    async ({ page, baseURL }) => {
      await openAs(page, theme, baseURL);
      await openStep(page, 'demo-effects-bound', 'fixes');
      await untilConcluded(page);
      await unfold(page);
      expect(await findViolations(page), 'fixes unfolded').toEqual([]);
      await page.getByRole('button', { name: lowerQuality }).first().click();
      expect(await findViolations(page), 'trial').toEqual([]);
      await page.getByRole('button', { name: 'It is made: measure it' }).click();
      expect(await findViolations(page), 'trial to be measured').toEqual([]);
      await typeSecondReading(page, '24');
      expect(await findViolations(page), 'trial to be decided').toEqual([]);
      await page.getByRole('button', { name: 'Keep it' }).click();
      await page.getByRole('img', { name: /Readings in order/ }).waitFor();
      expect(await findViolations(page), 'after a trial').toEqual([]);
      await openStep(page, 'demo-effects-bound', 'meter');
      const readings = page.getByRole('region', { name: 'Readings on this card' });
      for (const tick of await readings.getByRole('checkbox').all()) await tick.check();
      await page.getByRole('region', { name: 'Did it change?' }).waitFor();
      expect(await findViolations(page), 'comparison').toEqual([]);
      await openStep(page, 'demo-effects-bound', 'export-check');
      expect(await findViolations(page), 'export check with lines').toEqual([]);
    },
  );

  test(`has nothing that axe objects to on any layer or empty step by ${theme}`, deep, async ({ page, baseURL }) => {
    await openAs(page, theme, baseURL);
    // The footage step's own layers: a clip's sheet, the report dialog, and the bar for selected clips.
    await openStep(page, 'demo-effects-bound', 'footage');
    await page.getByRole('table', { name: 'Clips' }).getByRole('rowheader').first().getByRole('button').click();
    await page.getByRole('dialog').waitFor();
    expect(await findViolations(page), 'clip sheet').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Add a report' }).click();
    await page.getByRole('dialog').waitFor();
    expect(await findViolations(page), 'report dialog').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('checkbox', { name: 'Select all clips shown' }).check();
    await page.getByRole('button', { name: 'State facts' }).click();
    await page.getByRole('dialog').waitFor();
    expect(await findViolations(page), 'facts dialog').toEqual([]);
    await openStep(page, 'demo-programs-busy', 'programs');
    await page.getByRole('button', { name: 'Look at the practice machine' }).click();
    await page.getByRole('region', { name: 'Which of these is your editor?' }).waitFor();
    await page.getByRole('button', { name: 'The computer that lags is another one' }).click();
    await page.getByRole('button', { name: /that stay$/ }).click();
    await page.getByRole('button', { name: 'Watch it live' }).click();
    await page.getByRole('img', { name: /^Load of the processor/ }).waitFor();
    expect(await findViolations(page), 'programs, full').toEqual([]);
    await page.evaluate(() => {
      Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
    });
    await page
      .getByRole('navigation', { name: 'Steps' })
      .getByRole('link', { name: /^Proxies/ })
      .click();
    await page.getByRole('button', { name: 'Try it with a sample clip' }).click();
    await page.getByRole('button', { name: 'Choose where they go' }).click();
    await page.getByRole('button', { name: /^Show a picture of/ }).click();
    await page.getByRole('slider', { name: 'Where the two pictures meet' }).waitFor();
    await page.getByRole('button', { name: 'Make 1 proxy' }).click();
    await page.getByRole('button', { name: 'Hold' }).click();
    expect(await findViolations(page), 'proxies, compared and held').toEqual([]);
    await page.getByRole('button', { name: 'Go on' }).click();
    await page.getByText('fine: same frames, same pictures').waitFor({ timeout: 60_000 });
    expect(await findViolations(page), 'proxies, made').toEqual([]);
    await page.goto('/practice');
    expect(await findViolations(page), 'practice window').toEqual([]);
    await page.goto('/');
    await page.getByRole('button', { name: 'Start a card' }).click();
    for (const [stepId, name] of stepNames) {
      await page
        .getByRole('navigation', { name: 'Steps' })
        .getByRole('link', { name: new RegExp(`^${name}`) })
        .click();
      await page.getByRole('heading', { name, level: 1 }).waitFor();
      expect(await findViolations(page), `empty ${stepId}`).toEqual([]);
    }
  });
}

/** The three sizes of the plan, and 1280 × 800 at 200 % zoom. */
const sizes = [
  [1920, 1080],
  [1280, 800],
  [640, 400],
  [390, 844],
] as const;

test('needs no sideways scrolling on any screen, from 1920 pixels wide to 390', deep, async ({ page }) => {
  const expectNoOverflow = async (screen: string) => {
    for (const [width, height] of sizes) {
      await page.setViewportSize({ width, height });
      const readOverflowPx = () =>
        page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      await expect.poll(readOverflowPx, { message: `${screen} at ${width}` }).toBeLessThanOrEqual(0);
    }
  };
  await openCards(page);
  await expectNoOverflow('cards');
  for (const [stepId, name] of stepNames) {
    await openStep(page, 'demo-decode-bound', stepId);
    await page.getByRole('heading', { name, level: 1 }).waitFor();
    await expectNoOverflow(stepId);
  }
  for (const [tool, name] of [
    ['programs', 'Programs'],
    ['proxies', 'Proxies'],
    ['what-if', 'What if'],
    ['work', 'While you work'],
    ['editor', 'My editor'],
  ] as const) {
    await openStep(page, 'demo-effects-bound', tool);
    await page.getByRole('heading', { name, level: 1 }).waitFor();
    await untilConcluded(page);
    await unfold(page);
    await expectNoOverflow(tool);
  }
});

test('works by keyboard alone: a choice, a field and the way on', async ({ page }) => {
  await openStep(page, 'demo-effects-bound', 'findings');
  const quality = page.getByRole('radiogroup', { name: 'Preview quality' });
  await quality.getByRole('radio', { name: 'Full' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(quality.getByRole('radio', { name: '1/2' })).toBeChecked();
  await expect(page.getByText('with the choices below')).toBeVisible();
  const goOn = page.getByRole('main').getByRole('button', { name: 'On to fixes' });
  await goOn.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Fixes', level: 1 })).toBeVisible();
});
