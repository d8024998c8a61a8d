import type { Rig, RigStream } from './types';

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

/** Small copies of every clip that is larger; whether the preview uses them is another matter. */
export const makeCopies = (rig: Rig, heightPx: number): Rig => ({
  ...rig,
  clips: rig.clips.map((clip) =>
    clip.original.heightPx > heightPx && clip.original.codec !== 'still'
      ? { ...clip, copy: copyOf(clip.original, heightPx) }
      : clip,
  ),
});
