export { applyFixes, type FixAtLevel } from './apply-fixes';
export { type FixId, findFix, fixCatalogue } from './catalogue';
export { clipsForProxies, estimateProxyWork } from './make-proxies';
export { type Complaint, leastGain, type RankedFix, rankFixes, totalSacrifice } from './rank-fixes';
export * from './types';
