// What fixes bring, foretold from one reading of a real chain and then really made: decoding, scaling and effects by ffmpeg, all on
// one core, with and without a busy process. `npm run -s bench:fixes`; --quick takes two set-ups. The last line is one JSON object.
import { forecastUnder, inferPosterior, thinPosterior } from '@/core/belief';
import { diagnose } from '@/core/diagnose';
import { type FixAtLevel, findFix } from '@/core/fixes';
import { percentileOfSorted } from '@/core/numbers/percentile';
import { besideBusyProcess, timeByTurns } from './estimate/pipelines';
import { cardOfSetUp, chainOfSetUp, makeRealClips, realFixes, setUps } from './fixes/set-ups';

const isQuick = process.argv.includes('--quick');
const arePrinted = process.argv.includes('--rows');
const round = (value: number): number => Math.round(value * 1000) / 1000;

/** Frames that each chain shows at least: two groups from key frame to key frame. */
const countedFrames = 60;

interface FixRow {
  readonly setUp: string;
  readonly fix: string;
  readonly beforeFps: number;
  readonly afterFps: number;
  readonly expected: { readonly low: number; readonly mid: number; readonly high: number };
}

const nameOf = ({ id, level }: FixAtLevel): string => `${id}=${level}`;
const { pathOf, done } = makeRealClips();
try {
  const rows: FixRow[] = [];
  /** The first cause of each set-up beside a busy program that stands on no card. */
  const causesBesideBusy: string[] = [];
  for (const setUp of isQuick ? setUps.slice(0, 2) : setUps) {
    const mostFps = (ms: number): number => Math.min(setUp.fps, 1000 / ms);
    const plain = chainOfSetUp(setUp, null, pathOf);
    const timed: { readonly fix: FixAtLevel; readonly beforeMs: number; readonly afterMs: number }[] = [];
    for (const fix of realFixes(setUp)) {
      const time = () => timeByTurns([plain, chainOfSetUp(setUp, fix, pathOf)], countedFrames);
      const [beforeMs, afterMs] = await (setUp.isBusy ? besideBusyProcess(time, 0) : time());
      timed.push({ fix, beforeMs, afterMs });
    }
    const befores = timed.map(({ beforeMs }) => beforeMs).sort((a, b) => a - b);
    const readMs = percentileOfSorted(befores, 0.5);
    const card = await cardOfSetUp(setUp, pathOf(setUp.clip, setUp.fps, false), mostFps(readMs));
    const posterior = thinPosterior(inferPosterior(card));
    // Proxies are made of what Oil Can lists for them; where that is nothing, there is no such fix.
    const isOffered = ({ id, level }: FixAtLevel) => findFix(id)?.levelsFor(posterior.base).includes(level) ?? false;
    for (const { fix, beforeMs, afterMs } of timed.filter((each) => isOffered(each.fix))) {
      // By how much it changed beside the very same chain, from the rate that stands on the card.
      rows.push({
        setUp: setUp.id,
        fix: nameOf(fix),
        beforeFps: mostFps(readMs),
        afterFps: mostFps((readMs * afterMs) / beforeMs),
        expected: forecastUnder(posterior, [fix]).shownFps,
      });
    }
    if (setUp.isBusy) causesBesideBusy.push(diagnose(card).causes[0]?.id ?? 'none');
  }
  if (arePrinted) for (const row of rows) console.error(JSON.stringify(row));
  const errors = rows
    .map(({ afterFps, expected }) => Math.abs(Math.log(expected.mid / afterFps)))
    .sort((a, b) => a - b);
  const within = rows.filter(
    ({ afterFps, expected: { low, high } }) => afterFps >= 0.99 * low && afterFps <= 1.01 * high,
  );
  const bestOf = (setUp: string, rateOf: (row: FixRow) => number): number =>
    Math.max(...rows.filter((row) => row.setUp === setUp).map(rateOf));
  const ids = [...new Set(rows.map(({ setUp }) => setUp))];
  const bestCount = ids.filter((id) => {
    const expectedBest = bestOf(id, ({ expected }) => expected.mid);
    // Of several that are expected to bring as much, any may be made.
    const chosen = rows.filter(({ setUp, expected }) => setUp === id && expected.mid >= 0.99 * expectedBest);
    return chosen.some(({ afterFps }) => afterFps >= 0.97 * bestOf(id, (row) => row.afterFps));
  }).length;
  const useless = rows.filter(
    ({ beforeFps, afterFps, expected }) => afterFps >= 1.2 * beforeFps && expected.mid < 1.03 * beforeFps,
  );
  const middleError = Math.exp(percentileOfSorted(errors, 0.5)) - 1;
  const withinRatio = within.length / rows.length;
  const missedBusyCount = causesBesideBusy.filter((id) => id !== 'programs-busy').length;
  console.log(
    JSON.stringify({
      bench: 'fixes',
      setUpCount: ids.length,
      fixCount: rows.length,
      middleError: round(middleError),
      worstError: round(Math.exp(errors.at(-1) ?? 0) - 1),
      mostMiddleError: 0.08,
      withinRangeRatio: round(withinRatio),
      leastWithin: 0.8,
      bestFixRatio: round(bestCount / ids.length),
      calledUselessCount: useless.length,
      busyCount: causesBesideBusy.length,
      missedBusyCount,
      isMet:
        middleError <= 0.08 &&
        withinRatio >= 0.8 &&
        bestCount / ids.length >= 0.9 &&
        useless.length === 0 &&
        missedBusyCount <= ids.length / 10,
    }),
  );
} finally {
  done();
}
