export { type CardOverview, type NextStep, summariseCard } from './card-overview';
export { computeFindings, computeWhatIf, currentState, type Findings, keptState, rankCardFixes } from './findings';
