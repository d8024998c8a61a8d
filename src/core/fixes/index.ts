export { applyFixes, type FixAtLevel } from './apply-fixes';
export { findFix, fixCatalogue } from './catalogue';
export {
  attachWays,
  bringsCopies,
  changesLook,
  type FixGroup,
  type FixId,
  type FixLevel,
  findFixFacts,
  fixGroups,
  fixIds,
  isLevelOf,
  isSwitchable,
  isWayOfWorking,
  type LevelKind,
  type PutBackTime,
  parseLevelOf,
  previewFixIds,
} from './fix-facts';
export { clipsForProxies, estimateProxyWork } from './proxy-work';
export { leastGain, type RankedFix, rankFixes } from './rank-fixes';
export * from './types';
