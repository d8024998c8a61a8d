import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import { chromiumOptions, wholeChromium } from '../../playwright.config';
import { deep, openCards } from './screens';

/** Headless Chromium shares, unasked, the tab of this title: our own practice window. */
test.use({
  // A trace takes pictures of every page all the time, and keeps them drawing.
  trace: 'off',
  launchOptions: {
    ...chromiumOptions,
    executablePath: wholeChromium,
    args: [...chromiumOptions.args, '--auto-select-tab-capture-source-by-title=Practice window'],
  },
});

/** Opens the lag meter of a card and, in a window of its own, the practice window at a rate. */
async function openBoth(context: BrowserContext, query: string): Promise<readonly [meter: Page, practice: Page]> {
  const meter = await context.newPage();
  await openCards(meter);
  await meter.goto('/card/demo-decode-bound/meter');
  const opened = context.waitForEvent('page');
  // A window, not a tab: the meter's is put away while this one stays in sight.
  await meter.evaluate((address) => {
    window.open(address, '_blank', 'popup,width=900,height=700');
  }, `/practice?${query}`);
  const practice = await opened;
  await practice.getByRole('heading', { name: 'Practice window' }).waitFor();
  return [meter, practice];
}

/** Puts the window of a page out of sight; its visibility state stays what tests are told, but it draws no more. */
async function minimise(context: BrowserContext, page: Page): Promise<void> {
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setFocusEmulationEnabled', { enabled: false });
  const { windowId } = await session.send('Browser.getWindowForTarget');
  await session.send('Browser.setWindowBounds', { windowId, bounds: { windowState: 'minimized' } });
}

/** How often a page is asked to draw in a second. */
const drawsOf = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        let count = 0;
        const draw = () => {
          count++;
          requestAnimationFrame(draw);
        };
        requestAnimationFrame(draw);
        setTimeout(() => resolve(count), 1000);
      }),
  );

/** Shares, and measures with Oil Can's own page out of sight. */
async function measure(context: BrowserContext, meter: Page): Promise<void> {
  await meter.getByRole('button', { name: 'Share a window' }).click();
  await meter.getByRole('button', { name: /^Measure for/ }).click();
  await minimise(context, meter);
  await expect.poll(() => drawsOf(meter), { timeout: 6000 }).toBeLessThan(3);
  await expect(meter.getByRole('region', { name: 'What it showed' })).toBeAttached({ timeout: 40_000 });
}

/** The rate in the result: "23.9 a second", "at least 29.9 a second". */
async function shownIn(meter: Page): Promise<number> {
  const text = await meter.getByRole('region', { name: 'What it showed' }).locator('p').first().textContent();
  return Number.parseFloat(/[\d.]+/.exec(text ?? '')?.[0] ?? 'none');
}

/** What the practice window says that it really drew. */
async function drawnBy(practice: Page): Promise<number> {
  const text = await practice.getByText(/^This page drew/).textContent({ timeout: 20_000 });
  return Number.parseFloat((text ?? '').replace('This page drew ', ''));
}

for (const fps of [12, 24, 30])
  test(
    `measures a shared window that shows ${fps} pictures a second within 5 %, with its own page out of sight`,
    deep,
    async ({ context }) => {
      const [meter, practice] = await openBoth(context, `fps=${fps}`);
      await measure(context, meter);
      // On a busy machine the practice window itself draws fewer than it is told to.
      const drawnFps = await drawnBy(practice);
      const shownFps = await shownIn(meter);
      expect(drawnFps).toBeGreaterThan(0.6 * fps);
      expect(shownFps / drawnFps).toBeGreaterThan(0.95);
      expect(shownFps / drawnFps).toBeLessThan(1.05);
      await expect(meter.getByText(/Measuring itself took \d+ % of one core/)).toBeAttached();
      await expect(meter.getByRole('img', { name: 'The part that is measured' })).toBeAttached();
    },
  );

test('tells how scrubbing feels in figures, and keeps them with what took them', deep, async ({ context }) => {
  const [meter] = await openBoth(context, 'fps=8');
  await meter.getByRole('radiogroup', { name: 'What you will do' }).getByText('Scrubbing').click();
  const length = meter.getByRole('textbox', { name: 'Measure for' });
  await expect(length).toHaveValue('10');
  await length.fill('5');
  await length.press('Tab');
  await meter.getByRole('button', { name: 'Share a window' }).click();
  await meter.getByRole('button', { name: 'Measure for 5 s' }).click();
  await expect(meter.getByText(/drag the playhead to and fro/)).toBeVisible();
  const shown = meter.getByRole('region', { name: 'What it showed' });
  await expect(shown).toContainText('Longest wait', { timeout: 30_000 });
  // What is chosen for the next time does not change what was measured.
  await meter.getByRole('radiogroup', { name: 'What you will do' }).getByText('Playing').click();
  await expect(shown).toContainText('Usual wait for a new picture');
  await shown.getByRole('button', { name: 'Store as a reading' }).click();
  await expect(meter.getByRole('region', { name: 'Readings on this card' })).toContainText(
    /\d(\.\d+)? while scrubbing\s*window shared/,
  );
});

test('says so where nothing moves, and where sharing ends before the time', deep, async ({ context }) => {
  const [meter, practice] = await openBoth(context, 'fps=24');
  await meter.getByRole('button', { name: 'Share a window' }).click();
  await meter.getByRole('button', { name: /^Measure for/ }).click();
  await meter.getByText(/new pictures a second just now/).waitFor({ timeout: 20_000 });
  await practice.close();
  await expect(meter.getByText(/^Sharing ended before the measurement did/)).toBeVisible();
  await expect(meter.getByRole('button', { name: 'Share a window' })).toBeVisible();
});
