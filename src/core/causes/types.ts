import type { SetupState, StageId } from '../load/types';

/**
 * A cause of lag. A configuration cause can be repaired in the set-up; a load cause has no switch, and is
 * present where one of its stages is over the budget after every configuration cause is repaired (MODEL.md, 2).
 */
export type CauseDefinition<Id extends string = string> =
  | { readonly kind: 'configuration'; readonly id: Id; readonly repair: (state: SetupState) => SetupState }
  | { readonly kind: 'load'; readonly id: Id; readonly stages: readonly StageId[] };
