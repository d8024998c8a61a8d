import type { PacketStamp } from '@/core/footage';
import { type Box, boxesIn } from './boxes';
import type { ByteSource } from './byte-source';
import { readMp4Fragments } from './mp4-fragments';
import type { Mp4VideoTrack } from './mp4-outline';

/** Tables larger than this are left to the reader, which goes through them by parts. */
const mostTableBytes = 12 * 1024 * 1024;

/** Every sample of a track, and the sum of their decoding times. */
export interface Mp4Samples {
  readonly packets: readonly PacketStamp[];
  readonly isWhole: boolean;
  readonly decodingMs: number;
}

/** The tables in a sample table by their types, found in one pass: each is a jump away from the one before. */
async function listTables(source: ByteSource, sampleTable: Box): Promise<ReadonlyMap<string, Box>> {
  const boxes = new Map<string, Box>();
  for await (const box of boxesIn(source, sampleTable)) boxes.set(box.type, box);
  return boxes;
}

async function readTable(source: ByteSource, box: Box | undefined): Promise<DataView | null> {
  if (!box || box.end - box.dataStart > mostTableBytes) return null;
  const bytes = await source.read(box.dataStart, box.end);
  return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
}

/** Gives the value of each sample in turn from a table of runs (count, value), e.g. stts and ctts. */
function createRunReader(table: DataView | null, isSigned: boolean): () => number {
  let at = 8;
  let left = 0;
  let value = 0;
  return () => {
    while (left === 0 && table && at + 8 <= table.byteLength) {
      left = table.getUint32(at);
      value = isSigned ? table.getInt32(at + 4) : table.getUint32(at + 4);
      at += 8;
    }
    if (left === 0) return 0;
    left -= 1;
    return value;
  };
}

/** The sum of all runs of a table of decoding times. */
function sumRuns(table: DataView): number {
  let ticks = 0;
  for (let at = 8; at + 8 <= table.byteLength; at += 8) ticks += table.getUint32(at) * table.getUint32(at + 4);
  return ticks;
}

/** Numbers of sync samples (8.6.2), counted from 1; without a table every sample is one. */
function listSyncSamples(table: DataView | null): ReadonlySet<number> | null {
  if (!table) return null;
  const numbers = new Set<number>();
  for (let at = 8; at + 4 <= table.byteLength; at += 4) numbers.add(table.getUint32(at));
  return numbers;
}

/**
 * A track's samples from its tables, and from fragments after them where there are both (ISO/IEC 14496-12, 8.6 and 8.7.3), at most `mostSamples` from the start. Null
 * where the tables are missing or empty, as in fragmented files, or too long; the reader knows those.
 */
export async function readMp4Samples(
  source: ByteSource,
  track: Mp4VideoTrack,
  mostSamples: number,
): Promise<Mp4Samples | null> {
  const { sampleTable, ticksPerSec, startTicks } = track;
  const tables = await listTables(source, sampleTable);
  const sizes = await readTable(source, tables.get('stsz'));
  const times = await readTable(source, tables.get('stts'));
  if (!sizes || !times || sizes.byteLength < 12 || times.byteLength < 16 || ticksPerSec === 0) return null;
  const fixedBytes = sizes.getUint32(4);
  const statedCount = sizes.getUint32(8);
  const tableCount = fixedBytes > 0 ? statedCount : Math.min(statedCount, Math.floor((sizes.byteLength - 12) / 4));
  const count = Math.min(tableCount, mostSamples);
  if (count === 0 || tableCount < statedCount) return null;
  const offsets = await readTable(source, tables.get('ctts'));
  const syncSamples = listSyncSamples(await readTable(source, tables.get('stss')));
  const nextDuration = createRunReader(times, false);
  const nextOffset = createRunReader(offsets, true);
  const msPerTick = 1000 / ticksPerSec;
  const packets: PacketStamp[] = [];
  let ticks = 0;
  for (let i = 0; i < count; i++) {
    const duration = nextDuration();
    packets.push({
      presentationMs: (ticks + nextOffset() - startTicks) * msPerTick,
      durationMs: duration * msPerTick,
      sizeBytes: fixedBytes > 0 ? fixedBytes : sizes.getUint32(12 + 4 * i),
      isKey: syncSamples === null || syncSamples.has(i + 1),
    });
    ticks += duration;
  }
  if (!track.hasFragments) return { packets, isWhole: count === tableCount, decodingMs: sumRuns(times) * msPerTick };
  const left = { startTicks: ticks, mostSamples: mostSamples - packets.length };
  const later = left.mostSamples > 0 ? await readMp4Fragments(source, track, left) : [];
  return { packets: [...packets, ...later], isWhole: later.length < left.mostSamples, decodingMs: 0 };
}
