import { describeCardFailure } from '@/messages/card';
import { type CardFileFailure, readCardFile } from './card-file';
import { findingsCommand } from './findings';
import type { CommandOutput } from './output';
import { parseSimulateOptions, simulateCommand } from './simulate';
import { parseFixUse, whatIfCommand } from './what-if';
import { WrongUseError } from './wrong-use';

const describeFailure = (failure: CardFileFailure): string =>
  failure.code === 'file-unreadable'
    ? `The card file could not be read: ${failure.detail}.`
    : describeCardFailure(failure);

/** Reads the card and hands it on; a failure is printed in its place. */
async function withCard(
  path: string | undefined,
  run: (card: Parameters<typeof findingsCommand>[0]) => CommandOutput,
): Promise<CommandOutput> {
  if (path === undefined) throw new WrongUseError('A card file is missing.');
  const read = await readCardFile(path);
  if (read.ok) return run(read.value);
  return { exitCode: 1, json: { failure: read.failure }, messages: describeFailure(read.failure) };
}

/** `check`, `findings`, `what-if` and `simulate`: commands over a card file. Null where the command is none of them. */
export async function runCardCommand(command: string, rest: readonly string[]): Promise<CommandOutput | null> {
  switch (command) {
    case 'check':
      return withCard(rest[0], ({ id, title, version }) => ({
        exitCode: 0,
        json: { isValid: true, id, title, version },
      }));
    case 'findings':
      return withCard(rest[0], findingsCommand);
    case 'what-if': {
      const [path, ...fixWords] = rest;
      if (fixWords.length === 0) throw new WrongUseError('A fix is missing.');
      const fixes = fixWords.map(parseFixUse);
      return withCard(path, (card) => whatIfCommand(card, fixes));
    }
    case 'simulate': {
      const [path, ...options] = rest;
      const parsed = parseSimulateOptions(options);
      return withCard(path, (card) => simulateCommand(card, parsed));
    }
    default:
      return null;
  }
}
