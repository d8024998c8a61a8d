import { describe, expect, it } from 'vitest';
import { factsOfMachine, type ReadMachine } from '.';

const laptop: ReadMachine = {
  system: { kind: 'windows', name: 'Windows', version: '11' },
  processor: { name: 'four cores', coreCount: 8, clockGhz: 1.8 },
  memory: { totalMib: 16_200, freeMib: 6000 },
  graphics: [
    { name: 'shared', isSeparate: false, memoryMib: 128 },
    { name: 'separate', isSeparate: true, memoryMib: 4096 },
  ],
  drives: [
    { label: 'C:', kind: 'internal-solid-state', sizeGb: 500, freeGb: 60, isSystem: true },
    { label: 'D:', kind: 'external-spinning', sizeGb: 2000, freeGb: 900, isSystem: false },
  ],
  battery: { isPluggedIn: false, percent: 60 },
  powerMode: 'saving',
};
const valuesOf = (machine: ReadMachine) =>
  Object.fromEntries(Object.entries(factsOfMachine(machine)).map(([key, { value }]) => [key, value]));

describe('factsOfMachine', () => {
  it('takes the separate graphics for those that count, and the system’s own drive for what is free', () => {
    expect(valuesOf(laptop)).toEqual({
      coreCount: 8,
      memoryMib: 16_200,
      graphics: 'separate',
      graphicsMemoryMib: 4096,
      hasSecondGraphics: 'yes',
      isPluggedIn: 'no',
      powerMode: 'saving',
      systemDriveFreePercent: 12,
      programPercent: 'all-cores',
    });
  });

  it('says where the footage lies only where there is a single drive to lie on', () => {
    const [drive] = laptop.drives;
    const one = valuesOf({ ...laptop, drives: drive ? [drive] : [] });
    expect([one.footageDrive, one.cacheDrive]).toEqual(['internal-solid-state', 'internal-solid-state']);
  });

  it('leaves out what the system does not say, and takes what has no battery for plugged in', () => {
    const little = valuesOf({
      ...laptop,
      system: { ...laptop.system, kind: 'other' },
      graphics: [{ name: 'some', isSeparate: null, memoryMib: null }],
      drives: [],
      battery: null,
      powerMode: null,
    });
    expect(Object.keys(little).sort()).toEqual(['coreCount', 'hasSecondGraphics', 'isPluggedIn', 'memoryMib']);
    expect(little.isPluggedIn).toBe('yes');
  });
});
