import { type CauseId, configurationCauses, type PriorFacts, type SupposedFault } from '../causes';
import type { SetupState } from '../load/types';

/** A set of faults that may be hidden in a set-up, with how likely it is before any reading. */
export interface Hypothesis {
  /** The same for the same faults, whatever the order of the catalogue. */
  readonly key: string;
  readonly causeIds: readonly CauseId[];
  /** Prior weight; those of all hypotheses add up to 1. */
  readonly prior: number;
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
/** At most this many pairs are weighed, the likeliest ones. */
const mostPairs = 80;

const listCandidates = (base: SetupState, facts: PriorFacts): readonly Candidate[] =>
  configurationCauses.flatMap((cause) =>
    cause.faults
      .map((fault) => ({ causeId: cause.id, fault, odds: fault.odds(base.setup, facts) }))
      .filter(({ odds }) => odds > 0),
  );

function toHypothesis(base: SetupState, faults: readonly Candidate[]): Hypothesis {
  return {
    key:
      faults
        .map(({ causeId, fault }) => `${causeId}:${fault.variant}`)
        .sort()
        .join('+') || 'none',
    causeIds: faults.map(({ causeId }) => causeId),
    prior: faults.reduce((product, { odds }) => product * odds, faults.length > 1 ? pairRatio : 1),
    state: faults.reduce((state, { fault }) => fault.suppose(state), base),
  };
}

/** No fault, each single one, and the likeliest pairs of different causes. */
export function listHypotheses(base: SetupState, facts: PriorFacts): readonly Hypothesis[] {
  const candidates = listCandidates(base, facts);
  const pairs = candidates.flatMap((first, i) =>
    candidates.slice(i + 1).flatMap((second) => (second.causeId === first.causeId ? [] : [[first, second] as const])),
  );
  const likeliest = [...pairs].sort((a, b) => b[0].odds * b[1].odds - a[0].odds * a[1].odds).slice(0, mostPairs);
  const all = [[], ...candidates.map((candidate) => [candidate]), ...likeliest].map((faults) =>
    toHypothesis(base, faults),
  );
  const total = all.reduce((sum, { prior }) => sum + prior, 0);
  return all.map((hypothesis) => ({ ...hypothesis, prior: hypothesis.prior / total }));
}
