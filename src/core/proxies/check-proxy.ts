import type { Rational } from '../numbers/rational';
import { fitPictures, type Luma, mirrored, similarityOf, turned } from './compare-pictures';

/** What is compared of an original and its proxy, beside their pictures. */
export interface MediaOutline {
  /** Coded size, before rotation. */
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pixelAspect: Rational;
  readonly rotationDegrees: number;
  /** When each frame is shown, in order, in milliseconds. */
  readonly timesMs: Float64Array;
  readonly durationMs: number;
  readonly keyFrameCount: number;
  /** The first sound track; null for none. */
  readonly sound: { readonly channelCount: number; readonly durationMs: number } | null;
}

/** The pictures of one place: of the proxy's frame, and of the original's with those before and after it. */
export interface ComparedPlace {
  readonly frameIndex: number;
  readonly proxy: Luma;
  readonly own: Luma;
  readonly before: Luma | null;
  readonly after: Luma | null;
}

/** What can be wrong with a proxy. */
export const proxyFaultCodes = [
  'length-differs',
  'frame-count-differs',
  'times-differ',
  'aspect-differs',
  'rotation-differs',
  'sound-missing',
  'sound-channels-differ',
  'sound-length-differs',
  'few-key-frames',
  'picture-frozen',
  'picture-shifted',
  'picture-mirrored',
  'picture-turned',
  'picture-range-differs',
  'picture-other',
] as const;
export type ProxyFaultCode = (typeof proxyFaultCodes)[number];

/** One thing that is wrong with a proxy, with its figures: the original's and the proxy's, in the unit of the code. */
export interface ProxyFault {
  readonly code: ProxyFaultCode;
  readonly original: number | null;
  readonly proxy: number | null;
}

export interface ProxyCheck {
  readonly isGood: boolean;
  readonly faults: readonly ProxyFault[];
  /** `alike`: nothing moves in the original, so that nothing tells one frame of it from another. */
  readonly pictures: 'compared' | 'alike' | 'not-compared';
}

/** Shapes further apart than this look stretched. */
const aspectTolerance = 0.005;
/** A sound that ends a little before or after is as good: its last packet may be cut or filled. */
const soundToleranceMs = 100;
/** A proxy whose jumps decode many more frames than its original's is no help. */
const keyFrameTolerance = 1.5;

/** Similarity under which a picture is another one. */
const leastSimilarity = 0.9;
/** Frames that differ by less than this, in units of 8 bits, cannot be told apart. */
const leastDifference = 0.6;
/** A stranger matches better where what is left is this share of what its own frame leaves. */
const clearlyBetter = 0.8;
/** Limited range taken for full or the other way round: 219/255 of the contrast, or its inverse. */
const rangeGain = 255 / 219;
/** What a part of the picture may be off, in units of 8 bits, as a share of the picture's contrast, at least. */
const worstShare = 0.6;
const worstLeast = 12;

const aspectOf = ({ widthPx, heightPx, pixelAspect }: MediaOutline): number =>
  (widthPx * pixelAspect.num) / (heightPx * pixelAspect.den);

const frameMsOf = ({ durationMs, timesMs }: MediaOutline): number => durationMs / Math.max(1, timesMs.length);

/** The largest difference of two lists of times, each from its own first, up to the shorter one's end. */
function largestShiftMs(a: Float64Array, b: Float64Array): number {
  const [firstA, firstB] = [a[0] ?? 0, b[0] ?? 0];
  let largest = 0;
  for (let i = 0; i < Math.min(a.length, b.length); i++)
    largest = Math.max(largest, Math.abs((a[i] as number) - firstA - ((b[i] as number) - firstB)));
  return largest;
}

function compareOutlines(original: MediaOutline, proxy: MediaOutline): readonly ProxyFault[] {
  const faults: ProxyFault[] = [];
  const add = (code: ProxyFaultCode, a: number | null, b: number | null): number =>
    faults.push({ code, original: a, proxy: b });
  const frameMs = frameMsOf(original);
  const [countA, countB] = [original.timesMs.length, proxy.timesMs.length];
  if (Math.abs(original.durationMs - proxy.durationMs) > Math.max(1, frameMs) * 1.01)
    add('length-differs', original.durationMs, proxy.durationMs);
  if (countA !== countB) add('frame-count-differs', countA, countB);
  else {
    const shiftMs = largestShiftMs(original.timesMs, proxy.timesMs);
    if (shiftMs > frameMs / 2) add('times-differ', 0, shiftMs);
  }
  const [aspectA, aspectB] = [aspectOf(original), aspectOf(proxy)];
  if (Math.abs(aspectB / aspectA - 1) > aspectTolerance) add('aspect-differs', aspectA, aspectB);
  if (original.rotationDegrees !== proxy.rotationDegrees)
    add('rotation-differs', original.rotationDegrees, proxy.rotationDegrees);
  if (original.sound && !proxy.sound) add('sound-missing', original.sound.channelCount, null);
  if (original.sound && proxy.sound) {
    if (original.sound.channelCount !== proxy.sound.channelCount)
      add('sound-channels-differ', original.sound.channelCount, proxy.sound.channelCount);
    if (Math.abs(original.sound.durationMs - proxy.sound.durationMs) > soundToleranceMs)
      add('sound-length-differs', original.sound.durationMs, proxy.sound.durationMs);
  }
  const distanceOf = ({ timesMs, keyFrameCount }: MediaOutline): number => timesMs.length / Math.max(1, keyFrameCount);
  if (distanceOf(proxy) > keyFrameTolerance * distanceOf(original))
    add('few-key-frames', distanceOf(original), distanceOf(proxy));
  return faults;
}

