import { assertNever } from '@/core/assert-never';
import type { FixUse, MeasuredReading, Reading } from '@/core/card';
import type { ComparedField, CompareFailure, ReadingChange } from '@/core/meter';
import type { ReadingsFailure } from '@/core/readings';
import { listFixTitles } from './fix-titles';
import { formatRate } from './format';

const sourceTexts: Readonly<Record<MeasuredReading['source'], string>> = {
  window: 'window shared',
  recording: 'recording',
  practice: 'practice machine',
};

/** How a reading was taken. */
export function describeReadingWay({ how, measured }: Reading): string {
  if (measured) return sourceTexts[measured.source];
  return how === 'tapped' ? 'tapped' : how === 'metered' ? 'measured' : 'typed';
}

export const readingViewerTexts: Readonly<Record<Reading['viewer'], string>> = {
  timeline: 'Timeline',
  clip: 'Single clip',
  unknown: 'Don’t know',
};

export const readingPassTexts: Readonly<Record<Reading['pass'], string>> = {
  first: 'The first time',
  repeat: 'Once more',
  unknown: 'Don’t know',
};

const verdictTexts: Readonly<Record<ReadingChange['verdict'], string>> = {
  better: 'Better',
  worse: 'Worse',
  'no-clear-change': 'No clear change',
};

const percentOf = (ratio: number): string => `${Math.round(Math.abs(ratio) * 100)} %`;

/** "Better, by at least 9 %". */
export function describeChange({ verdict, atLeastRatio }: ReadingChange): string {
  if (verdict === 'no-clear-change') return verdictTexts[verdict];
  return `${verdictTexts[verdict]}, by at least ${percentOf(atLeastRatio)}`;
}

/** "13.9 to 15.2". */
export const describeRange = ({ low, high }: { readonly low: number; readonly high: number }): string =>
  `${formatRate(low)} to ${formatRate(high)}`;

const otherKindTexts: Readonly<Record<ComparedField, string>> = {
  stretch: 'Another stretch was played',
  doing: 'One is of playing and one of scrubbing',
  viewer: 'One is of the timeline’s viewer and one of the single clip’s',
  withEffects: 'One is with effects and one without',
  pass: 'One is of the first time and one of playing it once more',
  moment: 'One was taken soon after starting and one after a while',
};

/** That two readings of one set-up cannot both hold. */
export const describeDisagreement = ({
  fixes,
  earlier,
  later,
}: {
  readonly fixes: readonly FixUse[];
  readonly earlier: string;
  readonly later: string;
}): string =>
  `Two readings of one set-up (${fixes.length === 0 ? 'before any fix' : listFixTitles(fixes)}) say different things: ${earlier} and ${later}. That is more than readings of one thing differ by. Which of them holds?`;

/** Why two readings are not compared. */
export function describeCompareFailure(failure: CompareFailure): string {
  switch (failure.code) {
    case 'other-kind':
      return `Not comparable. ${otherKindTexts[failure.field]}.`;
    case 'too-few-pictures':
      return `Not comparable. One has only ${failure.pictureCount} intervals; measure longer.`;
    default:
      return assertNever(failure);
  }
}

/** Why a file of readings was not taken. */
export function describeReadingsFailure(failure: ReadingsFailure): string {
  switch (failure.code) {
    case 'readings-not-read':
      return 'This file holds no readings of Oil Can. Choose a CSV or JSON file that was exported here.';
    case 'readings-newer-version':
      return 'These readings were exported by a newer Oil Can. Update this one and import them again.';
    case 'readings-field-invalid':
      return `Reading ${failure.index + 1} of this file has a value that cannot be (${failure.path || 'the whole line'}). Nothing was imported.`;
    default:
      return assertNever(failure);
  }
}
