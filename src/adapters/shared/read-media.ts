import { EncodedPacketSink, type Input, type InputAudioTrack, type InputVideoTrack } from 'mediabunny';
import {
  type AudioFacts,
  buildClipFacts,
  type ContainerFormat,
  type FootageFailure,
  nameAudioCodec,
  nameVideoCodec,
  needsFirstFrame,
  type SoundFacts,
  type SoundFormat,
  type VideoFacts,
} from '@/core/footage';
import { fail, type Result, succeed } from '@/core/result';
import type { CountingByteSource } from './byte-source';
import { type MatroskaTrack, readMatroskaOutline } from './matroska-outline';
import { type Mp4VideoTrack, readMp4Outline } from './mp4-outline';
import { walkTransport, walkVideoPackets } from './packet-windows';
import { readTransportPicture } from './transport-windows';

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

/** What a container's own structure says beyond what the reader tells. */
interface Outline {
  /** Where the file should end by its own account, or null where it does not say. */
  readonly expectedBytes: number | null;
  readonly hasIndex: boolean;
  readonly mp4Tracks: readonly Mp4VideoTrack[];
  readonly matroskaTracks: readonly MatroskaTrack[];
}

async function readOutline(source: CountingByteSource, container: SoundFormat): Promise<Outline> {
  const nothing: Outline = { expectedBytes: null, hasIndex: true, mp4Tracks: [], matroskaTracks: [] };
  if (container === 'mp4' || container === 'mov') {
    const { videoTracks, ...outline } = await readMp4Outline(source);
    return { ...nothing, ...outline, mp4Tracks: videoTracks };
  }
  if (container === 'mkv' || container === 'webm') {
    const { videoTracks, expectedBytes } = await readMatroskaOutline(source);
    return { ...nothing, expectedBytes, matroskaTracks: videoTracks };
  }
  return nothing;
}

/** The outline's own track for the one that the reader took; null in other containers. */
interface OutlinedTrack {
  readonly mp4Track: Mp4VideoTrack | null;
  readonly matroskaTrack: MatroskaTrack | null;
}

const findTrack = ({ mp4Tracks, matroskaTracks }: Outline, trackId: number): OutlinedTrack => ({
  mp4Track: mp4Tracks.find((track) => track.trackId === trackId) ?? null,
  matroskaTrack: matroskaTracks.find((track) => track.number === trackId) ?? null,
});

/** MPEG sound of layer II goes by the reader's name for layer III; the layer stands in each frame's second byte. */
async function nameMpegSound(track: InputAudioTrack): Promise<string> {
  const packet = await new EncodedPacketSink(track).getFirstPacket();
  return (((packet?.data[1] ?? 0) >> 1) & 3) === 2 ? 'mp2' : 'mp3';
}

async function readAudioFacts(track: InputAudioTrack | null): Promise<AudioFacts | null> {
  if (!track) return null;
  const readerCodec = await track.getCodec();
  const codec = readerCodec && (readerCodec === 'mp3' ? await nameMpegSound(track) : nameAudioCodec(readerCodec));
  return {
    codec: codec ?? String(track.internalCodecId ?? 'unknown'),
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
async function readCodec(track: InputVideoTrack, { mp4Track, matroskaTrack }: OutlinedTrack) {
  const config = await track.getDecoderConfig();
  const record = config?.description;
  const stated = {
    readerCodec: await track.getCodec(),
    internalCode: matroskaTrack?.foreignCode ?? internalCodeOf(track),
    objectType: mp4Track?.objectType ?? null,
    codecString: config?.codec ?? null,
    codecRecord: record instanceof Uint8Array ? record : null,
  };
  const codec = nameVideoCodec(stated) ?? '';
  if (!needsFirstFrame({ ...stated, codec })) return { ...stated, firstFrame: null };
  const packet = await new EncodedPacketSink(track).getFirstPacket();
  return { ...stated, firstFrame: packet?.data ?? null };
}

/** MPEG-2 in a transport stream, as tape and broadcast have it: the reader finds no picture there. Null where we find none. */
async function readTransportVideo(
  source: CountingByteSource,
  audio: InputAudioTrack | null,
): Promise<Result<VideoFacts, FootageFailure> | null> {
  const picture = await readTransportPicture(source);
  const walk = picture && (await walkTransport(source));
  if (!picture || !walk) return null;
  return buildClipFacts({
    fileName: source.fileName,
    sizeBytes: source.sizeBytes,
    container: 'ts',
    readerCodec: picture.codec,
    internalCode: null,
    objectType: null,
    codecString: null,
    codecRecord: null,
    firstFrame: picture.firstFrame,
    containerScan: 'unknown',
    // The pictures' own header states them.
    widthPx: 0,
    heightPx: 0,
    pixelAspect: { num: 1, den: 1 },
    rotationDegrees: 0,
    videoTrackCount: 1,
    ticksPerSec: 90_000,
    statedDurationMs: walk.durationMs,
    mediaDurationMs: 0,
    windows: walk.windows,
    isWhole: walk.isWhole,
    indexedKeyFrameMs: [],
    declaredFrameDurationNs: null,
    audio: await readAudioFacts(audio),
    otherBitPerSec: 0,
  });
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
  const transported = !video && container === 'ts' ? await readTransportVideo(source, audio) : null;
  if (transported) return transported;
  if (!video || !pictureContainers.has(container))
    return audio ? readSound(source, audio, container) : fail({ code: 'no-video-track' });
  const outlined = findTrack(outline, video.id);
  const codec = await readCodec(video, outlined);
  const walk = await walkVideoPackets(video, source, {
    container,
    ...outlined,
    readStatedMs: async () => ((await video.getDurationFromMetadata()) ?? 0) * 1000,
  });
  return buildClipFacts({
    fileName: source.fileName,
    sizeBytes: source.sizeBytes,
    container: container as ContainerFormat,
    ...codec,
    containerScan: outlined.mp4Track?.scan ?? outlined.matroskaTrack?.scan ?? 'unknown',
    widthPx: await video.getCodedWidth(),
    heightPx: await video.getCodedHeight(),
    pixelAspect: await video.getPixelAspectRatio(),
    rotationDegrees: await video.getRotation(),
    videoTrackCount: (await input.getVideoTracks()).length,
    ticksPerSec: await video.getTimeResolution(),
    statedDurationMs: walk.durationMs,
    mediaDurationMs: walk.decodingMs,
    windows: walk.windows,
    isWhole: walk.isWhole,
    indexedKeyFrameMs: outlined.matroskaTrack?.indexedKeyFrameMs ?? [],
    declaredFrameDurationNs: outlined.matroskaTrack?.declaredFrameDurationNs ?? null,
    audio: await readAudioFacts(audio),
    otherBitPerSec: walk.otherBitPerSec,
  });
}
