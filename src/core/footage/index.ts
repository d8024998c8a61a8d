export { buildClipFacts } from './clip-facts';
export { standardFrameRates } from './frame-rate';
export { type ClipTrait, clipTraits, findClipTraits } from './traits';
export * from './types';
