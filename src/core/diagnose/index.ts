export type { AnswerSummary } from './answer/answer-summary';
export { averageStages } from './answer/average-stages';
export { beliefOfFrame } from './answer/belief-of-frame';
export { listCardGrounds, type StagesOfCard } from './answer/card-grounds';
export { causesToRead, type Diagnosis, diagnose } from './answer/diagnose';
export { computeFindings, type Findings, keptState } from './answer/findings';
export { hasEvidence, listNeeds, type NamedCause, type Need, nameCause } from './answer/named-cause';
export type { SideLead } from './answer/side-complaints';
export { moveOf, summariseAnswer } from './answer/summarise-answer';
export { forecastClosing } from './forecasts/closing';
export { findMachineNeeds, type MachineNeeds, type MachineTier, type UpgradeId } from './forecasts/machine-needs';
export { predictTestPlay } from './forecasts/predict-test-play';
export {
  listPreviewChoices,
  type PreviewChoice,
  type PreviewChoiceKind,
  viewerHeightPx,
} from './forecasts/preview-choices';
export { forecastProxies, lightensEffects } from './forecasts/proxies-forecast';
export {
  choicesAsIs,
  countProxyClips,
  forecastChoices,
  type WhatIfChoices,
} from './forecasts/what-if-choices';
export { computeWhatIf, findObstacle, forecastSet, type SetForecast } from './forecasts/what-if-set';
export { type AdviceReason, adviseTrial, type TrialAdvice, type TrialVerdict } from './moves/advise-trial';
export { createRefusal, isTooEarly } from './moves/candidates';
export { findStronger, type Stronger, takesLonger } from './moves/find-stronger';
export { type InterviewQuestion, nextQuestion, openQuestionIds, sideQuestionId } from './moves/interview';
export { minutesSpent } from './moves/minutes';
export { chooseMove, chooseStep, type NextMove } from './moves/next-move';
export type { NextStep, TrialStage } from './moves/next-step';
export { type NextTest, testPlayId } from './moves/next-tests';
export { rankCardFixes } from './moves/rank-card-fixes';
export type { Relief } from './moves/relief';
export { findRoomLeft, type RoomLeft } from './moves/room-left';
export { listWatchableFixes } from './moves/watchable-fixes';
export { type CardOverview, firstByEstimate, summariseCard } from './overview/card-overview';
export { type ClipFilter, clipGroups, countTraits, everyClip, filterClipRows } from './overview/clip-filter';
export { listClipRecords } from './overview/clip-records';
export { type ClipRow, findHeaviest, type LoneClipCost, listClipRows } from './overview/clip-rows';
export { isChosenPlan, remainingPlan } from './plan/chosen-plan';
export type { Plan, PlanId } from './plan/plan';
export { listWaysOfWorking, type WayOfWorking } from './plan/ways-of-working';
export { listSwitches, type Switch, suggestSets, type WorkingSetKind, workingSetKinds } from './plan/working-sets';
