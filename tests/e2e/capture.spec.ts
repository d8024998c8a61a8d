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

const half = 'Lower the preview quality to 1/2';

/** Shares the window, and watches it with a setting named that is switched to and fro. */
async function watchLive(meter: Page): Promise<void> {
  await meter.getByRole('radiogroup', { name: 'What you will do' }).getByText('Switching').click();
  await meter.getByRole('button', { name: /Setting that you switch/ }).click();
  await meter.getByRole('option', { name: half }).click();
  await meter.getByRole('button', { name: 'Share a window' }).click();
  await meter.getByRole('button', { name: 'Watch live' }).click();
  await expect(meter.getByRole('button', { name: 'I have switched it' })).toBeEnabled({ timeout: 20_000 });
}

/** Plays each rate for so long, one after the other, and presses each time; gives when the first press came, and each next. */
async function switchThrough(
  meter: Page,
  practice: Page,
  rates: readonly number[],
  eachMs: number,
): Promise<readonly number[]> {
  const rate = practice.getByRole('textbox', { name: 'New pictures a second' });
  const switchedMs: number[] = [];
  for (const fps of rates) {
    await meter.waitForTimeout(eachMs);
    await rate.fill(String(fps));
    await rate.press('Tab');
    switchedMs.push(Date.now());
    await meter.getByRole('button', { name: 'I have switched it' }).click();
  }
  await meter.waitForTimeout(eachMs);
  await meter.getByRole('button', { name: 'End and compare' }).click();
  return switchedMs;
}

/** Notes from now on when the practice window draws a picture: a busy machine draws fewer than it is told to. */
const noteDrawn = (practice: Page): Promise<void> =>
  practice.evaluate(() => {
    const drawnMs: number[] = [];
    const { fillRect } = CanvasRenderingContext2D.prototype;
    CanvasRenderingContext2D.prototype.fillRect = function (x, y, width, height) {
      // A picture begins with its ground.
      if (width === this.canvas.width && height === this.canvas.height) drawnMs.push(Date.now());
      fillRect.call(this, x, y, width, height);
    };
    Object.assign(window, { drawnMs });
  });

const listDrawn = (practice: Page): Promise<readonly number[]> =>
  practice.evaluate(() => (window as unknown as { readonly drawnMs: readonly number[] }).drawnMs);

/** Pictures a second between two moments, by when they were drawn. */
function rateBetween(drawnMs: readonly number[], fromMs: number, toMs: number): number {
  const within = drawnMs.filter((ms) => ms >= fromMs && ms <= toMs);
  return ((within.length - 1) * 1000) / ((within.at(-1) ?? 0) - (within[0] ?? 0));
}

interface ShownStretch {
  readonly fromSec: number;
  readonly toSec: number;
  readonly fps: number;
  readonly verdict: string;
}

async function readStretches(meter: Page): Promise<readonly ShownStretch[]> {
  const result = meter.getByRole('region', { name: 'What switching changed' });
  await result.getByText(/^Stretch by stretch/).click();
  const rows = await result
    .getByRole('row')
    .filter({ has: meter.getByRole('rowheader') })
    .all();
  return Promise.all(
    rows.map(async (row) => {
      const [span = '', , fps = '', verdict = ''] = await row.locator('th, td').allTextContents();
      const [, from, to] = /^([\d.]+) to ([\d.]+) s$/.exec(span) ?? [];
      return { fromSec: Number(from), toSec: Number(to), fps: Number(fps), verdict };
    }),
  );
}

