import type { FixId, FixLevel } from '@/core/fixes';

/** Fixes as headings: "Lower the preview quality to 1/4". Apart from their long texts, which the list of cards does not need. */
const fixTitles: Readonly<Record<FixId, (level: FixLevel) => string>> = {
  'close-programs': () => 'Close programs you do not need now',
  'lower-preview-quality': (level) => `Lower the preview quality to ${level ?? '1/4'}`,
  'smaller-preview-height': (level) => `Draw the preview ${level ?? 540} lines high`,
  'bypass-effects': () => 'Bypass the effects while cutting',
  'turn-on-hardware-decode': () => 'Turn on hardware decoding',
  'make-proxies': (level) => `Make proxies ${level ?? 540} lines high for the heavy clips`,
};

/** A fix as a heading; a card from a newer Oil Can may name one without text here. */
export const fixTitle = (id: string, level: FixLevel): string =>
  id in fixTitles ? fixTitles[id as FixId](level) : `A fix of a newer Oil Can (“${id}”)`;
