import { describe, expect, it } from 'vitest';
import { driveTexts, graphicsTexts, powerModeTexts, speedClassTexts } from '@/messages/machine';
import {
  coreSpeedRatioOf,
  coresOfPercent,
  driveKinds,
  driveOf,
  graphicsKinds,
  graphicsOf,
  percentOfCores,
  powerModes,
  powerRatioOf,
  programPercents,
  speedClasses,
} from '.';
import { canLikelyDecodeInHardware } from './hardware-decode';

describe('canLikelyDecodeInHardware', () => {
  const can = (
    codec: string,
    bitDepth: number,
    year: number,
    chroma: '4:2:0' | '4:2:2' | '4:4:4' | 'unknown' = '4:2:0',
  ) => canLikelyDecodeInHardware({ codec, bitDepth, chroma }, year);

  it('has 8-bit H.264 nearly everywhere, and 10-bit H.264 nowhere', () => {
    expect([can('h264', 8, 2012), can('h264', 8, 2026), can('h264', 10, 2026)]).toEqual([true, true, false]);
  });
  it('begins with 10-bit HEVC and VP9 in 2017 and with AV1 in 2021', () => {
    expect([can('hevc', 10, 2016), can('hevc', 10, 2017), can('vp9', 8, 2016), can('vp9', 10, 2017)]).toEqual([
      false,
      true,
      false,
      true,
    ]);
    expect([can('av1', 8, 2020), can('av1', 10, 2021)]).toEqual([false, true]);
  });
  it('has no 4:2:2 and 4:4:4 at all, and takes an unstated form as the usual one', () => {
    expect([can('hevc', 8, 2026, '4:2:2'), can('h264', 8, 2026, '4:4:4'), can('h264', 8, 2026, 'unknown')]).toEqual([
      false,
      false,
      true,
    ]);
  });
  it('knows no hardware for editing codecs', () => {
    expect([can('prores', 10, 2026), can('dnxhd', 8, 2026), can('mjpeg', 8, 2026)]).toEqual([false, false, false]);
  });
});

describe('the machine catalogue', () => {
  it('has words for each row, and figures that are finite and above zero', () => {
    for (const { id } of speedClasses)
      expect(coreSpeedRatioOf(id) > 0 && speedClassTexts[id].what.length > 5).toBe(true);
    for (const { id } of powerModes)
      expect(powerRatioOf(id) > 0 && powerRatioOf(id) <= 1 && powerModeTexts[id] !== '').toBe(true);
    for (const { id } of driveKinds) expect(driveOf(id).readMegabytePerSec > 0 && driveTexts[id].length > 5).toBe(true);
    for (const { id } of graphicsKinds)
      expect(graphicsOf(id).graphicsRatio >= 1 && graphicsTexts[id].label !== '').toBe(true);
  });
  it('orders speeds and power modes from slow to fast', () => {
    const isRising = (values: readonly number[]) =>
      values.every((value, i) => i === 0 || value > (values[i - 1] as number));
    expect(isRising(speedClasses.map((row) => row.coreSpeedRatio))).toBe(true);
    expect(isRising(powerModes.map((row) => row.powerRatio))).toBe(true);
  });
});

describe('a percentage of a processor', () => {
  it('stands for one core or for all of them, and comes back as it was', () => {
    expect(coresOfPercent(50, 'one-core', 8)).toBe(0.5);
    expect(coresOfPercent(50, 'all-cores', 8)).toBe(4);
    for (const of of programPercents) expect(percentOfCores(coresOfPercent(37.5, of, 6), of, 6)).toBeCloseTo(37.5, 9);
  });
});
