import { type CauseId, configurationCauses, type PriorFacts, type SupposedFault, withoutHiddenCauses } from '../causes';
import type { SetupState } from '../load/types';

/** A set of faults that may be hidden in a set-up, with how likely it is before any reading. */
export interface Hypothesis {
  /** The same for the same faults, whatever the order of the catalogue. */
  readonly key: string;
  readonly causeIds: readonly CauseId[];
  /** How likely it is against no fault at all, before any reading. */
  readonly odds: number;
  /** The base set-up with the faults in it. */
  readonly state: SetupState;
}

interface Candidate {
  readonly causeId: CauseId;
  readonly fault: SupposedFault;
  readonly odds: number;
}

/** Two faults at once are rarer than chance would have them: people come with one thing. Weighed on seeds 1 to 300. */
const pairRatio = 0.5;
/** Two switches of one settings page are off together so many times as often as the rarer of them is off. Assumption. */
const togetherRatio = 0.4;
/** At most this many pairs are weighed. */
const mostPairs = 80;

const listCandidates = (base: SetupState, facts: PriorFacts): readonly Candidate[] =>
  configurationCauses.flatMap((cause) =>
    cause.faults
      .map((fault) => ({ causeId: cause.id, fault, odds: fault.odds(base.setup, facts) }))
      .filter(({ odds }) => odds > 0),
  );

/** Odds that faults are there at once. */
function oddsOf(faults: readonly Candidate[]): number {
  const [first, second] = faults;
  if (!first || !second) return first?.odds ?? 1;
  return first.fault.page !== undefined && first.fault.page === second.fault.page
    ? togetherRatio * Math.min(first.odds, second.odds)
    : pairRatio * first.odds * second.odds;
}

function toHypothesis(base: SetupState, faults: readonly Candidate[]): Hypothesis {
  return {
    key:
      faults
        .map(({ causeId, fault }) => `${causeId}:${fault.variant}`)
        .sort()
        .join('+') || 'none',
    causeIds: faults.map(({ causeId }) => causeId),
    odds: oddsOf(faults),
    state: faults.reduce((state, { fault }) => fault.suppose(state), withoutHiddenCauses(base)),
  };
}

/** No fault at all, and after it each single one. */
export const listSingles = (base: SetupState, facts: PriorFacts): readonly Hypothesis[] =>
  [[], ...listCandidates(base, facts).map((candidate) => [candidate])].map((faults) => toHypothesis(base, faults));

/**
 * Pairs of different causes, those that are likeliest by their odds and by what is known: of two faults at once one mostly
 * explains more than none does.
 *
 * @param logLikelihoods of what is known under each of `listSingles`, in its order
 */
export function listPairs(
  base: SetupState,
  facts: PriorFacts,
  logLikelihoods: readonly number[],
): readonly Hypothesis[] {
  const candidates = listCandidates(base, facts);
  const explains = (at: number): number => logLikelihoods[at + 1] ?? Number.NEGATIVE_INFINITY;
  const pairs = candidates.flatMap((first, i) =>
    candidates.slice(i + 1).flatMap((second, k) => {
      if (second.causeId === first.causeId) return [];
      const worth = Math.log(oddsOf([first, second])) + Math.max(explains(i), explains(i + 1 + k));
      return [{ faults: [first, second], worth }];
    }),
  );
  return [...pairs]
    .sort((a, b) => b.worth - a.worth)
    .slice(0, mostPairs)
    .map(({ faults }) => toHypothesis(base, faults));
}
