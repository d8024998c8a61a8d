export { listChanges } from './changes-on-card';
export { measurePractice, type PracticeMeasurement } from './measure-practice';
export { type PracticeFile, parsePracticeFile } from './practice-file';
export { readPracticeMachine, runPracticeMachine } from './practice-machine';
export { readPracticePrograms } from './practice-programs';
