import type { CommandOutput } from './output';
import { WrongUseError } from './wrong-use';

const usage = `Use:
  oil-can inspect FILE…                      what video files are
  oil-can check CARD.json                    whether a job card can be used
  oil-can findings CARD.json                 what causes the lag, what to look at next, ways out
  oil-can what-if CARD.json FIX[=LEVEL]…     what fixes would bring
  oil-can simulate CARD.json --seed N [--fault ID[=SEVERITY]]… [--fix ID[=LEVEL]]…
                                             when pictures appear on a simulated machine
  oil-can meter --width W --height H --fps R [--clip-fps C] [--region X,Y,W,H|whole] [--times FILE]
                [--filmed yes|no] < frames.gray
                                             what a recorded preview showed (8-bit grey frames)
  oil-can programs LIST [--cores N]          what a list of processes holds, by programs
  oil-can machine                            what this computer is
  oil-can check-proxy ORIGINAL PROXY         what is wrong with a proxy`;

/** Each command loads only what it needs: reading the code takes longer than most of the work. */
async function runCommand(words: readonly string[]): Promise<CommandOutput> {
  const [command, ...rest] = words;
  if (command === undefined) throw new WrongUseError('A command is missing.');
  if (command === 'inspect') {
    if (rest.length === 0) throw new WrongUseError('A file is missing.');
    return (await import('./inspect')).inspectCommand(rest);
  }
  if (command === 'meter') {
    const { meterCommand, parseMeterOptions } = await import('./meter');
    return meterCommand(parseMeterOptions(rest), process.stdin);
  }
  if (command === 'machine') {
    if (rest.length > 0) throw new WrongUseError('“machine” takes nothing.');
    return (await import('./machine')).machineCommand();
  }
  if (command === 'check-proxy') {
    const [original, proxy, ...more] = rest;
    if (original === undefined || proxy === undefined || more.length > 0)
      throw new WrongUseError('“check-proxy” takes an original and its proxy.');
    return (await import('./check-proxy')).checkProxyCommand(original, proxy);
  }
  if (command === 'programs') {
    const { parseProgramsOptions, programsCommand } = await import('./programs');
    return programsCommand(parseProgramsOptions(rest));
  }
  const output = await (await import('./card-commands')).runCardCommand(command, rest);
  if (output === null) throw new WrongUseError(`There is no command "${command}".`);
  return output;
}

/** What a command line comes to: its output as data, or null and what to say where it was used wrongly. */
export interface RunOutcome {
  readonly exitCode: number;
  readonly json: unknown;
  readonly messages: string;
}

/** Carries out a command line. What is wrong with what it was given is its outcome; bugs throw. */
export async function runOilCan(words: readonly string[]): Promise<RunOutcome> {
  try {
    return { messages: '', ...(await runCommand(words)) };
  } catch (error) {
    if (!(error instanceof WrongUseError)) throw error;
    return { exitCode: 2, json: null, messages: `${error.message}\n${usage}` };
  }
}
