import { describe, expect, it } from 'vitest';
import type { DecodeTest } from '../../test-play/types';
import type { Rig } from '../types';
import { createCase, type PracticeCase, playClip } from '.';

const cases = Array.from({ length: 12 }, (_, i) => createCase(4001 + i));

/** What a person of another luck finds of the first clip, on a rig of their own. */
function play(
  { person, rig, card }: PracticeCase,
  luck: number,
  change: (rig: Rig) => Rig = (same) => same,
): DecodeTest {
  const [clip] = card.clips;
  const test = clip && playClip({ ...person, seed: luck }, change(rig), clip, { index: 0, nowMs: 5 });
  if (!test) throw new Error('no clip to play');
  return test;
}
const withFaults =
  (faults: Partial<Rig['faults']>) =>
  (rig: Rig): Rig => ({ ...rig, faults: { ...rig.faults, ...faults } });

describe('playClip', () => {
  it('is the same again for the same luck, and another for another', () => {
    for (const one of cases) {
      expect(play(one, 3)).toEqual(play(one, 3));
      const found = [3, 4].map((luck) => play(one, luck));
      if (found.some(({ runs }) => runs.length > 0)) expect(found[0]?.runs).not.toEqual(found[1]?.runs);
    }
  });

  it('shows a processor that is held back, and not a drive that is slow, in its decoding', () => {
    let shownCount = 0;
    for (const one of cases) {
      const fpsOf = (test: DecodeTest): number => test.runs.find(({ isOneByOne }) => isOneByOne)?.decodedFps ?? 0;
      const sound = play(one, 3, withFaults({ powerShare: 1 }));
      if (sound.runs.length === 0) continue;
      shownCount++;
      expect(fpsOf(play(one, 3, withFaults({ powerShare: 0.5 })))).toBeCloseTo(fpsOf(sound) / 2, 6);
      expect(fpsOf(play(one, 3, withFaults({ powerShare: 1, driveShare: 0.1 })))).toBe(fpsOf(sound));
    }
    expect(shownCount).toBeGreaterThan(3);
  });

  it('shows a drive that gives little, unless the file lay in memory, which it does now and then', () => {
    const read = cases.flatMap((one) =>
      Array.from({ length: 40 }, (_, luck) => play(one, luck, withFaults({ driveShare: 0.05 })).fileRead ?? []).flat(),
    );
    expect(read.length).toBeGreaterThan(100);
    const fromMemory = read.filter(({ isAtLeast }) => isAtLeast);
    expect(fromMemory.length / read.length).toBeGreaterThan(0.08);
    expect(fromMemory.length / read.length).toBeLessThan(0.25);
    for (const { megabytePerSec, isAtLeast } of read) expect(isAtLeast || megabytePerSec < 200).toBe(true);
  });

  it('decodes nothing of a clip that the browser does not take, and reads it all the same', () => {
    for (const { person, rig, card } of cases) {
      const [clip] = card.clips;
      if (clip?.facts.kind !== 'video') throw new Error('no video');
      const unknown = { hardware: 'codec-unknown', isSmooth: 'unknown', isPowerEfficient: 'unknown' } as const;
      const large = { ...clip, browserAnswer: unknown, facts: { ...clip.facts, sizeBytes: 1e9 } };
      const test = playClip(person, rig, large, { index: 0, nowMs: 5 });
      expect(test?.runs).toEqual([]);
      expect(test?.fileRead).not.toBeNull();
      const small = { ...large, facts: { ...large.facts, sizeBytes: 1e6 } };
      expect(playClip(person, rig, small, { index: 0, nowMs: 5 })?.fileRead).toBeNull();
    }
  });
});
