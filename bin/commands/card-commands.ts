import { describeCardFailure } from '@/messages/card';
import { type CardFileFailure, readCardFile } from './card-file';
import { findingsCommand } from './findings';
import type { CommandOutput } from './output';
import { parseFixWord, whatIfCommand } from './what-if';
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
  process.stderr.write(`${describeFailure(read.failure)}\n`);
  return { exitCode: 1, json: { failure: read.failure } };
}

/** `check`, `findings` and `what-if`: commands over a card file. Null where the command is none of them. */
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
      const fixes = fixWords.map((word) => {
        const parsed = parseFixWord(word);
        if (parsed.ok) return parsed.value;
        const { failure } = parsed;
        throw new WrongUseError(
          failure.code === 'fix-unknown'
            ? `There is no fix "${failure.word}". There are: ${failure.known.join(', ')}.`
            : `"${failure.word}" asks for a level that this fix does not have.`,
        );
      });
      return withCard(path, (card) => whatIfCommand(card, fixes));
    }
    default:
      return null;
  }
}
