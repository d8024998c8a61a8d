export { applyCommand, type CardCommand } from './apply-command';
export { type ClipCorrection, createCardClip } from './footage';
export type { CommandFailure } from './types';
