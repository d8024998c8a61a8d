import { EncodedPacketSink, type Input, type InputAudioTrack, type InputVideoTrack } from 'mediabunny';
import {
  type AudioFacts,
  buildClipFacts,
  type ContainerFormat,
  type FootageFailure,
  nameAudioCodec,
  nameVideoCodec,
  needsFirstFrame,
  type ScanKind,
  type SoundFacts,
  type SoundFormat,
  type VideoFacts,
} from '@/core/footage';
import { fail, type Result, succeed } from '@/core/result';
import type { CountingByteSource } from './byte-source';
import { type MatroskaOutline, readMatroskaOutline } from './matroska-outline';
import { readMp4Outline } from './mp4-outline';
import { walkVideoPackets } from './packet-windows';

const containerByFormatName: Readonly<Record<string, SoundFormat>> = {
  MP4: 'mp4',
  'QuickTime File Format': 'mov',
  Matroska: 'mkv',
  WebM: 'webm',
  'MPEG Transport Stream': 'ts',
  WAVE: 'wav',
  MP3: 'mp3',
  Ogg: 'ogg',
  FLAC: 'flac',
  ADTS: 'aac',
};
const pictureContainers: ReadonlySet<string> = new Set<ContainerFormat>(['mp4', 'mov', 'mkv', 'webm', 'ts']);

/** What a container's own structure says beyond what the reader tells; the same for every container. */
interface Outline {
  /** Where the file should end by its own account, or null where it does not say. */
  readonly expectedBytes: number | null;
  readonly hasIndex: boolean;
  readonly scan: ScanKind;
  readonly foreignCode: string | null;
  readonly objectType: number | null;
  readonly mediaDurationMs: number;
  readonly declaredFrameDurationNs: number | null;
  readonly indexedKeyFrameMs: readonly number[];
  readonly matroska: MatroskaOutline | null;
}

const noOutline: Outline = {
  expectedBytes: null,
  hasIndex: true,
  scan: 'unknown',
  foreignCode: null,
  objectType: null,
  mediaDurationMs: 0,
  declaredFrameDurationNs: null,
  indexedKeyFrameMs: [],
  matroska: null,
};

async function readOutline(source: CountingByteSource, container: SoundFormat): Promise<Outline> {
  if (container === 'mp4' || container === 'mov') {
    const { videoEntry, expectedBytes, hasIndex } = await readMp4Outline(source);
    const { scan = 'unknown', objectType = null, mediaDurationMs = 0 } = videoEntry ?? {};
    return { ...noOutline, expectedBytes, hasIndex, scan, objectType, mediaDurationMs };
  }
  if (container === 'mkv' || container === 'webm') {
    const matroska = await readMatroskaOutline(source);
    return { ...noOutline, ...matroska, matroska };
  }
  return noOutline;
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

async function readSound(
  source: CountingByteSource,
  track: InputAudioTrack,
  container: SoundFormat,
): Promise<Result<SoundFacts, FootageFailure>> {
  const audio = await readAudioFacts(track);
  if (!audio) return fail({ code: 'no-frames' });
  const durationSec = (await track.getDurationFromMetadata()) ?? (await track.computeDuration());
  return succeed({
    kind: 'sound',
    fileName: source.fileName,
    sizeBytes: source.sizeBytes,
    container,
    durationMs: Math.max(0, durationSec * 1000),
    audio,
  });
}

const internalCodeOf = (track: InputVideoTrack): string | null => {
  const code = track.internalCodecId;
  return typeof code === 'string' ? code : code === null ? null : `0x${code.toString()}`;
};

/** The picture track's code, record and, where they do not tell the pictures' form, its first frame. */
async function readCodec(track: InputVideoTrack, outline: Outline) {
  const config = await track.getDecoderConfig();
  const record = config?.description;
  const stated = {
    readerCodec: await track.getCodec(),
    internalCode: outline.foreignCode ?? internalCodeOf(track),
    objectType: outline.objectType,
    codecString: config?.codec ?? null,
    codecRecord: record instanceof Uint8Array ? record : null,
  };
  const codec = nameVideoCodec(stated) ?? '';
  if (!needsFirstFrame({ ...stated, codec })) return { ...stated, firstFrame: null };
  const packet = await new EncodedPacketSink(track).getFirstPacket();
  return { ...stated, firstFrame: packet?.data ?? null };
}

/**
 * Facts of a file with sound or moving pictures. Throws what the reader throws for a malformed file;
 * `inspectFile` turns that into a coded failure.
 */
export async function readMedia(
  source: CountingByteSource,
  input: Input,
): Promise<Result<VideoFacts | SoundFacts, FootageFailure>> {
  const container = containerByFormatName[(await input.getFormat()).name];
  if (!container) return fail({ code: 'file-not-media' });
  const outline = await readOutline(source, container);
  const { expectedBytes } = outline;
  if (expectedBytes !== null && expectedBytes > source.sizeBytes)
    return fail({ code: 'file-cut-off', sizeBytes: source.sizeBytes, expectedBytes });
  if (!outline.hasIndex) return fail({ code: 'file-cut-off', sizeBytes: source.sizeBytes, expectedBytes: null });

  const [video, audio] = [await input.getPrimaryVideoTrack(), await input.getPrimaryAudioTrack()];
  if (!video || !pictureContainers.has(container))
    return audio ? readSound(source, audio, container) : fail({ code: 'no-video-track' });
  const codec = await readCodec(video, outline);
  const walk = await walkVideoPackets(video, source, {
    container,
    matroska: outline.matroska,
    statedDurationMs: ((await video.getDurationFromMetadata()) ?? 0) * 1000,
  });
  return buildClipFacts({
    fileName: source.fileName,
    sizeBytes: source.sizeBytes,
    container: container as ContainerFormat,
    ...codec,
    containerScan: outline.scan,
    widthPx: await video.getCodedWidth(),
    heightPx: await video.getCodedHeight(),
    pixelAspect: await video.getPixelAspectRatio(),
    rotationDegrees: await video.getRotation(),
    videoTrackCount: (await input.getVideoTracks()).length,
    ticksPerSec: await video.getTimeResolution(),
    statedDurationMs: walk.durationMs,
    mediaDurationMs: outline.mediaDurationMs,
    windows: walk.windows,
    isWhole: walk.isWhole,
    indexedKeyFrameMs: outline.indexedKeyFrameMs,
    declaredFrameDurationNs: outline.declaredFrameDurationNs,
    audio: await readAudioFacts(audio),
    otherBitPerSec: walk.otherBitPerSec,
  });
}
