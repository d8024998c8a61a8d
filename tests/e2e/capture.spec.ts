import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import { chromiumOptions, wholeChromium } from '../../playwright.config';
import { medianOf } from '../../src/core/numbers/percentile';
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
async function openBoth(
  context: BrowserContext,
  query: string,
  prepare: (meter: Page) => Promise<unknown> = async () => undefined,
): Promise<readonly [meter: Page, practice: Page]> {
  const meter = await context.newPage();
  await prepare(meter);
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

/** Each set-up is played for so long. */
const eachMs = 6500;

/** Sets the practice window to a rate and presses; gives when, once both windows have taken what they were told. */
async function switchTo(meter: Page, practice: Page, fps: number, isChanged: boolean): Promise<number> {
  const rate = practice.getByRole('textbox', { name: 'New pictures a second' });
  await rate.fill(String(fps));
  await rate.press('Tab');
  const pressedMs = Date.now();
  await meter.getByRole('button', { name: 'I have switched it' }).click();
  await expect(rate).toHaveValue(String(fps));
  await expect(meter.getByText(isChanged ? `With “${half}”. Play on` : 'As it was. Play on')).toBeVisible();
  return pressedMs;
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

/** Notes, of each window that is shared from now on, when a frame of it reaches this page, beside the meter. */
const noteShared = (meter: Page): Promise<unknown> =>
  meter.addInitScript(() => {
    const sharedMs: number[] = [];
    Object.assign(window, { sharedMs });
    const share = MediaDevices.prototype.getDisplayMedia;
    MediaDevices.prototype.getDisplayMedia = async function (options) {
      const stream = await share.call(this, options);
      const own = stream.getVideoTracks()[0]?.clone() as MediaStreamVideoTrack;
      const frames = new MediaStreamTrackProcessor({ track: own }).readable;
      const note = (frame: VideoFrame): void => {
        sharedMs.push(Date.now());
        frame.close();
      };
      // Ends with the sharing.
      void frames.pipeTo(new WritableStream({ write: note }));
      return stream;
    };
  });

const listShared = (meter: Page): Promise<readonly number[]> =>
  meter.evaluate(() => (window as unknown as { readonly sharedMs: readonly number[] }).sharedMs);

/** Between two moments: how many a second came, and the longest wait for the next. */
function paceBetween(atMs: readonly number[], fromMs: number, toMs: number) {
  const within = atMs.filter((ms) => ms >= fromMs && ms <= toMs);
  const [first = toMs, last = fromMs] = [within[0], within.at(-1)];
  const waitsMs = [fromMs, ...within, toMs].map((ms, i, all) => ms - (all[i - 1] ?? ms));
  return { fps: last > first ? (1000 * (within.length - 1)) / (last - first) : 0, longestMs: Math.max(...waitsMs) };
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

/** A set-up that was played, from one press to the next. */
interface Played {
  readonly toldFps: number;
  readonly fromMs: number;
  readonly toMs: number;
  /** Whether the machine really drew it, and shared it, as it was told to. */
  readonly isSound: boolean;
}

/** What the meter leaves out around a press. */
const leftOutMs = { before: 1500, after: 2000 } as const;
/** A picture that is waited for longer, of the usual waits, was held up by the machine. */
const mostWaits = 2.5;

/** The switches whose two set-ups the machine really showed, each by the set-up after it. */
const listSound = (played: readonly Played[]): readonly number[] =>
  played.flatMap(({ isSound }, i) => (i > 0 && isSound && played[i - 1]?.isSound ? [i] : []));

/**
 * Plays two rates by turns, and presses at each change, until so many switches were sound or the turns are over. A busy
 * machine draws, or shares, fewer pictures than it is told to: what the meter makes of those tells of the machine.
 */
async function playByTurns(
  context: BrowserContext,
  [first, second]: readonly [number, number],
  { soundSwitches, mostTurns }: { readonly soundSwitches: number; readonly mostTurns: number },
) {
  test.setTimeout(600_000);
  const [meter, practice] = await openBoth(context, `fps=${first}`, noteShared);
  await watchLive(meter);
  const begunMs = Date.now();
  await noteDrawn(practice);
  const played: Played[] = [];
  for (let fromMs = begunMs; listSound(played).length < soundSwitches && played.length < mostTurns; ) {
    const isChanged = played.length % 2 === 1;
    const [toldFps, nextFps] = isChanged ? [second, first] : [first, second];
    await meter.waitForTimeout(eachMs);
    const toMs = await switchTo(meter, practice, nextFps, !isChanged);
    const [drawn, shared] = [await listDrawn(practice), await listShared(meter)].map((atMs) =>
      paceBetween(atMs, fromMs + leftOutMs.after, toMs - leftOutMs.before),
    );
    const isSound = [drawn, shared].every(
      (pace) => pace && pace.fps > 0.9 * toldFps && pace.longestMs < (1000 * mostWaits) / toldFps,
    );
    played.push({ toldFps, fromMs, toMs, isSound });
    fromMs = toMs;
  }
  await meter.waitForTimeout(1000);
  await meter.getByRole('button', { name: 'End and compare' }).click();
  const shown = await readStretches(meter);
  const account = JSON.stringify({ begunMs, played, shown });
  test.info().annotations.push({ type: 'what was played, and what was made of it', description: account });
  const sound = listSound(played);
  expect(sound.length, `a machine that shows less tells nothing: ${account}`).toBeGreaterThanOrEqual(soundSwitches / 2);
  // When measuring began is told only about; which stretch is whose is plain all the same, and most of them tell it exactly.
  const pairs = sound.map((i) => {
    const set = played[i] as Played;
    const aboutSec = (set.fromMs + leftOutMs.after - begunMs) / 1000;
    const [stretch] = shown.toSorted((a, b) => Math.abs(a.fromSec - aboutSec) - Math.abs(b.fromSec - aboutSec));
    if (!stretch || Math.abs(stretch.fromSec - aboutSec) > 3)
      throw new Error(`no stretch at ${aboutSec} s: ${account}`);
    return { ...set, stretch };
  });
  const startsMs = pairs.map(({ fromMs, stretch }) => fromMs + leftOutMs.after - 1000 * stretch.fromSec);
  const startMs = medianOf(startsMs);
  for (const { fromMs, toMs, stretch } of pairs) {
    const [fromSec, toSec] = [fromMs + leftOutMs.after, toMs - leftOutMs.before].map((ms) => (ms - startMs) / 1000);
    expect(Math.abs(stretch.fromSec - (fromSec ?? 0)), `beginning at ${fromSec} s: ${account}`).toBeLessThan(0.5);
    expect(Math.abs(stretch.toSec - (toSec ?? 0)), `end at ${toSec} s: ${account}`).toBeLessThan(0.5);
  }
  return { meter, practice, pairs, startMs, account };
}

test('cuts a watched run at the presses, and is right of 20 switches in 20', deep, async ({ context }) => {
  const { meter, practice, pairs, startMs, account } = await playByTurns(context, [6, 12], {
    soundSwitches: 20,
    mostTurns: 41,
  });
  const drawnMs = await listDrawn(practice);
  const offFps = pairs.map(({ toldFps, stretch: { fps, fromSec, toSec, verdict } }) => {
    expect(verdict, account).toMatch(toldFps === 12 ? /^Better,/ : /^Worse,/);
    return Math.abs(fps - paceBetween(drawnMs, startMs + 1000 * fromSec, startMs + 1000 * toSec).fps);
  });
  expect(medianOf(offFps), `rate of a stretch in the middle: ${account}`).toBeLessThan(0.5);
  const result = meter.getByRole('region', { name: 'What switching changed' });
  await expect(result).toContainText(/Better, by at least \d+ %/);
  await result.getByRole('button', { name: 'Keep it as a trial' }).click();
  const trial = meter.getByRole('region', { name: `On trial: ${half}` });
  await expect(trial.getByText(/a second/).first()).toBeVisible();
  await expect(trial.getByText(/^Better, by at least \d+ %/)).toBeVisible({ timeout: 30_000 });
});

test('sees nothing in eight presses where nothing changed', deep, async ({ context }) => {
  const { meter, pairs } = await playByTurns(context, [10, 10], { soundSwitches: 8, mostTurns: 29 });
  expect(new Set(pairs.map(({ stretch }) => stretch.verdict))).toEqual(new Set(['No clear change']));
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
