export { type CardOverview, type NextStep, summariseCard } from './card-overview';
export { type ClipFilter, clipGroups, countTraits, everyClip, filterClipRows } from './clip-filter';
export { listClipRecords } from './clip-records';
export { type ClipCost, type ClipRow, findHeaviest, listClipRows } from './clip-rows';
export { computeFindings, computeWhatIf, type Findings, keptState, rankCardFixes } from './findings';
export { predictTestPlay } from './predict-test-play';
export { choicesAsIs, countProxyClips, forecastChoices, type WhatIfChoices } from './what-if-choices';
