// The command line over the same core as the screens: JSON on standard output, messages on standard error;
// ends with 0, with 1 for a failure that is described, with 2 for wrong use.
import { describeCardFailure } from '@/messages/card';
import { type CardFileFailure, readCardFile } from './commands/card-file';
import { findingsCommand } from './commands/findings';
import { inspectCommand } from './commands/inspect';
import type { CommandOutput } from './commands/output';
import { parseFixWord, whatIfCommand } from './commands/what-if';

const usage = `Use:
  oil-can inspect FILE…                      what video files are
  oil-can check CARD.json                    whether a job card can be used
  oil-can findings CARD.json                 where each frame's time goes
  oil-can what-if CARD.json FIX[=LEVEL]…     what fixes would bring`;

class WrongUseError extends Error {}

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

async function runCommand(words: readonly string[]): Promise<CommandOutput> {
  const [command, ...rest] = words;
  switch (command) {
    case 'inspect':
      if (rest.length === 0) throw new WrongUseError('A file is missing.');
      return inspectCommand(rest);
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
      throw new WrongUseError(command === undefined ? 'A command is missing.' : `There is no command "${command}".`);
  }
}

try {
  const { exitCode, json } = await runCommand(process.argv.slice(2));
  process.stdout.write(`${JSON.stringify(json, null, 2)}\n`);
  process.exitCode = exitCode;
} catch (error) {
  if (!(error instanceof WrongUseError)) throw error;
  process.stderr.write(`${error.message}\n${usage}\n`);
  process.exitCode = 2;
}
