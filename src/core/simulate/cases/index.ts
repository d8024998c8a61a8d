export { createCase, type PracticeCase } from './create-case';
export { answerAbout, type ReadingWay, readPreview } from './person';
export { playClip } from './test-play';
