// How long after a reading the next step stands, on a demo card and on one with 200 clips and 20 readings, in the production build:
// from the press that stores it to the frame on which the gauge's step belongs to it. `npm run -s bench:next-step`;
// --quick presses fewer times. The last line is one JSON object; the limit is 500 ms.

import type { Page } from '@playwright/test';
import { serializeCard } from '@/core/card';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { createLargeCard } from './large-card';
import { importCard, withPage } from './serve';

const readingCount = process.argv.includes('--quick') ? 3 : 12;
/** Between two readings, so that each is a single change. */
const pauseMs = 2500;
const text = serializeCard(await createLargeCard('bench-next-step'));

/** Stores readings on a card and times each, in milliseconds, the quickest first. */
async function timeReadings(page: Page, address: string): Promise<readonly number[]> {
  await page.goto(address);
  await page.getByRole('radiogroup', { name: 'Take a reading' }).getByText('Type it').click();
  await page.waitForTimeout(pauseMs);
  const waits: number[] = [];
  for (let i = 0; i < readingCount; i++) {
    await page.getByRole('textbox', { name: 'Shown, frames a second' }).fill(`${10.5 + (i % 4) / 4}`);
    await page.keyboard.press('Tab');
    waits.push(
      await page.evaluate(async () => {
        const step = document.querySelector('section[aria-label="Next step"]');
        const button = [...document.querySelectorAll('button')].find((b) => b.textContent === 'Store this reading');
        if (!step || !button) throw new Error('no step or no button');
        const startedMs = performance.now();
        button.click();
        while (step.getAttribute('aria-busy') !== 'true') await new Promise(requestAnimationFrame);
        while (step.getAttribute('aria-busy') !== 'false') await new Promise(requestAnimationFrame);
        return performance.now() - startedMs;
      }),
    );
    await page.waitForTimeout(pauseMs);
  }
  return waits.sort((a, b) => a - b);
}

const figuresOf = (waits: readonly number[]) => ({
  medianMs: Math.round(percentileOfSorted(waits, 0.5)),
  worstMs: Math.round(waits.at(-1) ?? 0),
});

await withPage(4394, async (page, url) => {
  await importCard(page, text);
  const demo = await timeReadings(page, `${url}/card/demo-decode-bound/meter`);
  const large = await timeReadings(page, `${url}/card/bench-next-step/meter`);
  console.log(
    JSON.stringify({
      bench: 'next-step',
      measuredCount: readingCount,
      limitMs: 500,
      demo: { clipCount: 14, ...figuresOf(demo) },
      large: { clipCount: 200, readingCount: 20, ...figuresOf(large) },
    }),
  );
});
