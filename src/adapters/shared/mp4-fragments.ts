import type { PacketStamp } from '@/core/footage';
import { type Box, boxesIn, findBox } from './boxes';
import { type ByteSource, readAhead } from './byte-source';
import type { Mp4VideoTrack } from './mp4-outline';

/** Fragments are read by their headers alone; a second of film has a few kilobytes of them. */
const readAheadBytes = 16 * 1024;
const mostHeaderBytes = 4 * 1024 * 1024;

/** What holds for samples of which nothing else is said: per track (8.8.3), and per fragment over it (8.8.7). */
interface SampleDefaults {
  readonly duration: number;
  readonly sizeBytes: number;
  readonly flags: number;
}

/** Sample flags (8.8.3.1): this bit is set where a sample is no key frame. */
const isNonSync = (flags: number): boolean => (flags & 0x10000) !== 0;

async function readView(source: ByteSource, box: Box): Promise<DataView | null> {
  if (box.end - box.dataStart > mostHeaderBytes) return null;
  const bytes = await source.read(box.dataStart, box.end);
  return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
}

/** The flags of a full box: the three bytes behind its version. */
const boxFlags = (view: DataView): number => view.getUint32(0) & 0xffffff;

/** The track's defaults from the movie's "trex" boxes. */
async function readTrackDefaults(source: ByteSource, movie: Box, trackId: number): Promise<SampleDefaults> {
  const extension = await findBox(source, movie, ['mvex']);
  for await (const box of extension ? boxesIn(source, extension) : []) {
    const view = box.type === 'trex' ? await readView(source, box) : null;
    if (view && view.byteLength >= 24 && view.getUint32(4) === trackId)
      return { duration: view.getUint32(12), sizeBytes: view.getUint32(16), flags: view.getUint32(20) };
  }
  return { duration: 0, sizeBytes: 0, flags: 0 };
}

/** A fragment's own defaults over the track's, from its header "tfhd"; null where it is another track's. */
function parseFragmentHeader(view: DataView, trackId: number, track: SampleDefaults): SampleDefaults | null {
  if (view.byteLength < 8 || view.getUint32(4) !== trackId) return null;
  const flags = boxFlags(view);
  let at = 8 + ((flags & 1) !== 0 ? 8 : 0) + ((flags & 2) !== 0 ? 4 : 0);
  const next = (isPresent: boolean, otherwise: number): number => {
    if (!isPresent || at + 4 > view.byteLength) return otherwise;
    at += 4;
    return view.getUint32(at - 4);
  };
  return {
    duration: next((flags & 8) !== 0, track.duration),
    sizeBytes: next((flags & 0x10) !== 0, track.sizeBytes),
    flags: next((flags & 0x20) !== 0, track.flags),
  };
}

interface Sample {
  readonly duration: number;
  readonly sizeBytes: number;
  readonly offset: number;
  readonly isKey: boolean;
}

/** The samples of one "trun" (8.8.8). */
function* parseRun(view: DataView, defaults: SampleDefaults): Generator<Sample> {
  if (view.byteLength < 8) return;
  const flags = boxFlags(view);
  const count = view.getUint32(4);
  let at = 8 + ((flags & 1) !== 0 ? 4 : 0);
  const hasFirstFlags = (flags & 4) !== 0;
  const firstFlags = hasFirstFlags && at + 4 <= view.byteLength ? view.getUint32(at) : defaults.flags;
  if (hasFirstFlags) at += 4;
  const fields = [0x100, 0x200, 0x400, 0x800].filter((bit) => (flags & bit) !== 0).length;
  for (let i = 0; i < count && at + 4 * fields <= view.byteLength; i++) {
    const next = (bit: number, otherwise: number): number => {
      if ((flags & bit) === 0) return otherwise;
      at += 4;
      return view.getUint32(at - 4);
    };
    const duration = next(0x100, defaults.duration);
    const sizeBytes = next(0x200, defaults.sizeBytes);
    const sampleFlags = next(0x400, i === 0 ? firstFlags : defaults.flags);
    const offset = next(0x800, 0) | 0;
    yield { duration, sizeBytes, offset, isKey: !isNonSync(sampleFlags) };
  }
}

/** Where a fragment begins in decoding time ("tfdt", 8.8.12); where it does not say, it goes on from the one before. */
async function readStartTicks(source: ByteSource, fragment: Box, otherwise: number): Promise<number> {
  const box = await findBox(source, fragment, ['tfdt']);
  const view = box && (await readView(source, box));
  if (!view || view.byteLength < 8) return otherwise;
  return view.getUint8(0) === 1 && view.byteLength >= 12 ? Number(view.getBigUint64(4)) : view.getUint32(4);
}

/**
 * The samples of a track that lie in fragments, in the order of the file, after `startTicks` of decoding time; at most
 * `mostSamples`. Only headers are read.
 */
export async function readMp4Fragments(
  file: ByteSource,
  track: Mp4VideoTrack,
  from: { readonly startTicks: number; readonly mostSamples: number },
): Promise<readonly PacketStamp[]> {
  const source = readAhead(file, readAheadBytes);
  const whole = { dataStart: 0, end: file.sizeBytes };
  const msPerTick = 1000 / track.ticksPerSec;
  const packets: PacketStamp[] = [];
  let trackDefaults: SampleDefaults = { duration: 0, sizeBytes: 0, flags: 0 };
  let ticks = from.startTicks;
  for await (const outer of boxesIn(source, whole)) {
    if (outer.type === 'moov') trackDefaults = await readTrackDefaults(source, outer, track.trackId);
    if (outer.type !== 'moof') continue;
    for await (const fragment of boxesIn(source, outer)) {
      const header = fragment.type === 'traf' ? await findBox(source, fragment, ['tfhd']) : null;
      const headerView = header && (await readView(source, header));
      const defaults = headerView && parseFragmentHeader(headerView, track.trackId, trackDefaults);
      if (!defaults) continue;
      ticks = await readStartTicks(source, fragment, ticks);
      for await (const run of boxesIn(source, fragment)) {
        const view = run.type === 'trun' ? await readView(source, run) : null;
        for (const sample of view ? parseRun(view, defaults) : []) {
          packets.push({
            presentationMs: (ticks + sample.offset - track.startTicks) * msPerTick,
            durationMs: sample.duration * msPerTick,
            sizeBytes: sample.sizeBytes,
            isKey: sample.isKey,
          });
          ticks += sample.duration;
          if (packets.length >= from.mostSamples) return packets;
        }
      }
    }
  }
  return packets;
}
