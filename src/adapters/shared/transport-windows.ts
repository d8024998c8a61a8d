import type { PacketStamp } from '@/core/footage';
import type { ByteSource } from './byte-source';
import { withDurations } from './frame-durations';

/** Where packets of an MPEG-TS file begin, and how far apart they are. */
interface Framing {
  readonly packetBytes: 188 | 192 | 204;
  readonly syncOffset: number;
}

const syncByte = 0x47;
const packetDataBytes = 188;
const noBytes = new Uint8Array();
/** Kinds of streams whose frames are told here (ISO/IEC 13818-1, table 2-34), under the container reader's names. */
const codecByType = { 1: 'mpeg1', 2: 'mpeg2', 27: 'avc', 36: 'hevc' } as const;
type VideoType = keyof typeof codecByType;
const isVideoType = (type: number): type is VideoType => type in codecByType;
const headBytes = 512 * 1024;
const ticksPerMs = 90;

function findFraming(head: Uint8Array): Framing | null {
  for (const packetBytes of [188, 192, 204] as const)
    for (let syncOffset = 0; syncOffset < packetBytes; syncOffset++)
      if ([0, 1, 2, 3].every((i) => head[syncOffset + i * packetBytes] === syncByte))
        return { packetBytes, syncOffset };
  return null;
}

/** Bytes of adaptation field before the payload of the packet at `at` (2.4.3.4), its length byte included. */
const adaptationBytesAt = (bytes: Uint8Array, at: number): number =>
  ((bytes[at + 3] ?? 0) & 0x20) !== 0 ? 1 + (bytes[at + 4] ?? 0) : 0;

const pidAt = (bytes: Uint8Array, at: number): number => (((bytes[at + 1] ?? 0) & 0x1f) << 8) | (bytes[at + 2] ?? 0);
const isStartAt = (bytes: Uint8Array, at: number): boolean => ((bytes[at + 1] ?? 0) & 0x40) !== 0;
const isRandomAccessAt = (bytes: Uint8Array, at: number): boolean =>
  adaptationBytesAt(bytes, at) > 1 && ((bytes[at + 5] ?? 0) & 0x40) !== 0;

const payloadBytesAt = (bytes: Uint8Array, at: number): number =>
  ((bytes[at + 3] ?? 0) & 0x10) === 0 ? 0 : Math.max(0, packetDataBytes - 4 - adaptationBytesAt(bytes, at));

/** The payload of the packet at `at` (2.4.3.2); empty where it has none. */
function payloadAt(bytes: Uint8Array, at: number): Uint8Array {
  const hasPayload = ((bytes[at + 3] ?? 0) & 0x10) !== 0;
  return hasPayload ? bytes.subarray(at + 4 + adaptationBytesAt(bytes, at), at + packetDataBytes) : noBytes;
}

/** Places of the packets in a piece of the file; those that do not begin as a packet must are left out. */
function* packetsIn(bytes: Uint8Array, { packetBytes, syncOffset }: Framing): Generator<number> {
  for (let at = syncOffset; at + packetDataBytes <= bytes.length; at += packetBytes)
    if (bytes[at] === syncByte) yield at;
}

interface VideoStream {
  readonly pid: number;
  readonly type: VideoType;
}

/** Bytes of a table section by its own word, its head included (2.4.4); more than there can be before that word is there. */
const statedBytes = (section: Uint8Array): number =>
  section.length < 3 ? Number.POSITIVE_INFINITY : 3 + ((((section[1] ?? 0) & 0xf) << 8) | (section[2] ?? 0));

function joined(a: Uint8Array, b: Uint8Array): Uint8Array {
  const both = new Uint8Array(a.length + b.length);
  both.set(a);
  both.set(b, a.length);
  return both;
}

interface Section {
  readonly pid: number;
  readonly bytes: Uint8Array;
}

/**
 * The table sections of a piece of the file, each whole: a section may run over several packets, and ends where its own
 * length says. `isWanted` is asked anew for each packet.
 */
