export { applyFixes, type FixAtLevel } from './apply-fixes';
export { type FixId, findFix, fixCatalogue } from './catalogue';
export { clipsForProxies, estimateProxyWork } from './make-proxies';
export { leastGain, type RankedFix, rankFixes } from './rank-fixes';
export * from './types';
