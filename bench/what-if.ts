// How long a what-if change takes to compute with 200 clips on the card: everything between a press and the paint.
// `npm run -s bench:what-if`; --quick runs fewer. The last line is one JSON object.
import { priorBelief } from '@/core/belief';
import { parseCard } from '@/core/card';
import {
  choicesAsIs,
  computeFindings,
  countProxyClips,
  forecastChoices,
  rankCardFixes,
  summariseCard,
} from '@/core/diagnose';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { loadDemoCards } from '@/demo/load-demo-cards';

const isQuick = process.argv.includes('--quick');
const [demo] = await loadDemoCards();
if (!demo) throw new Error('bench:what-if: no demo card');
const clips = Array.from({ length: 200 }, (_, i) => {
  const clip = demo.clips[i % demo.clips.length];
  if (!clip) throw new Error('bench:what-if: no clip');
  return { ...clip, id: `clip-${i}` };
});
const parsed = parseCard({ ...demo, clips });
if (!parsed.ok) throw new Error(`bench:what-if: ${parsed.failure.code}`);
const card = parsed.value;

const timesOf = (count: number, work: (i: number) => unknown): readonly number[] =>
  Array.from({ length: count }, (_, i) => {
    const startedMs = performance.now();
    work(i);
    return performance.now() - startedMs;
  }).sort((a, b) => a - b);

const count = isQuick ? 3 : 50;
const qualities = [1, 0.5, 0.25, 0.125];
const asIs = choicesAsIs(card);
const prior = priorBelief(card);
const whatIf = timesOf(count, (i) => {
  const choices = { ...asIs, qualityRatio: qualities[i % 4] ?? 1, proxyHeightPx: i % 2 === 0 ? 540 : null };
  return [forecastChoices(prior, [], choices), countProxyClips(card, choices, 540)];
});
const findings = timesOf(count, () => computeFindings(card));
const overview = timesOf(count, () => summariseCard(card));
const ranking = timesOf(count, () => rankCardFixes(card, prior));
const figures = (times: readonly number[]) => ({ medianMs: percentileOfSorted(times, 0.5), worstMs: times.at(-1) });
console.log(
  JSON.stringify({
    bench: 'what-if',
    clipCount: clips.length,
    runCount: count,
    limitMs: 100,
    whatIf: figures(whatIf),
    findings: figures(findings),
    overview: figures(overview),
    ranking: figures(ranking),
  }),
);
