import { type Input, VideoSampleSink } from 'mediabunny';
import {
  type CheckedProxy,
  checkProxy,
  comparedHeight,
  comparedWidth,
  gatherPlaces,
  type Luma,
  type PictureReader,
} from '@/core/proxies';
import { openInput, readTimeline } from '../shared/read-timeline';
import { createBlobSource } from './blob-source';
import { readLuma } from './scale-frame';

/** Reads pictures of a clip through the browser's decoder. */
async function pictureReaderOf(input: Input): Promise<PictureReader | null> {
  const track = await input.getPrimaryVideoTrack();
  if (!track || !(await track.canDecode())) return null;
  const sink = new VideoSampleSink(track);
  return async ({ timesMs }, firstIndex, count) => {
    const pictures: Luma[] = [];
    // A microsecond early: times are rounded to whole ones on their way.
    const fromSec = (timesMs[firstIndex] as number) / 1000 - 1e-6;
    for await (const sample of sink.samples(fromSec)) {
      const frame = sample.toVideoFrame();
      sample.close();
      try {
        if (frame.timestamp / 1000 < (timesMs[firstIndex] as number) - 0.01) continue;
        const luma = await readLuma(frame, comparedWidth, comparedHeight);
        if (!luma) return [];
        pictures.push(luma);
      } finally {
        frame.close();
      }
      if (pictures.length === count) break;
    }
    return pictures;
  };
}

/**
 * Opens a proxy again and compares it with its original. Null where either cannot be read at all. Pictures are left out where this
 * browser does not decode one of them. Rejects where reading fails.
 */
export async function checkMadeProxy(
  original: File,
  proxy: File,
  onPlace: (doneCount: number, placeCount: number) => void,
): Promise<CheckedProxy | null> {
  const [ofOriginal, ofProxy] = [await openInput(createBlobSource(original)), await openInput(createBlobSource(proxy))];
  try {
    const [a, b] = [await readTimeline(ofOriginal), await readTimeline(ofProxy)];
    if (!a || !b) return null;
    const [readA, readB] = [await pictureReaderOf(ofOriginal), await pictureReaderOf(ofProxy)];
    const places = readA && readB ? await gatherPlaces({ ...a, read: readA }, { ...b, read: readB }, onPlace) : [];
    return { check: checkProxy(a.outline, b.outline, places), outline: b.outline };
  } finally {
    ofOriginal.dispose();
    ofProxy.dispose();
  }
}
