import { describe, expect, it } from 'vitest';
import { videoFacts } from '../../../tests/arbitrary/clips';
import { askBrowser, type DecodeOracle } from './hardware-answer';

/** A browser that decodes `codecs`, those in `hardware` also in hardware. */
const oracleOf = (codecs: readonly string[], hardware: readonly string[] = []): DecodeOracle => ({
  isConfigSupported: async ({ codec, hardwareAcceleration }) => ({
    supported: (hardwareAcceleration === 'prefer-hardware' ? hardware : codecs).includes(codec),
  }),
  decodingInfo: async ({ video }) => ({
    supported: true,
    smooth: (video?.framerate ?? 0) <= 30,
    powerEfficient: hardware.some((codec) => video?.contentType.includes(codec)),
  }),
});
const clip = videoFacts({ codecString: 'hvc1.2.4.L150.90', codec: 'hevc', container: 'mkv' });
const [h264, hevc] = ['avc1.640028', 'hvc1.2.4.L150.90'];

describe('askBrowser', () => {
  it('says accepted where prefer-hardware is taken for this very codec string', async () => {
    expect(await askBrowser(oracleOf([h264, hevc], [h264, hevc]), clip)).toEqual({
      hardware: 'accepted',
      isSmooth: 'yes',
      isPowerEfficient: 'yes',
    });
  });
  it('says refused only where the browser has hardware for plain H.264', async () => {
    expect((await askBrowser(oracleOf([h264, hevc], [h264]), clip)).hardware).toBe('refused');
    expect((await askBrowser(oracleOf([h264, hevc]), clip)).hardware).toBe('none-here');
  });
  it('says that it does not know a codec that it does not decode, or that has no codec string', async () => {
    const unknown = { hardware: 'codec-unknown', isSmooth: 'unknown', isPowerEfficient: 'unknown' };
    expect(await askBrowser(oracleOf([h264]), clip)).toEqual(unknown);
    expect(await askBrowser(oracleOf([h264]), videoFacts({ codecString: null }))).toEqual(unknown);
  });
  it('answers where the browser throws', async () => {
    const throwing: DecodeOracle = {
      isConfigSupported: () => Promise.reject(new TypeError('cannot parse')),
      decodingInfo: () => Promise.reject(new TypeError('cannot parse')),
    };
    expect((await askBrowser(throwing, clip)).hardware).toBe('codec-unknown');
    const half = { ...oracleOf([hevc]), decodingInfo: throwing.decodingInfo };
    expect(await askBrowser(half, clip)).toMatchObject({ hardware: 'none-here', isSmooth: 'unknown' });
  });
});
