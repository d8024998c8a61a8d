import { bisectCenter } from 'd3-array';
import { type ComparedPlace, choosePlaces, type MediaOutline } from './check-proxy';
import type { Luma } from './compare-pictures';

/** Gives the pictures of some frames in a row; fewer where some cannot be had. */
export type PictureReader = (outline: MediaOutline, firstIndex: number, count: number) => Promise<readonly Luma[]>;

/** The frame that is shown at a time from the beginning; the nearest one. O(log frames). */
function indexAt({ timesMs }: MediaOutline, fromStartMs: number): number {
  return bisectCenter(timesMs, (timesMs[0] ?? 0) + fromStartMs, 0, timesMs.length);
}

/** Reads the pictures of the places to compare; a place of which the original's own frame cannot be read is left out. */
export async function gatherPlaces(
  original: { readonly outline: MediaOutline; readonly changeBytes: readonly number[]; readonly read: PictureReader },
  proxy: { readonly outline: MediaOutline; readonly read: PictureReader },
  onPlace: (doneCount: number, placeCount: number) => void = () => undefined,
): Promise<readonly ComparedPlace[]> {
  const chosen = choosePlaces(original.changeBytes);
  const places: ComparedPlace[] = [];
  for (const [done, frameIndex] of chosen.entries()) {
    onPlace(done, chosen.length);
    const firstIndex = Math.max(0, frameIndex - 1);
    const pictures = await original.read(original.outline, firstIndex, frameIndex - firstIndex + 2);
    const own = pictures[frameIndex - firstIndex];
    const fromStartMs = (original.outline.timesMs[frameIndex] as number) - (original.outline.timesMs[0] as number);
    const [shown] = await proxy.read(proxy.outline, indexAt(proxy.outline, fromStartMs), 1);
    if (!own || !shown) continue;
    places.push({
      frameIndex,
      own,
      proxy: shown,
      before: firstIndex < frameIndex ? (pictures[0] ?? null) : null,
      after: pictures[frameIndex - firstIndex + 1] ?? null,
    });
  }
  return places;
}
