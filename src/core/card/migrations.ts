/** A stored document of some older version, on its way to the newest. */
export type RawCard = Readonly<Record<string, unknown>>;

/**
 * One step a version: `migrations[1]` turns a version 1 document into a version 2 one, and so on.
 * Steps are pure, never removed, and each comes with a stored example in its test. Version 1 is the first.
 */
export const migrations: Readonly<Record<number, (card: RawCard) => RawCard>> = {};

/** Takes a document up to `newest` step by step; throws where a step is missing, which a test rules out. */
export function migrateCard(
  card: RawCard,
  from: number,
  newest: number,
  steps: Readonly<Record<number, (card: RawCard) => RawCard>> = migrations,
): RawCard {
  let current = card;
  for (let version = from; version < newest; version++) {
    const step = steps[version];
    if (!step) throw new Error(`migrateCard: no step from version ${version}`);
    current = step(current);
  }
  return current;
}
