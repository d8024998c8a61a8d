export * from './clean-up';
export * from './group-programs';
export { canCloseRole, isPaused, isProtected, roleOf } from './role-of';
export * from './types';
