export {
  type CaptureFailure,
  type CaptureProgress,
  type CaptureReading,
  type CaptureRequest,
  recentMs,
  runningFps,
} from './capture';
export {
  type ComparedField,
  type ComparedReading,
  type CompareFailure,
  comparedFields,
  compareReadings,
  learnRepeatSpread,
  type PoolFigures,
  type RangedFigure,
  type ReadingChange,
} from './compare';
export { rateBetweenFreezes } from './freezes';
export { type IntervalScale, scaleIntervals } from './interval-scale';
export { Meter, type MeterOptions, type MeterReading } from './meter';
export { nextShownMs, type PracticePattern, practicePatterns } from './practice-pattern';
export type { RecordingFailure, RecordingProgress, RecordingReading, RecordingRequest } from './recording';
export { meterSpreadOf } from './spread';
export {
  type CutRun,
  compareStretches,
  cutStretches,
  mergeStretches,
  type Stretch,
  type SwitchPress,
  type WatchedSetup,
  type WatchVerdict,
  watchedSetups,
} from './stretches';
export { summariseChanges } from './summarise';
export { type Press, summarisePresses } from './taps';
export { leastChange } from './tell-new';
export { backFrom, turnedRegion, turnedSize } from './turn';
export type {
  Confidence,
  ConfidenceReason,
  GreyPicture,
  MeterFailure,
  MeterResult,
  Pace,
  PictureRegion,
} from './types';
