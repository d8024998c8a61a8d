export { createCase, type PracticeCase } from './create-case';
export { answerAbout, readPreview } from './person';
export { playClip } from './test-play';
