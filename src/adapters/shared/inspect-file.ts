import {
  ALL_FORMATS,
  CustomSource,
  EncodedPacketSink,
  Input,
  type InputAudioTrack,
  type InputTrack,
  type InputVideoTrack,
  UnsupportedInputFormatError,
} from 'mediabunny';
import {
  type AudioFacts,
  buildClipFacts,
  type ClipFacts,
  type ContainerFormat,
  type FootageFailure,
  nameAudioCodec,
  type PacketStamp,
} from '@/core/footage';
import { fail, type Result } from '@/core/result';
import {
  type ByteSource,
  type CountingByteSource,
  countBytes,
  ReadBudgetExceededError,
  readBudgetBytes,
} from './byte-source';
import { type MatroskaOutline, readMatroskaOutline } from './matroska-outline';
import { readMp4Outline } from './mp4-outline';

/** Packets kept for one file: a two-hour film at 25 frames a second fits; longer ones are told from this many. */
const mostPackets = 200_000;
/** Where walking packets reads media data (no index of them), no more than this is read for them. */
const packetBytesBudget = 16 * 1024 * 1024;
/** Where it does, a window this long is enough to learn rate and bit rate from. */
const leastSampledPackets = 24;

const containerByFormatName: Readonly<Record<string, ContainerFormat>> = {
  MP4: 'mp4',
  'QuickTime File Format': 'mov',
  Matroska: 'mkv',
  WebM: 'webm',
  'MPEG Transport Stream': 'ts',
};

export interface InspectOutcome {
  readonly result: Result<ClipFacts, FootageFailure>;
  readonly bytesRead: number;
}

interface PacketWalk {
  readonly packets: readonly PacketStamp[];
  readonly isWhole: boolean;
}

/** Lists packets from the start until the end, the packet limit or the byte budget. */
async function walkPackets(
  track: InputTrack,
  source: CountingByteSource,
  limits: { readonly untilMs: number; readonly maxBytes: number },
): Promise<PacketWalk> {
  const startBytes = source.bytesRead();
  const packets: PacketStamp[] = [];
  for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true })) {
    packets.push({
      presentationMs: packet.timestamp * 1000,
      durationMs: packet.duration * 1000,
      sizeBytes: packet.byteLength,
      isKey: packet.type === 'key',
    });
    const isOverBytes = source.bytesRead() - startBytes > limits.maxBytes && packets.length >= leastSampledPackets;
    if (packets.length >= mostPackets || isOverBytes || packet.timestamp * 1000 > limits.untilMs)
      return { packets, isWhole: false };
  }
  return { packets, isWhole: true };
}

async function readAudioFacts(track: InputAudioTrack | null): Promise<AudioFacts | null> {
  if (!track) return null;
  const readerCodec = await track.getCodec();
  return {
    codec: readerCodec ? nameAudioCodec(readerCodec) : String(track.internalCodecId ?? 'unknown'),
    channelCount: await track.getNumberOfChannels(),
    sampleRateHz: await track.getSampleRate(),
  };
}

/** Bits a second of the sound beside a window of the picture; its packets lie in the clusters just read. */
async function sampleAudioBitRate(
  track: InputAudioTrack | null,
  source: CountingByteSource,
  video: PacketWalk,
): Promise<number> {
  const untilMs = video.packets.at(-1)?.presentationMs ?? 0;
  if (!track || video.isWhole || untilMs <= 0) return 0;
  const { packets } = await walkPackets(track, source, { untilMs, maxBytes: packetBytesBudget / 2 });
  const lastMs = packets.at(-1)?.presentationMs ?? 0;
  return lastMs > 0 ? (packets.reduce((sum, packet) => sum + packet.sizeBytes, 0) * 8000) / lastMs : 0;
}

const internalCodeOf = (track: InputVideoTrack): string | null => {
  const code = track.internalCodecId;
  return typeof code === 'string' ? code : code === null ? null : `0x${code.toString()}`;
};

