import { assertNever } from '@/core/assert-never';
import type { FixUse } from '@/core/card';
import type { Stretch, WatchedSetup, WatchVerdict } from '@/core/meter';
import { fixTitle } from './fix-titles';
import { formatCount, formatRate } from './format';
import { describeChange, describeCompareFailure } from './readings';

/** What a set-up is called while a setting is switched to and fro. */
export const describeSetup = (setup: WatchedSetup, fix: FixUse | null): string =>
  setup === 'as-before' ? 'As it was' : fix ? `With “${fixTitle(fix.id, fix.level)}”` : 'With the change';

/** How a stretch compares with the one before it. */
export const describeStep = (step: WatchVerdict['steps'][number]): string =>
  step === null ? '–' : step.ok ? describeChange(step.value) : describeCompareFailure(step.failure);

/** What the whole run says. */
export function describeWatchVerdict({ change }: WatchVerdict): string {
  if (change.ok) return describeChange(change.value);
  const { failure } = change;
  switch (failure.code) {
    case 'one-set-up':
      return 'Only one of the two was played long enough to say anything';
    case 'other-kind':
    case 'too-few-pictures':
      return describeCompareFailure(failure);
    default:
      return assertNever(failure);
  }
}

/** What to do next with a run that came to this. */
export function describeWatchAdvice({ change, driftRatio }: WatchVerdict): string {
  const drift =
    driftRatio === null
      ? ''
      : ` All by itself the rate ${driftRatio < 0 ? 'fell' : 'rose'} by ${Math.round(100 * Math.abs(driftRatio))} % meanwhile; that is taken away here.`;
  if (!change.ok) return 'Let each play for eight seconds or more before you switch again.';
  if (change.value.verdict === 'no-clear-change')
    return `If there is a difference, it is too small to be told apart from chance. Switch to and fro a few more times to tell more.${drift}`;
  return `So much is left when chance is allowed for.${drift}`;
}

/** "12.1 a second as it was (2 stretches)". */
export const describeSide = (fps: number, setup: WatchedSetup, fix: FixUse | null, count: number): string =>
  `${describeSetup(setup, fix)}: ${formatRate(fps)} a second (${formatCount(count, 'stretch', 'stretches')})`;

/** Where a stretch lies, in seconds from the beginning: "4.2 to 12.9 s". */
export const describeSpan = ({ fromMs, toMs }: Pick<Stretch, 'fromMs' | 'toMs'>, startMs: number): string =>
  `${formatRate((fromMs - startMs) / 1000)} to ${formatRate((toMs - startMs) / 1000)} s`;

/** What was left out of a run, beside its beginning and the seconds around each press. */
export const describeLeftOut = (count: number): string =>
  count === 0
    ? 'The first seconds, and those around each press, are left out.'
    : `The first seconds, those around each press, and ${formatCount(count, 'stretch', 'stretches')} too short or too still to say anything, are left out.`;
