import type { Rational } from '../numbers/rational';

/** How colour is stored beside brightness; how many samples a pixel costs follows from it. */
export const chromaFormats = ['4:2:0', '4:2:2', '4:4:4', '4:0:0', 'unknown'] as const;
export type ChromaFormat = (typeof chromaFormats)[number];

/** File structures that are read. */
export const containerFormats = ['mp4', 'mov', 'mkv', 'webm', 'ts'] as const;
export type ContainerFormat = (typeof containerFormats)[number];

/** How far apart the frames are from which decoding can start; 1 frame means that every frame is one. */
export interface KeyFrameDistance {
  readonly longestFrames: number;
  readonly meanFrames: number;
  /** True where the distances come from a part of the file, because reading all of it would take too long. */
  readonly isSampled: boolean;
}

export interface AudioFacts {
  readonly codec: string;
  readonly channelCount: number;
  readonly sampleRateHz: number;
}

/** What a codec's configuration record says of the pictures. */
export interface PictureFormat {
  /** Profile as ffprobe names it, e.g. "High 10"; "unknown" where none is stated. */
  readonly profile: string;
  readonly bitDepth: number;
  readonly chroma: ChromaFormat;
}

/** Everything that is known of one clip's file. */
export interface ClipFacts extends PictureFormat {
  readonly fileName: string;
  readonly sizeBytes: number;
  readonly container: ContainerFormat;
  /** ffprobe's codec_name where it has one, else the four-character code. */
  readonly codec: string;
  /** Coded size, before rotation. */
  readonly widthPx: number;
  readonly heightPx: number;
  /** Frames over duration, exact. */
  readonly frameRate: Rational;
  readonly isVariableFrameRate: boolean;
  /** The video track's own bit rate, in millions of bits a second. */
  readonly bitrateMbitPerSec: number;
  readonly durationMs: number;
  /** Null where counting would read the whole file. */
  readonly frameCount: number | null;
  readonly keyFrameDistance: KeyFrameDistance;
  readonly rotationDegrees: 0 | 90 | 180 | 270;
  readonly audio: AudioFacts | null;
}

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
  /** RFC 6381 codec string, e.g. "avc1.64001e", or null. */
  readonly codecString: string | null;
  /** avcC, hvcC or similar record, or null. */
  readonly codecRecord: Uint8Array | null;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly rotationDegrees: 0 | 90 | 180 | 270;
  /** Ticks a second of the container's clock. */
  readonly ticksPerSec: number;
  readonly durationMs: number;
  /** In the order of the file; a window from the start where `isWhole` is false. */
  readonly packets: readonly PacketStamp[];
  readonly isWhole: boolean;
  /** Presentation times of key frames from an index of them, where the container has one; else empty. */
  readonly indexedKeyFrameMs: readonly number[];
  /** The track's declared time between frames, where the container declares one. */
  readonly declaredFrameDurationNs: number | null;
  readonly audio: AudioFacts | null;
  /** The sound's bit rate over the packets seen, 0 without sound. */
  readonly audioBitPerSec: number;
}

/** Why a file's facts cannot be told. */
export type FootageFailure =
  | { readonly code: 'file-empty' }
  | { readonly code: 'file-not-media' }
  | { readonly code: 'file-cut-off'; readonly sizeBytes: number; readonly expectedBytes: number | null }
  | { readonly code: 'no-video-track'; readonly hasAudio: boolean }
  | { readonly code: 'codec-unknown'; readonly internalCode: string }
  | { readonly code: 'no-frames' }
  | { readonly code: 'file-unreadable'; readonly detail: string }
  | { readonly code: 'read-budget-exceeded'; readonly budgetBytes: number }
  | { readonly code: 'read-timed-out'; readonly afterMs: number }
  | { readonly code: 'read-cancelled' };
