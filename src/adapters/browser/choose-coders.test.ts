import { describe, expect, it } from 'vitest';
import { browsersChoice, type Coders, chooseCoders } from './choose-coders';

/** Milliseconds by who decodes and who encodes; null where that breaks. */
const trial = (table: Readonly<Record<string, number | null>>) => {
  const tried: string[] = [];
  const short = (way: HardwareAcceleration) => way.replace('prefer-', '').replace('no-preference', 'any');
  return {
    tried,
    timeMs: async ({ decoding, encoding }: Coders) => {
      const key = `${short(decoding)} ${short(encoding)}`;
      tried.push(key);
      const ms = table[key];
      if (ms === undefined) throw new Error(`not to be tried: ${key}`);
      return ms;
    },
  };
};

describe('chooseCoders', () => {
  it('tries nothing where the browser offers no graphics', async () => {
    const { tried, timeMs } = trial({});
    expect(await chooseCoders({ decoding: false, encoding: false }, timeMs)).toEqual(browsersChoice);
    expect(tried).toEqual([]);
  });

  it('takes the graphics where the first second shows that they are quicker', async () => {
    const { timeMs } = trial({
      'software software': 900,
      'software hardware': 700,
      'hardware software': 500,
      'hardware hardware': 200,
    });
    expect(await chooseCoders({ decoding: true, encoding: true }, timeMs)).toEqual({
      decoding: 'prefer-hardware',
      encoding: 'prefer-hardware',
    });
  });

  it('stays with the processor where they are no quicker, or break', async () => {
    const slower = trial({ 'software any': 500, 'hardware any': 480 });
    expect(await chooseCoders({ decoding: true, encoding: false }, slower.timeMs)).toEqual({
      decoding: 'prefer-software',
      encoding: 'no-preference',
    });
    const broken = trial({ 'any software': 500, 'any hardware': null });
    expect((await chooseCoders({ decoding: false, encoding: true }, broken.timeMs)).encoding).toBe('prefer-software');
    const none = trial({ 'any software': null, 'any hardware': null });
    expect(await chooseCoders({ decoding: false, encoding: true }, none.timeMs)).toEqual(browsersChoice);
  });
});
