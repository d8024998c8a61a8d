import { type Explanation, explainInSteps } from '../../belief';
import { fixesInForce, type JobCard } from '../../card';
import { causeFixes, causesToRead, type Diagnosis } from './diagnose';

/** Why the causes of a diagnosis are believed, and what each reading was expected to be; it can be broken off between steps. */
export const explainDiagnosisInSteps = (card: JobCard, diagnosis: Diagnosis): Generator<void, Explanation> =>
  explainInSteps(card, {
    fixes: causeFixes(fixesInForce(card), diagnosis.usableProbability),
    causeIds: causesToRead(diagnosis.causes).map(({ id }) => id),
  });
