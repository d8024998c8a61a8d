import { type StreamHeader, unknownHeader } from './stream-header';
import type { ChromaFormat } from './types';

/** "vp09.PP.LL.DD.CC": profile, level, depth, chroma (VP codec ISO media file format binding). */
export function parseVp9String(codecString: string): StreamHeader {
  const [, profile, level, depth, chroma] = codecString.split('.').map(Number);
  const chromaByCode: readonly ChromaFormat[] = ['4:2:0', '4:2:0', '4:2:2', '4:4:4'];
  const isOddProfile = profile === 1 || profile === 3;
  return {
    ...unknownHeader,
    profile: profile === undefined ? 'unknown' : `Profile ${profile}`,
    level: level ? (level / 10).toFixed(1) : null,
    bitDepth: depth || (profile !== undefined && profile >= 2 ? 10 : 8),
    chroma: isOddProfile && chroma === undefined ? 'unknown' : (chromaByCode[chroma ?? 1] ?? 'unknown'),
    scan: 'progressive',
  };
}

/** "av01.P.LLT.DD.M.CCC" (AV1 codec ISO media file format binding, 5). */
export function parseAv1String(codecString: string): StreamHeader {
  const [, profile, levelAndTier, depth, monochrome, subsampling] = codecString.split('.');
  const names = ['Main', 'High', 'Professional'];
  const stated = subsampling ?? (profile === '0' ? '110' : profile === '1' ? '000' : '100');
  const chroma = stated.startsWith('11') ? '4:2:0' : stated.startsWith('10') ? '4:2:2' : '4:4:4';
  const levelIndex = Number.parseInt(levelAndTier ?? '', 10);
  return {
    ...unknownHeader,
    profile: names[Number(profile)] ?? 'unknown',
    level: Number.isInteger(levelIndex) ? `${2 + (levelIndex >> 2)}.${levelIndex & 3}` : null,
    bitDepth: Number(depth) || 8,
    chroma: monochrome === '1' ? '4:0:0' : chroma,
    scan: 'progressive',
  };
}
