import { type Rational, reduceRational } from '../numbers/rational';
import { fail, type Result, succeed } from '../result';
import { isIntraFrameCodec } from './codec-names';
import type {
  AudioFacts,
  ChromaFormat,
  ClipFacts,
  ContainerFormat,
  ScanKind,
  SoundFormat,
  StillFormat,
  VideoFacts,
} from './types';

/** Why a report tells nothing. `entryIndex` counts its files from zero. */
export type ReportFailure =
  | { readonly code: 'report-not-json' }
  | { readonly code: 'report-not-a-report' }
  | { readonly code: 'report-entry-unusable'; readonly entryIndex: number; readonly fileName: string };

/** What a report tells: the clips it holds, and its entries that cannot be used. */
export interface ParsedReport {
  readonly clips: readonly ClipFacts[];
  readonly unusable: readonly Extract<ReportFailure, { code: 'report-entry-unusable' }>[];
}

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const textOf = (fields: Fields, name: string): string => {
  const value = fields[name];
  return typeof value === 'string' ? value : '';
};
/** ffprobe writes most numbers as text. NaN where there is none. */
const numberOf = (fields: Fields, name: string): number => {
  const value = fields[name];
  return typeof value === 'number' ? value : typeof value === 'string' && value !== '' ? Number(value) : Number.NaN;
};
const positiveOr = (value: number, otherwise: number): number =>
  Number.isFinite(value) && value > 0 ? value : otherwise;
const wholeOr = (value: number, otherwise: number): number =>
  Number.isSafeInteger(value) && value > 0 ? value : otherwise;

/** "30000/1001" or "16:15"; null where a term is missing or not above zero. */
function parseRatio(text: string): Rational | null {
  const [num = Number.NaN, den = Number.NaN] = text.split(/[/:]/).map(Number);
  const isUsable = [num, den].every((term) => Number.isSafeInteger(term) && term > 0 && term < 2 ** 40);
  return isUsable ? reduceRational({ num, den }) : null;
}

/** Names of pixel formats hold chroma and depth: "yuv422p10le", "gray12le", "yuvj420p". */
function parsePixelFormat(format: string): { readonly chroma: ChromaFormat; readonly bitDepth: number } {
  const chromaByDigits: Readonly<Record<string, ChromaFormat>> = { '420': '4:2:0', '422': '4:2:2', '444': '4:4:4' };
  const digits = format.match(/4[24][024]/)?.[0] ?? (/^(p01[026]|nv12)/.test(format) ? '420' : '');
  const isRgb = /^(gbr|rgb|bgr|argb)/.test(format);
  const chroma = format.startsWith('gray') ? '4:0:0' : isRgb ? '4:4:4' : (chromaByDigits[digits] ?? 'unknown');
  const depth = format.match(/(?:p|gray|gbrp|p0)(9|10|12|14|16)(?:le|be)$/)?.[1];
  return { chroma, bitDepth: Number(depth ?? 8) };
}

const scanOf = (fieldOrder: string): ScanKind =>
  fieldOrder === 'progressive' ? 'progressive' : /^(tt|bb|tb|bt)$/.test(fieldOrder) ? 'interlaced' : 'unknown';

const containerByFormat: readonly (readonly [RegExp, ContainerFormat])[] = [
  [/\bmp4\b/, 'mp4'],
  [/\bmov\b/, 'mov'],
  [/matroska/, 'mkv'],
  [/webm/, 'webm'],
  [/mpegts/, 'ts'],
  [/\bavi\b/, 'avi'],
  [/\bmxf/, 'mxf'],
];

/** ffprobe names families ("mov,mp4,m4a,…", "matroska,webm"): the file's own ending says which of them it is. */
function containerOf(formatName: string, fileName: string): ContainerFormat {
  const ending = fileName.split('.').at(-1)?.toLowerCase() ?? '';
  const family = containerByFormat.filter(([pattern]) => pattern.test(formatName)).map(([, container]) => container);
  return family.find((container) => container === ending) ?? family[0] ?? 'other';
}

const soundContainers: Readonly<Record<string, SoundFormat>> = {
  wav: 'wav',
  mp3: 'mp3',
  ogg: 'ogg',
  flac: 'flac',
  aac: 'aac',
};
const stillContainers: Readonly<Record<string, StillFormat>> = {
  image2: 'jpeg',
  jpeg_pipe: 'jpeg',
  png_pipe: 'png',
  webp_pipe: 'webp',
};