function* sectionsIn(head: Uint8Array, framing: Framing, isWanted: (pid: number) => boolean): Generator<Section> {
  const begun = new Map<number, Uint8Array>();
  for (const at of packetsIn(head, framing)) {
    const pid = pidAt(head, at);
    if (!isWanted(pid)) continue;
    const payload = payloadAt(head, at);
    const before = begun.get(pid);
    // Where a section begins, a pointer says how much of the one before it comes first.
    const pointer = payload[0] ?? 0;
    const isStart = isStartAt(head, at);
    if (!isStart && !before) continue;
    const pieces = isStart
      ? [...(before ? [joined(before, payload.subarray(1, 1 + pointer))] : []), payload.subarray(1 + pointer)]
      : [joined(before ?? noBytes, payload)];
    begun.delete(pid);
    for (const bytes of pieces) {
      if (bytes.length >= statedBytes(bytes)) yield { pid, bytes: bytes.subarray(0, statedBytes(bytes)) };
      else begun.set(pid, bytes);
    }
  }
}

/** The first picture stream that the program map names (2.4.4.8), and its kind; null where none is found. */
function findVideoPid(head: Uint8Array, framing: Framing): VideoStream | null {
  let mapPid: number | null = null;
  for (const { pid, bytes } of sectionsIn(head, framing, (asked) => asked === 0 || asked === mapPid)) {
    if (pid === 0 && bytes[0] === 0) mapPid = (((bytes[10] ?? 0) & 0x1f) << 8) | (bytes[11] ?? 0);
    if (pid !== mapPid || bytes[0] !== 2) continue;
    // A check sum of four bytes ends it.
    const end = bytes.length - 4;
    let at = 12 + ((((bytes[10] ?? 0) & 0xf) << 8) | (bytes[11] ?? 0));
    while (at + 5 <= end) {
      const type = bytes[at] ?? 0;
      if (isVideoType(type)) return { pid: (((bytes[at + 1] ?? 0) & 0x1f) << 8) | (bytes[at + 2] ?? 0), type };
      at += 5 + ((((bytes[at + 3] ?? 0) & 0xf) << 8) | (bytes[at + 4] ?? 0));
    }
  }
  return null;
}

/** The presentation stamp of a PES header (2.4.3.6), in ticks; null where it has none. */
function parseStamp(payload: Uint8Array): number | null {
  const isPes = payload[0] === 0 && payload[1] === 0 && payload[2] === 1;
  if (!isPes || ((payload[7] ?? 0) & 0x80) === 0) return null;
  const [a = 0, b = 0, c = 0, d = 0, e = 0] = payload.subarray(9, 14);
  return ((a >> 1) & 7) * 2 ** 30 + (b << 22) + ((c >> 1) << 15) + (d << 7) + (e >> 1);
}

/** Stamps have 33 bits and begin again every 26.5 hours (2.4.3.7), wherever a recorder's clock stood when it began. */
const wrapTicks = 2 ** 33;

/** The stamp as it would be with more bits: the one of all that it could be that is nearest to another. */
const unwrapped = (ticks: number, nearTicks: number): number =>
  ticks + wrapTicks * Math.round((nearTicks - ticks) / wrapTicks);

/** Whether the beginning of a frame holds a parameter set or a picture that needs no other. */
function startsWithKey(payload: Uint8Array, type: VideoType): boolean {
  for (let i = 9; i + 4 < payload.length; i++) {
    if (payload[i] !== 0 || payload[i + 1] !== 0 || payload[i + 2] !== 1) continue;
    const unit = payload[i + 3] ?? 0;
    if (type === 0x1b && ((unit & 0x1f) === 5 || (unit & 0x1f) === 7)) return true;
    if (type === 0x24 && ((unit >> 1) & 0x3f) >= 16 && ((unit >> 1) & 0x3f) <= 33) return true;
    if (type <= 2 && unit === 0xb3) return true;
  }
  return false;
}

interface OpenFrame {
  readonly presentationMs: number;
  readonly isKey: boolean;
  sizeBytes: number;
}

/** Whole frames of a piece of the file: from the first that begins in it to the last that ends in it, or in the file. */
function framesIn(
  bytes: Uint8Array,
  framing: Framing,
  { video, firstTicks }: Pick<OpenTransport, 'video' | 'firstTicks'>,
  isToTheEnd: boolean,
): readonly PacketStamp[] {
  const frames: PacketStamp[] = [];
  let nearTicks = firstTicks;
  let open: OpenFrame | null = null;
  for (const at of packetsIn(bytes, framing)) {
    if (pidAt(bytes, at) !== video.pid) continue;
    if (isStartAt(bytes, at)) {
      const payload = payloadAt(bytes, at);
      const ticks = parseStamp(payload);
      if (ticks !== null) {
        if (open) frames.push({ ...open, durationMs: 0 });
        const isKey = isRandomAccessAt(bytes, at) || startsWithKey(payload, video.type);
        nearTicks = unwrapped(ticks, nearTicks);
        open = { presentationMs: nearTicks / ticksPerMs, isKey, sizeBytes: 0 };
      }
    }
    if (open) open.sizeBytes += payloadBytesAt(bytes, at);
  }
  if (open && isToTheEnd) frames.push({ ...open, durationMs: 0 });
  return frames;
}

