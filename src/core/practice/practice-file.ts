import { array, boolean, gte, int, literal, lte, maxLength, number, object, optional, string } from 'zod/mini';
import { fail, type Result, succeed } from '../result';
import { findPracticeFault } from '../simulate';

/** What is hidden in a practice machine. It lies beside a card, never in it: nothing that advises may look at it. */
export interface PracticeFile {
  readonly format: 'oil-can-practice';
  readonly version: 2;
  readonly cardId: string;
  /** Whatever the card does not tell of machine and editor is drawn from it. */
  readonly seed: number;
  readonly faults: readonly { readonly id: string; readonly severity: number }[];
  /** What runs on it beside the editor. */
  readonly programs: readonly PracticeProgram[];
}

/** A program that runs on a practice machine. */
export interface PracticeProgram {
  readonly name: string;
  readonly processCount: number;
  readonly busyCores: number;
  readonly memoryMib: number;
  /** Megabytes a second that it reads and writes; absent where it leaves the drives alone. */
  readonly driveMegabytePerSec?: number | undefined;
  /** Whether it works by fits and starts. */
  readonly isBursty?: boolean | undefined;
  /** Whether it starts again by itself after it was closed. */
  readonly comesBack: boolean;
}

export type PracticeFileFailure =
  | { readonly code: 'practice-not-one' }
  | { readonly code: 'practice-fault-unknown'; readonly id: string };

const schema = object({
  format: literal('oil-can-practice'),
  version: literal(2),
  cardId: string().check(maxLength(80)),
  seed: int().check(gte(0), lte(2 ** 31)),
  faults: array(object({ id: string(), severity: number().check(gte(0), lte(1)) })).check(maxLength(10)),
  programs: array(
    object({
      name: string().check(maxLength(120)),
      processCount: int().check(gte(1), lte(1000)),
      busyCores: number().check(gte(0), lte(256)),
      memoryMib: number().check(gte(0), lte(1_000_000)),
      comesBack: boolean(),
      driveMegabytePerSec: optional(number().check(gte(0), lte(10_000))),
      isBursty: optional(boolean()),
    }),
  ).check(maxLength(500)),
});

/** Checks a practice file. Never throws, whatever the value is. */
export function parsePracticeFile(document: unknown): Result<PracticeFile, PracticeFileFailure> {
  const parsed = schema.safeParse(document);
  if (!parsed.success) return fail({ code: 'practice-not-one' });
  const unknown = parsed.data.faults.find(({ id }) => !findPracticeFault(id));
  return unknown ? fail({ code: 'practice-fault-unknown', id: unknown.id }) : succeed(parsed.data);
}
