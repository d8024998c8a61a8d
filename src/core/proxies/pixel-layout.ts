/** How the planes of a picture lie in memory, by the names that browsers give them (WebCodecs, VideoPixelFormat). */
export interface PixelLayout {
  /** Bits of a sample; over 8 they lie in two bytes, the smaller first. */
  readonly bits: 8 | 10 | 12;
  /** Chroma samples for each luma sample, in each direction. */
  readonly chromaX: 1 | 2;
  readonly chromaY: 1 | 2;
}

const subsamplings: Readonly<Record<string, Pick<PixelLayout, 'chromaX' | 'chromaY'>>> = {
  '420': { chromaX: 2, chromaY: 2 },
  '422': { chromaX: 2, chromaY: 1 },
  '444': { chromaX: 1, chromaY: 1 },
};

/** The layout of pictures whose luma and chroma lie in planes of their own, as decoders give them; null for all others. */
export function pixelLayoutOf(format: string | null): PixelLayout | null {
  const [, chroma = '', bits] = /^I(420|422|444)A?(?:P(10|12))?$/.exec(format ?? '') ?? [];
  const subsampling = subsamplings[chroma];
  return subsampling ? { ...subsampling, bits: bits === '10' ? 10 : bits === '12' ? 12 : 8 } : null;
}
