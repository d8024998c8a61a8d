import { keyFrameDistanceOf, type ProxyRecipe, proxyMegabitPerSec, proxySizeOf, usualRecipe } from '../proxies/recipe';
import type { PictureStream } from './types';

/** The proxy of a stream by a recipe: the same shape and rate with fewer lines; as large as it is where it has no more. */
export function proxyStreamOf(
  original: PictureStream,
  lines: number,
  recipe: Pick<ProxyRecipe, 'keyFrames' | 'grade'> = usualRecipe,
): PictureStream {
  const { widthPx, heightPx } = proxySizeOf(original, lines) ?? original;
  if (original.codec === 'still') return { ...original, widthPx, heightPx };
  return {
    codec: 'h264',
    bitDepth: 8,
    chroma: '4:2:0',
    widthPx,
    heightPx,
    frameRateFps: original.frameRateFps,
    bitrateMbitPerSec: proxyMegabitPerSec({ widthPx, heightPx }, original.frameRateFps, recipe),
    meanKeyFrameDistanceFrames: keyFrameDistanceOf({ ...usualRecipe, ...recipe }, original.frameRateFps),
    sizeEvenness: null,
    hardwareDecode: 'unknown',
    drive: original.drive,
  };
}
