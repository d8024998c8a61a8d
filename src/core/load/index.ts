export { compile } from './compile';
export { decodeCosts, softwareDecodeMs } from './decode-costs';
export { type EffectKind, effectCosts, effectKinds } from './effect-costs';
export { estimate, estimateCompiled } from './estimate';
export { createOutcomes, evaluate } from './evaluate';
export { forecast } from './forecast';
export { drawParameterSamples, middleParameters, pickSample } from './parameters';
export * from './types';
export * from './usable';
