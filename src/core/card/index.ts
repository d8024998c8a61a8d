export * from './commands';
export { createJobCard } from './defaults';
export { deriveBaseState, mainClipFps, targetFpsOf } from './derive-setup';
export * from './fixes-in-force';
export { migrateCard, migrations, type RawCard } from './migrations';
export { type CardFailure, parseCard, parseCardText, serializeCard } from './parse-card';
export { isReadyToExport, listPutBack, type PutBackLine } from './put-back';
export { adviseTrial, leastClearRatio, type TrialAdvice } from './recommend';
export {
  firstThingIds,
  jobCardFormat,
  jobCardSchema,
  jobCardVersion,
  lagKinds,
  lagMoments,
  scrubFeels,
  stepIds,
} from './schema';
export { canFinishByHand, isCardUsable, listSteps, type StepState } from './steps';
export type { StorageFailure } from './storage-failure';
export * from './types';
export { complaintOf, isUsable } from './usable';
