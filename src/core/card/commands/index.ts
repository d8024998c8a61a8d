export { applyCommand, type CardCommand, type CommandName } from './apply-command';
export type { PlacedClip } from './footage';
export type { CommandFailure } from './types';
