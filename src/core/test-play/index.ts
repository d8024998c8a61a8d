export { chooseTestClip, toTestedStream } from './choose-clip';
export * from './measure-decoding';
export { findNearestClip } from './nearest-clip';
export * from './plan-runs';
export * from './run-results';
export * from './types';
