export { type ComparedReading, compareReadings, learnRepeatSpread } from './compare';
export { Meter, type MeterOptions, type MeterReading } from './meter';
export type { RecordingFailure, RecordingProgress, RecordingReading, RecordingRequest } from './recording';
export { summariseChanges } from './summarise';
export type {
  Confidence,
  ConfidenceReason,
  GreyPicture,
  MeterFailure,
  MeterResult,
  PictureRegion,
} from './types';
