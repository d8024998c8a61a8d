import { expect, test } from '@playwright/test';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { mediaPath } from './media';
import { deep, stepNames } from './screens';

// Debian's Firefox as it is, driven over WebDriver BiDi: what works in Chromium alone would go unseen otherwise.
const executablePath = process.env.FIREFOX ?? '/usr/bin/firefox-esr';
const waitMs = 60_000;

let browser: Browser;
let page: Page;
const complaints: string[] = [];

test.beforeAll(async () => {
  browser = await puppeteer.launch({ browser: 'firefox', executablePath, headless: true });
});
test.afterAll(() => browser.close());
test.beforeEach(async ({ baseURL }) => {
  complaints.length = 0;
  page = await browser.newPage();
  page.setDefaultTimeout(waitMs);
  page.on('pageerror', (error) => complaints.push(error instanceof Error ? error.message : String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text());
  });
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(baseURL ?? '');
  await seen('Kiln diaries, episode 6');
});
test.afterEach(async () => {
  await page.close();
  expect(complaints).toEqual([]);
});

// biome-ignore lint/performance/useDomNodeTextContent: what is hidden is not seen
const seen = (text: string) => page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, text);
const button = (name: string) => page.locator(`main ::-p-aria([name="${name}"][role="button"])`);
const press = (name: string) => button(name).click();
const type = async (label: string, value: string) => {
  await page.locator(`::-p-aria([name="${label}"][role="textbox"])`).fill(value);
  await page.keyboard.press('Tab');
};
const choose = (label: string, option: string) =>
  page.evaluate(
    (group, text) => {
      const radios = [...document.querySelectorAll('[role=radiogroup]')].find((each) =>
        each
          .getAttribute('aria-labelledby')
          ?.split(' ')
          .some((id) => document.getElementById(id)?.textContent === group),
      );
      const found = [...(radios?.querySelectorAll('label') ?? [])].find((each) => each.textContent === text);
      if (!found) throw new Error(`no "${text}" of "${group}"`);
      found.click();
    },
    label,
    option,
  );
const tick = (text: string) => page.locator(`main ::-p-text(${text})`).click();
const unfold = () =>
  page.evaluate(() => {
    for (const details of document.querySelectorAll('main details')) (details as HTMLDetailsElement).open = true;
  });
const heading = (name: string) =>
  page.waitForFunction(
    (wanted) => [...document.querySelectorAll('h1')].some((each) => each.textContent === wanted),
    {},
    name,
  );
const overflowPx = () =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

test('shows every screen, without a complaint or sideways scrolling, wide and narrow', deep, async ({ baseURL }) => {
  for (const [stepId, name] of [
    ...stepNames,
    ['programs', 'Programs'],
    ['proxies', 'Proxies'],
    ['what-if', 'What if'],
    ['work', 'While you work'],
    ['editor', 'My editor'],
    ['meter', 'Lag meter'],
  ] as const) {
    await page.goto(`${baseURL}/card/demo-effects-bound/${stepId}`);
    await heading(name);
    for (const width of [1280, 390]) {
      await page.setViewport({ width, height: 800 });
      expect(await overflowPx(), `${stepId} at ${width}`).toBeLessThanOrEqual(0);
    }
    await page.setViewport({ width: 1280, height: 800 });
    // What is fetched ahead would be broken off by leaving, of which Firefox complains now and then.
    await page.waitForNetworkIdle({ idleTime: 300 });
  }
  await page.goto(`${baseURL}/practice`);
  await heading('Practice window');
});

test('has no bar beside the rail that takes room or stands out', deep, async ({ baseURL }) => {
  await page.goto(`${baseURL}/card/demo-effects-bound/findings`);
  await heading('Findings');
  const rail = await page.evaluate(() => {
    const element = document.querySelector('nav[aria-label="Steps"]');
    const scroller = [element, ...(element?.querySelectorAll('*') ?? [])].find(
      (each) => each instanceof HTMLElement && ['auto', 'scroll'].includes(getComputedStyle(each).overflowY),
    );
    if (!(scroller instanceof HTMLElement)) return null;
    const { scrollbarWidth, scrollbarColor } = getComputedStyle(scroller);
    return { barPx: scroller.offsetWidth - scroller.clientWidth, scrollbarWidth, scrollbarColor };
  });
  // Where it scrolls at all, its bar is thin and in the rail's own colours.
  if (rail) {
    expect(rail.scrollbarWidth).toBe('thin');
    expect(rail.scrollbarColor).not.toBe('auto');
  }
});

