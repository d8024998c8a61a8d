import type { VideoSample } from 'mediabunny';
import type { GreyPicture } from '@/core/meter';

/** Planar formats begin with the brightness of all pixels, one byte each. */
const planarFormats: readonly (string | null)[] = ['I420', 'I420A', 'I422', 'I444', 'NV12'];

/** Makes grey pictures of frames, one after another in the same memory. */
export class GreyReader {
  private buffer = new Uint8Array(0);
  private canvas: OffscreenCanvas | null = null;

  /** The picture is written over by the next. */
  async read(sample: VideoSample): Promise<GreyPicture> {
    const { codedWidth: widthPx, codedHeight: heightPx } = sample;
    const count = widthPx * heightPx;
    if (planarFormats.includes(sample.format)) {
      const bytes = sample.allocationSize();
      if (this.buffer.length < bytes) this.buffer = new Uint8Array(bytes);
      await sample.copyTo(this.buffer);
      return { widthPx, heightPx, pixels: this.buffer.subarray(0, count) };
    }
    // Whatever else a decoder gives is drawn, and its brightness taken (BT.709).
    this.canvas ??= new OffscreenCanvas(widthPx, heightPx);
    const context = this.canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('no 2d context in this worker');
    sample.draw(context, 0, 0, widthPx, heightPx);
    const { data } = context.getImageData(0, 0, widthPx, heightPx);
    if (this.buffer.length < count) this.buffer = new Uint8Array(count);
    for (let i = 0; i < count; i++)
      this.buffer[i] =
        0.2126 * (data[4 * i] as number) + 0.7152 * (data[4 * i + 1] as number) + 0.0722 * (data[4 * i + 2] as number);
    return { widthPx, heightPx, pixels: this.buffer.subarray(0, count) };
  }
}
