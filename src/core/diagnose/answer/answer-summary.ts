import {
  array,
  boolean,
  discriminatedUnion,
  enum as enumOf,
  literal,
  nullable,
  number,
  object,
  string,
  union,
} from 'zod/mini';
import { lessonSchema } from '../../card/schema';
import type { Lesson } from '../../card/types';
import type { NextMove } from '../moves/next-move';
import type { NamedCause } from './named-cause';

/**
 * What is kept of an answer beside its card, so that the wall of cards, and a page just loaded, say the same as the page on
 * which it was worked out.
 */
export interface AnswerSummary {
  /** Goes up where another Oil Can would conclude something else of the same card: older summaries are not shown. */
  readonly edition: number;
  readonly cause: NamedCause;
  /** What the belief would take next; null where it has no say yet. */
  readonly move: NextMove | null;
  /** What the card taught, for the next one on the same machine. */
  readonly lessons: readonly Lesson[];
}

/** Of this Oil Can. */
export const answerEdition = 9;

const level = nullable(union([string(), number()]));
const fix = object({ id: string(), level });
const cause = discriminatedUnion('kind', [
  object({ kind: literal('usable') }),
  object({ kind: literal('diagnosed'), id: string(), probability: number() }),
  object({ kind: literal('estimated'), id: nullable(string()) }),
  object({ kind: literal('unknown'), needs: array(string()) }),
]);
const test = object({
  kind: enumOf(['fix', 'question', 'test-play']),
  id: string(),
  level,
  bits: number(),
  cureProbability: number(),
  minutes: number(),
  score: number(),
  isToFindOut: boolean(),
  otherWays: array(fix),
});
const move = discriminatedUnion('kind', [
  object({ kind: literal('ask'), test }),
  object({
    kind: literal('try'),
    fix,
    minutes: number(),
    plan: nullable(object({ fixes: array(fix), probability: number() })),
    relief: nullable(object({ fix, minutes: number(), closedRatio: nullable(number()), isHeldUsable: boolean() })),
    isToFindOut: boolean(),
    otherWays: array(fix),
  }),
  object({ kind: literal('follow-plan'), fix, minutes: number(), at: number(), of: number() }),
  object({ kind: literal('give-back'), fix, isUsable: boolean() }),
  object({ kind: literal('ease'), fix }),
  object({ kind: literal('nothing-left') }),
]);
const summary = object({ edition: literal(answerEdition), cause, move: nullable(move), lessons: array(lessonSchema) });

/** A stored summary; null where it is none, or one of another edition. */
export function parseAnswerSummary(stored: unknown): AnswerSummary | null {
  const parsed = summary.safeParse(stored);
  return parsed.success ? (parsed.data as AnswerSummary) : null;
}
