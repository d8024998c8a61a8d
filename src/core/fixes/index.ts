export { applyFixes, type FixAtLevel } from './apply-fixes';
export { findFix, fixCatalogue } from './catalogue';
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
} from './fix-facts';
export { changesLook, isGeneralRemedy, isWayOfWorking, previewFixIds, workOrder } from './fix-traits';
export { clipsForProxies, estimateProxyWork } from './proxy-work';
export { leastGain, type RankedFix, rankFixes, rankFixesBy } from './rank-fixes';
export * from './types';
