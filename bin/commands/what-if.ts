import type { JobCard } from '@/core/card';
import { computeWhatIf } from '@/core/diagnose';
import { type FixAtLevel, findFix, fixCatalogue } from '@/core/fixes';
import { fail, type Result, succeed } from '@/core/result';
import type { CommandOutput } from './output';

/** A word on the command line that names no fix, or a level that the fix does not have. */
export type FixWordFailure =
  | { readonly code: 'fix-unknown'; readonly word: string; readonly known: readonly string[] }
  | { readonly code: 'fix-level-unknown'; readonly word: string };

/** Reads "lower-preview-quality=1/4" or "close-programs". */
export function parseFixWord(word: string): Result<FixAtLevel, FixWordFailure> {
  const [id = '', levelText] = word.split(/=(.*)/s);
  const fix = findFix(id);
  if (!fix) return fail({ code: 'fix-unknown', word, known: fixCatalogue.map((known) => known.id) });
  if (levelText === undefined) return succeed({ id, level: fix.defaultLevel });
  const level = fix.parseLevel(levelText);
  return level === null ? fail({ code: 'fix-level-unknown', word }) : succeed({ id, level });
}

/** `what-if CARD.json FIX[=LEVEL]…`: the card's set-up as it is and with the fixes. */
export function whatIfCommand(card: JobCard, fixes: readonly FixAtLevel[]): CommandOutput {
  return { exitCode: 0, json: { ...computeWhatIf(card, fixes), fixes } };
}
