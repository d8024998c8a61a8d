export { type AdviceReason, adviseTrial, type TrialAdvice, type TrialVerdict } from './advise-trial';
export type { AnswerSummary } from './answer-summary';
export { averageStages } from './average-stages';
export { createRefusal, isTooEarly } from './candidates';
export { listCardGrounds, type StagesOfCard } from './card-grounds';
export { type CardOverview, firstByEstimate, summariseCard } from './card-overview';
export { isChosenPlan, remainingPlan } from './chosen-plan';
export { type ClipFilter, clipGroups, countTraits, everyClip, filterClipRows } from './clip-filter';
export { listClipRecords } from './clip-records';
export { type ClipCost, type ClipRow, findHeaviest, listClipRows } from './clip-rows';
export { forecastClosing } from './closing';
export { causesToRead, type Diagnosis, diagnose } from './diagnose';
export { findStronger, type Stronger, takesLonger } from './find-stronger';
export { computeFindings, type Findings, keptState, rankCardFixes } from './findings';
export { type InterviewQuestion, nextQuestion, openQuestionIds, sideQuestionId } from './interview';
export { findMachineNeeds, type MachineNeeds, type MachineTier, type UpgradeId } from './machine-needs';
export { minutesSpent } from './minutes';
export { hasEvidence, listNeeds, type NamedCause, type Need, nameCause } from './named-cause';
export { chooseMove, chooseStep, type NextMove } from './next-move';
export type { NextStep, TrialStage } from './next-step';
export { type NextTest, testPlayId } from './next-tests';
export type { Plan, PlanId } from './plan';
export { predictTestPlay } from './predict-test-play';
export { listPreviewChoices, type PreviewChoice, type PreviewChoiceKind, viewerHeightPx } from './preview-choices';
export { forecastProxies, lightensEffects } from './proxies-forecast';
export { rankBelievedFixes } from './rank-believed';
export type { Relief } from './relief';
export { findRoomLeft, type RoomLeft } from './room-left';
export type { SideLead } from './side-complaints';
export { moveOf, summariseAnswer } from './summarise-answer';
export { listWaysOfWorking, type WayOfWorking } from './ways-of-working';
export {
  choicesAsIs,
  countProxyClips,
  forecastChoices,
  forecastChoicesUnder,
  type WhatIfChoices,
} from './what-if-choices';
export { computeWhatIf, findObstacle, forecastSet, type SetForecast } from './what-if-set';
export { listSwitches, type Switch, suggestSets, type WorkingSetKind, workingSetKinds } from './working-sets';
