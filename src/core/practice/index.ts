export { measurePractice, type PracticeMeasurement } from './measure-practice';
export { type PracticeFile, type PracticeFileFailure, parsePracticeFile } from './practice-file';
