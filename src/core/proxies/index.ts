export * from './recipe';
export * from './types';
