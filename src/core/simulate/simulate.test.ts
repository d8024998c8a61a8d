import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { createRandom } from '../numbers/random';
import {
  applyChanges,
  measureRig,
  play,
  practiceChanges,
  practiceFaults,
  type Rig,
  type RigOutcome,
  rateOf,
  rigFromCard,
} from '.';

const [decodeBound, effectsBound, programsBusy] = await loadDemoCards();
const rigOf = (card: typeof decodeBound, seed = 1): Rig => {
  const rig = card && rigFromCard(card, seed);
  if (!rig) throw new Error('no rig');
  return rig;
};
const rigs = [rigOf(decodeBound), rigOf(effectsBound), rigOf(programsBusy), rigOf(programsBusy, 3)];

/** Every figure of an outcome, the times of its pictures among them. */
const figuresOf = (outcome: RigOutcome): readonly number[] => Object.values(outcome).flat();

describe('rigFromCard', () => {
  it('computes first where the card says so, and where somebody waits for the picture whatever is ticked', () => {
    if (!decodeBound) throw new Error('no card');
    const { editor, symptoms } = decodeBound;
    const ticked = { ...decodeBound, editor: { ...editor, playsBy: 'computing-first' as const } };
    const waiting = {
      ...decodeBound,
      editor: { ...editor, playsBy: 'streaming' as const },
      symptoms: { ...symptoms, moments: ['waiting-for-the-picture' as const] },
    };
    for (let seed = 1; seed <= 8; seed++) {
      expect(rigOf(decodeBound, seed).design).not.toBe('computing-first');
      expect([ticked, waiting].map((card) => rigOf(card, seed).design)).toEqual(['computing-first', 'computing-first']);
    }
  });
});

describe('play', () => {
  it('shows pictures in order, never more than the timeline has, and the same for the same seed', () => {
    for (const rig of rigs) {
      const { shownAtMs } = play(rig, createRandom(3), 20_000);
      expect(shownAtMs.length).toBeGreaterThan(10);
      expect(shownAtMs.every((atMs, i) => i === 0 || atMs > (shownAtMs[i - 1] ?? 0))).toBe(true);
      expect(rateOf(shownAtMs)).toBeLessThanOrEqual(rig.timeline.fps * 1.001);
      expect(play(rig, createRandom(3), 20_000).shownAtMs).toEqual(shownAtMs);
    }
  });

  it('reaches the full rate where nothing is heavy', () => {
    for (const rig of rigs) {
      const light = applyChanges(
        { ...rig, coreSpeed: 8, coreCount: 16, threadCount: 16, programs: [], memoryMib: 65_536 },
        [
          { id: 'make-proxies', level: 360 },
          { id: 'bypass-effects', level: 'all' },
          { id: 'lower-preview-quality', level: '1/4' },
        ],
      );
      expect(rateOf(play(light, createRandom(1), 20_000).shownAtMs)).toBeGreaterThan(0.98 * rig.timeline.fps);
    }
  });
});

describe('practiceFaults', () => {
  it('each give finite figures, and their repair takes the lag away again', () => {
    for (const rig of rigs)
      for (const fault of practiceFaults) {
        const broken = fault.plant(rig, 0.7);
        for (const figure of figuresOf(measureRig(broken, 5)))
          expect(Number.isFinite(figure) && figure >= 0, fault.id).toBe(true);
        const [before, after] = [measureRig(broken, 5), measureRig(fault.repair(broken), 5)];
        // Hardware decoding and graphics drawing may be slower than a good processor.
        if (fault.id.endsWith('-off')) continue;
        expect(after.shownFps, fault.id).toBeGreaterThan(0.93 * before.shownFps);
        expect(after.scrubMs, fault.id).toBeLessThan(1.1 * before.scrubMs);
      }
  });
});

