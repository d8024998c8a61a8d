import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { decodeRun, decodeTest, fileReadAt } from '../../../tests/arbitrary/clips';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import type { JobCard, Trial } from '../card/types';
import { createOutcomes } from '../load/evaluate';
import { drawParameterSamples } from '../load/parameter-samples';
import { noTroubles, type SetupState } from '../load/types';
import type { FileRead } from '../test-play/types';
import { inferPosterior } from './posterior';
import { rankCauses, sharesUnder } from './shares';
import {
  listTestPlayEvidence,
  predictedHardwareFps,
  predictedReadRate,
  predictedSoftwareFps,
  statedReadRate,
} from './test-play-evidence';
import { viewSamples } from './weighing';

const { stream } = decodeTest([]);
const sampleCount = 16;

/** What every sample of a state predicts. */
function predictedOf(state: SetupState, predict: typeof predictedSoftwareFps): readonly number[] {
  const view = viewSamples(state, drawParameterSamples(sampleCount, state.setup.machine), createOutcomes(sampleCount));
  return Array.from({ length: sampleCount }, (_, i) => {
    view.index = i;
    return predict(stream, view);
  });
}

const withoutTrouble = (state: SetupState): SetupState => ({
  ...state,
  hidden: { ...state.hidden, troubles: noTroubles },
});
const withTrouble = (state: SetupState, id: keyof SetupState['hidden']['troubles']): SetupState => ({
  ...state,
  hidden: { ...state.hidden, troubles: { ...state.hidden.troubles, [id]: 1 } },
});

let card: JobCard;
beforeAll(async () => {
  const [first] = await loadDemoCards();
  if (!first) throw new Error('no demo card');
  card = first;
});

const probabilityOf = (of: JobCard, id: string): number =>
  rankCauses(sharesUnder(inferPosterior(of, { sampleCount: 1500 }), [])).find((cause) => cause.id === id)
    ?.probability ?? 0;

describe('what is predicted of a test-play', () => {
  it('falls with a processor that is held back or shared, and not with a driver’s trouble', () => {
    fc.assert(
      fc.property(arbitraryState.map(withoutTrouble), (state) => {
        const sound = predictedOf(state, predictedSoftwareFps);
        for (const id of ['power', 'programs'] as const) {
          const ill = predictedOf(withTrouble(state, id), predictedSoftwareFps);
          expect(
            ill.every((fps, i) => fps <= (sound[i] as number)),
            id,
          ).toBe(true);
        }
        const held = predictedOf(withTrouble(state, 'power'), predictedSoftwareFps);
        expect(held.every((fps, i) => fps <= 0.81 * (sound[i] as number))).toBe(true);
        expect(predictedOf(withTrouble(state, 'hardwareDecode'), predictedSoftwareFps)).toEqual(sound);
        expect(sound.every((fps) => fps > 0 && Number.isFinite(fps))).toBe(true);
      }),
      propertyRuns,
    );
  });

  it('falls on the graphics with their driver’s trouble alone', () => {
    fc.assert(
      fc.property(arbitraryState.map(withoutTrouble), (state) => {
        const sound = predictedOf(state, predictedHardwareFps);
        expect(predictedOf(withTrouble(state, 'power'), predictedHardwareFps)).toEqual(sound);
        const ill = predictedOf(withTrouble(state, 'hardwareDecode'), predictedHardwareFps);
        expect(ill.every((fps, i) => fps <= (sound[i] as number) / 2 + 1e-9)).toBe(true);
      }),
      propertyRuns,
    );
  });
});

describe('what is predicted of reading a file', () => {
  const readRates = (state: SetupState): readonly number[] => {
    const statedRate = statedReadRate(state.setup.clips[0]?.id ?? '', state) ?? 0;
    return predictedOf(state, (_, view) => predictedReadRate(statedRate, view));
  };
  it('falls with the drive’s trouble and with nothing else', () => {
    fc.assert(
      fc.property(arbitraryState.map(withoutTrouble), (state) => {
        const sound = readRates(state);
        const ill = readRates(withTrouble(state, 'drive'));
        expect(ill.every((rate, i) => rate < (sound[i] as number))).toBe(true);
        for (const id of ['power', 'programs', 'systemDrive'] as const)
          expect(readRates(withTrouble(state, id)), id).toEqual(sound);
        expect(sound.every((rate) => rate > 0 && Number.isFinite(rate))).toBe(true);
      }),
      propertyRuns,
    );
  });
});

describe('what a file that was read says of its drive', () => {
  const readOf = (fileRead: FileRead, clipId = card.clips[0]?.id ?? ''): JobCard => ({
    ...card,
    decodeTests: [{ ...decodeTest([]), clipId, fileRead }],
  });
  /** How likely the drive gives less than its kind does. */
  const heldSlow = (of: JobCard): number =>
    inferPosterior(of, { sampleCount: 1500 })
      .components.filter(({ hypothesis }) => hypothesis.state.hidden.troubles.drive > 0)
      .reduce((sum, { weight }) => sum + weight, 0);

  it('holds a drive that gives a fifth of its kind to be slow', () => {
    const stated =
      inferPosterior(card, { sampleCount: 200 }).base.setup.clips[0]?.original.drive.readMegabytePerSec ?? 0;
    const odds = (of: JobCard): number => heldSlow(of) / (1 - heldSlow(of));
    expect(odds(readOf(fileReadAt(stated / 5)))).toBeGreaterThan(10 * odds(card));
  });
  it('takes a quick file for a quick drive or for memory, and never for a slow one', () => {
    expect(heldSlow(readOf(fileReadAt(350, true)))).toBeLessThan(heldSlow(card));
  });
  it('says nothing once its clip is off the card', () => {
    expect(listTestPlayEvidence(readOf(fileReadAt(20), 'gone'))).toEqual([]);
    expect(listTestPlayEvidence(readOf(fileReadAt(20)))).toHaveLength(1);
  });
});

