export { type Belief, type BeliefPart, type BelieveOptions, believe } from './believe';
export { isMeteredOn, priorFactsOf } from './evidence';
export { type CauseEvidence, type Explanation, explainInSteps } from './explain';
export { fitToRate } from './fit-to-rate';
export {
  type BeliefForecast,
  forecastUnder,
  forecastWith,
  gapUnder,
  outcomesUnder,
  type PartOutcomes,
  rangesUnder,
  usableGap,
} from './forecast-belief';
export { priorBelief } from './prior';
export { findQuestion, type QuestionId, questionCatalogue, type SampleView } from './questions';
export { type CauseBelief, type PartShares, rankCauses, sharesUnder } from './shares';
export { sketchBelief } from './sketch';
export {
  inMemoryRatio,
  predictedFpsOfWays,
  predictedReadRate,
  predictedSoftwareFps,
  statedReadRate,
} from './test-play-evidence';
export { viewSamples } from './weighing';