const audioOf = (stream: Fields | undefined): AudioFacts | null =>
  stream
    ? {
        codec: textOf(stream, 'codec_name') || 'unknown',
        channelCount: wholeOr(numberOf(stream, 'channels'), 0),
        sampleRateHz: positiveOr(numberOf(stream, 'sample_rate'), 0),
      }
    : null;

/** Degrees clockwise; ffprobe counts the other way round, and older ones write a tag instead. */
function rotationOf(stream: Fields): VideoFacts['rotationDegrees'] {
  const list = Array.isArray(stream.side_data_list) ? stream.side_data_list.filter(isFields) : [];
  const turned = list.map((data) => numberOf(data, 'rotation')).find((degrees) => Number.isFinite(degrees));
  const tags = isFields(stream.tags) ? numberOf(stream.tags, 'rotate') : Number.NaN;
  const clockwise = turned !== undefined ? -turned : Number.isFinite(tags) ? tags : 0;
  const quarter = ((Math.round(clockwise / 90) % 4) + 4) % 4;
  return ([0, 90, 180, 270] as const)[quarter] ?? 0;
}

/** A cover picture in a sound file is a video stream to ffprobe. */
const isMovingPicture = (stream: Fields): boolean => {
  const isCover = isFields(stream.disposition) && numberOf(stream.disposition, 'attached_pic') === 1;
  return textOf(stream, 'codec_type') === 'video' && !isCover;
};

/** Levels are written as integers: 41 of H.264 is 4.1, 123 of HEVC is 4.1. */
function levelOf(codec: string, level: number): string | null {
  if (!(level > 0)) return null;
  if (codec === 'h264') return (level / 10).toFixed(1);
  return codec === 'hevc' ? (level / 30).toFixed(1) : null;
}

function videoOf(format: Fields, stream: Fields, streams: readonly Fields[]): VideoFacts | null {
  const [widthPx, heightPx] = [wholeOr(numberOf(stream, 'width'), 0), wholeOr(numberOf(stream, 'height'), 0)];
  const [average, nominal] = [parseRatio(textOf(stream, 'avg_frame_rate')), parseRatio(textOf(stream, 'r_frame_rate'))];
  const frameRate = average ?? nominal;
  const codecName = textOf(stream, 'codec_name');
  const codec = codecName || textOf(stream, 'codec_tag_string');
  if (!frameRate || widthPx === 0 || heightPx === 0 || codec === '') return null;
  const durationMs = 1000 * positiveOr(numberOf(stream, 'duration'), positiveOr(numberOf(format, 'duration'), 0));
  const sound = streams.find((other) => textOf(other, 'codec_type') === 'audio');
  const wholeBitPerSec = positiveOr(numberOf(format, 'bit_rate'), 0) - positiveOr(numberOf(sound ?? {}, 'bit_rate'), 0);
  const { chroma, bitDepth } = parsePixelFormat(textOf(stream, 'pix_fmt'));
  const fileName = fileNameOf(format);
  const counted = wholeOr(numberOf(stream, 'nb_read_packets'), wholeOr(numberOf(stream, 'nb_frames'), 0));
  // Nominal and average rate are the same where frames come evenly; rounding of either stays far below a per cent.
  const isUneven =
    average !== null && nominal !== null && nominal.num / nominal.den > (average.num / average.den) * 1.02;
  return {
    kind: 'video',
    fileName,
    sizeBytes: wholeOr(numberOf(format, 'size'), 0),
    container: containerOf(textOf(format, 'format_name'), fileName),
    codec: codec.slice(0, 40),
    codecString: null,
    profile: (textOf(stream, 'profile') || 'unknown').slice(0, 60),
    level: levelOf(codec, numberOf(stream, 'level')),
    bitDepth: wholeOr(numberOf(stream, 'bits_per_raw_sample'), bitDepth),
    chroma,
    scan: scanOf(textOf(stream, 'field_order')),
    widthPx,
    heightPx,
    pixelAspect: parseRatio(textOf(stream, 'sample_aspect_ratio')) ?? { num: 1, den: 1 },
    frameRate,
    isVariableFrameRate: isUneven && scanOf(textOf(stream, 'field_order')) !== 'interlaced',
    frameIntervals: null,
    bitrateMbitPerSec: positiveOr(numberOf(stream, 'bit_rate'), Math.max(0, wholeBitPerSec)) / 1e6,
    durationMs,
    frameCount: counted > 0 ? counted : null,
    keyFrameDistance: isIntraFrameCodec(codec) ? { longestFrames: 1, meanFrames: 1, isSampled: false } : null,
    sizeEvenness: null,
    rotationDegrees: rotationOf(stream),
    videoTrackCount: streams.filter(isMovingPicture).length,
    audio: audioOf(sound),
  };
}

