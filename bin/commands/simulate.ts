import { deriveBaseState, type JobCard } from '@/core/card';
import type { FixAtLevel } from '@/core/fixes';
import { createRandom } from '@/core/numbers/random';
import { listChanges } from '@/core/practice';
import { applyChanges, findPracticeFault, play, practiceFaults, rigFromCard } from '@/core/simulate';
import type { CommandOutput } from './output';
import { parseFixUse } from './what-if';
import { WrongUseError } from './wrong-use';

/** How long the simulated preview plays. */
const playedMs = 20_000;
/** A fault without a severity is of middling severity. */
const usualSeverity = 0.6;

interface SimulateOptions {
  readonly seed: number;
  readonly faults: readonly { readonly id: string; readonly severity: number }[];
  readonly fixes: readonly FixAtLevel[];
}

const numberOf = (text: string | undefined, what: string): number => {
  const value = Number(text);
  if (text === undefined || text.trim() === '' || !Number.isFinite(value))
    throw new WrongUseError(`${what} must be a number; "${text ?? ''}" is none.`);
  return value;
};

function parseFault(word: string): SimulateOptions['faults'][number] {
  const [id = '', severityText] = word.split(/=(.*)/s);
  if (!findPracticeFault(id))
    throw new WrongUseError(
      `There is no fault "${id}". There are: ${practiceFaults.map((fault) => fault.id).join(', ')}.`,
    );
  const severity = severityText === undefined ? usualSeverity : numberOf(severityText, 'A severity');
  if (severity < 0 || severity > 1) throw new WrongUseError(`A severity is between 0 and 1; "${severityText}" is not.`);
  return { id, severity };
}

/** Reads `--seed N [--fault ID[=SEVERITY]]… [--fix ID[=LEVEL]]…`. */
export function parseSimulateOptions(words: readonly string[]): SimulateOptions {
  let seed: number | null = null;
  const faults: SimulateOptions['faults'][number][] = [];
  const fixes: FixAtLevel[] = [];
  for (let i = 0; i < words.length; i += 2) {
    const [option, value] = [words[i], words[i + 1]];
    if (value === undefined) throw new WrongUseError(`"${option}" asks for a value.`);
    if (option === '--seed') seed = numberOf(value, 'A seed');
    else if (option === '--fault') faults.push(parseFault(value));
    else if (option === '--fix') fixes.push(parseFixUse(value));
    else throw new WrongUseError(`There is no option "${option}".`);
  }
  if (seed === null) throw new WrongUseError('A seed is missing: --seed N.');
  return { seed, faults, fixes };
}

/** `simulate CARD.json`: when new pictures appear on a simulated machine and editor that fit the card. */
export function simulateCommand(card: JobCard, { seed, faults, fixes }: SimulateOptions): CommandOutput {
  const rig = rigFromCard(card, seed);
  if (!rig) {
    process.stderr.write('This card has no video to play. Add footage to it first.\n');
    return { exitCode: 1, json: { failure: { code: 'no-video' } } };
  }
  const faulty = faults.reduce(
    (current, { id, severity }) => findPracticeFault(id)?.plant(current, severity) ?? current,
    rig,
  );
  const { shownAtMs } = play(
    applyChanges(faulty, listChanges(deriveBaseState(card, []), fixes)),
    createRandom(seed),
    playedMs,
  );
  return { exitCode: 0, json: { shownAtMs, targetFps: rig.targetFps } };
}