/** A file's beginning with where its packets and its picture stream are. */
interface OpenTransport {
  readonly head: Uint8Array;
  readonly framing: Framing;
  readonly video: VideoStream;
  /** The first frame's stamp, which all others are told from; 0 where the beginning holds none. */
  readonly firstTicks: number;
}

function findFirstTicks(head: Uint8Array, framing: Framing, { pid }: VideoStream): number {
  for (const at of packetsIn(head, framing)) {
    const ticks = pidAt(head, at) === pid && isStartAt(head, at) ? parseStamp(payloadAt(head, at)) : null;
    if (ticks !== null) return ticks;
  }
  return 0;
}

/** Null where the file's program map names no picture that is known here. */
function openTransport(bytes: Uint8Array): OpenTransport | null {
  const head = bytes.subarray(0, headBytes);
  const framing = findFraming(head);
  const video = framing && findVideoPid(head, framing);
  return framing && video ? { head, framing, video, firstTicks: findFirstTicks(head, framing, video) } : null;
}

/** A window is read in steps of this, until it holds enough frames or is long enough. */
const stepBytes = 1.5 * 1024 * 1024;
const enoughFrames = 40;
const mostWindowBytes = 6 * 1024 * 1024;
/** All windows together; what is left of the read budget is for the file's head. */
const mostBytes = 20 * 1024 * 1024;

/**
 * Windows of frames at places (shares of the file's size). Null where the file's program map names no picture that
 * is known here.
 */
export async function readTransportWindows(
  source: ByteSource,
  places: readonly number[],
): Promise<readonly (readonly PacketStamp[])[] | null> {
  const opened = openTransport(await source.read(0, headBytes));
  if (!opened) return null;
  const { framing } = opened;
  const { packetBytes } = framing;
  const windows: (readonly PacketStamp[])[] = [];
  let readBytes = 0;
  for (const place of places) {
    const wantedStart = Math.min(place * source.sizeBytes, source.sizeBytes - stepBytes);
    const start = Math.max(0, Math.floor(wantedStart / packetBytes)) * packetBytes;
    let bytes: Uint8Array = noBytes;
    let frames: readonly PacketStamp[] = [];
    while (frames.length < enoughFrames && bytes.length < mostWindowBytes && readBytes + stepBytes < mostBytes) {
      const more = await source.read(start + bytes.length, start + bytes.length + stepBytes);
      if (more.length === 0) break;
      readBytes += more.length;
      bytes = joined(bytes, more);
      frames = framesIn(bytes, framing, opened, false);
    }
    if (frames.length > 1) windows.push(withDurations(frames));
  }
  return windows;
}

/** Every frame of a file that is small enough to be read at once. Null as above. */
export async function readWholeTransport(source: ByteSource): Promise<readonly PacketStamp[] | null> {
  const bytes = await source.read(0, source.sizeBytes);
  const opened = openTransport(bytes);
  return opened ? withDurations(framesIn(bytes, opened.framing, opened, true)) : null;
}

/** What the program map says of the picture, and the beginning of its data, where a sequence header stands. */
export interface TransportPicture {
  readonly codec: (typeof codecByType)[VideoType];
  readonly firstFrame: Uint8Array;
}

const firstFrameBytes = 128 * 1024;

/** The picture stream of a file by its program map, for kinds that the container reader does not take. Null without one. */
export async function readTransportPicture(source: ByteSource): Promise<TransportPicture | null> {
  const opened = openTransport(await source.read(0, headBytes));
  if (!opened) return null;
  const { head, framing, video } = opened;
  const firstFrame = new Uint8Array(firstFrameBytes + packetDataBytes);
  let length = 0;
  for (const at of packetsIn(head, framing)) {
    if (length >= firstFrameBytes) break;
    if (pidAt(head, at) !== video.pid) continue;
    const payload = payloadAt(head, at);
    firstFrame.set(payload, length);
    length += payload.length;
  }
  return { codec: codecByType[video.type], firstFrame: firstFrame.subarray(0, length) };
}
