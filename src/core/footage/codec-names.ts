/** ffprobe's codec_name by the reader's name. */
const byReaderName: Readonly<Record<string, string>> = {
  avc: 'h264',
  hevc: 'hevc',
  vp8: 'vp8',
  vp9: 'vp9',
  av1: 'av1',
  prores: 'prores',
  mpeg1: 'mpeg1video',
  mpeg2: 'mpeg2video',
};

/** ffprobe's codec_name by a container's own code, where the reader has no name for it. */
const byInternalCode: Readonly<Record<string, string>> = {
  apco: 'prores',
  apcs: 'prores',
  apcn: 'prores',
  apch: 'prores',
  ap4h: 'prores',
  ap4x: 'prores',
  V_PRORES: 'prores',
  jpeg: 'mjpeg',
  mjpa: 'mjpeg',
  mjpb: 'mjpegb',
  MJPG: 'mjpeg',
  mjpg: 'mjpeg',
  V_MJPEG: 'mjpeg',
  AVdh: 'dnxhd',
  AVdn: 'dnxhd',
  m2v1: 'mpeg2video',
  V_MPEG1: 'mpeg1video',
  V_MPEG2: 'mpeg2video',
  'V_MPEG4/ISO/ASP': 'mpeg4',
  XVID: 'mpeg4',
  DX50: 'mpeg4',
  'dvc ': 'dvvideo',
  dvcp: 'dvvideo',
  dvpp: 'dvvideo',
  dv5n: 'dvvideo',
  dv5p: 'dvvideo',
  FFV1: 'ffv1',
  V_FFV1: 'ffv1',
  V_THEORA: 'theora',
  CFHD: 'cfhd',
  v210: 'v210',
  '2vuy': 'rawvideo',
  'rle ': 'qtrle',
  'png ': 'png',
  hvc1: 'hevc',
  hev1: 'hevc',
  avc1: 'h264',
  avc3: 'h264',
};

/** MPEG-2 in MOV under camera makers' own codes: one for each size and rate. */
const cameraMpeg2 = /^(hdv|xdv|xd5|xdh|mx[345])[0-9a-z]$/;

/** By MPEG-4 object type, for the sample entry "mp4v" (ISO/IEC 14496-1, table 5). */
const byObjectType = (objectType: number): string | null => {
  if (objectType === 0x20) return 'mpeg4';
  if (objectType >= 0x60 && objectType <= 0x65) return 'mpeg2video';
  return objectType === 0x6a ? 'mpeg1video' : null;
};

const isPrintable = (code: string): boolean => /^[\x20-\x7e]{1,40}$/.test(code);

/** A video codec under ffprobe's codec_name, else its four-character code; null where the file states none. */
export function nameVideoCodec(source: {
  readonly readerCodec: string | null;
  readonly internalCode: string | null;
  readonly objectType: number | null;
}): string | null {
  if (source.readerCodec) return byReaderName[source.readerCodec] ?? source.readerCodec;
  const code = source.internalCode ?? '';
  const known = byInternalCode[code] ?? (cameraMpeg2.test(code) ? 'mpeg2video' : null);
  if (known) return known;
  const byType = code === 'mp4v' && source.objectType !== null ? byObjectType(source.objectType) : null;
  if (byType) return byType;
  return isPrintable(code) ? code.trim() || null : null;
}

/** Codes of raw camera pictures: what the sensor saw, to be developed on playing. */
const cameraRawCodecs: ReadonlySet<string> = new Set([
  'aprn',
  'aprh',
  'brxq',
  'brst',
  'brvn',
  'brs2',
  'brxh',
  'CRAW',
  'prores_raw',
  'cinemadng',
]);
export const isCameraRaw = (codec: string): boolean => cameraRawCodecs.has(codec);

/** Codecs in which every frame stands on its own, whatever the file is. */
const intraFrameCodecs: ReadonlySet<string> = new Set([
  'mjpeg',
  'mjpegb',
  'prores',
  'dnxhd',
  'dvvideo',
  'ffv1',
  'cfhd',
  'v210',
  'rawvideo',
  'huffyuv',
  'ffvhuff',
  'utvideo',
  'png',
]);
export const isIntraFrameCodec = (codec: string): boolean => intraFrameCodecs.has(codec) || isCameraRaw(codec);
