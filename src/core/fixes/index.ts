export { applyFixes, type FixAtLevel } from './apply-fixes';
export { findFix, fixCatalogue } from './catalogue';
export {
  type FixId,
  type FixLevel,
  findFixFacts,
  fixIds,
  type PutBackTime,
  parseLevelOf,
} from './fix-facts';
export { clipsForProxies, estimateProxyWork } from './proxy-work';
export { leastGain, type RankedFix, rankFixes } from './rank-fixes';
export * from './types';
