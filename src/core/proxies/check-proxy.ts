import { meanOf } from '../numbers/mean';
import type { Rational } from '../numbers/rational';
import { blockMeans, contrastOf, fitPictures, type Luma, mirrored, type PictureFit, turned } from './compare-pictures';
import type { ProxyFaultCode } from './fault-codes';

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

// Limits between good and spoiled proxies, set by 40 good ones with noise, low light and strong compression, and 64 spoiled ones of
// eight shots, and tried on as many of four others (`bench/check-proxy.ts`; docs/decisions.md has the figures).

/** Of the means of blocks: correlation below this is another picture. */
const leastCorrelation = 0.85;
/** What the fit leaves of them, all of it and its worst, as a share of the picture's contrast. */
const mostRest = 0.3;
const mostWorst = 0.75;
/** Compression takes contrast away, but not this much of it. */
const leastGain = 0.6;
const leastUsualGain = 0.75;
/** Frames that differ by less than this, in units of 8 bits, cannot be told apart. */
const leastDifference = 0.6;
/** A stranger matches better where what is left is this share of what its own frame leaves. */
const clearlyBetter = 0.85;
/** Means of blocks that moved by this much, in units of 8 bits, show a movement that no compression takes away. */
const plainMovement = 2;
/** Proxy frames that differ by less than this are one picture. */
const frozenDifference = 0.5;
/** Limited range taken for full has 255/219 of the contrast, full taken for limited 219/255 and is lighter by 16 at black. */
const expandedGains = [1.08, 1.25] as const;
const compressedGains = [0.8, 0.92] as const;
const blackOffset = 16;

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

const differenceOf = (a: Luma, b: Luma): number => fitPictures(a, b).restRms;

/** Whether a stranger's picture matches the proxy clearly better than its own does, and the two can be told apart. */
const isBetter = (proxy: Luma, own: Luma, stranger: Luma): boolean =>
  differenceOf(own, stranger) >= leastDifference &&
  differenceOf(stranger, proxy) < clearlyBetter * differenceOf(own, proxy);

/** The fit of two pictures by the means of their blocks, its rests as shares of the first one's contrast. */
function coarseFit(own: Luma, proxy: Luma): PictureFit & { readonly isOff: boolean } {
  const [a, b] = [blockMeans(own), blockMeans(proxy)];
  const fit = fitPictures(a, b);
  const contrast = Math.max(leastDifference, contrastOf(a));
  const [restRms, worst] = [fit.restRms / contrast, fit.worst / contrast];
  const isOff = fit.correlation < leastCorrelation || restRms > mostRest || worst > mostWorst || fit.gain < leastGain;
  return { ...fit, restRms, worst, isOff };
}

function judgePlace({ proxy, own, before, after }: ComparedPlace, others: readonly Luma[]): PlaceVerdict {
  const neighbours = [before, after].filter((picture) => picture !== null);
  if (neighbours.some((picture) => isBetter(proxy, own, picture))) return 'picture-shifted';
  // Where there is nothing to be seen, nothing can be another picture.
  const isPlain = contrastOf(own) < leastDifference && contrastOf(proxy) < 2 * leastDifference;
  if (!isPlain && coarseFit(own, proxy).isOff) {
    const [inMirror, upsideDown] = [coarseFit(mirrored(own), proxy), coarseFit(turned(own), proxy)];
    if (inMirror.isOff && upsideDown.isOff) return 'picture-other';
    // A picture that is much alike both ways is what fits it better.
    return inMirror.restRms <= upsideDown.restRms ? 'picture-mirrored' : 'picture-turned';
  }
  if (others.some((picture) => isBetter(proxy, own, picture))) return 'picture-other';
  const isTold = [...neighbours, ...others].some((picture) => differenceOf(own, picture) >= leastDifference);
  return isTold ? 'fine' : 'cannot-tell';
}

const middleOf = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] as number;

/** Whether the brightness is that of the other range: by most places, so that one dark frame does not say so. */
function hasOtherRange(places: readonly ComparedPlace[]): boolean {
  const fits = places.map(({ proxy, own }) => coarseFit(own, proxy));
  const gain = middleOf(fits.map((fit) => fit.gain));
  if (gain >= expandedGains[0] && gain <= expandedGains[1]) return true;
  // A picture that compression has flattened leaves more than that, and is not as much lighter.
  const rest = middleOf(fits.map((fit) => fit.restRms));
  const astray = middleOf(
    places.map(({ own }, i) => Math.abs((fits[i]?.offset ?? 0) - blackOffset + (1 - 219 / 255) * meanOf(own))),
  );
  return gain >= compressedGains[0] && gain <= compressedGains[1] && rest < 0.05 && astray < 2.5;
}

/** Whether all pictures of the proxy are one, although something plainly moves in the original. */
function isFrozen(places: readonly ComparedPlace[]): boolean {
  const [first, ...others] = places;
  if (!first || others.length === 0) return false;
  return (
    others.every(({ proxy }) => differenceOf(first.proxy, proxy) < frozenDifference) &&
    others.some(({ own }) => fitPictures(blockMeans(first.own), blockMeans(own)).worst >= plainMovement)
  );
}

/** The one thing that is wrong with the pictures, if anything is. */
function pictureFaultOf(
  places: readonly ComparedPlace[],
  verdicts: readonly PlaceVerdict[],
): { readonly code: ProxyFaultCode; readonly count: number } | null {
  if (isFrozen(places)) return { code: 'picture-frozen', count: places.length };
  const countOf = (code: PlaceVerdict): number => verdicts.filter((verdict) => verdict === code).length;
  const codes = (['picture-mirrored', 'picture-turned', 'picture-other'] as const)
    .map((code) => ({ code, count: countOf(code) }))
    .sort((a, b) => b.count - a.count);
  const [commonest] = codes;
  const wrongCount = codes.reduce((sum, { count }) => sum + count, 0);
  // One place may be told wrongly by a fade; a shift runs through all of a file.
  const shiftedCount = countOf('picture-shifted');
  if (shiftedCount >= Math.min(2, places.length) && shiftedCount > wrongCount)
    return { code: 'picture-shifted', count: shiftedCount };
  if (commonest && wrongCount > 0) return { code: commonest.code, count: wrongCount };
  if (hasOtherRange(places)) return { code: 'picture-range-differs', count: places.length };
  const usualGain = middleOf(places.map(({ own, proxy }) => coarseFit(own, proxy).gain));
  return usualGain < leastUsualGain ? { code: 'picture-other', count: places.length } : null;
}

function comparePictures(places: readonly ComparedPlace[]): Pick<ProxyCheck, 'faults' | 'pictures'> {
  if (places.length === 0) return { faults: [], pictures: 'not-compared' };
  const verdicts = places.map((place, i) =>
    judgePlace(
      place,
      places.filter((_, k) => k !== i).map(({ own }) => own),
    ),
  );
  const fault = pictureFaultOf(places, verdicts);
  if (fault)
    return { faults: [{ code: fault.code, original: places.length, proxy: fault.count }], pictures: 'compared' };
  return { faults: [], pictures: verdicts.every((verdict) => verdict === 'cannot-tell') ? 'alike' : 'compared' };
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

/** A proxy that was held against its original. */
export interface CheckedProxy {
  readonly check: ProxyCheck;
  /** What the proxy's own file says. */
  readonly outline: MediaOutline;
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
