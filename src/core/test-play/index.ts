export * from './measure-decoding';
export * from './plan-runs';
export * from './run-results';
export * from './types';
