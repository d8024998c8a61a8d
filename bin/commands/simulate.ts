import { deriveBaseState, type JobCard } from '@/core/card';
import type { FixAtLevel } from '@/core/fixes';
import { createRandom } from '@/core/numbers/random';
import { listChanges } from '@/core/practice';
import { applyChanges, findPracticeFault, play, practiceFaults, rigFromCard } from '@/core/simulate';
import { readNumber, readOptions } from './options';
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

function parseFault(word: string): SimulateOptions['faults'][number] {
  const [id = '', severityText] = word.split(/=(.*)/s);
  if (!findPracticeFault(id))
    throw new WrongUseError(
      `There is no fault "${id}". There are: ${practiceFaults.map((fault) => fault.id).join(', ')}.`,
    );
  if (severityText === undefined) return { id, severity: usualSeverity };
  const isRatio = (value: number): boolean => value >= 0 && value <= 1;
  return { id, severity: readNumber(severityText, 'A severity', isRatio, 'a number from 0 to 1') };
}

/** Reads `--seed N [--fault ID[=SEVERITY]]… [--fix ID[=LEVEL]]…`. */
export function parseSimulateOptions(words: readonly string[]): SimulateOptions {
  const { values } = readOptions(words, {
    seed: { type: 'string' },
    fault: { type: 'string', multiple: true },
    fix: { type: 'string', multiple: true },
  });
  if (values.seed === undefined) throw new WrongUseError('A seed is missing: --seed N.');
  return {
    seed: readNumber(values.seed, 'A seed', () => true, 'a number'),
    faults: (values.fault ?? []).map(parseFault),
    fixes: (values.fix ?? []).map(parseFixUse),
  };
}

/** `simulate CARD.json`: when new pictures appear on a simulated machine and editor that fit the card. */
export function simulateCommand(card: JobCard, { seed, faults, fixes }: SimulateOptions): CommandOutput {
  const rig = rigFromCard(card, seed);
  if (!rig) {
    return {
      exitCode: 1,
      json: { failure: { code: 'no-video' } },
      messages: 'This card has no video to play. Add footage to it first.',
    };
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
