import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { unknownProfile } from '../card';
import { ownNameOf, parseQualities, qualityLevelsOf } from './preview-qualities';

const of = (text: string) => {
  const read = parseQualities(text);
  if (!read.ok) throw new Error(read.failure.code);
  return read.value;
};
const profileWith = (qualities: string) => ({ ...unknownProfile, qualities });

describe('preview qualities', () => {
  it('are taken by their rank where they only have names: the first is full, each further one half of it', () => {
    expect(of('High, Medium, Low')).toEqual([
      { name: 'High', ratio: 1 },
      { name: 'Medium', ratio: 0.5 },
      { name: 'Low', ratio: 0.25 },
    ]);
  });

  it('are taken at their word where they say a share', () => {
    expect(of('Full, 1/3, 10 %').map(({ ratio }) => ratio)).toEqual([1, 1 / 3, 0.1]);
    expect(of('Sharp; Middling = 1/3\nDraft').map(({ ratio }) => ratio)).toEqual([1, 1 / 3, 1 / 6]);
    expect(of('1/1, 0.75').map(({ ratio }) => ratio)).toEqual([1, 0.75]);
    expect(of('100%, 50 %').map(({ ratio }) => ratio)).toEqual([1, 0.5]);
  });

  it('are nothing where nothing is written, and then those that most editors have', () => {
    expect(of(' , ')).toEqual([]);
    expect(qualityLevelsOf(unknownProfile)).toEqual(['1/2', '1/4', '1/8']);
  });

  it('become levels of the fix, and keep the names that the editor has for them', () => {
    const profile = profileWith('Full, Middling = 1/3, 1/16, 0.02');
    expect(qualityLevelsOf(profile)).toEqual(['1/3', '1/16', '1/50']);
    expect(ownNameOf(profile, 1 / 3)).toBe('Middling');
    expect(ownNameOf(profile, 1 / 16)).toBeNull();
    expect(ownNameOf(profile, 1 / 2)).toBeNull();
  });

  it('are refused with what is wrong where they do not get smaller, are too many, or have endless names', () => {
    const failureOf = (text: string) => {
      const read = parseQualities(text);
      return read.ok ? null : read.failure;
    };
    expect(failureOf('Full, 1/4, 1/2')).toEqual({ code: 'quality-not-smaller', name: '1/2', before: '1/4' });
    expect(failureOf('a,b,c,d,e,f,g,h,i,j,k,l,m')).toEqual({ code: 'qualities-too-many', most: 12 });
    expect(failureOf('x'.repeat(41))).toEqual({ code: 'quality-name-too-long', name: 'x'.repeat(41) });
  });

  it('can be read whatever is written, or say what is wrong', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const read = parseQualities(text);
        if (!read.ok) return;
        for (const [i, { name, ratio }] of read.value.entries()) {
          expect(name.length).toBeGreaterThan(0);
          expect(ratio).toBeGreaterThanOrEqual(1 / 64);
          expect(ratio).toBeLessThanOrEqual(i === 0 ? 1 : (read.value[i - 1]?.ratio ?? 0));
        }
      }),
      propertyRuns,
    );
    // What cannot be read is as good as nothing.
    expect(qualityLevelsOf({ ...unknownProfile, qualities: 'Low = 1/4, High = 1/2' })).toEqual(['1/2', '1/4', '1/8']);
  });
});
