export { applyFixes, type FixAtLevel } from './apply-fixes';
export { findFix, fixCatalogue } from './catalogue';
export { effectKeyOf } from './effect-key';
export {
  bringsCopies,
  type FixGroup,
  type FixId,
  type FixLevel,
  findFixFacts,
  fixGroups,
  fixIds,
  isLevelOf,
  isSwitchable,
  type PutBackTime,
  parseLevelOf,
  previewFixIds,
  qualityRatioOf,
} from './fix-facts';
export {
  changesLook,
  closesPrograms,
  closingFix,
  isForFinished,
  isGeneralRemedy,
  isLongFilm,
  isWayOfWorking,
  makesProxies,
  splittingId,
  workOrder,
} from './fix-traits';
export { gentlestOf } from './gentlest-level';
export { memorySplitUnder } from './memory-split';
export { suggestedHeightsPx, usualViewerHeightPx } from './preview-level';
export {
  asLightening,
  fitsOnDrive,
  isSuggested,
  listProxyCandidates,
  type ProxyCandidate,
  type ProxyVerdict,
} from './proxy-candidates';
export { clipsForProxies, estimateProxyWork } from './proxy-work';
export { type FixScale, leastGain, type RankedFix, rankFixes, totalSacrifice } from './rank-fixes';
export { type FixGroupOfEffect, groupByEffect } from './same-effect';
export * from './types';