test(
  'leads from a new card to a kept fix: footage read, a cause named, a change tried and measured',
  deep,
  async ({ baseURL }) => {
    await press('Start a card');
    await heading('First things');
    await type('Card name', 'Glaze tests, in another browser');
    await press('On to machine');
    await heading('Machine');
    await type('Processor cores', '4');
    await type('Memory', '8');
    await press('On to footage');
    await heading('Footage');
    const input = await page.waitForSelector('input[aria-label="Choose video files"]');
    await input?.uploadFile(mediaPath('kiln-loading.mp4'), mediaPath('h264-8bit.mov'));
    await seen('HEVC 10-bit 4:2:0, 3840 × 2160 at 25');
    await press('On to timeline');
    await heading('Timeline');
    await press('On to symptoms');
    await heading('Symptoms');
    await tick('In plain playback');
    await press('Go on');
    await tick('Jumpy');
    await press('Go on');
    await type('Shown, frames a second', '9,5');
    await press('Store this reading');
    await seen('9.5');
    await press('On to findings');
    await seen('by your readings');
    await seen('What tells most next');
    await page.goto(`${baseURL}/card/demo-effects-bound/fixes`);
    await page.waitForSelector('section[aria-label="Next step"][aria-busy="false"]');
    await unfold();
    await page.evaluate(() => {
      const tries = [...document.querySelectorAll('main button')].filter((each) =>
        each.getAttribute('aria-label')?.startsWith('Try this: '),
      );
      if (!(tries[0] instanceof HTMLElement)) throw new Error('nothing to try');
      tries[0].click();
    });
    await press('It is made: measure it');
    await seen('Measure the practice machine');
    await unfold();
    await type('Shown, frames a second', '25');
    await press('Store the second reading');
    await seen('Better.');
    await press('Keep it');
    await seen('KEPT');
    await page.reload();
    await seen('KEPT');
  },
);

test('says what only another browser can, and offers what works here', deep, async ({ baseURL }) => {
  await page.goto(`${baseURL}/card/demo-decode-bound/meter`);
  await heading('Lag meter');
  const canShare = await page.evaluate(() => typeof Reflect.get(window, 'MediaStreamTrackProcessor') !== 'undefined');
  // A later Firefox may hand frames over; then it is offered.
  if (canShare) {
    await seen('Share a window');
    return;
  }
  await seen('This browser does not hand a shared window’s frames to a page');
  await press('Tap along');
  await seen('Tap');
  await choose('Take a reading', 'Drop a recording');
  await seen('recording');
});

test(
  'makes smaller copies into this browser’s own storage, hands them out as files, and deletes them',
  deep,
  async () => {
    await press('Start a card');
    await heading('First things');
    const cardPath = new URL(page.url()).pathname.replace(/[^/]*$/, '');
    await press('On to machine');
    await press('On to footage');
    const input = await page.waitForSelector('input[aria-label="Choose video files"]');
    await input?.uploadFile(mediaPath('wheel.mp4'), mediaPath('bowl.png'));
    await seen('bowl.png');
    // By the rail: a page that is loaded anew has no files in hand.
    await page.locator(`a[href="${cardPath}proxies"]`).click();
    await heading('Proxies');
    await seen('Into this browser’s own storage');
    await choose('Lines', '1/2');
    // What asks for one is ticked already.
    for (const name of ['wheel.mp4', 'bowl.png']) {
      const box = await page.waitForSelector(`input[aria-label="Make a proxy of ${name}"]`);
      const isTicked = await box?.evaluate((input) => input instanceof HTMLInputElement && input.checked);
      if (!isTicked) await page.locator(`input[aria-label="Make a proxy of ${name}"]`).click();
    }
    await press('Make 2 proxies');
    await seen('fine: same frames, same pictures');
    await page.waitForFunction(
      () => document.querySelectorAll('table[aria-label="Proxies that Oil Can made"] tr').length === 2,
    );
    // What is handed out is the file itself: the address that the browser is told to save from is read back.
    const bytes = await page.evaluate(async () => {
      const saved = new Promise<Blob>((resolve) => {
        const create = URL.createObjectURL;
        URL.createObjectURL = (blob) => {
          if (blob instanceof Blob) resolve(blob);
          return create.call(URL, blob);
        };
      });
      const save = [...document.querySelectorAll('main button')].find(
        (each) => each.getAttribute('aria-label') === 'Save wheel_Proxy.mp4',
      );
      if (!(save instanceof HTMLElement)) throw new Error('nothing to save');
      save.click();
      return (await saved).size;
    });
    expect(bytes).toBeGreaterThan(10_000);
    await press('Delete them…');
    await press('Delete 2 proxies for good');
    await seen('Deleted 2 proxies.');
  },
);
