import type { PictureStream } from './types';

/** Proxies are H.264 with every frame a key frame: megabits a megapixel and frame at good preview quality. Assumption. */
const proxyMegabitPerMegapixel = 0.8;

/** The proxy of a stream: the same shape and rate at a smaller height, every frame a key frame. */
export function proxyStreamOf(original: PictureStream, heightPx: number): PictureStream {
  const widthPx = Math.max(2, 2 * Math.round((original.widthPx * heightPx) / original.heightPx / 2));
  const megapixels = (widthPx * heightPx) / 1e6;
  return {
    codec: 'h264',
    bitDepth: 8,
    chroma: '4:2:0',
    widthPx,
    heightPx,
    frameRateFps: original.frameRateFps,
    bitrateMbitPerSec: proxyMegabitPerMegapixel * megapixels * original.frameRateFps,
    meanKeyFrameDistanceFrames: 1,
    hardwareDecode: 'unknown',
    drive: original.drive,
  };
}
