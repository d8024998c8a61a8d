import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createBitReader, removeEmulationPrevention } from './bit-reader';
import { parseStreamHeader } from './picture-format';

const bytesOf = (hex: string): Uint8Array =>
  Uint8Array.from(hex.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16));
const withRecord = (codec: string, hex: string) =>
  parseStreamHeader({ codec, internalCode: null, codecString: null, codecRecord: bytesOf(hex), firstFrame: null });
const withString = (codec: string, codecString: string) =>
  parseStreamHeader({ codec, internalCode: null, codecString, codecRecord: null, firstFrame: null });

describe('parseStreamHeader', () => {
  it('reads 8-bit 4:2:0 High from an avcC record', () => {
    // Version 1, High, level 3.0, one parameter set: 67 64 00 1e ac …
    expect(withRecord('h264', '0164001effe10008' + '6764001eacd940a0')).toMatchObject({
      profile: 'High',
      bitDepth: 8,
      chroma: '4:2:0',
    });
  });

  it('reads 10-bit 4:2:2 from an avcC record', () => {
    // profile_idc 122; seq_parameter_set_id 0 "1", chroma_format_idc 2 "011", two depths of 8 + 2 "011" "011".
    expect(withRecord('h264', '017a0028ffe10006' + '677a0028b6c0')).toMatchObject({
      profile: 'High 4:2:2',
      bitDepth: 10,
      chroma: '4:2:2',
    });
  });

  it('tells Constrained Baseline from Baseline by its flag', () => {
    expect(withRecord('h264', '0142c01effe10004' + '6742c01e').profile).toBe('Constrained Baseline');
    expect(withRecord('h264', '0142001effe10004' + '6742001e').profile).toBe('Baseline');
  });

  it('reads Main 10 from an hvcC record', () => {
    const record = new Uint8Array(23);
    record.set([1, 2], 0);
    record[16] = 0xfd;
    record[17] = 0xfa;
    expect(
      parseStreamHeader({
        codec: 'hevc',
        internalCode: null,
        codecString: null,
        codecRecord: record,
        firstFrame: null,
      }),
    ).toMatchObject({
      profile: 'Main 10',
      bitDepth: 10,
      chroma: '4:2:0',
    });
  });

  it('reads VP9 and AV1 from their codec strings', () => {
    expect(withString('vp9', 'vp09.02.21.10.01.02.02.02.00')).toMatchObject({
      profile: 'Profile 2',
      bitDepth: 10,
      chroma: '4:2:0',
    });
    expect(withString('vp9', 'vp09.01.21.08.03')).toMatchObject({ profile: 'Profile 1', bitDepth: 8, chroma: '4:4:4' });
    expect(withString('av1', 'av01.0.04M.10')).toMatchObject({ profile: 'Main', bitDepth: 10, chroma: '4:2:0' });
    expect(withString('av1', 'av01.1.04M.08.0.000')).toMatchObject({ profile: 'High', bitDepth: 8, chroma: '4:4:4' });
  });

  it('knows the fixed forms by their four-character code', () => {
    const format = parseStreamHeader({
      codec: 'prores',
      internalCode: 'apch',
      codecString: null,
      codecRecord: null,
      firstFrame: null,
    });
    expect(format).toMatchObject({ profile: 'HQ', bitDepth: 10, chroma: '4:2:2' });
  });

  it('answers for any bytes and any codec string, with a depth from 8 to 16', () => {
    const codecs = fc.constantFrom(
      'h264',
      'hevc',
      'vp9',
      'av1',
      'vp8',
      'mjpeg',
      'dnxhd',
      'prores',
      'mpeg2video',
      'other',
    );
    fc.assert(
      fc.property(codecs, fc.uint8Array({ maxLength: 80 }), fc.string(), (codec, codecRecord, codecString) => {
        for (const record of [codecRecord, null]) {
          const { bitDepth } = parseStreamHeader({
            codec,
            internalCode: codecString,
            codecString,
            codecRecord: record,
            firstFrame: codecRecord,
          });
          expect(Number.isFinite(bitDepth)).toBe(true);
        }
      }),
      { seed: 20261125, numRuns: 500 },
    );
  });
});

describe('createBitReader', () => {
  it('reads Exp-Golomb codes 0, 1, 2, 3 and gives zeros past the end', () => {
    const reader = createBitReader(bytesOf('a648'));
    expect([0, 1, 2, 3].map(() => reader.readExpGolomb())).toEqual([0, 1, 2, 3]);
    expect(createBitReader(new Uint8Array()).readBits(8)).toBe(0);
  });
});

describe('removeEmulationPrevention', () => {
  it('takes out the 03 after two zeros only', () => {
    expect([...removeEmulationPrevention(bytesOf('00000301030000030003'))]).toEqual([0, 0, 1, 3, 0, 0, 0, 3]);
  });
});
