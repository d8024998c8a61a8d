import { describe, expect, it } from 'vitest';
import { pairByName } from '.';

describe('pairByName', () => {
  const originals = ['barn.mov', 'Barn two.mov', 'wheel.mp4', 'wheel.webm'];
  const paired = (name: string) => {
    const place = pairByName(originals, name);
    return place === null ? null : originals[place];
  };

  it('goes by the name without what calls it a proxy', () => {
    expect(paired('barn_Proxy.mp4')).toBe('barn.mov');
    expect(paired('BARN TWO proxy.mov')).toBe('Barn two.mov');
    expect(paired('wheel-webm_Proxy.mp4')).toBe('wheel.webm');
    expect(paired('barn.mp4')).toBe('barn.mov');
  });

  it('else goes by the longest name that it begins with, and never guesses', () => {
    expect(paired('barn two_540p.mp4')).toBe('Barn two.mov');
    expect(paired('barn_540p.mp4')).toBe('barn.mov');
    expect(paired('holiday.mp4')).toBeNull();
    expect(pairByName([], 'barn.mp4')).toBeNull();
  });
});
