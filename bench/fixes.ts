// What fixes bring, foretold from one reading of a real chain and then really made: decoding, scaling and effects by ffmpeg, on one core
// or two, with and without a busy process. `npm run -s bench:fixes`; --quick takes two set-ups. The last line is one JSON object.
import { forecastUnder, inferPosterior, thinPosterior } from '@/core/belief';
import type { CauseId } from '@/core/causes';
import { diagnose } from '@/core/diagnose';
import { closingFix, type FixAtLevel, findFix } from '@/core/fixes';
import { medianOf, percentileOfSorted } from '@/core/numbers/percentile';
import { referenceMsOf, toTestedStream } from '@/core/test-play';
import { besideBusyProcess, type Chain, timeByTurns } from './estimate/pipelines';
import {
  cardOfSetUp,
  chainOfSetUp,
  factsOf,
  makeRealClips,
  type RealSetUp,
  realFixes,
  setUps,
  timeJumps,
  yardstick,
} from './fixes/set-ups';

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

/** What a set-up is slow by in truth, and what was named first. */
interface CauseRow {
  readonly setUp: string;
  readonly trueCauses: readonly CauseId[];
  readonly named: CauseId | 'none';
}

const nameOf = ({ id, level }: FixAtLevel): string => `${id}=${level}`;
const chosen = isQuick ? setUps.slice(0, 2) : setUps;
const { pathOf, done } = makeRealClips([...chosen, yardstick]);

const decodingOf = (path: string, coreCount: number): Chain => ({ path, filterArgs: [], coreCount });

/** Two parts nearer to each other than this are each as much to blame. */
const alikeRatio = 0.85;

/**
 * What a set-up is slow by: beside a busy program that, because it plays well without; else the part of a frame that takes
 * longest, decoding, scaling or effects, each really left out.
 */
async function trueCausesOf(setUp: RealSetUp, plain: Chain): Promise<readonly CauseId[]> {
  if (setUp.isBusy) return ['programs-busy'];
  const bare = decodingOf(plain.path, setUp.coreCount);
  const [decodeMs, wholeMs] = await timeByTurns([bare, plain], countedFrames);
  const bypassed = chainOfSetUp(setUp, { id: 'bypass-effects', level: 'all' }, pathOf);
  const [, undrawnMs] = await timeByTurns([bare, bypassed], countedFrames);
  const parts: readonly (readonly [CauseId, number])[] = [
    ['decode-heavy', decodeMs],
    ['preview-too-large', undrawnMs - decodeMs],
    ['effects-heavy', wholeMs - undrawnMs],
  ];
  const most = Math.max(...parts.map(([, ms]) => ms));
  return parts.filter(([, ms]) => ms >= alikeRatio * most).map(([id]) => id);
}

/** The core's speed by a clip of the bench's own, as measuring a machine tells it. */
async function measureCore(): Promise<number> {
  const path = pathOf(yardstick.clip, yardstick.fps, false);
  const alone = decodingOf(path, 1);
  const [ms] = await timeByTurns([alone, alone], countedFrames);
  return referenceMsOf(toTestedStream(await factsOf(path))) / ms;
}

try {
  const rows: FixRow[] = [];
  const causes: CauseRow[] = [];
  for (const setUp of chosen) {
    const mostFps = (ms: number): number => Math.min(setUp.fps, 1000 / ms);
    const coreSpeedRatio = await measureCore();
    const plain = chainOfSetUp(setUp, null, pathOf);
    const trueCauses = await trueCausesOf(setUp, plain);
    const beside = <T>(work: () => Promise<T>): Promise<T> =>
      setUp.isBusy ? besideBusyProcess(work, setUp.coreCount) : work();
    const timed: { readonly fix: FixAtLevel; readonly beforeMs: number; readonly afterMs: number }[] = [];
    for (const fix of realFixes(setUp)) {
      const after = chainOfSetUp(setUp, fix, pathOf);
      const [beforeMs, afterMs] = await beside(() => timeByTurns([plain, after], countedFrames));
      timed.push({ fix, beforeMs, afterMs });
    }
    if (setUp.isBusy) {
      // Closing what nobody listed is the fix that matters here.
      const [beforeMs] = await beside(() => timeByTurns([plain, plain], countedFrames));
      const [afterMs] = await timeByTurns([plain, plain], countedFrames);
      timed.push({ fix: closingFix, beforeMs, afterMs });
    }
    const readMs = medianOf(timed.map(({ beforeMs }) => beforeMs));
    const scrubMs = await beside(async () => timeJumps(plain, { fps: setUp.fps, frameMs: readMs }));
    const facts = await factsOf(plain.path);
    const card = await cardOfSetUp(setUp, facts, { shownFps: mostFps(readMs), scrubMs, coreSpeedRatio });
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
    causes.push({ setUp: setUp.id, trueCauses, named: diagnose(card).causes[0]?.id ?? 'none' });
    if (arePrinted) console.error(JSON.stringify({ ...causes.at(-1), coreSpeedRatio, scrubMs, readMs }));
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
  // Neither the figure nor the range beside it tells a person that it is worth trying.
  const useless = rows.filter(
    ({ beforeFps, afterFps, expected: { mid, high } }) =>
      afterFps >= 1.2 * beforeFps && mid < 1.03 * beforeFps && high < 1.2 * beforeFps,
  );
  const middleError = Math.exp(percentileOfSorted(errors, 0.5)) - 1;
  const withinRatio = within.length / rows.length;
  const causeCount = causes.filter(({ trueCauses, named }) => trueCauses.some((id) => id === named)).length;
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
      firstCauseRatio: round(causeCount / ids.length),
      leastCauseRatio: 0.9,
      isMet:
        middleError <= 0.08 &&
        withinRatio >= 0.8 &&
        bestCount / ids.length >= 0.9 &&
        useless.length === 0 &&
        causeCount / ids.length >= 0.9,
    }),
  );
} finally {
  done();
}
