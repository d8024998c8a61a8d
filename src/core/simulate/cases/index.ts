export { createCase, type PracticeCase } from './create-case';
export { hasLastingFault } from './draw-rig';
export { answerAbout, type ReadingWay, readPreview } from './person';
export { playClip } from './test-play';
