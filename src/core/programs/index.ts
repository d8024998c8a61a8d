export * from './clean-up';
export * from './close-outcome';
export * from './group-programs';
export type { ProcessListFailure } from './list-failure';
export { roleOf } from './role-of';
export { canCloseRole, isPaused, isProtected } from './role-traits';
export * from './samples';
export * from './types';
