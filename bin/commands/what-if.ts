import type { JobCard } from '@/core/card';
import { computeWhatIf, diagnose, type SetForecast } from '@/core/diagnose';
import { type FixAtLevel, findFixFacts, fixIds, parseLevelOf } from '@/core/fixes';
import { fail, type Result, succeed } from '@/core/result';
import type { CommandOutput } from './output';
import { WrongUseError } from './wrong-use';

/** A word on the command line that names no fix, or a level that the fix does not have. */
export type FixWordFailure =
  | { readonly code: 'fix-unknown'; readonly word: string; readonly known: readonly string[] }
  | { readonly code: 'fix-level-unknown'; readonly word: string };

/** Reads "lower-preview-quality=1/4" or "close-programs". */
export function parseFixWord(word: string): Result<FixAtLevel, FixWordFailure> {
  const [id = '', levelText] = word.split(/=(.*)/s);
  const fix = findFixFacts(id);
  if (!fix) return fail({ code: 'fix-unknown', word, known: fixIds });
  if (levelText === undefined) return succeed({ id, level: fix.defaultLevel });
  const level = parseLevelOf(fix.levelKind, levelText);
  return level === null ? fail({ code: 'fix-level-unknown', word }) : succeed({ id, level });
}

/** The same for an option or word that must be right; wrong use is said. */
export function parseFixUse(word: string): FixAtLevel {
  const parsed = parseFixWord(word);
  if (parsed.ok) return parsed.value;
  const { failure } = parsed;
  throw new WrongUseError(
    failure.code === 'fix-unknown'
      ? `There is no fix "${failure.word}". There are: ${failure.known.join(', ')}.`
      : `"${failure.word}" asks for a level that this fix does not have.`,
  );
}

/** What of a forecast is told: what the page shows of it. */
const told = ({ stages, bindingLane, shownFps, scrubMs, usableProbability }: SetForecast) => ({
  stages,
  bindingLane,
  shownFps,
  scrubMs,
  usableProbability,
});

/** `what-if CARD.json FIX[=LEVEL]…`: the card's set-up as it is and with the fixes, by all that is believed of it. */
export function whatIfCommand(card: JobCard, fixes: readonly FixAtLevel[]): CommandOutput {
  const { before, after } = computeWhatIf(card, diagnose(card).posterior, fixes);
  return { exitCode: 0, json: { before: told(before), after: told(after), fixes } };
}
