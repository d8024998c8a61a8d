export {
  levelOfRatio,
  ownNameOf,
  type PreviewQuality,
  parseQualities,
  type QualitiesFailure,
  qualityLevelsOf,
} from '../fixes/preview-qualities';
export * from './amounts-tried';
export { createProgram, listChosen, recorderAt, rolesSaid, smallProgramsId, splitMemory } from './card-programs';
export * from './commands';
export { createCardClip } from './create-card-clip';
export { createReading } from './create-reading';
export { createJobCard, knownMachineOf, unknownEditor, unknownProfile } from './defaults';
export { deriveBaseState, playsByOf } from './derive-setup';
export * from './fixes-in-force';
export { type FootageShape, mainShape } from './follow-footage';
export { type HardwareVerdict, hardwareVerdictOf } from './hardware-verdict';
export { migrateCard } from './migrations';
export { type CardFailure, parseCard, parseCardText, serializeCard } from './parse-card';
export { isPlayable, tellsOfDrive, testableClip } from './playable-clip';
export { isReadyToExport, listPutBack, mayPointAtCopies, type PutBackLine } from './put-back';
export {
  editorAttachWays,
  enoughKinds,
  filmStages,
  firstThingIds,
  jobCardSchema,
  lagKinds,
  lagMoments,
  lateFramePolicies,
  mostIntervals,
  placeIds,
  playFeels,
  playWays,
  proxyStates,
  readingMoments,
  readingPasses,
  readingSchema,
  readingViewers,
  scrubFeels,
  statedTimelineFields,
  stepIds,
} from './schema';
export { canFinishByHand, isCardUsable, listSteps } from './steps';
export type { StorageFailure } from './storage-failure';
export { targetFpsOf } from './target-fps';
export * from './types';
