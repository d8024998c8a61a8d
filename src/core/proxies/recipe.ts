import type { StillFacts, VideoFacts } from '../footage/types';

/** Which frames of a proxy can be decoded alone: all of them for jumping about, or one every half second for small files. */
export const keyFrameWays = ['every-frame', 'half-second'] as const;
export type KeyFrameWay = (typeof keyFrameWays)[number];

/** How many bits the picture is given. */
export const bitrateGrades = ['small', 'usual', 'fine'] as const;
export type BitrateGrade = (typeof bitrateGrades)[number];

/** How a proxy is made: H.264, the original's shape, rate, time stamps and sound. */
export interface ProxyRecipe {
  /** Lines of the picture's shorter side, as it is coded; what counts where `share` is null. */
  readonly lines: number;
  /** Share of the original's lines, such as 1/2; null for the same lines whatever the original has. */
  readonly share: number | null;
  readonly keyFrames: KeyFrameWay;
  readonly grade: BitrateGrade;
}

export const usualRecipe: ProxyRecipe = { lines: 540, share: null, keyFrames: 'every-frame', grade: 'usual' };

/** Megabits a megapixel and frame where every frame is a key frame. Assumption: what keeps faces and edges at preview size. */
const megabitPerMegapixel: Readonly<Record<BitrateGrade, number>> = { small: 0.45, usual: 0.8, fine: 1.4 };

/** Of that, what frames need that build on others, a key frame every half second. Assumption. */
const shortGroupShare = 0.4;

/** Frames from one key frame of a proxy to the next. */
export const keyFrameDistanceOf = ({ keyFrames }: ProxyRecipe, frameRateFps: number): number =>
  keyFrames === 'every-frame' ? 1 : Math.max(1, Math.round(frameRateFps / 2));

/** Coded size of a proxy, in even numbers as 4:2:0 needs it. */
export interface ProxySize {
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Lines of a picture: of its shorter side, as it is coded. */
export const linesOf = ({ widthPx, heightPx }: ProxySize): number => Math.min(widthPx, heightPx);

const even = (value: number): number => Math.max(2, 2 * Math.round(value / 2));

/** Lines that a recipe gives the proxy of a picture. */
export const linesFor = ({ lines, share }: Pick<ProxyRecipe, 'lines' | 'share'>, picture: ProxySize): number =>
  share === null ? lines : Math.max(2, Math.round(share * linesOf(picture)));

/** The size of a picture's proxy with so many lines on its shorter side; null where the picture has no more than that. */
export function proxySizeOf({ widthPx, heightPx }: ProxySize, lines: number): ProxySize | null {
  const shorter = linesOf({ widthPx, heightPx });
  if (lines >= shorter) return null;
  const scale = even(lines) / shorter;
  return { widthPx: even(widthPx * scale), heightPx: even(heightPx * scale) };
}

/** Bits a second, in millions, that a proxy's picture is made with. */
export const proxyMegabitPerSec = (
  { widthPx, heightPx }: ProxySize,
  frameRateFps: number,
  { keyFrames, grade }: Pick<ProxyRecipe, 'keyFrames' | 'grade'>,
): number =>
  megabitPerMegapixel[grade] *
  (keyFrames === 'every-frame' ? 1 : shortGroupShare) *
  ((widthPx * heightPx) / 1e6) *
  frameRateFps;

/** Sound that is not stored as it sounds, of usual quality. Assumption. */
const packedMegabitPerChannelSec = 0.1;

/** Bits a second, in millions, of the sound that a proxy takes over as it is. */
export function soundMegabitPerSec({ audio }: VideoFacts): number {
  if (!audio) return 0;
  const bits = /^pcm_[suf](\d+)/.exec(audio.codec)?.[1];
  return bits === undefined
    ? audio.channelCount * packedMegabitPerChannelSec
    : (audio.channelCount * audio.sampleRateHz * Number(bits)) / 1e6;
}

/** What may stand at the end of a proxy's name so that editors and people pair it with its original. */
export const proxySuffix = '_Proxy';

/** Whether sound is stored as it sounds: it is copied, into the form that holds it for editors. */
const isPlainSound = ({ audio }: VideoFacts): boolean => audio?.codec.startsWith('pcm_') ?? false;

const stemOf = (fileName: string): string => fileName.replace(/\.[^.]*$/, '');

/** What a proxy can be made of. */
export type ProxyOriginal = VideoFacts | StillFacts;

/** Forms of stills in which parts may be see-through. */
const seeThrough: ReadonlySet<string> = new Set(['png', 'webp']);

/** The ending that says what a proxy's file is. */
export function proxyEnding(facts: ProxyOriginal): 'mov' | 'mp4' | 'png' | 'jpg' {
  if (facts.kind === 'still') return seeThrough.has(facts.container) ? 'png' : 'jpg';
  return isPlainSound(facts) ? 'mov' : 'mp4';
}

/** Bytes a pixel of smaller stills. Assumption. */
const stillBytesPerPx = { jpg: 0.35, png: 1.6 } as const;

/** About how large the smaller copy of a still is. */
export const stillProxyBytes = (facts: StillFacts, { widthPx, heightPx }: ProxySize): number =>
  stillBytesPerPx[seeThrough.has(facts.container) ? 'png' : 'jpg'] * widthPx * heightPx;

/**
 * File names of proxies, in the order of their originals: the original's name and a suffix. Originals that differ by their
 * ending alone would share one: theirs has the ending in it.
 */
export function proxyFileNames(originals: readonly ProxyOriginal[], suffix: string): readonly string[] {
  const stems = originals.map(({ fileName }) => stemOf(fileName).toLowerCase());
  const counts = new Map<string, number>();
  for (const stem of stems) counts.set(stem, (counts.get(stem) ?? 0) + 1);
  return originals.map((facts, i) => {
    const { fileName } = facts;
    const name = (counts.get(stems[i] as string) ?? 0) > 1 ? fileName.replace(/\.(?=[^.]*$)/, '-') : stemOf(fileName);
    return `${name}${suffix}.${proxyEnding(facts)}`;
  });
}
