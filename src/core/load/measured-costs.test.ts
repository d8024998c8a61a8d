import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { percentileOfSorted } from '../numbers/percentile';
import { decodeCosts, softwareDecodeMs } from '.';
import { drawingHabits } from './drawing-habits';
import { blendCost, type EffectKind, effectCosts, effectMs, scaleMs } from './effect-costs';

/** The measured tables; they lie beside the tests, so that these run anywhere. */
const decodeRows = readFileSync(new URL('../../../tests/fixtures/decode-cost.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => {
    const [codec = '', , width, height, rate, pixelFormat = '', mbit, ms] = line.split(',');
    const chroma = pixelFormat.includes('422') ? ('4:2:2' as const) : ('4:2:0' as const);
    return {
      frame: {
        codec,
        bitDepth: pixelFormat.includes('10') ? 10 : 8,
        chroma,
        megapixels: (Number(width) * Number(height)) / 1e6,
        megabits: Number(mbit) / Number(rate),
      },
      measuredMs: Number(ms),
    };
  });

describe('softwareDecodeMs', () => {
  it('stays within 14 % of every measured row, and within 5 % of half of them', () => {
    const errors = decodeRows
      .map(({ frame, measuredMs }) => Math.abs(softwareDecodeMs(frame) / measuredMs - 1))
      .sort((a, b) => a - b);
    expect(errors.length).toBe(24);
    expect(errors.at(-1)).toBeLessThan(0.14);
    expect(percentileOfSorted(errors, 0.5)).toBeLessThan(0.05);
  });

  it('charges 4:2:2 a third more pixels than 4:2:0, and a codec it does not know as 10-bit H.264', () => {
    const frame = { codec: 'h264', bitDepth: 8, megapixels: 1, megabits: 0 };
    const [plain, wide] = [
      softwareDecodeMs({ ...frame, chroma: '4:2:0' }),
      softwareDecodeMs({ ...frame, chroma: '4:2:2' }),
    ];
    expect(wide / plain).toBeCloseTo(4 / 3, 10);
    expect(softwareDecodeMs({ ...frame, codec: 'oilc', chroma: '4:2:0' })).toBe(4.65);
  });

  it('has finite positive costs in every row', () => {
    for (const row of decodeCosts.filter(({ codec }) => codec !== 'still'))
      expect(row.msPerMegapixel).toBeGreaterThan(0);
  });
});

/** Milliseconds at 1920 × 1080 and at 960 × 540, by what was done. */
const effectRows = new Map(
  readFileSync(new URL('../../../tests/fixtures/effect-cost.csv', import.meta.url), 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => {
      const [operation = '', width, height, ms] = line.split(',');
      return [`${operation} ${width}`, { megapixels: (Number(width) * Number(height)) / 1e6, ms: Number(ms) }] as const;
    }),
);
const measured = (operation: string, width = 1920) => {
  const row = effectRows.get(`${operation} ${width}`);
  if (!row) throw new Error(`no row ${operation} ${width}`);
  return row;
};
/** What each measured kind was measured by. */
const operationOf = {
  'simple-colour': 'brightness_contrast_saturation',
  'colour-curves': 'colour_curves_in_rgb',
  blur: 'blur_gaussian_sigma8',
  'box-blur': 'blur_box_radius8',
  denoise: 'denoise_spatial_temporal',
  sharpen: 'sharpen_7x7',
  zoom: 'zoom_10_percent',
  rotate: 'rotate',
} as const;

describe('effect costs', () => {
  it('follow the measured table, each kind that is called measured', () => {
    const kinds = effectCosts.filter(({ origin }) => origin === 'measured').map(({ kind }) => kind);
    expect([...kinds].sort()).toEqual(Object.keys(operationOf).sort());
    for (const [kind, operation] of Object.entries(operationOf)) {
      const each = [1920, 960].map((width) => {
        const { megapixels, ms } = measured(operation, width);
        return ms / megapixels;
      });
      const cost = effectMs(kind as EffectKind, 1);
      // Between what both sizes took, but for the one digit behind the point that is kept.
      expect(cost, kind).toBeGreaterThan(Math.min(...each) - 0.051);
      expect(cost, kind).toBeLessThan(Math.max(...each) + 0.051);
    }
  });

  it('follow it for blending at both sizes, and for scaling', () => {
    for (const width of [1920, 960]) {
      const { megapixels, ms } = measured('blend_half_transparent_layer', width);
      expect(blendCost.fixedMs + blendCost.msPerMegapixel * megapixels).toBeCloseTo(ms, 1);
    }
    const { megapixels, ms } = measured('scale_to_half_bilinear');
    expect(scaleMs(megapixels, megapixels / 4) / ms).toBeCloseTo(1, 1);
    const fine = drawingHabits.find(({ id }) => id === 'fine-scaling');
    expect(fine?.ratio).toBeCloseTo(measured('scale_to_half_bicubic').ms / ms, 2);
  });

  it('follow it for scaling up and down between eleven pairs of sizes', () => {
    const rows = readFileSync(new URL('../../../tests/fixtures/scale-cost.csv', import.meta.url), 'utf8')
      .trim()
      .split('\n')
      .slice(1)
      .map((line) => line.split(',').map(Number) as [number, number, number, number, number]);
    expect(rows).toHaveLength(12);
    for (const [fromWidth, fromHeight, toWidth, toHeight, ms] of rows) {
      const predicted = scaleMs((fromWidth * fromHeight) / 1e6, (toWidth * toHeight) / 1e6);
      if (fromWidth === toWidth) expect(predicted).toBe(0);
      else expect(Math.abs(predicted / ms - 1), `${fromWidth} to ${toWidth}`).toBeLessThan(0.23);
    }
  });

  it('name each kind once, with a finite cost', () => {
    expect(new Set(effectCosts.map((row) => row.kind)).size).toBe(effectCosts.length);
    for (const row of effectCosts) expect(row.msPerMegapixel).toBeGreaterThan(0);
  });
});
