import type { VideoFacts } from '../footage/types';
import { chooseTestClip } from '../test-play/choose-clip';
import { planPieces } from '../test-play/plan-runs';
import type { CardClip, JobCard } from './types';

/** A clip of which this browser said that it can decode it. */
export type PlayableClip = CardClip & { readonly facts: VideoFacts };

export const isPlayable = (clip: CardClip): clip is PlayableClip =>
  clip.facts.kind === 'video' && clip.browserAnswer !== null && clip.browserAnswer.hardware !== 'codec-unknown';

/** A video of a card. */
export type VideoClip = CardClip & { readonly facts: VideoFacts };

export const isVideo = (clip: CardClip): clip is VideoClip => clip.facts.kind === 'video';

/** Whether reading a clip's file shows how quickly its drive gives it: this browser has seen it, and it is large enough. */
export const tellsOfDrive = ({ browserAnswer, facts }: VideoClip): boolean =>
  browserAnswer !== null && planPieces(facts.sizeBytes).length > 0;

/**
 * The clip whose test-play would tell most of this machine: the heaviest that can be decoded here, or else the one that
 * asks most of its drive, whose file can still be read. Null where a card has neither.
 */
export function testableClip({ clips }: JobCard): VideoClip | null {
  const playable = chooseTestClip(clips.filter(isPlayable));
  if (playable) return playable;
  const videos = clips.filter(isVideo).filter(tellsOfDrive);
  return videos.reduce<VideoClip | null>(
    (top, clip) => (top && top.facts.bitrateMbitPerSec >= clip.facts.bitrateMbitPerSec ? top : clip),
    null,
  );
}
