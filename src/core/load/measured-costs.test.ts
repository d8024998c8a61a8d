import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { percentileOfSorted } from '../numbers/percentile';
import { decodeCosts, softwareDecodeMs } from '.';
import { blendCost, effectCosts, effectMs, scaleMsPerSourceMegapixel } from './effect-costs';

/** The measured table of the plan, copied beside the tests so that they run anywhere. */
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

describe('effect costs', () => {
  it('follow the measured table: blend at both sizes, scaling and curves at 1080 lines', () => {
    expect(blendCost.fixedMs + blendCost.msPerMegapixel * 0.5184).toBeCloseTo(12.5, 1);
    expect(blendCost.fixedMs + blendCost.msPerMegapixel * 2.0736).toBeCloseTo(37.92, 1);
    expect(scaleMsPerSourceMegapixel * 2.0736).toBeCloseTo(3.34, 2);
    expect(effectMs('colour-curves', 2.0736)).toBeCloseTo(27.56, 0);
  });
  it('name each kind once, with a finite cost', () => {
    expect(new Set(effectCosts.map((row) => row.kind)).size).toBe(effectCosts.length);
    for (const row of effectCosts) expect(row.msPerMegapixel).toBeGreaterThan(0);
  });
});
