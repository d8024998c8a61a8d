import type { Rig, RigClip, RigStream } from './types';
import { holdUpsOf } from './work';

/** A small copy of a stream: H.264, every frame a key frame. */
function copyOf(original: RigStream, heightPx: number): RigStream {
  const ratio = heightPx / original.heightPx;
  const megapixels = original.megapixels * ratio * ratio;
  return {
    ...original,
    codec: 'h264',
    isDeep: false,
    chromaRatio: 1,
    megapixels,
    heightPx,
    megabitsPerFrame: 0.85 * megapixels,
    keyEveryFrames: 1,
    canHardware: original.canHardware,
  };
}

/** Longer than this a hand on the playhead waits for a picture. */
const longJumpMs = 250;

/** Whether a clip, on as many layers as there are, is more than this rig keeps up with by itself. */
export function isHeavyClip(rig: Rig, { original }: RigClip): boolean {
  const { readMs, decodeMs } = holdUpsOf(rig, original);
  const pictures = rig.timeline.layerCount + rig.timeline.coveredLayerCount;
  const perShown = Math.max(1, original.fps / rig.timeline.fps);
  const jumpMs = original.drive.seekMs + ((original.keyEveryFrames + 1) / 2) * (decodeMs + readMs);
  return Math.max(decodeMs, readMs) * perShown * pictures > 1000 / rig.timeline.fps || jumpMs * pictures > longJumpMs;
}

/** Small copies of the clips that are larger and that `isChosen` picks; whether the preview uses them is another matter. */
export const makeCopies = (
  rig: Rig,
  heightPx: number,
  isChosen: (clip: RigClip, index: number) => boolean = () => true,
): Rig => ({
  ...rig,
  clips: rig.clips.map((clip, i) =>
    clip.original.heightPx > heightPx && clip.original.codec !== 'still' && isChosen(clip, i)
      ? { ...clip, copy: copyOf(clip.original, heightPx) }
      : clip,
  ),
});
