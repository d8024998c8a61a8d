import { runInTwo } from './run-in-two';
import type { Ending } from './session';
import { medianOf, withRange } from './with-range';

interface GoneAbout extends Ending {
  readonly isNamedAtOnce: boolean;
  readonly chanceAtOnce: number;
  readonly isNamedFirst: boolean;
}

interface Compared {
  readonly isCurable: boolean;
  readonly with: GoneAbout;
  readonly without: GoneAbout;
}

const settings = ['same', 'anotherNamed', 'anotherUnsaid'] as const;

type Row = { readonly lessons: readonly string[]; readonly isLeftWrong: boolean } & {
  readonly [K in (typeof settings)[number]]: Compared;
};

const meanOf = <T>(pick: (row: T) => number) => {
  return (over: readonly T[]): number => over.reduce((sum, row) => sum + pick(row), 0) / over.length;
};
function compare(all: readonly Compared[]) {
  const curable = all.filter(({ isCurable }) => isCurable);
  const sideOf = (side: 'with' | 'without') => ({
    namedAtOnce: withRange(
      all,
      meanOf((row) => Number(row[side].isNamedAtOnce)),
    ).value,
    chanceAtOnce: withRange(
      all,
      meanOf((row) => row[side].chanceAtOnce),
    ).value,
    namedFirst: withRange(
      all,
      meanOf((row) => Number(row[side].isNamedFirst)),
    ).value,
    usable: withRange(
      curable,
      meanOf((row) => Number(row[side].isUsable)),
    ).value,
    medianMinutes: withRange(
      curable,
      medianOf((row) => row[side].minutes),
    ).value,
    meanMinutes: withRange(
      curable,
      meanOf((row) => row[side].minutes),
    ).value,
    harmfulKept: all.reduce((sum, row) => sum + row[side].harmfulCount, 0),
  });
  return {
    curableCount: curable.length,
    with: sideOf('with'),
    without: sideOf('without'),
    // Of one case with and without: their difference is surer than either.
    gained: {
      chanceAtOnce: withRange(
        all,
        meanOf((row) => row.with.chanceAtOnce - row.without.chanceAtOnce),
      ),
      minutes: withRange(
        curable,
        meanOf((row) => row.with.minutes - row.without.minutes),
      ),
      quickerCount: curable.filter((row) => row.with.minutes < row.without.minutes - 0.5).length,
      slowerCount: curable.filter((row) => row.with.minutes > row.without.minutes + 0.5).length,
    },
  };
}

/** What a first film teaches for a second one on the same machine, with and without it. */
export async function reportSeconds(first: number, last: number, arePrinted: boolean) {
  const rows = await runInTwo<Row>('run-seconds', first, last, arePrinted);
  return {
    bench: 'diagnosis, second films',
    seeds: [first, last],
    caseCount: rows.length,
    meanLessonCount: meanOf<Row>(({ lessons }) => lessons.length)(rows),
    leftWrongCount: rows.filter(({ isLeftWrong }) => isLeftWrong).length,
    ...Object.fromEntries(settings.map((setting) => [setting, compare(rows.map((row) => row[setting]))])),
    ...Object.fromEntries(
      [true, false].flatMap((isLeftWrong) => {
        const some = rows.filter((row) => row.isLeftWrong === isLeftWrong).map((row) => row.same);
        // Of a short range, one of the two may hold none.
        if (!some.some(({ isCurable }) => isCurable)) return [];
        return [[isLeftWrong ? 'sameAndLeftWrong' : 'sameAndPutRight', compare(some)]];
      }),
    ),
  };
}
