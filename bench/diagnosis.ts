// Hidden-fault cases: Oil Can's loop against a fixed list, the raw estimate and an oracle.
// `npm run -s bench:diagnosis [-- --first N --last N]`; --quick runs a few; --rows prints a line a case on standard error.
// Two processes share the seeds. With --second, pairs of films on one machine: what the first taught, and what that brings.
// The last line is one JSON object. Tuned on seeds 1 to 300, reported on 1001 to 1300.
import type { ReadingWay } from '@/core/simulate/cases';
import { reportSeconds } from './diagnosis/report-seconds';
import { runInTwo } from './diagnosis/run-in-two';
import type { Ending } from './diagnosis/session';
import { medianOf, withRange } from './diagnosis/with-range';

interface Named {
  readonly id: string;
  readonly probability: number;
}

interface Row {
  readonly seed: number;
  /** How the person reads a preview. */
  readonly way: ReadingWay;
  /** How far the preview is from usable before anything is done, in logarithms. */
  readonly gap: number;
  readonly trueCauseId: string;
  readonly equalCauseIds: readonly string[];
  readonly faultIds: readonly string[];
  readonly cure: readonly unknown[] | null;
  readonly named: readonly Named[];
  readonly namedInLoop: readonly Named[];
  readonly loop: Ending;
  readonly fixedList: Ending;
  readonly rawEstimate: Ending;
  readonly oracle: Ending;
  readonly diagnoseMs: number;
}

const numberAfter = (option: string, usual: number): number => {
  const at = process.argv.indexOf(option);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const readingWays: readonly ReadingWay[] = ['metered', 'typed', 'felt'];
const isQuick = process.argv.includes('--quick');
const arePrinted = process.argv.includes('--rows');
const first = numberAfter('--first', 1001);
const last = numberAfter('--last', isQuick ? first + 3 : 1300);
if (process.argv.includes('--second')) {
  console.log(JSON.stringify(await reportSeconds(first, last, arePrinted)));
  process.exit();
}

const rows = await runInTwo<Row>('run-seeds', first, last, arePrinted);

const shareOf =
  (test: (row: Row) => boolean) =>
  (over: readonly Row[]): number =>
    over.filter(test).length / over.length;
const sumOf = (pick: (row: Row) => number): number => rows.reduce((sum, row) => sum + pick(row), 0);

const isNamedFirst = shareOf((row) => row.named[0]?.id === row.trueCauseId);
/** A preview that shows 86 of 100 wanted pictures, or takes 290 ms for a jump of 250. */
const plainGap = 0.15;

const curable = rows.filter((row) => row.cure !== null);
const doubles = rows.filter((row) => row.faultIds.length > 1);
const ways = ['loop', 'fixedList', 'rawEstimate', 'oracle'] as const;

const calibration = Array.from({ length: 10 }, (_, bin) => {
  const claims = rows.flatMap((row) =>
    row.named
      .filter(({ probability }) => Math.min(9, Math.floor(probability * 10)) === bin)
      .map(({ id, probability }) => ({ probability, isTrue: row.faultIds.includes(id) })),
  );
  const mean = (pick: (claim: (typeof claims)[number]) => number): number | null =>
    claims.length === 0
      ? null
      : Math.round((100 * claims.reduce((sum, claim) => sum + pick(claim), 0)) / claims.length) / 100;
  return {
    count: claims.length,
    said: mean(({ probability }) => probability),
    was: mean(({ isTrue }) => (isTrue ? 1 : 0)),
  };
});

console.log(
  JSON.stringify({
    bench: 'diagnosis',
    seeds: [first, last],
    caseCount: rows.length,
    curableCount: curable.length,
    namedFirst: withRange(rows, isNamedFirst),
    // Where repairs cure alike, each of them is the one that closes most.
    namedFirstOrEqual: withRange(
      rows,
      shareOf((row) => row.equalCauseIds.includes(row.named[0]?.id ?? '')),
    ),
    namedFirstByWay: Object.fromEntries(
      readingWays.map((way) => {
        const read = rows.filter((row) => row.way === way);
        return [way, { caseCount: read.length, ...(read.length > 0 && withRange(read, isNamedFirst)) }];
      }),
    ),
    // Below that the preview is all but usable, and little of anything closes the gap.
    namedFirstOfPlainGaps: withRange(
      rows.filter(({ gap }) => gap >= plainGap),
      isNamedFirst,
    ),
    plainGapCount: rows.filter(({ gap }) => gap >= plainGap).length,
    severalEqualCount: rows.filter(({ equalCauseIds }) => equalCauseIds.length > 1).length,
    namedFirstIsAFault: withRange(
      rows,
      shareOf((row) => row.faultIds.includes(row.named[0]?.id ?? '')),
    ),
    namedFirstInLoop: withRange(
      rows,
      shareOf((row) => row.namedInLoop[0]?.id === row.trueCauseId),
    ),
    namedInTwo: withRange(
      rows,
      shareOf((row) => row.named.slice(0, 2).some(({ id }) => id === row.trueCauseId)),
    ),
    bothOfDouble:
      doubles.length === 0
        ? null
        : withRange(
            doubles,
            shareOf((row) =>
              row.faultIds.slice(0, 2).every((id) => row.named.slice(0, 3).some((named) => named.id === id)),
            ),
          ),
    ways: Object.fromEntries(
      ways.map((way) => [
        way,
        {
          usable: withRange(
            curable,
            shareOf((row) => row[way].isUsable),
          ),
          medianMinutes: withRange(
            curable,
            medianOf<Row>((row) => row[way].minutes),
          ),
          medianTrials: withRange(
            curable,
            medianOf<Row>((row) => row[way].trialCount),
          ),
          needlessKept: sumOf((row) => row[way].needlessCount),
          harmfulKept: sumOf((row) => row[way].harmfulCount),
        },
      ]),
    ),
    calibration,
    meanDiagnoseMs: Math.round(sumOf((row) => row.diagnoseMs) / rows.length),
  }),
);
