import { readFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { readProcessList } from '@/adapters/shared/process-list/read-process-list';
import { percentOfCores } from '@/core/machine';
import { canCloseRole, groupPrograms } from '@/core/programs';
import { describeListFailure } from '@/messages/programs';
import type { CommandOutput } from './output';
import { WrongUseError } from './wrong-use';

export interface ProgramsOptions {
  readonly path: string;
  /** Of the computer that the list is from. */
  readonly coreCount: number;
}

export function parseProgramsOptions(words: readonly string[]): ProgramsOptions {
  const [path, option, cores, ...rest] = words;
  if (path === undefined || path.startsWith('--')) throw new WrongUseError('A list is missing.');
  if (option === undefined) return { path, coreCount: availableParallelism() };
  const coreCount = Number(cores);
  if (option !== '--cores' || rest.length > 0 || !Number.isInteger(coreCount) || coreCount < 1 || coreCount > 256)
    throw new WrongUseError('--cores takes a whole number from 1 to 256.');
  return { path, coreCount };
}

const tenth = (value: number): number => Math.round(10 * value) / 10;

/** `programs LIST`: the programs of a list, those that take most first; percentages are null where the list does not tell them. */
export async function programsCommand({ path, coreCount }: ProgramsOptions): Promise<CommandOutput> {
  const bytes = await readFile(path).catch((error: Error) => error);
  if (bytes instanceof Error) {
    process.stderr.write(`The list could not be read: ${bytes.message}.\n`);
    return { exitCode: 1, json: { failure: { code: 'file-unreadable', detail: bytes.message } } };
  }
  const list = readProcessList(bytes);
  if (!list.ok) {
    process.stderr.write(`${describeListFailure(list.failure)}\n`);
    return { exitCode: 1, json: { failure: list.failure } };
  }
  return {
    exitCode: 0,
    json: groupPrograms(list.value.rows).map(({ name, role, processCount, busyCores, memoryMib }) => ({
      name,
      role,
      processCount,
      coreUsePercent: busyCores === null ? null : tenth(percentOfCores(busyCores, 'one-core', coreCount)),
      wholeMachinePercent: busyCores === null ? null : tenth(percentOfCores(busyCores, 'all-cores', coreCount)),
      memoryMib: memoryMib === null ? null : tenth(memoryMib),
      canClose: canCloseRole(role),
    })),
  };
}
