import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { percentileOfSorted } from '../numbers/percentile';
import { decodeCosts, softwareDecodeMs } from '.';
import { drawingHabits } from './drawing-habits';
import { blendCost, type EffectKind, effectCosts, effectMs, scaleMs } from './effect-costs';

/** The rows of a measured table, by the names of its columns; they lie beside the tests, so that these run anywhere. */
function readTable(name: string): readonly Readonly<Record<string, string>>[] {
  const text = readFileSync(new URL(`../../../tests/fixtures/${name}.csv`, import.meta.url), 'utf8');
  const [head = [], ...rows] = text
    .trim()
    .split('\n')
    .map((line) => line.split(','));
  return rows.map((row) => Object.fromEntries(head.map((column, i) => [column, row[i] ?? ''])));
}

/** How far the law is off each row of a table of decoding. */
const decodeErrors = (name: string) =>
  readTable(name).map((row) => {
    const pixelFormat = row.pixel_format ?? '';
    const frame = {
      codec: row.codec ?? '',
      bitDepth: pixelFormat.includes('10') ? 10 : 8,
      chroma: pixelFormat.includes('422') ? ('4:2:2' as const) : ('4:2:0' as const),
      megapixels: (Number(row.width_px) * Number(row.height_px)) / 1e6,
      megabits: Number(row.bitrate_mbit_per_sec) / Number(row.frame_rate_fps),
      sizeEvenness: row.size_evenness ? Number(row.size_evenness) : null,
    };
    return { row, error: Math.abs(softwareDecodeMs(frame) / Number(row.decode_cpu_ms_per_frame) - 1) };
  });
const sortedErrors = (rows: ReturnType<typeof decodeErrors>) => rows.map(({ error }) => error).sort((a, b) => a - b);

describe('softwareDecodeMs', () => {
  it('stays near every row of the first table, of which nobody read how even its frames are', () => {
    const errors = sortedErrors(decodeErrors('decode-cost'));
    expect(errors.length).toBe(24);
    expect(errors.at(-1)).toBeLessThan(0.25);
    expect(percentileOfSorted(errors, 0.5)).toBeLessThan(0.1);
  });

  it('follows clips of five sizes, still, calm, busy and dense, quickly and slowly coded', () => {
    const rows = decodeErrors('decode-cost-sizes');
    expect(rows.length).toBe(161);
    const errors = sortedErrors(rows);
    expect(percentileOfSorted(errors, 0.5)).toBeLessThan(0.08);
    expect(percentileOfSorted(errors, 0.9)).toBeLessThan(0.22);
    expect(errors.at(-1)).toBeLessThan(0.35);
  });

  it('charges less where the bits lie in a few frames, and where nobody read that as for moving pictures', () => {
    const frame = { codec: 'hevc', bitDepth: 8, chroma: '4:2:0' as const, megapixels: 2, megabits: 0.1 };
    const at = (sizeEvenness: number | null) => softwareDecodeMs({ ...frame, sizeEvenness });
    expect(at(0.3)).toBeLessThan(0.6 * at(0.9));
    expect(at(null)).toBeGreaterThan(at(0.5));
    expect(at(null)).toBeLessThan(at(1));
    // What knows key frames only has them alike.
    const intra = { ...frame, codec: 'prores' };
    expect(softwareDecodeMs({ ...intra, sizeEvenness: null })).toBe(softwareDecodeMs({ ...intra, sizeEvenness: 1 }));
  });

  it('charges 4:2:2 a third more samples than 4:2:0, and a codec it does not know as 10-bit H.264', () => {
    const frame = { codec: 'h264', bitDepth: 8, megapixels: 1, megabits: 0, sizeEvenness: null };
    const [plain, wide] = [
      softwareDecodeMs({ ...frame, chroma: '4:2:0' }),
      softwareDecodeMs({ ...frame, chroma: '4:2:2' }),
    ];
    expect(wide / plain).toBeCloseTo(4 / 3, 10);
    const deep = { ...frame, bitDepth: 10, chroma: '4:2:0' as const };
    expect(softwareDecodeMs({ ...deep, codec: 'oilc' })).toBe(softwareDecodeMs(deep));
  });

  it('has finite costs in every row', () => {
    for (const row of decodeCosts.filter(({ codec }) => codec !== 'still')) {
      expect(row.msPerMegapixel).toBeGreaterThan(0);
      expect(row.msPerMegabit).toBeGreaterThan(0);
      expect(row.msOfMoving).toBeGreaterThanOrEqual(0);
    }
  });
});

/** Milliseconds at 1920 × 1080 and at 960 × 540, by what was done. */
const effectRows = new Map(
  readTable('effect-cost').map((row) => {
    const [operation, width, height, ms] = Object.values(row);
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
    const rows = readTable('scale-cost').map(
      (row) => Object.values(row).map(Number) as [number, number, number, number, number],
    );
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
