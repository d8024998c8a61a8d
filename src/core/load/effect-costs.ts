/**
 * Effects on the reference core, 8 bit, milliseconds a megapixel of the picture they are computed on.
 * Measured: tests/fixtures/effect-cost.csv (1080 lines). Assumed: no measurement yet, and the page says so.
 */
export const effectCosts = [
  { kind: 'simple-colour', msPerMegapixel: 0.3, origin: 'measured' },
  { kind: 'colour-curves', msPerMegapixel: 13.3, origin: 'measured' },
  { kind: 'blur', msPerMegapixel: 5.5, origin: 'measured' },
  { kind: 'box-blur', msPerMegapixel: 11, origin: 'measured' },
  { kind: 'denoise', msPerMegapixel: 5.3, origin: 'measured' },
  { kind: 'sharpen', msPerMegapixel: 14.7, origin: 'measured' },
  { kind: 'zoom', msPerMegapixel: 3.4, origin: 'measured' },
  { kind: 'rotate', msPerMegapixel: 26.6, origin: 'measured' },
  { kind: 'mask', msPerMegapixel: 6, origin: 'assumed' },
  { kind: 'keying', msPerMegapixel: 14, origin: 'assumed' },
  { kind: 'stabilise', msPerMegapixel: 30, origin: 'assumed' },
  { kind: 'retime', msPerMegapixel: 20, origin: 'assumed' },
  { kind: 'layers-3d', msPerMegapixel: 25, origin: 'assumed' },
] as const satisfies readonly {
  readonly kind: string;
  readonly msPerMegapixel: number;
  readonly origin: 'measured' | 'assumed';
}[];

export type EffectKind = (typeof effectCosts)[number]['kind'];
export const effectKinds: readonly EffectKind[] = effectCosts.map((row) => row.kind);

/**
 * How far an effect reaches, or how hard it works, against its usual. Assumption: a blur by running sums costs the same at any
 * radius, a sharpening over 13 by 13 pixels 1.8 times one over 5 by 5, a denoiser that searches twice as far five times as much
 * (measured on one core, 2026-12-01), and nobody knows which an editor has.
 */
export const effectStrengths = [
  { strength: 'slight', ratio: 0.6 },
  { strength: 'usual', ratio: 1 },
  { strength: 'strong', ratio: 2.5 },
] as const;
export type EffectStrength = (typeof effectStrengths)[number]['strength'];
export const effectStrengthIds: readonly EffectStrength[] = effectStrengths.map(({ strength }) => strength);

/** Effects whose cost goes by how far they reach; the others work on each pixel alone, whatever they are set to. */
const reachingKinds: readonly EffectKind[] = ['blur', 'box-blur', 'denoise', 'sharpen', 'stabilise', 'layers-3d'];
export const hasReach = (kind: EffectKind): boolean => reachingKinds.includes(kind);

const strengthRatios = new Map<EffectStrength, number>(effectStrengths.map(({ strength, ratio }) => [strength, ratio]));

/**
 * Reference milliseconds of one effect on a picture of that many megapixels: 11.4 for a usual blur of 1080 lines, 28.5 for a
 * strong one.
 */
export function effectMs(kind: EffectKind, megapixels: number, strength: EffectStrength = 'usual'): number {
  const row = effectCosts.find((candidate) => candidate.kind === kind);
  if (!row) throw new Error(`effectMs: no cost for "${kind}"`);
  return row.msPerMegapixel * megapixels * (hasReach(kind) ? (strengthRatios.get(strength) ?? 1) : 1);
}

/**
 * Blending one transparent layer: 12.50 ms at 960 × 540 and 37.92 ms at 1920 × 1080 (tests/fixtures/effect-cost.csv) lie on
 * a line with a fixed term, which shows in small pictures.
 */
export const blendCost = { fixedMs: 4.03, msPerMegapixel: 16.35 } as const;

/**
 * Scaling, bilinear, by the pixels of the larger picture and of the smaller one, whichever way: within a fifth of ten measured
 * pairs (tests/fixtures/scale-cost.csv), but for one up by half, which is a fifth and a little dearer.
 */
export const scaleCost = { msPerLargerMegapixel: 1.3, msPerSmallerMegapixel: 1.4 } as const;

/** Two pictures whose pixels differ by less are of one size: there is nothing to scale. */
const sameSizeRatio = 0.01;

/** Reference milliseconds of scaling one picture to another size: 3.4 from 1080 lines to 540, none to the same size. */
export function scaleMs(fromMegapixels: number, toMegapixels: number): number {
  const [smaller, larger] = [Math.min(fromMegapixels, toMegapixels), Math.max(fromMegapixels, toMegapixels)];
  if (larger - smaller <= sameSizeRatio * larger) return 0;
  return scaleCost.msPerLargerMegapixel * larger + scaleCost.msPerSmallerMegapixel * smaller;
}

/** Handing the finished picture to the screen: converting to screen colours and copying. Assumption. */
export const showCost = { fixedMs: 0.8, msPerMegapixel: 1.1 } as const;

/** Copying a picture that hardware decoded back to where it is drawn, per megapixel. Assumption. */
export const hardwareCopyMsPerMegapixel = 0.4;