/** What is said of one place: the fault that its pictures show, none, or that nothing can be told there. */
type PlaceVerdict = ProxyFaultCode | 'fine' | 'cannot-tell';

/** Whether a stranger's picture matches the proxy clearly better than its own does, and the two can be told apart. */
const isBetter = (proxy: Luma, own: Luma, stranger: Luma): boolean => {
  if (fitPictures(own, stranger).restRms < leastDifference) return false;
  return fitPictures(stranger, proxy).restRms < clearlyBetter * fitPictures(own, proxy).restRms;
};

function judgePlace({ proxy, own, before, after }: ComparedPlace, others: readonly Luma[]): PlaceVerdict {
  const fit = fitPictures(own, proxy);
  const contrast = fitPictures(
    own,
    own.map(() => 0),
  ).restRms;
  const neighbours = [before, after].filter((picture) => picture !== null);
  if (neighbours.some((picture) => isBetter(proxy, own, picture))) return 'picture-shifted';
  const similarity = similarityOf(own, proxy);
  const isOff = similarity < leastSimilarity || fit.worstRms > Math.max(worstLeast, worstShare * contrast);
  if (isOff) {
    if (similarityOf(mirrored(own), proxy) > Math.max(leastSimilarity, similarity)) return 'picture-mirrored';
    if (similarityOf(turned(own), proxy) > Math.max(leastSimilarity, similarity)) return 'picture-turned';
    return 'picture-other';
  }
  if (others.some((picture) => isBetter(proxy, own, picture))) return 'picture-other';
  const isTold = [...neighbours, ...others].some((picture) => fitPictures(own, picture).restRms >= leastDifference);
  return isTold ? 'fine' : 'cannot-tell';
}

/** Whether the brightness is that of the other range: in most places, so that one dark frame does not say so. */
function hasOtherRange(places: readonly ComparedPlace[]): boolean {
  const off = places.filter(({ proxy, own }) => {
    const { gain, restRms } = fitPictures(own, proxy);
    const contrast = fitPictures(
      own,
      own.map(() => 0),
    ).restRms;
    // Where little is to be seen, the gain says little.
    if (contrast < 4 || restRms > contrast / 2) return false;
    return Math.abs(Math.log(gain)) > 0.6 * Math.log(rangeGain);
  });
  return off.length > places.length / 2;
}

function comparePictures(places: readonly ComparedPlace[]): Pick<ProxyCheck, 'faults' | 'pictures'> {
  if (places.length === 0) return { faults: [], pictures: 'not-compared' };
  const verdicts = places.map((place, i) =>
    judgePlace(
      place,
      places.filter((_, k) => k !== i).map(({ own }) => own),
    ),
  );
  const faultOf = (code: ProxyFaultCode): ProxyFault => ({ code, original: places.length, proxy: wrongCount });
  const wrong = verdicts.filter((verdict) => verdict !== 'fine' && verdict !== 'cannot-tell');
  const wrongCount = wrong.length;
  const faults: ProxyFault[] = [];
  if (wrongCount > 0) {
    const isFrozen =
      places.length > 2 &&
      places.every(({ proxy }, i) => i === 0 || fitPictures((places[0] as ComparedPlace).proxy, proxy).restRms < 0.5) &&
      places.some(
        ({ own }, i) => i > 0 && fitPictures((places[0] as ComparedPlace).own, own).restRms >= leastDifference,
      );
    const commonest = wrong.toSorted(
      (a, b) => wrong.filter((code) => code === b).length - wrong.filter((code) => code === a).length,
    )[0] as ProxyFaultCode;
    faults.push(faultOf(isFrozen ? 'picture-frozen' : commonest));
  } else if (hasOtherRange(places)) faults.push(faultOf('picture-range-differs'));
  const isAlike = verdicts.every((verdict) => verdict === 'cannot-tell');
  return { faults, pictures: isAlike && faults.length === 0 ? 'alike' : 'compared' };
}

/**
 * Compares a proxy with its original: what their files say, and the pictures of some places. Every picture must be that of
 * its own frame, and match it better than the frames beside it and those of the other places, wherever these differ.
 */
export function checkProxy(original: MediaOutline, proxy: MediaOutline, places: readonly ComparedPlace[]): ProxyCheck {
  const outlines = compareOutlines(original, proxy);
  const { faults, pictures } = comparePictures(places);
  const all = [...outlines, ...faults];
  return { isGood: all.length === 0, faults: all, pictures };
}

/** How many places are compared. */
export const comparedPlaceCount = 8;

/**
 * The frames to compare: of as many equal stretches, each time the one whose data says that most changes there. The first and
 * the last frame have no neighbour to be told from, and are taken only where there are no others.
 *
 * @param sizesBytes Size of each frame's data in order of time; 0 for key frames, whose size says nothing of change.
 */
export function choosePlaces(sizesBytes: ArrayLike<number>, count = comparedPlaceCount): readonly number[] {
  const [first, last] = sizesBytes.length > 2 ? [1, sizesBytes.length - 2] : [0, sizesBytes.length - 1];
  const span = last - first + 1;
  const stretchCount = Math.min(count, span);
  return Array.from({ length: Math.max(0, stretchCount) }, (_, i) => {
    const from = first + Math.floor((i * span) / stretchCount);
    const to = first + Math.floor(((i + 1) * span) / stretchCount);
    const middle = Math.floor((from + to - 1) / 2);
    let best = middle;
    for (let at = from; at < to; at++) if ((sizesBytes[at] ?? 0) > 1.2 * (sizesBytes[best] ?? 0)) best = at;
    return best;
  });
}
