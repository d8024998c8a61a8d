import { readFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { readProcessList } from '@/adapters/shared/process-list/read-process-list';
import { percentOfCores } from '@/core/machine';
import { canCloseRole, groupPrograms } from '@/core/programs';
import { describeListFailure } from '@/messages/programs';
import { readNumber, readOptions } from './options';
import type { CommandOutput } from './output';
import { WrongUseError } from './wrong-use';

export interface ProgramsOptions {
  readonly path: string;
  /** Of the computer that the list is from. */
  readonly coreCount: number;
}

export function parseProgramsOptions(words: readonly string[]): ProgramsOptions {
  const { values, positionals } = readOptions(words, { cores: { type: 'string' } }, true);
  const [path, ...more] = positionals;
  if (path === undefined || more.length > 0) throw new WrongUseError('“programs” takes one list.');
  if (values.cores === undefined) return { path, coreCount: availableParallelism() };
  const isCount = (value: number): boolean => Number.isInteger(value) && value >= 1 && value <= 256;
  return { path, coreCount: readNumber(values.cores, '--cores', isCount, 'a whole number from 1 to 256') };
}

const tenth = (value: number): number => Math.round(10 * value) / 10;

/** `programs LIST`: the programs of a list, those that take most first; percentages are null where the list does not tell them. */
export async function programsCommand({ path, coreCount }: ProgramsOptions): Promise<CommandOutput> {
  const bytes = await readFile(path).catch((error: Error) => error);
  if (bytes instanceof Error) {
    return {
      exitCode: 1,
      json: { failure: { code: 'file-unreadable', detail: bytes.message } },
      messages: `The list could not be read: ${bytes.message}.`,
    };
  }
  const list = readProcessList(bytes);
  if (!list.ok) {
    return { exitCode: 1, json: { failure: list.failure }, messages: describeListFailure(list.failure) };
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
