import type { CloseOutcome } from './close-outcome';
import { programKeyOf } from './group-programs';
import type { ProgramUse } from './types';

/** One program that was to be closed, before and after. */
export interface ClosedProgram {
  readonly name: string;
  readonly outcome: CloseOutcome;
  /** Cores and memory that came free; never below 0. */
  readonly freedCores: number;
  readonly freedMib: number;
}

/** What closing brought, by a list from before and one from after. */
export interface CleanUp {
  readonly closed: readonly ClosedProgram[];
  /** Programs that run now and did not before, those that take most first. */
  readonly started: readonly ProgramUse[];
  readonly freedCores: number;
  readonly freedMib: number;
}

/** A program that takes less than this share of what it took is as good as closed. */
const quietRatio = 0.25;
/** Core use below which nothing can be told apart from nothing: a list of a few seconds is no finer. */
const idleCores = 0.02;

/** Holds the programs that were to be closed (by their names) against what runs afterwards. O(programs). */
export function compareCleanUp(
  before: readonly ProgramUse[],
  after: readonly ProgramUse[],
  chosenNames: readonly string[],
): CleanUp {
  const chosen = new Set(chosenNames.map(programKeyOf));
  const now = new Map(after.map((program) => [programKeyOf(program.name), program]));
  const known = new Set(before.map(({ name }) => programKeyOf(name)));
  const closed = before
    .filter(({ name }) => chosen.has(programKeyOf(name)))
    .map((was): ClosedProgram => {
      const is = now.get(programKeyOf(was.name));
      const freedCores = Math.max(0, (was.busyCores ?? 0) - (is?.busyCores ?? 0));
      const freedMib = Math.max(0, (was.memoryMib ?? 0) - (is?.memoryMib ?? 0));
      return { name: was.name, outcome: outcomeOf(was, is), freedCores, freedMib };
    });
  return {
    closed,
    started: after.filter(({ name, role }) => role !== 'system' && !known.has(programKeyOf(name))),
    freedCores: closed.reduce((sum, { freedCores }) => sum + freedCores, 0),
    freedMib: closed.reduce((sum, { freedMib }) => sum + freedMib, 0),
  };
}

function outcomeOf(was: ProgramUse, is: ProgramUse | undefined): CloseOutcome {
  if (!is) return 'gone';
  if (is.rootProcessId !== was.rootProcessId) return 'back';
  const isQuiet =
    was.busyCores !== null &&
    is.busyCores !== null &&
    was.busyCores > idleCores &&
    is.busyCores <= Math.max(idleCores, quietRatio * was.busyCores);
  return isQuiet ? 'quiet' : 'still';
}
