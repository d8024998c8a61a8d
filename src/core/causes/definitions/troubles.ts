import { withTrouble } from '../../load/change-state';
import type { SetupState, TroubleId } from '../../load/types';
import type { PriorFacts, SupposedFault } from '../types';

/** A fault that is one of the hidden troubles. */
export const troubleFault = (
  id: TroubleId,
  odds: SupposedFault['odds'],
  also: (state: SetupState) => SetupState = (state) => state,
): SupposedFault => ({ variant: id, odds, suppose: (state) => also(withTrouble(state, id, 1)) });

/** Whether a trouble is supposed of a state. */
export const hasTrouble = (state: SetupState, id: TroubleId): boolean => state.hidden.troubles[id] > 0;

/** The state without some troubles. */
export const withoutTroubles = (state: SetupState, ...ids: readonly TroubleId[]): SetupState =>
  ids.reduce((current, id) => withTrouble(current, id, 0), state);

/** One of three odds, by an answer that a person may not have. */
export const byAnswer = (
  answer: PriorFacts[keyof PriorFacts],
  odds: { readonly yes: number; readonly no: number; readonly unknown: number },
): number => (answer === 'yes' ? odds.yes : answer === 'no' ? odds.no : odds.unknown);
