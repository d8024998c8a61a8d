export { type CardOverview, type NextStep, summariseCard } from './card-overview';
export { type ClipCost, type ClipRow, findHeaviest, listClipRows } from './clip-rows';
export { computeFindings, computeWhatIf, type Findings, keptState, rankCardFixes } from './findings';
export { choicesAsIs, countProxyClips, forecastChoices, type WhatIfChoices } from './what-if-choices';
