import type { LoadTerm, Setup, SetupState } from '../load/types';
import type { KnownState } from '../machine/facts';

/** Answers on a card that make a fault likelier or not, beside the set-up itself. */
export interface PriorFacts {
  readonly isPluggedIn: KnownState;
  readonly isUpToDate: KnownState;
  readonly wasRestarted: KnownState;
  readonly isBuilding: KnownState;
  readonly isSourcePanelOpen: KnownState;
  /** Whether a person said how full the system drive is, where the footage lies, how much memory there is. */
  readonly isSystemDriveStated: boolean;
  readonly isFootageDriveStated: boolean;
  readonly isMemoryStated: boolean;
  /** Whether a person said up to which preview quality the editor shows proxies. */
  readonly isProxyQualityStated: boolean;
}

/** One way in which a cause can be there without the card saying so. */
export interface SupposedFault {
  /** Names the way where a cause has several. */
  readonly variant: string;
  /** Odds for it before any reading, at least 0; 0 where it cannot be. Assumptions of 2026-11, weighed on seeded cases. */
  readonly odds: (setup: Setup, facts: PriorFacts) => number;
  /** The settings page that the switch stands on: what was turned off there once is mostly off together. */
  readonly page?: 'acceleration';
  /** The state with the fault in it; how bad it is comes from each sample's severity. */
  readonly suppose: (state: SetupState) => SetupState;
}

/**
 * A cause of lag. A configuration cause can be put back to healthy; a load cause has no switch, and is present where
 * its stage is over the budget after every configuration cause is repaired (docs/model.md).
 */
export type CauseDefinition<Id extends string = string> =
  | {
      readonly kind: 'configuration';
      readonly id: Id;
      readonly faults: readonly SupposedFault[];
      /** Whether there is anything to put right in a state, by what is stated or what is supposed. */
      readonly isPresent: (state: SetupState) => boolean;
      readonly repair: (state: SetupState) => SetupState;
      /** What nobody knows, as it is where this cause is not there; absent where nothing of it is open. */
      readonly supposeNone?: (state: SetupState) => SetupState;
      /** What a state was like before the cause came; absent where that is the same as repaired. */
      readonly asBefore?: (state: SetupState) => SetupState;
    }
  | { readonly kind: 'load'; readonly id: Id; readonly term: LoadTerm };
