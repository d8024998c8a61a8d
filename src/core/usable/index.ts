export * from './gaps';
export * from './limits';
export { isUsable } from './reading';
export * from './respects';
