export { nameAudioCodec } from './audio-codec';
export { buildClipFacts } from './clip-facts';
export { standardFrameRates } from './frame-rate';
export { type ClipTrait, findClipTraits } from './traits';
export * from './types';
