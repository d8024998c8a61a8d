import { readLocalMachine } from '@/adapters/node/local/read-machine';
import type { CommandOutput } from './output';

/** `machine`: what the local helper reads of this computer. */
export const machineCommand = async (): Promise<CommandOutput> => ({ exitCode: 0, json: await readLocalMachine() });
