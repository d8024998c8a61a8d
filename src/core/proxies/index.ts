export * from './average-plane';
export * from './check-proxy';
export { comparedHeight, comparedWidth, type Luma } from './compare-pictures';
export * from './gather-places';
export * from './manifest';
export * from './pixel-layout';
export * from './queue';
export * from './recipe';
export * from './types';
