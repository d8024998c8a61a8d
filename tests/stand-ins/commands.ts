import { applyCommand, type CardCommand, type CommandFailure, type JobCard } from '@/core/card';

/** Carries out commands one after another; a failure is a mistake of the test. */
export const applyAll = (card: JobCard, ...commands: readonly CardCommand[]): JobCard =>
  commands.reduce((current, command) => {
    const result = applyCommand(current, command, 0);
    if (!result.ok) throw new Error(`${command.type}: ${JSON.stringify(result.failure)}`);
    return result.value;
  }, card);

/** Why a command cannot be carried out; null where it can. */
export const failureOf = (card: JobCard, command: CardCommand): CommandFailure | null => {
  const result = applyCommand(card, command, 0);
  return result.ok ? null : result.failure;
};
