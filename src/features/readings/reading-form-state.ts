import { type JobCard, type PlayFeel, playsByOf, type ReadingMoment, type ScrubFeel, targetFpsOf } from '@/core/card';
import type { KnownState } from '@/core/machine';
import { complaintOf } from '@/core/usable';
import { type Details, firstDetails } from './reading-details';

/** What stands in the form; null and "unknown" where nothing was said. */
export interface TypedReading {
  readonly shownFps: number | null;
  readonly playFeel: PlayFeel | null;
  readonly scrubFeel: ScrubFeel | null;
  readonly openingSec: number | null;
  readonly waitSec: number | null;
  readonly fitSec: number | null;
  readonly exportMinutes: number | null;
  readonly isGoodEnough: KnownState;
}
const nothing: TypedReading = {
  shownFps: null,
  playFeel: null,
  scrubFeel: null,
  openingSec: null,
  waitSec: null,
  fitSec: null,
  exportMinutes: null,
  isGoodEnough: 'unknown',
};

/** Editors that count dropped frames: how many, over how long. */
interface Dropped {
  readonly count: number | null;
  readonly overSec: number | null;
}

export interface ReadingFormState {
  readonly typed: TypedReading;
  readonly dropped: Dropped;
  readonly details: Details;
  readonly moment: ReadingMoment;
}

export type ReadingFormAction =
  | { readonly type: 'typed'; readonly patch: Partial<TypedReading> }
  | { readonly type: 'dropped'; readonly patch: Partial<Dropped> }
  | { readonly type: 'details'; readonly patch: Partial<Details> }
  | { readonly type: 'moment'; readonly moment: ReadingMoment }
  /** It lies on the card: the form is empty again, but for the stretch that people compare. */
  | { readonly type: 'stored'; readonly card: JobCard };

export const firstReadingForm = (card: JobCard): ReadingFormState => ({
  typed: nothing,
  dropped: { count: null, overSec: null },
  details: firstDetails(card),
  moment: complaintOf(card).includes('later') ? 'later' : 'start',
});

/** Steps the form on; pure. */
export function reduceReadingForm(state: ReadingFormState, action: ReadingFormAction): ReadingFormState {
  switch (action.type) {
    case 'typed':
      return { ...state, typed: { ...state.typed, ...action.patch } };
    case 'dropped':
      return { ...state, dropped: { ...state.dropped, ...action.patch } };
    case 'details':
      return { ...state, details: { ...state.details, ...action.patch } };
    case 'moment':
      return { ...state, moment: action.moment };
    case 'stored': {
      const { stretch } = state.details;
      return {
        ...firstReadingForm(action.card),
        details: { ...firstDetails(action.card), stretch },
        moment: state.moment,
      };
    }
  }
}

/** What was shown where so many frames of the target were dropped; null where that is not known. */
const shownOf = ({ count, overSec }: Dropped, targetFps: number): number | null =>
  count === null || overSec === null || overSec <= 0
    ? null
    : Math.max(0, Math.round((targetFps - count / overSec) * 100) / 100);

/** What the form says by now. */
export interface ReadingToStore {
  /** Frames a second, typed or from the frames that were dropped; null where neither was said. */
  readonly shownFps: number | null;
  /** Whether there is nothing to store. */
  readonly isEmpty: boolean;
  /** Whether the wait before it plays is asked for, too. */
  readonly isWaitAsked: boolean;
}

export function readForm({ typed, dropped }: ReadingFormState, card: JobCard): ReadingToStore {
  const shownFps = typed.shownFps ?? shownOf(dropped, targetFpsOf(card));
  return {
    shownFps,
    isEmpty: shownFps === null && Object.values(typed).every((part) => part === null || part === 'unknown'),
    isWaitAsked: playsByOf(card) === 'computing-first',
  };
}
