export * from './clean-up';
export * from './group-programs';
export type { ProcessListFailure } from './list-failure';
export { canCloseRole, isPaused, isProtected, roleOf } from './role-of';
export * from './samples';
export * from './types';
