// What a page costs before it stands still, in the production build: how far its parts move while it loads (the sum of layout
// shifts), what its scripts weigh gzipped, and how long after an answer the panel says what is concluded of it.
// `npm run -s bench:pages`; the last line is one JSON object.
import { gzipSync } from 'node:zlib';
import type { Browser, Page } from '@playwright/test';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { stepNames } from '../tests/e2e/screens';
import { withPage } from './serve';

const limits = { layoutShift: 0.05, homeScriptKb: 200, stepScriptKb: 350, answerMs: 300 };
const answerCount = process.argv.includes('--quick') ? 3 : 12;
const tools = ['meter', 'programs', 'what-if', 'work', 'editor'];
const untilConcluded = (page: Page) =>
  page.locator('section[aria-label="Next step"][aria-busy="false"]').waitFor({ state: 'attached' });

/** What one page weighs and how far it moves, in a browser that was never here. */
async function measurePage(browser: Browser, url: string, path: string) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  try {
    const page = await context.newPage();
    await page.addInitScript(() => {
      const seen: number[] = [];
      Reflect.set(window, 'shifts', seen);
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) seen.push(Number(Reflect.get(entry, 'value')));
      }).observe({ type: 'layout-shift', buffered: true });
    });
    let scriptBytes = 0;
    const weighed: Promise<void>[] = [];
    page.on('response', (response) => {
      if (response.request().resourceType() !== 'script') return;
      weighed.push(
        response.body().then((body) => {
          scriptBytes += gzipSync(body).length;
        }),
      );
    });
    if (path !== '/') {
      // The demo cards are laid in on a first visit; the page itself is then opened for the first time.
      await page.goto(url);
      await page.getByRole('link', { name: 'Kiln diaries, episode 6' }).waitFor();
      await Promise.all(weighed);
      scriptBytes = 0;
      const session = await context.newCDPSession(page);
      await session.send('Network.clearBrowserCache');
    }
    await page.goto(url + path);
    await page.getByRole('heading', { level: 1 }).first().waitFor();
    if (path !== '/') await untilConcluded(page);
    await page.waitForTimeout(1500);
    await Promise.all(weighed);
    const shifts = await page.evaluate(() => Reflect.get(window, 'shifts') as number[]);
    return {
      path,
      layoutShift: Math.round(1000 * shifts.reduce((sum, value) => sum + value, 0)) / 1000,
      scriptKb: Math.round(scriptBytes / 1000),
    };
  } finally {
    await context.close();
  }
}

/** From the press of an answer to the frame on which the panel's step belongs to it, and back again. */
async function timeAnswers(page: Page, address: string): Promise<readonly number[]> {
  await page.goto(address);
  await untilConcluded(page);
  await page.getByText(/^Other looks and fixes/).click();
  const waits: number[] = [];
  while (waits.length < answerCount) {
    waits.push(
      await page.evaluate(async () => {
        const step = document.querySelector('section[aria-label="Next step"]');
        const taken = [...document.querySelectorAll('button')].find((b) =>
          b.getAttribute('aria-label')?.startsWith('Take back'),
        );
        const button = taken ?? document.querySelector('main [role=group][aria-label$="?"] button');
        if (!step || !(button instanceof HTMLElement)) throw new Error('no step or no answer');
        const startedMs = performance.now();
        button.click();
        while (step.getAttribute('aria-busy') !== 'true') await new Promise(requestAnimationFrame);
        while (step.getAttribute('aria-busy') !== 'false') await new Promise(requestAnimationFrame);
        return performance.now() - startedMs;
      }),
    );
    // What explains the causes comes after what names them: the next answer is given when all is quiet.
    await page.waitForTimeout(2500);
  }
  return waits.sort((a, b) => a - b);
}

await withPage(4395, async (page, url) => {
  const browser = page.context().browser();
  if (!browser) throw new Error('no browser');
  const pages = [];
  for (const path of ['/', ...[...stepNames.map(([id]) => id), ...tools].map((id) => `/card/demo-effects-bound/${id}`)])
    pages.push(await measurePage(browser, url, path));
  const answers = await timeAnswers(page, `${url}/card/demo-programs-busy/findings`);
  const [home, ...steps] = pages;
  const worst = Math.max(...pages.map(({ layoutShift }) => layoutShift));
  console.log(
    JSON.stringify({
      bench: 'pages',
      limits,
      worstLayoutShift: worst,
      homeScriptKb: home?.scriptKb,
      mostStepScriptKb: Math.max(...steps.map(({ scriptKb }) => scriptKb)),
      answerMedianMs: Math.round(percentileOfSorted(answers, 0.5)),
      answerWorstMs: Math.round(answers.at(-1) ?? 0),
      pages,
    }),
  );
  if (worst >= limits.layoutShift) process.exitCode = 1;
});
