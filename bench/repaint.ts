// How long until each what-if change is painted, with 200 clips on the card, in the production build: Event Timing's
// duration from the press to the next paint, over 50 presses. `npm run -s bench:repaint`; --quick presses fewer times.
// The last line is one JSON object; the limit is 100 ms for the worst.
import { serializeCard } from '@/core/card';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { importCard, withPage } from './serve';

const pressCount = process.argv.includes('--quick') ? 4 : 50;
const [, demo] = await loadDemoCards();
if (!demo) throw new Error('bench:repaint: no demo card');
const clips = Array.from({ length: 200 }, (_, i) => ({
  ...(demo.clips[i % demo.clips.length] ?? raise()),
  id: `clip-${i}`,
}));
function raise(): never {
  throw new Error('bench:repaint: the demo card has no clips');
}
const text = serializeCard({ ...demo, id: 'bench-200', title: 'Two hundred clips', clips });

await withPage(4393, async (page, url) => {
  await importCard(page, text);
  await page.goto(`${url}/card/bench-200/findings`);
  const group = page.getByRole('radiogroup', { name: 'Preview quality' });
  await group.waitFor();
  await page.evaluate(() => {
    const seen: number[] = [];
    Reflect.set(window, 'seenDurations', seen);
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) if (entry.name === 'click') seen.push(entry.duration);
    }).observe({ type: 'event', durationThreshold: 16, buffered: false } as PerformanceObserverInit);
  });
  const levels = ['1/2', '1/4', '1/8', 'Full'];
  for (let i = 0; i < pressCount; i++) {
    await group.getByText(levels[i % 4] ?? 'Full', { exact: true }).click();
    await page.waitForTimeout(120);
  }
  await page.waitForTimeout(500);
  const seen = await page.evaluate(() => Reflect.get(window, 'seenDurations') as number[]);
  // Event Timing leaves out presses painted within 16 ms.
  const durations = [...Array<number>(Math.max(0, pressCount - seen.length)).fill(16), ...seen].sort((a, b) => a - b);
  console.log(
    JSON.stringify({
      bench: 'repaint',
      clipCount: clips.length,
      pressCount,
      observedCount: seen.length,
      limitMs: 100,
      medianMs: percentileOfSorted(durations, 0.5),
      worstMs: durations.at(-1),
    }),
  );
});
