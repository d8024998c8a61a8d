import type { FixUse, JobCard, Reading } from '@/core/card';

/** What is said of a reading beside its figures. */
export type Details = Pick<
  Reading,
  'stretch' | 'viewer' | 'withEffects' | 'pass' | 'isAfterRestart' | 'note' | 'coreUsePercent' | 'memoryUsePercent'
> & {
  /** Null for the set-up as the card has it now. */
  readonly fixes: readonly FixUse[] | null;
};

/** Nothing said; the stretch stays what it was last time, because people compare one stretch. */
export const firstDetails = (card: JobCard): Details => ({
  stretch: card.readings.at(-1)?.stretch ?? '',
  viewer: 'timeline',
  withEffects: 'unknown',
  pass: 'unknown',
  isAfterRestart: 'unknown',
  note: '',
  coreUsePercent: null,
  memoryUsePercent: null,
  fixes: null,
});
