export { compile } from './compile';
export { decodeCosts, softwareDecodeMs } from './decode-costs';
export { drawingHabitIds } from './drawing-habits';
export {
  blendCost,
  type EffectKind,
  type EffectStrength,
  effectCosts,
  effectKinds,
  effectMs,
  effectStrengthIds,
  hasReach,
} from './effect-costs';
export { estimate, estimateCompiled } from './estimate';
export { createOutcomes, type Extent, evaluate, type Outcomes, outcomeNames } from './evaluate';
export { type ExportTime, type ExportWay, exportTimes } from './export-time';
export { drawParameterSamples } from './parameter-samples';
export { middleParameters, pickSample } from './parameters';
export * from './types';
