import { describe, expect, it } from 'vitest';
import { findPracticeFault, measureRig, type Rig } from '.';
import { createCase } from './cases';

const cases = Array.from({ length: 12 }, (_, i) => createCase(3101 + i));

const withDrive = (rig: Rig, ratio: number): Rig => ({
  ...rig,
  quirks: { ...rig.quirks, drive: rig.quirks.drive * ratio },
});
const withGraphicsOff = (rig: Rig): Rig => ({ ...rig, isDrawingOnGraphics: false, isDecodingOnGraphics: false });

describe('measureRig', () => {
  it('gives shares of time that can be, and no more work than there are cores', () => {
    for (const { rig, seed } of cases) {
      const outcome = measureRig(rig, seed);
      const ratios = ['coreUseRatio', 'driveUseRatio', 'graphicsUseRatio', 'jumpDriveRatio', 'jumpCoreRatio'] as const;
      for (const name of ratios) expect(outcome[name] >= 0 && outcome[name] <= 1, name).toBe(true);
      expect(outcome.jumpDriveRatio + outcome.jumpCoreRatio).toBeLessThanOrEqual(1 + 1e-9);
      expect(outcome.editorCores >= 0 && outcome.editorCores <= rig.coreCount).toBe(true);
    }
  });

  it('gives the same figures for the same seed', () => {
    for (const { rig, seed } of cases) expect(measureRig(rig, seed)).toEqual(measureRig(rig, seed));
  });

  it('waits longer at jumps on a slower drive, and more of it for the drive', () => {
    for (const { rig, seed } of cases) {
      const [quick, slow] = [measureRig(withDrive(rig, 4), seed), measureRig(withDrive(rig, 1 / 4), seed)];
      expect(slow.scrubMs).toBeGreaterThan(quick.scrubMs);
      expect(slow.jumpDriveRatio).toBeGreaterThan(quick.jumpDriveRatio);
      expect(slow.jumpCoreRatio).toBeLessThanOrEqual(quick.jumpCoreRatio);
    }
  });

  it('keeps graphics idle and the cores at work where the processor does everything', () => {
    for (const { rig, seed } of cases) {
      const outcome = measureRig(withGraphicsOff(rig), seed);
      expect(outcome.graphicsUseRatio).toBe(0);
      expect(outcome.editorCores).toBeGreaterThan(0);
    }
  });

  it('counts what the editor builds as its own work, and what other programs do as none of it', () => {
    const [builds, programs] = [findPracticeFault('building-previews'), findPracticeFault('programs-busy')];
    if (!builds || !programs) throw new Error('no such faults');
    for (const { rig, seed } of cases) {
      const sound = builds.repair(programs.repair(rig));
      const still = measureRig(sound, seed).editorCores;
      expect(measureRig(builds.plant(sound, 1), seed).editorCores).toBeGreaterThan(still);
      expect(measureRig(programs.plant(sound, 1), seed).editorCores).toBeLessThan(still + 0.1 * rig.coreCount);
    }
  });

  it('decodes one clip by itself no slower for what else is on the timeline', () => {
    for (const { rig, seed } of cases) {
      const heavier: Rig = { ...rig, timeline: { ...rig.timeline, layerCount: rig.timeline.layerCount + 2 } };
      expect(measureRig(heavier, seed).plainPlayerRatio).toBe(measureRig(rig, seed).plainPlayerRatio);
    }
  });
});
