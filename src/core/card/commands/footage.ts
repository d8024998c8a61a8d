import { fail, succeed } from '../../result';
import type { CardClip } from '../types';
import type { CommandHandler } from './types';

/** A clip with the place in the list that it goes to; without one it goes to the end. */
export interface PlacedClip {
  readonly clip: CardClip;
  readonly index?: number;
}

/** Adds clips, in order; also how a removal is undone. The timeline takes the first clip's shape until it is described. */
export const addClips: CommandHandler<{ readonly clips: readonly PlacedClip[] }> = (card, { clips }) => {
  const taken = new Set(card.clips.map((clip) => clip.id));
  const double = clips.find(({ clip }) => taken.has(clip.id));
  if (double) return fail({ code: 'item-exists', item: 'clip', id: double.clip.id });
  const list = [...card.clips];
  for (const { clip, index } of clips) list.splice(index ?? list.length, 0, clip);
  const first = list[0]?.facts;
  const canShape = !card.timeline.isDescribed && first && first.widthPx >= 16 && first.heightPx >= 16;
  if (!canShape) return succeed({ ...card, clips: list });
  const { widthPx, heightPx, frameRate } = first;
  return succeed({ ...card, clips: list, timeline: { ...card.timeline, widthPx, heightPx, frameRate } });
};

/** Takes clips off the card. */
export const removeClips: CommandHandler<{ readonly ids: readonly string[] }> = (card, { ids }) => {
  const known = new Set(card.clips.map((clip) => clip.id));
  const missing = ids.find((id) => !known.has(id));
  if (missing !== undefined) return fail({ code: 'item-missing', item: 'clip', id: missing });
  const removed = new Set(ids);
  return succeed({ ...card, clips: card.clips.filter((clip) => !removed.has(clip.id)) });
};
