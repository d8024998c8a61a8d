import { describe, expect, it } from 'vitest';
import { parseCard } from '../../card';
import { findPracticeFault } from '../faults';
import { benchGap } from '../gap';
import { measureRig } from '../measure';
import type { Rig } from '../types';
import { answerAbout, createCase, playClip, readPreview } from '.';

const cases = Array.from({ length: 40 }, (_, i) => createCase(2001 + i));

describe('createCase', () => {
  it('gives the same case for the same seed', () => {
    const { card, trueCauseId } = createCase(2001);
    expect({ card, trueCauseId }).toEqual({ card: cases[0]?.card, trueCauseId: cases[0]?.trueCauseId });
  });

  it('gives cards that Oil Can can read, with a complaint and a first reading', () => {
    for (const { card } of cases) {
      expect(parseCard(card)).toMatchObject({ ok: true });
      expect(card.symptoms.moments.length).toBeGreaterThan(0);
      expect(card.readings).toHaveLength(1);
    }
  });

  it('draws a second film on the machine as the first left it: what lasts is still wrong, what was of the day is over', () => {
    const [of] = cases;
    if (!of) throw new Error('no case');
    const faults = { ...of.rig.faults, heatShare: 0.5, staleness: 2, leakMib: 900, buildCores: 2 };
    const left: Rig = { ...of.rig, faults, isDecodingOnGraphics: !of.rig.isDecodingOnGraphics };
    const second = createCase(902_001, { of, left, isEditorAnother: false });
    expect(second.sound.faults).toMatchObject({ heatShare: 0.5, staleness: 2, leakMib: 0, buildCores: 0 });
    expect(second.sound).toMatchObject({ coreCount: left.coreCount, threadCount: left.threadCount });
    expect(second.faultIds.length).toBeGreaterThan(0);
    // Another editor is not stale for that; the machine still gets hot.
    const another = createCase(902_001, { of, left, isEditorAnother: true });
    expect(another.sound.faults).toMatchObject({ heatShare: 0.5, staleness: 1 });
  });

  it('keeps what is hidden off the card', () => {
    for (const { card, trueCauseId } of cases) expect(JSON.stringify(card)).not.toContain(trueCauseId);
  });

  it('names a cause whose repair closes at least a tenth of the gap, and as much as any other that was hidden', () => {
    for (const { seed, rig, complaints, trueCauseId, faultIds } of cases) {
      const gapOf = (candidate: typeof rig) => benchGap(candidate, measureRig(candidate, seed), complaints);
      expect(gapOf(rig)).toBeGreaterThan(0);
      expect(faultIds[0]).toBe(trueCauseId);
      if (trueCauseId.endsWith('-heavy')) continue;
      const repaired = findPracticeFault(trueCauseId)?.repair(rig) ?? rig;
      expect(gapOf(repaired)).toBeLessThanOrEqual(0.9 * gapOf(rig) + 1e-9);
    }
  });

  it('names with it all whose repair closes as much, and no other', () => {
    const several = cases.filter(({ equalCauseIds }) => equalCauseIds.length > 1);
    expect(several.length).toBeGreaterThan(0);
    for (const { seed, rig, complaints, equalCauseIds, faultIds } of cases) {
      expect(faultIds.slice(0, equalCauseIds.length)).toEqual(equalCauseIds);
      // Loads are asked after all else is right: their closing is not that of their repair alone.
      const switched = equalCauseIds.filter((id) => !id.endsWith('-heavy'));
      const gaps = switched.map((id) => {
        const repaired = findPracticeFault(id)?.repair(rig) ?? rig;
        return benchGap(repaired, measureRig(repaired, seed), complaints);
      });
      const whole = benchGap(rig, measureRig(rig, seed), complaints);
      expect(Math.max(...gaps, 0) - Math.min(...gaps, whole)).toBeLessThan(0.006 * whole + 1e-9);
    }
  });

  it('gives people a history: a film that is heavy by itself never played well before', () => {
    expect(new Set(cases.map(({ person }) => person.history))).toEqual(new Set(['used-to', 'never', 'first-one']));
    // How a preview is set up is alike for every film.
    const ofFilm = cases.filter(({ faultIds }) =>
      faultIds.every((id) => id.endsWith('-heavy') || id === 'preview-overdone'),
    );
    expect(ofFilm.length).toBeGreaterThan(3);
    for (const { person } of ofFilm) expect(person.history).not.toBe('used-to');
  });

  it('draws many causes, and some from outside the catalogue', () => {
    const ids = new Set(cases.map((practice) => practice.trueCauseId));
    expect(ids.size).toBeGreaterThan(8);
    expect(ids).toContain('nothing-explains-it');
  });
});

