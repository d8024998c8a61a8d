export { nameAudioCodec } from './audio-codec';
export { buildClipFacts } from './clip-facts';
export { isCameraRaw, isIntraFrameCodec, nameVideoCodec } from './codec-names';
export { decodeReportText, type ParsedReport, parseFfprobeReport, type ReportFailure } from './ffprobe-report';
export { standardFrameRates } from './frame-rate';
export { needsFirstFrame } from './picture-format';
export { findPairedProxies, isNamedAsProxy } from './proxy-pairs';
export { type ClipContext, type ClipTrait, clipTraits, findClipTraits } from './traits';
export * from './types';
