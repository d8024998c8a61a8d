export { type ComparedSetup, compareCardReadings, rateOfReading } from './compare-card-readings';
export { findDisagreement } from './find-disagreement';
export { paceOf, toMeasuredReading } from './measured-reading';
export {
  parseReadingRecords,
  parseReadingsText,
  type ReadingsFailure,
  readingColumns,
  serializeReadings,
  toReadingRecord,
} from './readings-file';
