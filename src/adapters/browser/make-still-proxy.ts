import type { StillFacts } from '@/core/footage';
import {
  averagePlane,
  type CheckedProxy,
  checkProxy,
  comparedHeight,
  comparedWidth,
  linesFor,
  type MadeProxy,
  type MediaOutline,
  type ProxyFailure,
  type ProxyRecipe,
  proxyEnding,
  proxySizeOf,
} from '@/core/proxies';
import { fail, type Result, succeed } from '@/core/result';
import { ProxyError, toProxyFailure } from './proxy-failure';

/** Edges stay, and a large still loses nine tenths of its bytes. Assumption. */
const jpegQuality = 0.9;

async function openPicture(file: Blob, facts: Pick<StillFacts, 'container'>): Promise<ImageBitmap> {
  try {
    return await createImageBitmap(file);
  } catch (error) {
    // A file that cannot be read is told as such by whoever called; what cannot be decoded is this.
    if (error instanceof DOMException && error.name === 'InvalidStateError')
      throw new ProxyError({ code: 'proxy-codec-not-decoded', codec: facts.container });
    throw error;
  }
}

function drawAt(picture: ImageBitmap, widthPx: number, heightPx: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('drawAt: this browser has no 2d canvas in workers');
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, widthPx, heightPx);
  return canvas;
}

/** What a smaller still is made of, and where it goes. */
export interface StillJob {
  readonly file: File;
  readonly facts: StillFacts;
  readonly recipe: ProxyRecipe;
  readonly target: FileSystemWritableFileStream;
  readonly nowMs: () => number;
}

/**
 * Makes a smaller copy of a still: upright, as it is shown, with what is see-through in it. The target is closed where it is whole, and
 * given up where it is not. Never rejects.
 */
export async function makeStillProxy({
  file,
  facts,
  recipe,
  target,
  nowMs,
}: StillJob): Promise<Result<MadeProxy, ProxyFailure>> {
  const fromMs = nowMs();
  try {
    const picture = await openPicture(file, facts);
    try {
      const shown = { widthPx: picture.width, heightPx: picture.height };
      const size = proxySizeOf(shown, linesFor(recipe, shown)) ?? shown;
      const isPng = proxyEnding(facts) === 'png';
      const blob = await drawAt(picture, size.widthPx, size.heightPx).convertToBlob(
        isPng ? { type: 'image/png' } : { type: 'image/jpeg', quality: jpegQuality },
      );
      await target.write(blob);
      await target.close();
      return succeed({
        frameCount: 1,
        widthPx: size.widthPx,
        heightPx: size.heightPx,
        sizeBytes: blob.size,
        elapsedMs: nowMs() - fromMs,
        droppedSoundCount: 0,
      });
    } finally {
      picture.close();
    }
  } catch (error) {
    const failure = await toProxyFailure(error, file);
    // Closed already, or broken: then there is nothing to give up.
    await target.abort().catch(() => undefined);
    return fail(failure);
  }
}

const outlineOf = ({ width, height }: ImageBitmap): MediaOutline => ({
  widthPx: width,
  heightPx: height,
  pixelAspect: { num: 1, den: 1 },
  rotationDegrees: 0,
  timesMs: Float64Array.of(0),
  durationMs: 0,
  keyFrameCount: 1,
  sound: null,
});

/** What is compared of a picture is averaged from so many times as many samples each way. */
const samplesEach = 4;

/** The luma of a picture (ITU-R BT.601 weights, full range), area-averaged to the compared size. */
function lumaOf(picture: ImageBitmap): Float32Array {
  const [width, height] = [samplesEach * comparedWidth, samplesEach * comparedHeight];
  const { data } = drawAt(picture, width, height).getContext('2d')?.getImageData(0, 0, width, height) ?? { data: null };
  if (!data) throw new Error('lumaOf: this browser has no 2d canvas in workers');
  const samples = new Uint8Array(width * height);
  for (let i = 0; i < samples.length; i++)
    samples[i] =
      0.299 * (data[4 * i] as number) + 0.587 * (data[4 * i + 1] as number) + 0.114 * (data[4 * i + 2] as number);
  return averagePlane({ samples, stride: width, width, height }, comparedWidth, comparedHeight);
}

/** Whether a file says that it is a still. */
export const isStillFile = ({ type }: Blob): boolean => type.startsWith('image/');

/** Opens a smaller still again and compares it with its original: shape and picture. Rejects where one cannot be read. */
export async function checkStillProxy(original: File, proxy: File): Promise<CheckedProxy> {
  const [a, b] = [await createImageBitmap(original), await createImageBitmap(proxy)];
  try {
    const place = { frameIndex: 0, own: lumaOf(a), proxy: lumaOf(b), before: null, after: null };
    // A still has no other picture that it could be taken for.
    const check = { ...checkProxy(outlineOf(a), outlineOf(b), [place]), pictures: 'compared' as const };
    return { check, outline: outlineOf(b) };
  } finally {
    a.close();
    b.close();
  }
}
