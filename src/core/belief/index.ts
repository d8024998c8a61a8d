export { type Belief, type BeliefPart, type BelieveOptions, believe } from './believe';
export { gapOf, isAboutPlayingOnly, type Respect } from './complaint';
export { complaintsOf } from './evidence';
export { forecastUnder, gapUnder, outcomesUnder, type PartOutcomes, usableGap } from './forecast-belief';
export { findQuestion, type QuestionId, questionCatalogue } from './questions';
export { type CauseBelief, type PartShares, rankCauses, sharesUnder } from './shares';