describe('listTestPlayEvidence', () => {
  const played = (fps: number, change: Partial<JobCard> = {}): JobCard => ({
    ...card,
    ...change,
    decodeTests: [decodeTest([decodeRun(fps)])],
  });

  it('holds a processor that decodes at a third of its kind to be held back, and a sound one not', () => {
    const usual = probabilityOf(card, 'power-or-heat') + probabilityOf(card, 'programs-busy');
    const chance = (fps: number): number =>
      probabilityOf(played(fps), 'power-or-heat') + probabilityOf(played(fps), 'programs-busy');
    const [base] = [inferPosterior(card, { sampleCount: 200 }).base];
    const sound = predictedOf(base, predictedSoftwareFps).reduce((sum, fps) => sum + fps, 0) / sampleCount;
    expect(chance(sound / 3)).toBeGreaterThan(3 * usual);
    expect(chance(sound)).toBeLessThan(usual);
  });

  it('tells of the graphics only where they are proven to have decoded', () => {
    const both = (hardwareFps: number) =>
      listTestPlayEvidence({
        ...card,
        decodeTests: [decodeTest([decodeRun(100), decodeRun(hardwareFps, { way: 'hardware' })])],
      });
    expect(both(104)).toHaveLength(1);
    expect(both(300)).toHaveLength(2);
  });

  it('keeps what was seen of the graphics at work, whatever a browser had answered, and no speed', () => {
    const refused: JobCard = {
      ...card,
      clips: card.clips.map((clip) =>
        clip.facts.kind === 'video'
          ? {
              ...clip,
              facts: { ...clip.facts, codec: stream.codec, bitDepth: stream.bitDepth, chroma: stream.chroma },
              browserAnswer: { hardware: 'refused', isSmooth: 'unknown', isPowerEfficient: 'unknown' },
            }
          : clip,
      ),
    };
    const seen = [decodeTest([decodeRun(100), decodeRun(300, { way: 'hardware' })])];
    const baseOf = (of: JobCard) => inferPosterior(of, { sampleCount: 200 }).base.setup;
    const isDecodedBy = (of: JobCard): readonly string[] =>
      baseOf(of).clips.map(({ original }) => original.hardwareDecode);
    expect(new Set(isDecodedBy(refused))).toEqual(new Set(['no']));
    expect(new Set(isDecodedBy({ ...refused, decodeTests: seen }))).toEqual(new Set(['yes']));
    const { seenDecodeMegapixelPerSec, ...machine } = baseOf({ ...refused, decodeTests: seen }).machine;
    const { seenDecodeMegapixelPerSec: _, ...unplayed } = baseOf(refused).machine;
    expect(machine).toEqual(unplayed);
    expect(seenDecodeMegapixelPerSec).toBeCloseTo((300 * stream.widthPx * stream.heightPx) / 1e6, 6);
  });

  it('leaves out clips too light to tell', () => {
    const light = {
      ...decodeTest([decodeRun(900)]),
      stream: { ...stream, widthPx: 480, heightPx: 270, megabitsPerFrame: 0.05 },
    };
    expect(listTestPlayEvidence({ ...card, decodeTests: [light] })).toEqual([]);
  });

  it('was found under the fixes that were made at that time', () => {
    const trial = (change: Partial<Trial>): Trial => ({
      id: 'trial',
      fix: { id: 'raise-power-mode', level: null },
      direction: 'make',
      status: 'kept',
      beforeReadingId: 'reading',
      afterReadingId: null,
      startedAtMs: 10,
      madeAtMs: 20,
      endedAtMs: 30,
      ...change,
    });
    const fixesOf = (takenAtMs: number, change: Partial<Trial> = {}) =>
      listTestPlayEvidence({
        ...card,
        trials: [trial(change)],
        decodeTests: [{ ...decodeTest([decodeRun(100)]), takenAtMs }],
      })[0]?.fixes.map(({ id }) => id);
    expect(fixesOf(15)).toEqual([]);
    expect(fixesOf(25)).toEqual(['raise-power-mode']);
    expect(fixesOf(40)).toEqual(['raise-power-mode']);
    expect(fixesOf(25, { status: 'undone' })).toEqual(['raise-power-mode']);
    expect(fixesOf(40, { status: 'undone' })).toEqual([]);
    expect(fixesOf(25, { status: 'open', madeAtMs: null, endedAtMs: null })).toEqual([]);
    expect([25, 40].map((atMs) => fixesOf(atMs, { madeAtMs: null }))).toEqual([[], ['raise-power-mode']]);
  });
});
