import { priorFactsOf } from '../../belief';
import { deriveBaseState, fixesInForce, type JobCard } from '../../card';
import { type CauseGround, type CauseId, listGrounds } from '../../causes';
import { applyFixes } from '../../fixes';
import type { StageCost } from '../../load';
import { causeFixes, causesToRead, type Diagnosis } from './diagnose';

/** Where a frame's time goes, as the card is set up and as it was before any fix. */
export interface StagesOfCard {
  readonly now: readonly StageCost[];
  readonly before: readonly StageCost[];
}

/** What of the card itself speaks for each of the causes that people read: of the set-up that the causes are of. O(clips). */
export function listCardGrounds(
  card: JobCard,
  { causes, usableProbability, budgetMs }: Pick<Diagnosis, 'causes' | 'usableProbability' | 'budgetMs'>,
  stages: StagesOfCard,
): Readonly<Partial<Record<CauseId, readonly CauseGround[]>>> {
  const inForce = fixesInForce(card);
  const under = causeFixes(inForce, usableProbability);
  const view = {
    state: applyFixes(deriveBaseState(card), under),
    facts: priorFactsOf(card),
    stages: under.length === inForce.length ? stages.now : stages.before,
    budgetMs,
  };
  return Object.fromEntries(causesToRead(causes).map(({ id }) => [id, listGrounds(id, view)]));
}