describe('the severity of a fault', () => {
  it('never makes a lag less by being worse', () => {
    for (const rig of rigs)
      for (const fault of practiceFaults) {
        const [mild, bad] = [0.2, 0.9].map((severity) => measureRig(fault.plant(rig, severity), 5));
        if (!mild || !bad) throw new Error('no outcomes');
        // The pictures of two runs do not fall alike: a few in a hundred are luck.
        expect(bad.shownFps, fault.id).toBeLessThan(1.04 * mild.shownFps);
        expect(bad.laterFps, fault.id).toBeLessThan(1.04 * mild.laterFps);
        expect(bad.scrubMs, fault.id).toBeGreaterThan(0.9 * mild.scrubMs);
        expect(bad.openingSec, fault.id).toBeGreaterThan(0.96 * mild.openingSec);
      }
  });

  it('is felt: every fault that has one slows something that people complain of, on one machine or another', () => {
    const slowed = (before: RigOutcome, after: RigOutcome): boolean =>
      after.shownFps < 0.9 * before.shownFps ||
      after.laterFps < 0.9 * before.laterFps ||
      after.longestFreezeMs > 1.2 * before.longestFreezeMs ||
      after.scrubMs > 1.1 * before.scrubMs ||
      after.openingSec > 1.1 * before.openingSec;
    // Whatever else is wrong with a machine hides what is planted in it.
    const sound = rigs.map((rig) => practiceFaults.reduce((repaired, { repair }) => repair(repaired), rig));
    const weak = sound.map((rig) => ({ ...rig, coreSpeed: 0.2, isDrawingOnGraphics: false }));
    // Much to draw on quick graphics: where there is little, slower ones do as well.
    const effects = [{ kind: 'blur' as const, layerCount: 3, strength: 'usual' as const }];
    const drawing = sound.map((rig) => ({
      ...rig,
      isDrawingOnGraphics: true,
      graphics: { ...rig.graphics, speed: 6 * rig.graphics.slowSpeed },
      timeline: { ...rig.timeline, effects },
    }));
    for (const { id, plant, repair } of practiceFaults) {
      // What is switched off is not felt where the processor does it as well.
      if (id.endsWith('-off')) continue;
      const isFelt = [...rigs, ...sound, ...weak, ...drawing].some((rig) => {
        const broken = plant(rig, 1);
        return slowed(measureRig(repair(broken), 5), measureRig(broken, 5));
      });
      expect(isFelt, id).toBe(true);
    }
  });
});

describe('applyChanges', () => {
  it('passes over changes that it does not know', () => {
    const [rig] = rigs;
    if (!rig) throw new Error('no rig');
    expect(applyChanges(rig, [{ id: 'of-a-newer-oil-can', level: 3 }])).toBe(rig);
  });

  it('never makes a figure that is not finite', () => {
    for (const rig of rigs)
      for (const id of Object.keys(practiceChanges))
        for (const figure of figuresOf(measureRig(applyChanges(rig, [{ id, level: null }]), 2)))
          expect(Number.isFinite(figure) && figure >= 0, id).toBe(true);
  });

  it('makes small copies of what is too much for the machine, and of nothing else', () => {
    for (const rig of rigs) {
      const slow = { ...rig, coreSpeed: 0.05, isDecodingOnGraphics: false };
      const quick = { ...rig, coreSpeed: 500, isDecodingOnGraphics: false };
      const copiesOn = (machine: Rig) =>
        applyChanges(machine, [{ id: 'make-proxies', level: 360 }]).clips.map(({ copy }) => copy?.heightPx ?? null);
      expect(copiesOn(slow)).toEqual(rig.clips.map(() => 360));
      expect(copiesOn(quick)).toEqual(rig.clips.map(() => null));
    }
  });

  it('wants no more pictures a second than a slower timeline has', () => {
    for (const rig of rigs) {
      const slower = applyChanges(rig, [{ id: 'lower-project-rate', level: 12 }]);
      expect([slower.timeline.fps, slower.targetFps]).toEqual([12, Math.min(12, rig.targetFps)]);
      const same = applyChanges(rig, [{ id: 'lower-project-rate', level: 500 }]);
      expect([same.timeline.fps, same.targetFps]).toEqual([rig.timeline.fps, rig.targetFps]);
    }
  });

  it('bakes a section at the size and the rate of the timeline', () => {
    for (const rig of rigs) {
      const { clips, timeline } = applyChanges(rig, [{ id: 'bake-section', level: null }]);
      for (const { original, copy } of clips) {
        expect(copy).toBeNull();
        expect([original.heightPx, original.fps]).toEqual([timeline.heightPx, timeline.fps]);
      }
      expect([timeline.effects.length, timeline.layerCount, timeline.titleCount]).toEqual([0, 1, 0]);
    }
  });

  it('keeps cores idle while the system swaps', () => {
    const [rig] = rigs;
    if (!rig) throw new Error('no rig');
    const roomy = { ...rig, memoryMib: 262_144 };
    const short = { ...rig, memoryMib: 1024 };
    expect(measureRig(short, 1).editorCores).toBeLessThan(measureRig(roomy, 1).editorCores);
  });
});
