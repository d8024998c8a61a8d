import type { Rational } from '../numbers/rational';

/** How colour is stored beside brightness; how many samples a pixel costs follows from it. */
export const chromaFormats = ['4:2:0', '4:2:2', '4:4:4', '4:0:0', 'unknown'] as const;
export type ChromaFormat = (typeof chromaFormats)[number];

/** Whether frames hold whole pictures or two fields. */
export const scanKinds = ['progressive', 'interlaced', 'unknown'] as const;
export type ScanKind = (typeof scanKinds)[number];

/** File structures that clips come in; the last three are known from reports only. */
export const containerFormats = ['mp4', 'mov', 'mkv', 'webm', 'ts', 'avi', 'mxf', 'other'] as const;
export type ContainerFormat = (typeof containerFormats)[number];

/** File forms of stills. */
export const stillFormats = ['jpeg', 'png', 'webp', 'heif'] as const;
export type StillFormat = (typeof stillFormats)[number];

/** File forms of sound alone, beside the containers of clips. */
export const soundFormats = [...containerFormats, 'wav', 'mp3', 'ogg', 'flac', 'aac'] as const;
export type SoundFormat = (typeof soundFormats)[number];

/** How far apart the frames are from which decoding can start; 1 frame means that every frame is one. */
export interface KeyFrameDistance {
  readonly longestFrames: number;
  readonly meanFrames: number;
  /** True where the distances come from a part of the file, because reading all of it would take too long. */
  readonly isSampled: boolean;
}

/** Times between frames as they are shown. */
export interface FrameIntervals {
  readonly smallestMs: number;
  /** The middle one. */
  readonly usualMs: number;
  readonly largestMs: number;
}

export interface AudioFacts {
  readonly codec: string;
  readonly channelCount: number;
  readonly sampleRateHz: number;
}

/** What a codec's headers say of the pictures. */
export interface PictureFormat {
  /** Profile as ffprobe names it, e.g. "High 10"; "unknown" where none is stated. */
  readonly profile: string;
  /** Level as the codec's standard writes it, e.g. "4.1"; null where none is stated. */
  readonly level: string | null;
  readonly bitDepth: number;
  readonly chroma: ChromaFormat;
  readonly scan: ScanKind;
}

/** Everything that is known of one file with moving pictures. */
export interface VideoFacts extends PictureFormat {
  readonly kind: 'video';
  readonly fileName: string;
  readonly sizeBytes: number;
  readonly container: ContainerFormat;
  /** ffprobe's codec_name where it has one, else the four-character code. */
  readonly codec: string;
  /** What a decoder is asked for by (RFC 6381), e.g. "avc1.64001e"; null where there is none. */
  readonly codecString: string | null;
  /** Coded size, before rotation. */
  readonly widthPx: number;
  readonly heightPx: number;
  /** Width of one pixel over its height; 1:1 is square. */
  readonly pixelAspect: Rational;
  /** Frames over duration, exact. */
  readonly frameRate: Rational;
  readonly isVariableFrameRate: boolean;
  /** Null where no time stamps were read, or there is one frame only. */
  readonly frameIntervals: FrameIntervals | null;
  /** The video track's own bit rate, in millions of bits a second. */
  readonly bitrateMbitPerSec: number;
  readonly durationMs: number;
  /** Null where counting would read the whole file. */
  readonly frameCount: number | null;
  /** Null where no packets were read: a report without them. */
  readonly keyFrameDistance: KeyFrameDistance | null;
  /** How even its frames are in size, above 0 to 1 (`sizeEvennessOf`); null where no packets were read. */
  readonly sizeEvenness: number | null;
  readonly rotationDegrees: 0 | 90 | 180 | 270;
  readonly videoTrackCount: number;
  readonly audio: AudioFacts | null;
}

