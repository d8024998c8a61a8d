import { describe, expect, it } from 'vitest';
import { contrastPairs, palette, type ThemeName } from './tokens';

/** Relative luminance and contrast as WCAG 2.2 defines them. */
const luminanceOf = (hex: string): number => {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const value = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
};
const contrastOf = (a: string, b: string): number => {
  const [light, dark] = [luminanceOf(a), luminanceOf(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
};

describe('contrastPairs', () => {
  for (const theme of ['day', 'night'] as const satisfies readonly ThemeName[])
    for (const { on, of, least } of contrastPairs)
      it(`keeps ${of} on ${on} at ${least}:1 or more by ${theme}`, () => {
        expect(contrastOf(palette[on][theme], palette[of][theme])).toBeGreaterThanOrEqual(least);
      });
});
