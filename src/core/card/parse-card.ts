import { isLevelOf } from '../fixes/fix-facts';
import { fail, type Result, succeed } from '../result';
import { migrateCard, type RawCard } from './migrations';
import { jobCardFormat, jobCardSchema, jobCardVersion } from './schema';
import type { JobCard } from './types';

/** Why a file or a stored row is no card that can be used. */
export type CardFailure =
  | { readonly code: 'card-not-json' }
  | { readonly code: 'card-not-a-card' }
  | { readonly code: 'card-newer-version'; readonly version: number; readonly newestVersion: number }
  | { readonly code: 'card-field-invalid'; readonly path: string; readonly received: string }
  | { readonly code: 'card-reference-broken'; readonly path: string; readonly missingId: string };

const isRecord = (value: unknown): value is RawCard =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What stands at a path, shortened for a message. */
function describeAt(document: unknown, path: readonly PropertyKey[]): string {
  const value = path.reduce<unknown>(
    (at, key) => (isRecord(at) || Array.isArray(at) ? Reflect.get(at, key) : at),
    document,
  );
  const text = value === undefined ? 'nothing' : JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}

/** The first reference that leads nowhere: trials name readings, the put-back list names trials, a set is in use. */
function findBrokenReference(card: JobCard): { readonly path: string; readonly missingId: string } | null {
  const readingIds = new Set(card.readings.map((reading) => reading.id));
  const trialIds = new Set(card.trials.map((trial) => trial.id));
  for (const [i, trial] of card.trials.entries()) {
    if (!readingIds.has(trial.beforeReadingId))
      return { path: `trials.${i}.beforeReadingId`, missingId: trial.beforeReadingId };
    if (trial.afterReadingId !== null && !readingIds.has(trial.afterReadingId))
      return { path: `trials.${i}.afterReadingId`, missingId: trial.afterReadingId };
  }
  const missingId = card.putBackDone.find((id) => !trialIds.has(id));
  if (missingId !== undefined) return { path: 'putBackDone', missingId };
  const { workingSetId } = card;
  return workingSetId === null || card.workingSets.some(({ id }) => id === workingSetId)
    ? null
    : { path: 'workingSetId', missingId: workingSetId };
}

/** The first fix on the card that is known and does not have the level given; applying it would be a bug. */
function findWrongLevel(card: JobCard): { readonly path: string; readonly received: string } | null {
  const uses = [
    ...card.trials.map(({ fix }, i) => ({ path: `trials.${i}.fix.level`, fix })),
    ...card.readings.flatMap(({ fixes }, i) =>
      fixes.map((fix, k) => ({ path: `readings.${i}.fixes.${k}.level`, fix })),
    ),
    ...card.workingSets.flatMap(({ fixes }, i) =>
      fixes.map((fix, k) => ({ path: `workingSets.${i}.fixes.${k}.level`, fix })),
    ),
    ...card.chosenPlan.map((fix, i) => ({ path: `chosenPlan.${i}.level`, fix })),
    ...card.answers.flatMap(({ fixes }, i) => fixes.map((fix, k) => ({ path: `answers.${i}.fixes.${k}.level`, fix }))),
  ];
  const wrong = uses.find(({ fix }) => !isLevelOf(fix.id, fix.level));
  return wrong ? { path: wrong.path, received: JSON.stringify(wrong.fix.level) } : null;
}

/** Checks a document of any version and brings it up to the newest. Never throws, whatever the value is. */
export function parseCard(document: unknown): Result<JobCard, CardFailure> {
  if (!isRecord(document) || document.format !== jobCardFormat) return fail({ code: 'card-not-a-card' });
  const { version } = document;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return fail({ code: 'card-field-invalid', path: 'version', received: describeAt(document, ['version']) });
  if (version > jobCardVersion) return fail({ code: 'card-newer-version', version, newestVersion: jobCardVersion });
  const current = migrateCard(document, version, jobCardVersion);
  const parsed = jobCardSchema.safeParse(current);
  if (!parsed.success) {
    const path = parsed.error.issues[0]?.path ?? [];
    return fail({ code: 'card-field-invalid', path: path.join('.'), received: describeAt(current, path) });
  }
  const card: JobCard = parsed.data;
  const broken = findBrokenReference(card);
  if (broken) return fail({ code: 'card-reference-broken', ...broken });
  const wrongLevel = findWrongLevel(card);
  return wrongLevel ? fail({ code: 'card-field-invalid', ...wrongLevel }) : succeed(card);
}

/** Reads a card file's text. */
export function parseCardText(text: string): Result<JobCard, CardFailure> {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return fail({ code: 'card-not-json' });
  }
  return parseCard(document);
}

/** A card as the text of a file: JSON, two spaces, a line end. Reading it back gives the same card. */
export const serializeCard = (card: JobCard): string => `${JSON.stringify(card, null, 2)}\n`;