/** One picture that does not move. */
export interface StillFacts {
  readonly kind: 'still';
  readonly fileName: string;
  readonly sizeBytes: number;
  readonly container: StillFormat;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly rotationDegrees: 0 | 90 | 180 | 270;
}

/** Sound without a picture. */
export interface SoundFacts {
  readonly kind: 'sound';
  readonly fileName: string;
  readonly sizeBytes: number;
  readonly container: SoundFormat;
  readonly durationMs: number;
  readonly audio: AudioFacts;
}

/** Everything that is known of one file of a project. */
export type ClipFacts = VideoFacts | StillFacts | SoundFacts;

/** One video packet as its container's index lists it. Times in presentation order are not implied. */
export interface PacketStamp {
  readonly presentationMs: number;
  readonly durationMs: number;
  readonly sizeBytes: number;
  readonly isKey: boolean;
}

/** What a container says of a file, before anything is concluded from it. */
export interface ContainerFacts {
  readonly fileName: string;
  readonly sizeBytes: number;
  readonly container: ContainerFormat;
  /** The reader's codec name, or null where it has none. */
  readonly readerCodec: string | null;
  /** The sample entry's or track's own code, e.g. "apcn" or "V_VP9". */
  readonly internalCode: string | null;
  /** MPEG-4 object type of the sample entry (ISO/IEC 14496-1, table 5), or null. */
  readonly objectType: number | null;
  /** RFC 6381 codec string, e.g. "avc1.64001e", or null. */
  readonly codecString: string | null;
  /** avcC, hvcC or similar record, or null. */
  readonly codecRecord: Uint8Array | null;
  /** The first coded frame, where depth and chroma stand in it alone; else null. */
  readonly firstFrame: Uint8Array | null;
  /** What the container says of fields, where it does; a codec's own headers go before it. */
  readonly containerScan: ScanKind;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pixelAspect: Rational;
  readonly rotationDegrees: 0 | 90 | 180 | 270;
  readonly videoTrackCount: number;
  /** Ticks a second of the container's clock. */
  readonly ticksPerSec: number;
  /** The track's length as stated, or 0. */
  readonly statedDurationMs: number;
  /** Sum of all frames' decoding times as stated, or 0; in MP4 it differs from the time shown. */
  readonly mediaDurationMs: number;
  /** Runs of packets in the order of the file: one run over all of it, or several spread over it. */
  readonly windows: readonly (readonly PacketStamp[])[];
  /** Whether the one window holds every packet. */
  readonly isWhole: boolean;
  /** Presentation times of key frames from an index of them, where the container has one; else empty. */
  readonly indexedKeyFrameMs: readonly number[];
  /** The track's declared time between frames, where the container declares one. */
  readonly declaredFrameDurationNs: number | null;
  readonly audio: AudioFacts | null;
  /** Bits a second of everything in the file but the picture, where that was counted; else 0. */
  readonly otherBitPerSec: number;
}

/** Containers that are recognised and not read here; ffprobe reads them. */
export const foreignContainers = ['avi', 'mxf', 'asf', 'flv', 'mpeg-ps'] as const;
export type ForeignContainer = (typeof foreignContainers)[number];

/** Why a file's facts cannot be told. */
export type FootageFailure =
  | { readonly code: 'file-empty' }
  | { readonly code: 'file-not-media' }
  | { readonly code: 'container-not-read'; readonly container: ForeignContainer }
  | { readonly code: 'file-cut-off'; readonly sizeBytes: number; readonly expectedBytes: number | null }
  | { readonly code: 'no-video-track' }
  | { readonly code: 'codec-unknown' }
  | { readonly code: 'no-frames' }
  | { readonly code: 'file-changed' }
  | { readonly code: 'file-gone' }
  | { readonly code: 'file-unreadable'; readonly detail: string }
  | { readonly code: 'read-budget-exceeded'; readonly budgetBytes: number }
  | { readonly code: 'read-timed-out'; readonly afterMs: number }
  | { readonly code: 'read-cancelled' };
