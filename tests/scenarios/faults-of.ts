import { gapUnder, inferPosterior } from '@/core/belief';
import { conclude } from '@/core/diagnose/answer/diagnose';
import { createRandom } from '@/core/numbers/random';
import { cardOf } from './scenario-cards';
import type { Scenario } from './scenarios';

/** Fewer samples than the screens use: many cards are weighed. */
export const scenarioOptions = { sampleCount: 2000 };
/** A useless fix may close so much of the gap, because other explanations are never quite ruled out. */
const uselessRatio = 0.25;
/** One that helps closes a third of it at least. */
const helpfulRatio = 1 / 3;

/** What is wrong with a variant of a retold case, or nothing. */
export function faultsOf(scenario: Scenario, variant: number): readonly string[] {
  const draft = scenario.build(createRandom(variant * 31));
  const plain = cardOf(draft, { ...scenario, seed: variant });
  const card = scenario.onCard?.(plain) ?? plain;
  const belief = inferPosterior(card, scenarioOptions);
  const { causes, plans } = conclude(card, belief);
  const [before, after] = [gapUnder(belief, []).gap, gapUnder(belief, [scenario.useless]).gap];
  return [
    ...(causes[0] && [scenario.cause].flat().includes(causes[0].id) ? [] : [`named ${causes[0]?.id}`]),
    ...(plans[0]?.fixes.some((fix) => scenario.cures.includes(fix.id))
      ? []
      : [`planned ${JSON.stringify(plans[0]?.fixes)}`]),
    ...(before - after < uselessRatio * before ? [] : [`expects ${scenario.useless.id} to help`]),
    ...(!scenario.helps || before - gapUnder(belief, [scenario.helps]).gap >= helpfulRatio * before
      ? []
      : [`expects ${scenario.helps.id} not to help`]),
  ];
}
