import type { ProgramRole } from './types';

/** Roles of which it is certain that closing or pausing loses nothing but what the person sees there. */
const closableRoles: ReadonlySet<ProgramRole> = new Set<ProgramRole>([
  'security',
  'sync',
  'backup',
  'browser',
  'chat',
  'updater',
  'launcher',
  'recorder',
  'music',
  'indexer',
]);
/** Roles that are paused rather than closed: they are missed afterwards. */
const pausedRoles: ReadonlySet<ProgramRole> = new Set<ProgramRole>([
  'security',
  'sync',
  'backup',
  'indexer',
  'updater',
]);
/** Roles that are never offered. */
const protectedRoles: ReadonlySet<ProgramRole> = new Set<ProgramRole>(['editor', 'system', 'driver-helper']);

/** Whether a program of this role may be closed: `yes` and `no` where the role tells, else nobody knows. */
export const canCloseRole = (role: ProgramRole): 'yes' | 'no' | 'unknown' =>
  protectedRoles.has(role) ? 'no' : closableRoles.has(role) ? 'yes' : 'unknown';

/** Whether it is never offered, whatever it takes. */
export const isProtected = (role: ProgramRole): boolean => protectedRoles.has(role);

/** Whether it is to be paused, and to be resumed at the end of the day. */
export const isPaused = (role: ProgramRole): boolean => pausedRoles.has(role);
