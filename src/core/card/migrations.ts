/** A stored document of some older version, on its way to the newest. */
export type RawCard = Readonly<Record<string, unknown>>;

const isRecord = (value: unknown): value is RawCard =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Clips were videos from files, and no more was known of them; nothing had been test-played. */
function addClipKinds(card: RawCard): RawCard {
  const toClip = (clip: unknown): unknown =>
    isRecord(clip) && isRecord(clip.facts)
      ? {
          ...clip,
          facts: {
            ...clip.facts,
            kind: 'video',
            codecString: null,
            level: null,
            scan: 'unknown',
            pixelAspect: { num: 1, den: 1 },
            frameIntervals: null,
            videoTrackCount: 1,
          },
          origin: 'file',
          folder: '',
          drive: null,
          correctedFields: [],
          browserAnswer: null,
        }
      : clip;
  const clips = Array.isArray(card.clips) ? card.clips.map(toClip) : card.clips;
  return { ...card, version: 2, clips, decodeTests: [] };
}

/**
 * One step a version: `migrations[1]` turns a version 1 document into a version 2 one, and so on.
 * Steps are pure, never removed, and each comes with a stored example in its test. Version 1 is the first.
 */
export const migrations: Readonly<Record<number, (card: RawCard) => RawCard>> = { 1: addClipKinds };

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
