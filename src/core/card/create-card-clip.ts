import type { CardClip } from './types';

/** A clip as it comes onto a card: what is not given is as for a file just dropped. */
export const createCardClip = (
  clip: Pick<CardClip, 'id' | 'facts'> & Partial<Omit<CardClip, 'id' | 'facts'>>,
): CardClip => ({ origin: 'file', folder: '', drive: null, correctedFields: [], browserAnswer: null, ...clip });
