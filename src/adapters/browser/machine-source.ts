import type { JobCard } from '@/core/card';
import type { ReadMachine } from '@/core/machine';
import { type PracticeFile, readPracticePrograms } from '@/core/practice';
import type { SampledPrograms } from '@/core/programs';
import { fail, type Result, succeed } from '@/core/result';

/** Why a computer did not say what it is or what runs on it; `detail` is for the log. */
export type SourceFailure =
  | { readonly code: 'helper-off' }
  | { readonly code: 'helper-broke'; readonly detail: string };

/** A computer that can be looked at: this one through the local helper, or a practice machine. */
export interface MachineSource {
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

/** What this computer is, read by the local helper. */
export const readThisMachine = (): Promise<Result<ReadMachine, SourceFailure>> => askHelper('/api/local/machine');

/** This computer. */
export const thisComputer: MachineSource = { readPrograms: () => askHelper('/api/local/programs') };

/** A practice machine as the card has it by now. */
export const practiceMachine = (card: JobCard, practice: PracticeFile, lookCount: number): MachineSource => ({
  readPrograms: async () => succeed(readPracticePrograms(card, practice, lookCount)),
});
