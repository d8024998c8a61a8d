// How smooth the clip table is with a thousand clips: the longest gaps between frames while it is scrolled, and the
// longest a press takes to be painted (sorting, filtering, selecting), against the 100 ms that every action has.
// `npm run -s bench:clip-table`; needs a production build. The last line is one JSON object.
import { percentileOfSorted } from '@/core/numbers/percentile';
import { cardTextWithClips } from '../tests/arbitrary/many-clips';
import { importCard, withPage } from './serve';

const isQuick = process.argv.includes('--quick');
const clipCount = 1000;

await withPage(4398, async (page) => {
  await importCard(page, cardTextWithClips(clipCount, 'bench-1000', 'A thousand takes'));
  await page.getByRole('link', { name: 'A thousand takes' }).click();
  await page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: /^Footage/ })
    .click();
  const table = page.getByRole('table', { name: 'Clips' });
  await table.waitFor();
  await page.waitForTimeout(1000);
  // Text, so that no helper of the bundler that runs this file is looked for in the page.
  await page.evaluate(`
    globalThis.benchFrames = []; globalThis.benchEvents = [];
    let last = 0;
    const tick = (at) => { if (last) benchFrames.push(at - last); last = at; requestAnimationFrame(tick); };
    requestAnimationFrame(tick);
    new PerformanceObserver((list) => list.getEntries().forEach((entry) => {
      if (entry.interactionId) benchEvents.push([entry.duration, entry.name, entry.target?.getAttribute?.('aria-label') ?? entry.target?.textContent ?? '', entry.processingEnd - entry.processingStart]);
    })).observe({ type: 'event', durationThreshold: 16 });
  `);
  const box = await table.boundingBox();
  await page.mouse.move((box?.x ?? 400) + 300, Math.min(740, (box?.y ?? 500) + 120));
  await page.evaluate('benchFrames.length = 0');
  for (let i = 0; i < (isQuick ? 20 : 120); i++) {
    await page.mouse.wheel(0, 240);
    await page.waitForTimeout(16);
  }
  const frames = (await page.evaluate('benchFrames.slice()')) as number[];
  for (const name of isQuick ? ['Mbit/s'] : ['Mbit/s', 'Length', 'Clip', 'Frame, ms', 'A jump']) {
    await table.getByRole('button', { name, exact: true }).click();
    await page.waitForTimeout(250);
  }
  // The first rows, so that no press has to scroll the page to where it is made.
  await table.evaluate((element) => element.parentElement?.scrollTo(0, 0));
  await page.waitForTimeout(400);
  for (const check of (await table.getByRole('checkbox').all()).slice(0, 5)) {
    await check.click();
    await page.waitForTimeout(120);
    if (isQuick) break;
  }
  await page.getByRole('searchbox', { name: 'Find by name or folder' }).pressSequentially('take-99', { delay: 150 });
  await page.waitForTimeout(300);
  type Press = readonly [durationMs: number, name: string, target: string, handlersMs: number];
  const events = (await page.evaluate('benchEvents.slice()')) as Press[];
  const sorted = [...frames].sort((a, b) => a - b);
  const slowest = [...events].sort((a, b) => b[0] - a[0]).slice(0, 3);
  console.log(
    JSON.stringify({
      bench: 'clip-table',
      clipCount,
      scrollFrames: frames.length,
      scrollMedianMs: percentileOfSorted(sorted, 0.5),
      scroll95Ms: percentileOfSorted(sorted, 0.95),
      scrollWorstMs: sorted.at(-1),
      presses: events.length,
      pressWorstMs: slowest[0]?.[0] ?? 0,
      slowest,
      limitMs: 100,
    }),
  );
});
