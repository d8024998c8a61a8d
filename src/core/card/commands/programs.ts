import { compareCleanUp, groupPrograms, type ProcessRow, type ProgramRole, programKeyOf } from '../../programs';
import { fail, succeed } from '../../result';
import { listChosen, listOnCard, rolesSaid, seenOnCard } from '../card-programs';
import type { CardProgram, ProgramsSeen } from '../types';
import type { CommandHandler } from './types';

/** Adds a program that runs beside the editor, at a place in the list or at its end. */
export const addProgram: CommandHandler<{ readonly program: CardProgram; readonly index?: number }> = (
  card,
  { program, index },
) => {
  if (card.programs.some(({ id }) => id === program.id))
    return fail({ code: 'item-exists', item: 'program', id: program.id });
  return succeed({ ...card, programs: card.programs.toSpliced(index ?? card.programs.length, 0, program) });
};

/** Changes a program's facts. */
export const updateProgram: CommandHandler<{
  readonly id: string;
  readonly patch: Partial<Omit<CardProgram, 'id'>>;
}> = (card, { id, patch }) => {
  if (!card.programs.some((program) => program.id === id)) return fail({ code: 'item-missing', item: 'program', id });
  return succeed({
    ...card,
    programs: card.programs.map((program) => (program.id === id ? { ...program, ...patch } : program)),
  });
};

/** Takes a program off the card. */
export const removeProgram: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  const programs = card.programs.filter((program) => program.id !== id);
  if (programs.length === card.programs.length) return fail({ code: 'item-missing', item: 'program', id });
  return succeed({ ...card, programs });
};

/** Takes a list of what runs in place of the one before; what was said of programs stays. */
export const takePrograms: CommandHandler<{
  readonly rows: readonly ProcessRow[];
  readonly seen: ProgramsSeen;
  /** What was said of programs on other cards. */
  readonly roles: readonly (readonly [string, ProgramRole])[];
}> = (card, { rows, seen, roles }) =>
  succeed({
    ...card,
    programs: listOnCard(rows, seen.source, card.programs, new Map(roles)),
    programsSeen: seen,
    programsCheck: null,
  });

/** Puts programs as they were, for an undo. */
export const restorePrograms: CommandHandler<
  Pick<Parameters<CommandHandler<unknown>>[0], 'programs' | 'programsSeen' | 'programsCheck'>
> = (card, { programs, programsSeen, programsCheck }) => succeed({ ...card, programs, programsSeen, programsCheck });

/** Holds a second list against the first: what of that which may be closed is gone, and what came back. */
export const checkPrograms: CommandHandler<{ readonly rows: readonly ProcessRow[]; readonly takenAtMs: number }> = (
  card,
  { rows, takenAtMs },
) => {
  const after = groupPrograms(rows, rolesSaid(card.programs));
  const cleanUp = compareCleanUp(
    seenOnCard(card.programs),
    after,
    listChosen(card).map(({ name }) => name),
  );
  const outcomeByKey = new Map(cleanUp.closed.map(({ name, outcome }) => [programKeyOf(name), outcome]));
  return succeed({
    ...card,
    programs: card.programs.map((program) => ({
      ...program,
      outcome: outcomeByKey.get(programKeyOf(program.name)) ?? null,
    })),
    programsCheck: {
      takenAtMs,
      freedCores: Math.min(256, cleanUp.freedCores),
      freedMib: cleanUp.freedMib,
      started: cleanUp.started
        .filter(({ busyCores, memoryMib }) => (busyCores ?? 0) >= 0.05 || (memoryMib ?? 0) >= 100)
        .slice(0, 50)
        .map(({ name }) => name),
    },
  });
};