test('cuts a watched run at the presses, and is right of 20 switches in 20', deep, async ({ context }) => {
  const [meter, practice] = await openBoth(context, 'fps=6');
  await watchLive(meter);
  await noteDrawn(practice);
  const rates = Array.from({ length: 20 }, (_, i) => (i % 2 === 0 ? 12 : 6));
  const switchedMs = await switchThrough(meter, practice, rates, 6500);
  const stretches = await readStretches(meter);
  expect(stretches).toHaveLength(21);
  expect(stretches.slice(1).map(({ verdict }) => verdict.split(',')[0])).toEqual(
    rates.map((fps) => (fps === 12 ? 'Better' : 'Worse')),
  );
  // By when the first press cut, all others are told: two seconds after each press, one and a half before.
  const startSec = (switchedMs[0] ?? 0) / 1000 - 1.5 - (stretches[0]?.toSec ?? 0);
  switchedMs.forEach((ms, i) => {
    const atSec = ms / 1000 - startSec;
    expect(Math.abs((stretches[i]?.toSec ?? 0) - (atSec - 1.5)), `end of stretch ${i}`).toBeLessThan(0.5);
    expect(Math.abs((stretches[i + 1]?.fromSec ?? 0) - (atSec + 2)), `beginning of stretch ${i + 1}`).toBeLessThan(0.5);
  });
  // Where each begins and ends is held to above. Of what is drawn, sharing a window on a busy machine now and then loses so
  // many pictures of one stretch that its rate tells of the machine; what the meter makes of them is told by most stretches.
  const drawnMs = await listDrawn(practice);
  const offFps = stretches.map(({ fps, fromSec, toSec }, i) => {
    const drawnFps = rateBetween(drawnMs, (startSec + fromSec) * 1000, (startSec + toSec) * 1000);
    expect(drawnFps / (i % 2 === 0 ? 6 : 12), `what was drawn in stretch ${i}`).toBeGreaterThan(0.6);
    return Math.abs(fps - drawnFps);
  });
  const middleFps = offFps.toSorted((a, b) => a - b)[offFps.length >> 1] ?? Number.POSITIVE_INFINITY;
  test
    .info()
    .annotations.push({ type: 'off by, a second', description: `${middleFps}, at most ${Math.max(...offFps)}` });
  expect(middleFps, 'rate of a stretch in the middle').toBeLessThan(0.5);
  const result = meter.getByRole('region', { name: 'What switching changed' });
  await expect(result).toContainText(/Better, by at least \d+ %/);
  await result.getByRole('button', { name: 'Keep it as a trial' }).click();
  const trial = meter.getByRole('region', { name: `On trial: ${half}` });
  await expect(trial.getByText(/a second/).first()).toBeVisible();
  await expect(trial.getByText(/^Better, by at least \d+ %/)).toBeVisible({ timeout: 30_000 });
});

test('sees nothing in eight presses where nothing changed', deep, async ({ context }) => {
  const [meter, practice] = await openBoth(context, 'fps=10');
  await watchLive(meter);
  await switchThrough(meter, practice, Array(8).fill(10), 6500);
  const stretches = await readStretches(meter);
  expect(stretches).toHaveLength(9);
  expect(new Set(stretches.slice(1).map(({ verdict }) => verdict))).toEqual(new Set(['No clear change']));
  await expect(meter.getByRole('region', { name: 'What switching changed' })).toContainText('No clear change');
});

test('is pressed in a small window in front, and takes the last press back', deep, async ({ context }) => {
  const [meter] = await openBoth(context, 'fps=10');
  await watchLive(meter);
  const opened = context.waitForEvent('page');
  await meter.getByRole('button', { name: 'In a small window' }).click();
  const pad = await opened;
  await expect(pad.getByText('As it was.')).toBeVisible();
  await expect(pad.getByRole('status')).toHaveText(/[\d.]+ a second/, { timeout: 20_000 });
  await pad.keyboard.press('Space');
  await expect(pad.getByText(`With “${half}”.`)).toBeVisible();
  await meter.getByRole('button', { name: 'Take the last press back' }).click();
  await expect(pad.getByText('As it was.')).toBeVisible();
  await pad.getByRole('button', { name: 'End and compare' }).click();
  await expect(meter.getByRole('region', { name: 'What switching changed' })).toContainText('Only one of the two');
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