async function readClip(source: CountingByteSource, input: Input): Promise<Result<ClipFacts, FootageFailure>> {
  const format = await input.getFormat();
  const container = containerByFormatName[format.name];
  if (!container) return fail({ code: 'file-not-media' });
  const cutOff = (expectedBytes: number | null) =>
    fail({ code: 'file-cut-off' as const, sizeBytes: source.sizeBytes, expectedBytes });

  let outline: MatroskaOutline | null = null;
  if (container === 'mp4' || container === 'mov') {
    const { hasIndex, expectedBytes } = await readMp4Outline(source);
    if (expectedBytes > source.sizeBytes) return cutOff(expectedBytes);
    if (!hasIndex) return cutOff(null);
  }
  if (container === 'mkv' || container === 'webm') {
    outline = await readMatroskaOutline(source);
    if (outline.expectedBytes !== null && outline.expectedBytes > source.sizeBytes)
      return cutOff(outline.expectedBytes);
  }

  const video = await input.getPrimaryVideoTrack();
  const audio = await input.getPrimaryAudioTrack();
  if (!video) return fail({ code: 'no-video-track', hasAudio: audio !== null });
  const hasPacketIndex = container === 'mp4' || container === 'mov';
  const walk = await walkPackets(video, source, {
    untilMs: Number.POSITIVE_INFINITY,
    maxBytes: hasPacketIndex ? readBudgetBytes : packetBytesBudget,
  });
  const statedMs = ((await video.getDurationFromMetadata()) ?? 0) * 1000;
  const last = walk.packets.reduce((end, packet) => Math.max(end, packet.presentationMs + packet.durationMs), 0);
  const first = walk.packets.reduce(
    (start, packet) => Math.min(start, packet.presentationMs),
    Number.POSITIVE_INFINITY,
  );
  const walkedMs = walk.packets.length > 0 ? last - first : 0;
  const decoderConfig = await video.getDecoderConfig();
  const record = decoderConfig?.description;
  return buildClipFacts({
    fileName: source.fileName,
    sizeBytes: source.sizeBytes,
    container,
    readerCodec: await video.getCodec(),
    internalCode: internalCodeOf(video),
    codecString: decoderConfig?.codec ?? null,
    codecRecord: record instanceof Uint8Array ? record : null,
    widthPx: await video.getCodedWidth(),
    heightPx: await video.getCodedHeight(),
    rotationDegrees: await video.getRotation(),
    ticksPerSec: await video.getTimeResolution(),
    durationMs: walk.isWhole ? walkedMs : Math.max(statedMs, walkedMs),
    packets: walk.packets,
    isWhole: walk.isWhole,
    indexedKeyFrameMs: outline?.indexedKeyFrameMs ?? [],
    declaredFrameDurationNs: outline?.declaredFrameDurationNs ?? null,
    audio: await readAudioFacts(audio),
    audioBitPerSec: await sampleAudioBitRate(audio, source, walk),
  });
}

/** Turns what the reader threw into a coded failure; the reader throws for any malformed file. */
function describeReadError(error: unknown): FootageFailure {
  const chain = error instanceof Error && error.cause instanceof Error ? error.cause : error;
  if (chain instanceof ReadBudgetExceededError) return { code: 'read-budget-exceeded', budgetBytes: readBudgetBytes };
  if (error instanceof UnsupportedInputFormatError) return { code: 'file-not-media' };
  return { code: 'file-unreadable', detail: error instanceof Error ? error.message : String(error) };
}

/**
 * Reads a clip's facts from its container, by slices: at most `readBudgetBytes` of it.
 * Never rejects: whatever the bytes are, the answer is facts or a coded failure.
 */
export async function inspectFile(file: ByteSource): Promise<InspectOutcome> {
  const source = countBytes(file, readBudgetBytes);
  if (file.sizeBytes === 0) return { result: fail({ code: 'file-empty' }), bytesRead: 0 };
  const input = new Input({
    formats: ALL_FORMATS,
    source: new CustomSource({ getSize: () => source.sizeBytes, read: source.read }),
  });
  try {
    return { result: await readClip(source, input), bytesRead: source.bytesRead() };
  } catch (error) {
    return { result: fail(describeReadError(error)), bytesRead: source.bytesRead() };
  } finally {
    input.dispose();
  }
}
