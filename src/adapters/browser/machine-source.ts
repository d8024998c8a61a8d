import type { JobCard } from '@/core/card';
import type { ReadMachine } from '@/core/machine';
import type { MachineRuns } from '@/core/machine-test';
import { type PracticeFile, readPracticeMachine, readPracticePrograms, runPracticeMachine } from '@/core/practice';
import type { SampledPrograms } from '@/core/programs';
import { fail, type Result, succeed } from '@/core/result';

/** Why a computer did not say what it is or what runs on it; `detail` is for the log. */
export type SourceFailure =
  | { readonly code: 'helper-off' }
  | { readonly code: 'helper-broke'; readonly detail: string };

/** A computer that can be looked at: this one through the local helper, or a practice machine. */
export interface MachineSource {
  /** What measuring finds, of a machine that is not really there; null where a worker has to measure. */
  readonly runPractice: (() => MachineRuns | null) | null;
  readonly readMachine: () => Promise<Result<ReadMachine, SourceFailure>>;
  readonly readPrograms: () => Promise<Result<SampledPrograms, SourceFailure>>;
}

/** Asks the helper of the server on this computer. Its answers are of the same build as this page. Never rejects. */
async function askHelper<T>(path: string): Promise<Result<T, SourceFailure>> {
  try {
    const answer = await fetch(path, { cache: 'no-store' });
    if (answer.status === 404) return fail({ code: 'helper-off' });
    if (!answer.ok) return fail({ code: 'helper-broke', detail: `the server answered ${answer.status}` });
    return succeed((await answer.json()) as T);
  } catch (error) {
    return fail({ code: 'helper-broke', detail: error instanceof Error ? error.message : String(error) });
  }
}

/** This computer. Its answers are of the same build as this page. */
export const thisComputer: MachineSource = {
  readMachine: () => askHelper('/api/local/machine'),
  readPrograms: () => askHelper('/api/local/programs'),
  runPractice: null,
};

/** A practice machine as the card has it by now. */
export const practiceMachine = (card: JobCard, practice: PracticeFile, lookCount: number): MachineSource => ({
  readMachine: async () => succeed(readPracticeMachine(card)),
  readPrograms: async () => succeed(readPracticePrograms(card, practice, lookCount)),
  runPractice: () => runPracticeMachine(card, practice, lookCount),
});
