import { applyFixes, type FixAtLevel } from '../fixes/apply-fixes';
import { compile } from '../load/compile';
import { createOutcomes, type EvaluateOptions, evaluate, extentOf, type Outcomes, widestOf } from '../load/evaluate';
import type { SetupState } from '../load/types';
import type { Range } from '../numbers/percentile';
import { weightedRangeOf } from '../numbers/weighted';
import { extentOfComplaint, fillAllGaps } from '../usable';
import type { Belief, BeliefComponent } from './posterior';

/** A component of a belief under some fixes, with what every sample of it would show. */
export interface ComponentOutcomes {
  readonly component: BeliefComponent;
  readonly state: SetupState;
  readonly out: Outcomes;
  /** Weight of one sample of the component. */
  readonly sampleWeight: number;
}

/** What every sample says of the preview under some fixes. O(hypotheses + samples). */
export const outcomesUnder = (
  belief: Belief,
  fixes: readonly FixAtLevel[],
  options: EvaluateOptions = {},
): readonly ComponentOutcomes[] => outcomesWith(belief, (state) => applyFixes(state, fixes), options);

/** The same with any change of the set-up. */
const outcomesWith = (
  belief: Belief,
  change: (state: SetupState) => SetupState,
  options: EvaluateOptions,
): readonly ComponentOutcomes[] =>
  belief.components.map((component) => {
    const state = change(component.hypothesis.state);
    const out = createOutcomes(component.count);
    evaluate(compile(state, 'heaviest'), component.samples, out, options);
    return { component, state, out, sampleWeight: component.weight / component.count };
  });

/** A gap below this counts as usable: less than a reading can tell. */
export const usableGap = 0.02;

/** How near to usable the preview is under some fixes. */
export interface GapForecast {
  /** How likely the preview is usable in all that is complained of. */
  readonly usableProbability: number;
  /** Mean gap, in logarithms. */
  readonly gap: number;
}

/** The figures that are forecast as ranges; `lookMs` is until a clip that was not used yet stands in its viewer. */
const forecastFigures = ['shownFps', 'scrubMs', 'openingSec', 'lookMs'] as const;
export type ForecastFigure = (typeof forecastFigures)[number];

/** How near to usable, and the ranges of some figures. */
export type RangesForecast<Figure extends ForecastFigure> = GapForecast & Readonly<Record<Figure, Range>>;

/** What is to be expected under some fixes. */
export type BeliefForecast = RangesForecast<ForecastFigure>;

const mostSamplesOf = (components: readonly BeliefComponent[]): number =>
  components.reduce((most, { count }) => Math.max(most, count), 0);

function gapForecastOf({ complaint }: Belief, components: readonly ComponentOutcomes[]): GapForecast {
  let usable = 0;
  let gap = 0;
  const gaps = new Float64Array(mostSamplesOf(components.map(({ component }) => component)));
  for (const { component, state, out, sampleWeight } of components) {
    fillAllGaps(complaint, state, out, component.count, gaps);
    for (let i = 0; i < component.count; i++) {
      const own = gaps[i] as number;
      gap += own * sampleWeight;
      if (own <= usableGap) usable += sampleWeight;
    }
  }
  return { usableProbability: Math.min(1, usable), gap };
}

/** The gap alone: for search, which asks it of many sets of fixes. */
export function gapUnder(belief: Belief, fixes: readonly FixAtLevel[]): GapForecast {
  const extent = extentOfComplaint(belief.complaint);
  // One component after another into the same place: a search asks this hundreds of times.
  const out = createOutcomes(mostSamplesOf(belief.components));
  let usableProbability = 0;
  let gap = 0;
  for (const component of belief.components) {
    const state = applyFixes(component.hypothesis.state, fixes);
    evaluate(compile(state, 'heaviest'), component.samples, out, { to: component.count, extent });
    const own = gapForecastOf(belief, [{ component, state, out, sampleWeight: component.weight / component.count }]);
    usableProbability += own.usableProbability;
    gap += own.gap;
  }
  return { usableProbability: Math.min(1, usableProbability), gap };
}

/** Ranges and the probability of a usable preview under some fixes. */
export const forecastUnder = (belief: Belief, fixes: readonly FixAtLevel[]): BeliefForecast =>
  forecastWith(belief, (state) => applyFixes(state, fixes), forecastFigures);

/** The same with the ranges of some figures alone, which is quicker. */
export const rangesUnder = <Figure extends ForecastFigure>(
  belief: Belief,
  fixes: readonly FixAtLevel[],
  figures: readonly Figure[],
): RangesForecast<Figure> => forecastWith(belief, (state) => applyFixes(state, fixes), figures);

/** The same with any change of the set-up. */
export function forecastWith<Figure extends ForecastFigure>(
  belief: Belief,
  change: (state: SetupState) => SetupState,
  figures: readonly Figure[],
): RangesForecast<Figure> {
  const extent = widestOf([extentOfComplaint(belief.complaint), ...figures.map(extentOf)]);
  const components = outcomesWith(belief, change, { extent });
  const ranges = figures.map((name) => [
    name,
    weightedRangeOf(components.map(({ out, sampleWeight }) => ({ values: out[name], weight: sampleWeight }))),
  ]);
  return { ...gapForecastOf(belief, components), ...(Object.fromEntries(ranges) as Record<Figure, Range>) };
}
