import { describe, expect, it } from 'vitest';
import { yearOfDecoding } from '@/core/machine';
import { readDecodeTable } from './read-decode-table';

/** A browser that takes some kinds in hardware, all but HEVC in software, and throws for what it cannot parse. */
const browser = (inHardware: RegExp) => ({
  isConfigSupported: async ({ codec, hardwareAcceleration }: VideoDecoderConfig) => {
    if (codec.startsWith('hvc1.2')) throw new TypeError('not a codec string');
    return {
      supported: hardwareAcceleration === 'prefer-hardware' ? inHardware.test(codec) : !codec.startsWith('hvc1'),
    };
  },
});

describe('readDecodeTable', () => {
  it('asks of each kind in hardware and in software', async () => {
    const rows = await readDecodeTable(browser(/^(avc1\.64|vp09)/));
    expect(rows.filter(({ isInHardware }) => isInHardware).map(({ id }) => id)).toEqual(['h264', 'vp9', 'vp9-10bit']);
    expect(rows.filter(({ isInSoftware }) => !isInSoftware).map(({ id }) => id)).toEqual(['hevc', 'hevc-10bit']);
  });

  it('tells from when the graphics are at least, and nothing where there are none to ask', async () => {
    const yearWith = async (inHardware: RegExp) => yearOfDecoding(await readDecodeTable(browser(inHardware)));
    expect(await yearWith(/^(avc1\.64|vp09)/)).toBe(2017);
    expect(await yearWith(/^(avc1\.64|vp09|av01)/)).toBe(2021);
    expect(await yearWith(/never/)).toBeNull();
    expect(await readDecodeTable(null)).toEqual([]);
  });
});
