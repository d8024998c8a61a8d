import { averagePlane, type Plane, type ProxySize, pixelLayoutOf } from '@/core/proxies';

/** Pixels that encoders of 8 bits take as they come. */
export const isTakenByEncoders = (format: VideoPixelFormat | null): boolean =>
  format === 'I420' || format === 'NV12' || format === null;

/** The planes of a frame as they lie in memory; null where it does not hold luma and chroma in planes of their own. */
async function readPlanes(
  frame: VideoFrame,
): Promise<{ readonly planes: readonly Plane[]; readonly bits: number } | null> {
  // Of NV12 only the luma lies by itself.
  const layout = pixelLayoutOf(frame.format === 'NV12' ? 'I420' : frame.format);
  if (!layout) return null;
  const bytes = new Uint8Array(frame.allocationSize());
  const places = await frame.copyTo(bytes);
  const { width, height } = frame.visibleRect ?? { width: frame.codedWidth, height: frame.codedHeight };
  const bytesPerSample = layout.bits > 8 ? 2 : 1;
  return {
    bits: layout.bits,
    planes: places.slice(0, frame.format === 'NV12' ? 1 : 3).map(({ offset, stride }, i): Plane => {
      const isChroma = i > 0;
      const plane = {
        stride: stride / bytesPerSample,
        width: isChroma ? Math.ceil(width / layout.chromaX) : width,
        height: isChroma ? Math.ceil(height / layout.chromaY) : height,
      };
      const count = plane.stride * (plane.height - 1) + plane.width;
      return {
        ...plane,
        samples:
          bytesPerSample === 2 ? new Uint16Array(bytes.buffer, offset, count) : bytes.subarray(offset, offset + count),
      };
    }),
  };
}

/** The luma of a frame, area-averaged, in the units of 8 bits; null where the frame does not hold it by itself. */
export async function readLuma(frame: VideoFrame, width: number, height: number): Promise<Float32Array | null> {
  const read = await readPlanes(frame);
  const [luma] = read?.planes ?? [];
  if (!read || !luma || luma.width < width || luma.height < height) return null;
  const averaged = averagePlane(luma, width, height);
  return read.bits === 8 ? averaged : averaged.map((value) => value / 2 ** (read.bits - 8));
}

/** The same picture at the proxy's size in 8 bits and 4:2:0, its range and matrix as they were. Closes the frame it is given. */
export function createFrameScaler({ widthPx, heightPx }: ProxySize): (frame: VideoFrame) => Promise<VideoFrame> {
  let canvas: OffscreenCanvas | null = null;
  const draw = (frame: VideoFrame): VideoFrame => {
    canvas ??= new OffscreenCanvas(widthPx, heightPx);
    const context = canvas.getContext('2d', { alpha: false });
    if (!context) throw new Error('createFrameScaler: this browser has no 2d canvas in workers');
    context.drawImage(frame, 0, 0, widthPx, heightPx);
    return new VideoFrame(canvas, { timestamp: frame.timestamp });
  };
  return async (frame) => {
    try {
      const read = await readPlanes(frame);
      const [luma] = read?.planes ?? [];
      if (!luma || read?.planes.length !== 3 || luma.width < widthPx || luma.height < heightPx) return draw(frame);
      const scale = 2 ** (8 - read.bits);
      const [chromaWidth, chromaHeight] = [widthPx / 2, heightPx / 2];
      const data = new Uint8ClampedArray(widthPx * heightPx + 2 * chromaWidth * chromaHeight);
      let offset = 0;
      for (const [i, plane] of read.planes.entries()) {
        const averaged = averagePlane(plane, i === 0 ? widthPx : chromaWidth, i === 0 ? heightPx : chromaHeight);
        for (let k = 0; k < averaged.length; k++) data[offset + k] = (averaged[k] as number) * scale;
        offset += averaged.length;
      }
      return new VideoFrame(data, {
        format: 'I420',
        codedWidth: widthPx,
        codedHeight: heightPx,
        timestamp: frame.timestamp,
        colorSpace: frame.colorSpace,
      });
    } finally {
      frame.close();
    }
  };
}
