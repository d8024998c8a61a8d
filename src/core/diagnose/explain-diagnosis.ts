import { type Belief, type Explanation, explainBelief } from '../belief';
import { fixesInForce, type JobCard } from '../card';
import { causeFixes, type Diagnosis } from './diagnose';

/** Causes that are explained: the first ones, which people read. */
const explainedCount = 5;

/** Why the causes of a diagnosis are believed, and what each reading was expected to be. */
export const explainDiagnosis = (card: JobCard, belief: Belief, diagnosis: Diagnosis): Explanation =>
  explainBelief(
    card,
    belief,
    causeFixes(fixesInForce(card), diagnosis.usableProbability),
    diagnosis.causes.slice(0, explainedCount).map(({ id }) => id),
  );
