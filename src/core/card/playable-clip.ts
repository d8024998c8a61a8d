import type { VideoFacts } from '../footage/types';
import { chooseTestClip } from '../test-play/choose-clip';
import type { CardClip, JobCard } from './types';

/** A clip of which this browser said that it can decode it. */
export type PlayableClip = CardClip & { readonly facts: VideoFacts };

export const isPlayable = (clip: CardClip): clip is PlayableClip =>
  clip.facts.kind === 'video' && clip.browserAnswer !== null && clip.browserAnswer.hardware !== 'codec-unknown';

/** The clip whose test-play would tell most of this machine; null where none can be played here, or none is heavy enough. */
export const playableClip = ({ clips }: JobCard): PlayableClip | null => chooseTestClip(clips.filter(isPlayable));
