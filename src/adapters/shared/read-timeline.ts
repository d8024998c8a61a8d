import { EncodedPacketSink, Input } from 'mediabunny';
import type { MediaOutline } from '@/core/proxies';
import type { ByteSource } from './byte-source';
import { readableFormats } from './readable-formats';
import { createReaderSource } from './reader-source';
import { sniffBytes } from './sniff-file';

/** What an original and its proxy are compared by, beside their pictures. */
export interface ReadOutline {
  readonly outline: MediaOutline;
  /** Size of each frame's data in order of time; 0 for key frames. */
  readonly changeBytes: readonly number[];
}

/** A file for the container reader; the caller disposes of it. */
export async function openInput(source: ByteSource): Promise<Input> {
  const head = await source.read(0, sniffBytes);
  return new Input({ formats: readableFormats, source: createReaderSource(source, head) });
}

/**
 * Reads when each frame of a clip is shown, its shape and its sound, without the pictures themselves. Null where the file has
 * no picture that could be read. Rejects where reading does. O(frames).
 */
export async function readTimeline(input: Input): Promise<ReadOutline | null> {
  const track = await input.getPrimaryVideoTrack();
  if (!track) return null;
  const frames: { readonly atSec: number; readonly endSec: number; readonly bytes: number; readonly isKey: boolean }[] =
    [];
  for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true }))
    frames.push({
      atSec: packet.timestamp,
      endSec: packet.timestamp + packet.duration,
      bytes: packet.byteLength,
      isKey: packet.type === 'key',
    });
  if (frames.length === 0) return null;
  frames.sort((a, b) => a.atSec - b.atSec);
  const sound = await input.getPrimaryAudioTrack();
  const [codedWidth, codedHeight] = [await track.getCodedWidth(), await track.getCodedHeight()];
  const squareWidth = await track.getSquarePixelWidth();
  const squareHeight = await track.getSquarePixelHeight();
  return {
    changeBytes: frames.map(({ bytes, isKey }) => (isKey ? 0 : bytes)),
    outline: {
      widthPx: codedWidth,
      heightPx: codedHeight,
      pixelAspect: { num: squareWidth * codedHeight, den: squareHeight * codedWidth },
      rotationDegrees: await track.getRotation(),
      timesMs: Float64Array.from(frames, ({ atSec }) => 1000 * atSec),
      durationMs: 1000 * ((frames.at(-1)?.endSec ?? 0) - (frames[0]?.atSec ?? 0)),
      keyFrameCount: frames.filter(({ isKey }) => isKey).length,
      sound: sound && {
        channelCount: await sound.getNumberOfChannels(),
        durationMs: 1000 * ((await sound.computeDuration()) - Math.max(0, await sound.getFirstTimestamp())),
      },
    },
  };
}
