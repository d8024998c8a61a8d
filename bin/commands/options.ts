import { type ParseArgsConfig, parseArgs } from 'node:util';
import { WrongUseError } from './wrong-use';

/**
 * The options and the other words of a command line, by Node's own reader: `--fps 30` and `--fps=30` alike.
 * Throws {@link WrongUseError} for an option that there is not, one without its value, and a word too many.
 */
export function readOptions<T extends NonNullable<ParseArgsConfig['options']>>(
  words: readonly string[],
  options: T,
  allowPositionals = false,
) {
  try {
    return parseArgs({ args: [...words], options, allowPositionals, strict: true });
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    // What follows the first sentence tells how to write a word that begins with a dash; nothing here is one.
    throw new WrongUseError(`${error.message.split(/[.\n]/)[0]}.`);
  }
}

/** The number that an option gives, checked; `what` names it in the message. */
export function readNumber(text: string, what: string, isFit: (value: number) => boolean, asked: string): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || !isFit(value))
    throw new WrongUseError(`${what} asks for ${asked}; "${text}" is none.`);
  return value;
}