describe('a person', () => {
  it('reads with some spread around the truth, and differently each time', () => {
    const practice = cases.find(({ rig, seed }) => measureRig(rig, seed).shownFps < 0.5 * rig.targetFps);
    if (!practice) throw new Error('no case that lags much');
    const outcome = measureRig(practice.rig, practice.seed);
    const person = { ...practice.person, way: 'metered' as const };
    const rates = Array.from({ length: 60 }, (_, i) => readPreview(person, practice.rig, outcome, i).shownFps ?? 0);
    const middle = [...rates].sort((a, b) => a - b)[30] ?? 0;
    expect(new Set(rates).size).toBeGreaterThan(30);
    expect(Math.abs(Math.log(middle / outcome.shownFps))).toBeLessThan(0.15);
  });

  it('looks at what is there: a clip alone, a copy, the graphics, what works', () => {
    const [practice] = cases;
    if (!practice) throw new Error('no case');
    // What most of 21 people say of rigs that leave no doubt: one in twelve is mistaken.
    const ask = (seed: number, id: string, rig: typeof practice.rig) =>
      answerAbout({ ...practice.person, seed }, id, rig, measureRig(rig, 1));
    const slowDrive = findPracticeFault('drive-slow')?.plant(practice.rig, 1) ?? practice.rig;
    const quickDrive = findPracticeFault('drive-slow')?.repair(practice.rig) ?? practice.rig;
    const heavy = { ...practice.rig, quirks: { ...practice.rig.quirks, decode: 400 }, isDecodingOnGraphics: false };
    const light = findPracticeFault('decode-heavy')?.repair({ ...practice.rig, coreSpeed: 20 }) ?? practice.rig;
    const onProcessor = { ...practice.rig, isDrawingOnGraphics: false };
    const mostly = (id: string, rig: typeof practice.rig): string | null => {
      const said = Array.from({ length: 21 }, (_, seed) => ask(1000 * seed + 5, id, rig));
      return [...said].sort()[10] ?? null;
    };
    expect(mostly('file-copy', slowDrive)).toBe('slow');
    expect(mostly('file-copy', quickDrive)).toBe('quick');
    expect(mostly('clip-alone', heavy)).toBe('lags');
    expect(mostly('clip-alone', light)).toBe('smoothly');
    const withBlur = (clip: typeof light) => ({
      ...clip,
      isDrawingOnGraphics: false,
      timeline: {
        ...clip.timeline,
        titleCount: 0,
        effects: [{ kind: 'blur' as const, layerCount: 400, strength: 'usual' as const }],
      },
    });
    expect(mostly('clip-alone', withBlur(light))).toBe('smoothly');
    expect(mostly('clip-with-effects', withBlur(light))).toBe('lags');
    expect(mostly('graphics-use', onProcessor)).toBe('hardly-any');
    expect(mostly('while-jumping', { ...slowDrive, quirks: { ...slowDrive.quirks, drive: 0.001 } })).toBe('drive');
    expect(mostly('while-jumping', heavy)).toBe('processor');
    expect(mostly('editor-cores', { ...heavy, coreCount: 8, threadCount: 1, isDrawingOnGraphics: true })).toBe(
      'about-one',
    );
    expect(mostly('editor-cores', { ...light, isDrawingOnGraphics: true })).toBe('less');
  });

  it('gives the same answer when asked again, and none to what nobody can tell', () => {
    const practice = cases[1];
    if (!practice) throw new Error('no case');
    const outcome = measureRig(practice.rig, practice.seed);
    const ask = (id: string) => answerAbout(practice.person, id, practice.rig, outcome);
    expect(ask('core-use')).toBe(ask('core-use'));
    expect(ask('the-weather')).toBeNull();
  });
});

describe('playClip', () => {
  const [practice] = cases;
  const clip = practice?.card.clips[0];
  if (!practice || !clip) throw new Error('no case with a clip');
  const { person } = practice;
  const stream = { ...(practice.rig.clips[0]?.original as Rig['clips'][number]['original']), canHardware: true };
  const rig: Rig = {
    ...practice.rig,
    programs: [],
    graphics: { ...practice.rig.graphics, decodeMegapixelPerSec: 400 },
    clips: [{ seconds: 10, copy: null, original: stream }],
    faults: { ...practice.rig.faults, powerShare: 1, unlistedCores: 0, hardwareSlowdown: 1 },
  };
  const rates = (faults: Partial<Rig['faults']>): readonly (readonly [string, number])[] =>
    playClip(person, { ...rig, faults: { ...rig.faults, ...faults } }, clip, { index: 0, nowMs: 5 })?.runs.map(
      ({ way, decodedFps }) => [way, decodedFps] as const,
    ) ?? [];
  const ratios = (faults: Partial<Rig['faults']>): readonly number[] => {
    const sound = rates({});
    return rates(faults).map(([, fps], i) => fps / (sound[i]?.[1] ?? Number.NaN));
  };

  it('decodes by the processor, loose and one by one, and on the graphics', () => {
    expect(rates({}).map(([way]) => way)).toEqual(['software', 'software', 'hardware']);
    expect(playClip(person, { ...rig, clips: [] }, clip, { index: 0, nowMs: 5 })).toBeNull();
    expect(playClip(person, rig, clip, { index: 0, nowMs: 5 })?.takenAtMs).toBe(5);
  });

  it('is slowed by what slows the processor, and by the driver of the graphics, each on its own side', () => {
    const [loose, one, hardware] = ratios({ powerShare: 0.5 });
    expect([loose, one]).toEqual([expect.closeTo(0.5, 9), expect.closeTo(0.5, 9)]);
    expect(hardware).toBeCloseTo(1, 9);
    expect(ratios({ hardwareSlowdown: 4 }).map((ratio) => Math.round(100 * ratio) / 100)).toEqual([1, 1, 0.25]);
    expect(ratios({ buildCores: 3, staleness: 2, systemDriveStall: 1 }).every((ratio) => ratio === 1)).toBe(true);
    const [crowded = 1] = ratios({ unlistedCores: rig.coreCount - 0.5 });
    expect(crowded).toBeLessThan(1);
  });
});