/** The name without its folders, whichever way the system writes them. */
const fileNameOf = (format: Fields): string => textOf(format, 'filename').split(/[/\\]/).at(-1) ?? '';

function clipOf(entry: Fields): ClipFacts | null {
  const format = isFields(entry.format) ? entry.format : {};
  const streams = Array.isArray(entry.streams) ? entry.streams.filter(isFields) : [];
  const fileName = fileNameOf(format);
  if (fileName === '') return null;
  const sizeBytes = wholeOr(numberOf(format, 'size'), 0);
  const formatName = textOf(format, 'format_name');
  const picture = streams.find(isMovingPicture);
  const still = stillContainers[formatName];
  if (picture && still) {
    const [widthPx, heightPx] = [wholeOr(numberOf(picture, 'width'), 0), wholeOr(numberOf(picture, 'height'), 0)];
    const isUsable = widthPx > 0 && heightPx > 0;
    return isUsable
      ? { kind: 'still', fileName, sizeBytes, container: still, widthPx, heightPx, rotationDegrees: 0 }
      : null;
  }
  if (picture) return videoOf(format, picture, streams);
  const audio = audioOf(streams.find((stream) => textOf(stream, 'codec_type') === 'audio'));
  const container = soundContainers[formatName] ?? containerOf(formatName, fileName);
  const durationMs = positiveOr(numberOf(format, 'duration'), 0) * 1000;
  return audio ? { kind: 'sound', fileName, sizeBytes, container, durationMs, audio } : null;
}

/** Documents that a shell loop wrote one after another: each ends where its braces balance, outside of strings. */
function splitDocuments(text: string): readonly string[] {
  const documents: string[] = [];
  let depth = 0;
  let start = -1;
  let isString = false;
  for (let i = 0; i < text.length; i++) {
    const char = text[i];
    if (isString) {
      if (char === '\\') i += 1;
      else if (char === '"') isString = false;
    } else if (char === '"') isString = true;
    else if (char === '{') {
      if (depth === 0) start = i;
      depth += 1;
    } else if (char === '}' && depth > 0) {
      depth -= 1;
      if (depth === 0) documents.push(text.slice(start, i + 1));
    }
  }
  return documents;
}

function parseDocument(text: string): readonly unknown[] | null {
  try {
    const value: unknown = JSON.parse(text);
    return Array.isArray(value) ? value : [value];
  } catch {
    return null;
  }
}

/**
 * Facts from what `ffprobe -show_format -show_streams -of json` wrote: one file's report, an array of them, or many
 * one after another. Never throws. Entries that tell nothing are named; the others are used.
 */
export function parseFfprobeReport(text: string): Result<ParsedReport, ReportFailure> {
  const whole = parseDocument(text);
  const entries = whole ?? splitDocuments(text).flatMap((document) => parseDocument(document) ?? []);
  if (entries.length === 0) return fail({ code: 'report-not-json' });
  const reports = entries.filter(
    (entry): entry is Fields => isFields(entry) && ('format' in entry || 'streams' in entry),
  );
  if (reports.length === 0) return fail({ code: 'report-not-a-report' });
  const clips: ClipFacts[] = [];
  const unusable: ParsedReport['unusable'][number][] = [];
  reports.forEach((report, entryIndex) => {
    const clip = clipOf(report);
    const fileName = isFields(report.format) ? fileNameOf(report.format) : '';
    if (clip) clips.push(clip);
    else unusable.push({ code: 'report-entry-unusable', entryIndex, fileName });
  });
  return succeed({ clips, unusable });
}

/** Text of a report file: UTF-8, or UTF-16 as some Windows shells write it; byte order marks are dropped. */
export function decodeReportText(bytes: Uint8Array): string {
  const encoding =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : 'utf-8';
  return new TextDecoder(encoding).decode(bytes);
}
