export { applyCommand, type CardCommand } from './apply-command';
export type { CommandFailure } from './types';
