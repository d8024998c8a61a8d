export { priorFactsOf } from './card-state';
export { conditionOnRate } from './condition-on-rate';
export { drawLessons } from './draw-lessons';
export { isMeteredOn } from './evidence';
export { type CauseEvidence, type Explanation, explainInSteps } from './explain';
export {
  type BeliefForecast,
  type ComponentOutcomes,
  forecastUnder,
  forecastWith,
  gapUnder,
  outcomesUnder,
  rangesUnder,
  usableGap,
} from './forecast-belief';
export { findLesson, type LessonId, learnedRatio, lessonIds, lessonKindOf } from './lessons';
export { type Belief, type BeliefComponent, inferPosterior, type PosteriorOptions } from './posterior';
export { priorBelief, priorOfState } from './prior';
export { findQuestion, type QuestionId, questionCatalogue, type SampleView } from './questions';
export { type CauseBelief, type ComponentShares, rankCauses, sharesUnder } from './shares';
export {
  inMemoryRatio,
  predictedFpsOfWays,
  predictedReadRate,
  predictedSoftwareFps,
  statedReadRate,
} from './test-play-evidence';
export { thinPosterior } from './thin-posterior';
export { viewSamples } from './weighing';
