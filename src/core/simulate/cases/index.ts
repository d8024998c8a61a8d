export { createCase, type PracticeCase } from './create-case';
export { answerAbout, readPreview } from './person';
