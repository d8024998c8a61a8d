import type { ClipFacts, VideoFacts } from '../../footage/types';
import { fail, type Result, succeed } from '../../result';
import type { DecodeTest } from '../../test-play/types';
import { followFootage } from '../follow-footage';
import type { BrowserAnswer, CardClip, CorrectableField, JobCard } from '../types';
import type { CommandFailure, CommandHandler } from './types';

/** A clip with the place in the list that it goes to; without one it goes to the end. */
export interface PlacedClip {
  readonly clip: CardClip;
  readonly index?: number;
}

/** Adds clips, in order; also how a removal is undone. What nobody stated of the timeline follows most of the footage. */
export const addClips: CommandHandler<{ readonly clips: readonly PlacedClip[] }> = (card, { clips }) => {
  const taken = new Set(card.clips.map((clip) => clip.id));
  for (const { clip } of clips) {
    if (taken.has(clip.id)) return fail({ code: 'item-exists', item: 'clip', id: clip.id });
    taken.add(clip.id);
  }
  const list = [...card.clips];
  for (const { clip, index } of clips) list.splice(index ?? list.length, 0, clip);
  return succeed({ ...card, clips: list, timeline: followFootage(card.timeline, list) });
};

/** Changes the named clips alone; fails with `item-missing` where one of them is not on the card. */
function changeClips(
  card: JobCard,
  ids: readonly string[],
  change: (clip: CardClip) => CardClip,
): Result<JobCard, CommandFailure> {
  const known = new Set(card.clips.map((clip) => clip.id));
  const missing = ids.find((id) => !known.has(id));
  if (missing !== undefined) return fail({ code: 'item-missing', item: 'clip', id: missing });
  const chosen = new Set(ids);
  return succeed({ ...card, clips: card.clips.map((clip) => (chosen.has(clip.id) ? change(clip) : clip)) });
}

/** Takes clips off the card. */
export const removeClips: CommandHandler<{ readonly ids: readonly string[] }> = (card, { ids }) => {
  const removed = new Set(ids);
  const checked = changeClips(card, ids, (clip) => clip);
  if (!checked.ok) return checked;
  const clips = card.clips.filter((clip) => !removed.has(clip.id));
  return succeed({ ...card, clips, timeline: followFootage(card.timeline, clips) });
};

/** States which drive clips lie on; null for the same one as the rest. */
export const setClipDrive: CommandHandler<{ readonly ids: readonly string[]; readonly drive: CardClip['drive'] }> = (
  card,
  { ids, drive },
) => changeClips(card, ids, (clip) => ({ ...clip, drive }));

/** Facts that a person states over what was read. */
export type ClipCorrection = Partial<Pick<VideoFacts, CorrectableField>>;

/** States facts of videos over what was read of them; other kinds of clip stay as they are. */
export const correctClips: CommandHandler<{ readonly ids: readonly string[]; readonly facts: ClipCorrection }> = (
  card,
  { ids, facts },
) => {
  const fields = Object.keys(facts) as readonly CorrectableField[];
  return changeClips(card, ids, (clip) =>
    clip.facts.kind === 'video'
      ? {
          ...clip,
          facts: { ...clip.facts, ...facts },
          correctedFields: [...new Set([...clip.correctedFields, ...fields])],
        }
      : clip,
  );
};

/** Gives a clip new facts: read again, or of another file that took its place. What was typed over the old ones goes. */
export const replaceClipFacts: CommandHandler<{
  readonly id: string;
  readonly facts: ClipFacts;
  readonly origin: CardClip['origin'];
  readonly browserAnswer: BrowserAnswer | null;
}> = (card, { id, ...read }) => changeClips(card, [id], (clip) => ({ ...clip, ...read, correctedFields: [] }));

/** Adds a test-play; also how its deletion is undone. */
export const addDecodeTest: CommandHandler<{ readonly test: DecodeTest; readonly index?: number }> = (
  card,
  { test, index },
) => {
  if (card.decodeTests.some(({ id }) => id === test.id))
    return fail({ code: 'item-exists', item: 'decode-test', id: test.id });
  return succeed({
    ...card,
    decodeTests: card.decodeTests.toSpliced(index ?? card.decodeTests.length, 0, test),
  });
};

/** Deletes a test-play: the machine is then as if it had never been. */
export const removeDecodeTest: CommandHandler<{ readonly id: string }> = (card, { id }) => {
  const decodeTests = card.decodeTests.filter((test) => test.id !== id);
  if (decodeTests.length === card.decodeTests.length) return fail({ code: 'item-missing', item: 'decode-test', id });
  return succeed({ ...card, decodeTests });
};
