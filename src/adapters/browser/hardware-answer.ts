import type { BrowserAnswer } from '@/core/card';
import type { VideoFacts } from '@/core/footage';
import type { KnownState } from '@/core/machine';
import { rationalToNumber } from '@/core/numbers/rational';

/** What a browser offers for asking; replaced in tests. */
export interface DecodeOracle {
  readonly isConfigSupported: (config: VideoDecoderConfig) => Promise<{ readonly supported?: boolean }>;
  readonly decodingInfo: (
    configuration: MediaDecodingConfiguration,
  ) => Promise<{ readonly supported: boolean; readonly smooth: boolean; readonly powerEfficient: boolean }>;
}

/** This browser's own answers; null where it offers no decoding to pages at all. */
export const createDecodeOracle = (): DecodeOracle | null =>
  typeof VideoDecoder === 'undefined'
    ? null
    : {
        isConfigSupported: (config) => VideoDecoder.isConfigSupported(config),
        decodingInfo: (configuration) => navigator.mediaCapabilities.decodingInfo(configuration),
      };

/** Plain 1080-line H.264: a browser that refuses hardware for it has none to ask for. */
const plainConfig: VideoDecoderConfig = { codec: 'avc1.640028', codedWidth: 1920, codedHeight: 1080 };

const mimeByContainer: Readonly<Record<string, string>> = { webm: 'video/webm', mkv: 'video/webm' };

/** Whether a browser takes a configuration; it may refuse, or not know the codec string at all. */
export const isAccepted = async <Config>(
  oracle: { readonly isConfigSupported: (config: Config) => Promise<{ readonly supported?: boolean }> },
  config: Config,
): Promise<boolean> => {
  try {
    return (await oracle.isConfigSupported(config)).supported === true;
  } catch {
    // A browser throws for a codec string that it cannot parse: it does not know the codec.
    return false;
  }
};

async function askCapabilities(
  oracle: DecodeOracle,
  facts: VideoFacts,
  codecString: string,
): Promise<Pick<BrowserAnswer, 'isSmooth' | 'isPowerEfficient'>> {
  try {
    const info = await oracle.decodingInfo({
      type: 'file',
      video: {
        contentType: `${mimeByContainer[facts.container] ?? 'video/mp4'}; codecs="${codecString}"`,
        width: facts.widthPx,
        height: facts.heightPx,
        bitrate: Math.max(1, Math.round(facts.bitrateMbitPerSec * 1e6)),
        framerate: rationalToNumber(facts.frameRate),
      },
    });
    const known = (value: boolean): KnownState => (value ? 'yes' : 'no');
    return info.supported
      ? { isSmooth: known(info.smooth), isPowerEfficient: known(info.powerEfficient) }
      : { isSmooth: 'unknown', isPowerEfficient: 'unknown' };
  } catch {
    return { isSmooth: 'unknown', isPowerEfficient: 'unknown' };
  }
}

/**
 * Asks the browser about decoding this very clip in hardware: its codec string, size, rate and bit rate. An answer of
 * `refused` counts only where the browser accepts plain H.264: otherwise it has no hardware decoding for anything.
 */
export async function askBrowser(oracle: DecodeOracle, facts: VideoFacts): Promise<BrowserAnswer> {
  const unknown = { isSmooth: 'unknown', isPowerEfficient: 'unknown' } as const;
  const { codecString } = facts;
  if (codecString === null) return { hardware: 'codec-unknown', ...unknown };
  const config: VideoDecoderConfig = { codec: codecString, codedWidth: facts.widthPx, codedHeight: facts.heightPx };
  if (!(await isAccepted(oracle, config))) return { hardware: 'codec-unknown', ...unknown };
  const capabilities = await askCapabilities(oracle, facts, codecString);
  const inHardware = { hardwareAcceleration: 'prefer-hardware' } as const;
  if (await isAccepted(oracle, { ...config, ...inHardware })) return { hardware: 'accepted', ...capabilities };
  const hasHardware = await isAccepted(oracle, { ...plainConfig, ...inHardware });
  return { hardware: hasHardware ? 'refused' : 'none-here', ...capabilities };
}
