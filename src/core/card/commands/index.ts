export { applyCommand, type CardCommand } from './apply-command';
export type { ClipCorrection } from './footage';
export type { CommandFailure } from './types';
