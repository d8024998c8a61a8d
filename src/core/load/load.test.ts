import { describe, expect, it } from 'vitest';
import { percentileOfSorted } from '../numbers/percentile';
import { compile, drawParameterSamples, estimate, middleParameters, type SetupState, usualHidden } from '.';
import { drawingHabits } from './drawing-habits';
import type { DrawnMachine } from './parameters';

const state = (change: Partial<SetupState['setup']> = {}): SetupState => ({
  hidden: usualHidden,
  setup: {
    machine: {
      coreCount: 4,
      coreSpeedRatio: 1,
      speedFrom: 'stated',
      areGraphicsStated: true,
      isHardwareMeasured: false,
      seenDecodeMegapixelPerSec: null,
      decodeThreadCount: 4,
      powerRatio: 1,
      memoryMib: 16_384,
      graphicsRatio: 1,
      graphicsYear: 2019,
      decodeMegapixelPerSec: 0,
      graphicsMemoryMib: 2048,
      hasSecondGraphics: 'no',
      isThin: 'no',
      systemDriveFreeRatio: 0.4,
      cacheDrive: { readMegabytePerSec: 500, latencyMs: 0.1 },
    },
    clips: [
      {
        id: 'a',
        durationMs: 60_000,
        original: {
          codec: 'h264',
          bitDepth: 8,
          chroma: '4:2:0',
          widthPx: 1920,
          heightPx: 1080,
          frameRateFps: 25,
          bitrateMbitPerSec: 25,
          meanKeyFrameDistanceFrames: 50,
          sizeEvenness: null,
          hardwareDecode: 'unknown',
          drive: { readMegabytePerSec: 500, latencyMs: 0.1 },
        },
        proxy: null,
      },
    ],
    timeline: {
      widthPx: 1920,
      heightPx: 1080,
      frameRateFps: 25,
      videoLayerCount: 1,
      titleCount: 0,
      coveredLayerCount: 0,
      trackCount: null,
      isBlendingNeeded: 'unknown',
      cutsPerMinute: 6,
      lengthMin: null,
      transitionRatio: 0,
      unusedClipCount: 0,
      areLayersStated: true,
      areEffectsStated: true,
      hasOnlyListedEffects: false,
      hasOnlyListedLayers: false,
      effects: [],
    },
    preview: {
      qualityRatio: 1,
      qualities: '',
      heightPx: null,
      viewerHeightPx: null,
      areEffectsBypassed: false,
      hardwareDecode: 'no',
      graphicsDrawing: 'no',
      movingQualityRatio: 1,
      isBlending: true,
      workingDepthBits: 8,
      habits: {
        'fine-scaling': 0,
        'exact-colour': 0,
        'drawings-on-picture': 0,
        'second-output': 0,
        'dense-window': 0,
      },
      isPrerendered: false,
    },
    editor: {
      playsBy: 'streaming',
      lateFrames: 'skipped',
      memoryGivenMib: null,
      previewMemoryMib: null,
      areThreadsRaised: false,
      areThumbnailsOn: 'yes',
      areFilesKeptOpen: false,
      arePanelsOnGraphics: true,
      isSpeedFavoured: false,
      spanSec: 10,
    },
    delivered: { heightPx: null, frameRateFps: null },
    programs: [],
    areProgramsSeen: false,
    targetFps: 25,
    ...change,
  },
});

describe('estimate', () => {
  const middle = middleParameters(state().setup.machine);
  const withEffects = {
    ...state().setup.timeline,
    effects: [{ kind: 'rotate' as const, layerCount: 2, strength: 'usual' as const }],
  };

  it('makes half the preview quality a quarter of the effects, and leaves decoding alone', () => {
    const full = estimate(state({ timeline: withEffects }), 'heaviest', middle);
    const half = estimate(
      state({ timeline: withEffects, preview: { ...state().setup.preview, qualityRatio: 0.5 } }),
      'heaviest',
      middle,
    );
    const msOf = (frame: typeof full, id: string) => frame.stages.find((stage) => stage.id === id)?.ms ?? Number.NaN;
    expect(msOf(half, 'effects') / msOf(full, 'effects')).toBeCloseTo(0.25, 10);
    expect(msOf(half, 'decode')).toBe(msOf(full, 'decode'));
    expect(msOf(half, 'read')).toBe(msOf(full, 'read'));
  });

  it('makes the stage of a drawing habit dearer by its own ratio, and no other', () => {
    const msWith = (habits: Partial<SetupState['setup']['preview']['habits']>) => {
      // A picture that keeps its size is not scaled at all.
      const preview = { ...state().setup.preview, qualityRatio: 0.5 };
      const frame = estimate(
        state({ preview: { ...preview, habits: { ...preview.habits, ...habits } } }),
        'heaviest',
        middle,
      );
      return new Map<string, number>(frame.stages.map(({ id, ms }) => [id, ms]));
    };
    const without = msWith({});
    for (const { id, stage, ratio } of drawingHabits) {
      const [all, half] = [msWith({ [id]: 1 }), msWith({ [id]: 0.5 })];
      for (const [stageId, ms] of without) {
        const own = stageId === stage;
        expect((all.get(stageId) ?? 0) / ms || 1, `${id} ${stageId}`).toBeCloseTo(own ? ratio : 1, 9);
        expect((half.get(stageId) ?? 0) / ms || 1, `${id} ${stageId}`).toBeCloseTo(own ? (1 + ratio) / 2 : 1, 9);
      }
    }
  });

  it('lets proxies shrink decoding and scrubbing, not effects at the same preview size', () => {
    const [clip] = state().setup.clips;
    if (!clip) throw new Error('the set-up has a clip');
    const proxy = {
      ...clip.original,
      widthPx: 960,
      heightPx: 540,
      bitrateMbitPerSec: 10,
      meanKeyFrameDistanceFrames: 1,
    };
    const before = compile(state({ timeline: withEffects }), 'heaviest');
    const proxied = compile(state({ timeline: withEffects, clips: [{ ...clip, proxy }] }), 'heaviest');
    expect(proxied.playing.softwareOnlyRefMs).toBeLessThan(before.playing.softwareOnlyRefMs / 2);
    expect(proxied.scrub.softwareOnlyRefMs).toBeLessThan(before.scrub.softwareOnlyRefMs / 20);
    expect(proxied.draw.effectsRefMs).toBe(before.draw.effectsRefMs);
  });

  it('shows no gain of proxies that exist and are not shown', () => {
    const [clip] = state().setup.clips;
    if (!clip) throw new Error('the set-up has a clip');
    const withProxy = state({ clips: [{ ...clip, proxy: { ...clip.original, heightPx: 270, widthPx: 480 } }] });
    const hiddenProxy = { ...withProxy, hidden: { ...usualHidden, areProxiesShown: false } };
    expect(compile(hiddenProxy, 'heaviest').playing.softwareOnlyRefMs).toBe(
      compile(state(), 'heaviest').playing.softwareOnlyRefMs,
    );
    expect(compile(withProxy, 'heaviest').playing.softwareOnlyRefMs).toBeLessThan(
      compile(state(), 'heaviest').playing.softwareOnlyRefMs,
    );
  });

  it('multiplies the interval when more memory is wanted than there is', () => {
    const roomy = estimate(state(), 'heaviest', middle);
    const short = estimate(state({ machine: { ...state().setup.machine, memoryMib: 2048 } }), 'heaviest', middle);
    expect(short.intervalMs).toBeGreaterThan(roomy.intervalMs * 1.5);
  });

  it('leaves drawing on the graphics as quick as it is when memory is short', () => {
    const slowedBy = (graphicsDrawing: 'yes' | 'no') => {
      const preview = { ...state().setup.preview, graphicsDrawing };
      const intervalWith = (memoryMib: number) => {
        const machine = { ...state().setup.machine, memoryMib, graphicsRatio: 4 };
        const heavy = {
          ...withEffects,
          effects: [{ kind: 'rotate' as const, layerCount: 12, strength: 'usual' as const }],
        };
        return estimate(state({ machine, preview, timeline: heavy }), 'heaviest', middle).intervalMs;
      };
      return intervalWith(2048) / intervalWith(16_384);
    };
    expect(slowedBy('no')).toBeGreaterThan(1.5);
    expect(slowedBy('yes')).toBeLessThan(1.2);
  });

  it('shows fewer while programs are in a burst, and no more than is wanted while they pause', () => {
    const shownBeside = (busyCores: number) =>
      estimate(state({ programs: [{ id: 'p', busyCores, memoryMib: 200, canClose: 'yes' }] }), 'heaviest', middle);
    const busy = shownBeside(3);
    // The cores that are left would do on average.
    expect(busy.intervalMs).toBeLessThan(1000 / 25);
    expect(busy.shownFps).toBeLessThan(0.9 * 25);
    expect(busy.shownFps).toBeGreaterThan(25 / 2);
    expect(shownBeside(0.5).shownFps).toBe(25);
  });

  it('counts what programs that nobody listed hold: little of large memory, too much of a small one', () => {
    const ratioWith = (memoryMib: number, programs: number) => {
      const machine = { ...state().setup.machine, memoryMib };
      const hidden = { ...usualHidden, troubles: { ...usualHidden.troubles, programs } };
      return estimate({ ...state({ machine }), hidden }, 'heaviest', middleParameters(machine)).memoryRatio;
    };
    expect(ratioWith(4096, 0)).toBeLessThan(1);
    expect(ratioWith(4096, 1)).toBeGreaterThan(1);
    expect(ratioWith(16_384, 1) - ratioWith(16_384, 0)).toBeLessThan(0.12);
  });

  it('counts what an editor keeps for computed pictures beside all else', () => {
    const ratioWith = (playsBy: 'streaming' | 'computing-first', previewMemoryMib: number) => {
      const on = state({ editor: { ...state().setup.editor, playsBy, previewMemoryMib } });
      return estimate(on, 'heaviest', middle).memoryRatio;
    };
    expect(ratioWith('computing-first', 8192) - ratioWith('computing-first', 4096)).toBeCloseTo(4096 / 16_384, 9);
    expect(ratioWith('streaming', 8192)).toBe(ratioWith('computing-first', 8192));
  });

  it('takes hardware decoding off the cores where the machine can, and nowhere else', () => {
    const machine = { ...state().setup.machine, decodeMegapixelPerSec: 450 };
    const on = { ...state().setup.preview, hardwareDecode: 'yes' as const };
    const able = compile(state({ machine, preview: on }), 'heaviest');
    expect(able.playing.softwareOnlyRefMs).toBe(0);
    // One frame, and at every cut the way from the last key frame.
    const framesAtCuts = ((50 + 1) / 2 - 1) * (6 / 60 / 25);
    expect(able.playing.hardwareMs).toBeCloseTo((2.0736 / 0.45) * (1 + framesAtCuts), 6);
    const [clip] = state().setup.clips;
    if (!clip) throw new Error('the set-up has a clip');
    const tenBit = { ...clip, original: { ...clip.original, bitDepth: 10 } };
    expect(compile(state({ machine, preview: on, clips: [tenBit] }), 'heaviest').playing.hardwareMs).toBe(0);
  });
});

describe('compile', () => {
  it('takes the heaviest quarter of the footage by duration', () => {
    const [clip] = state().setup.clips;
    if (!clip) throw new Error('the set-up has a clip');
    const heavy = {
      ...clip,
      id: 'heavy',
      durationMs: 20_000,
      original: { ...clip.original, codec: 'hevc', bitDepth: 10 },
    };
    const light = { ...clip, durationMs: 60_000 };
    const mixed = compile(state({ clips: [light, heavy] }), 'heaviest').playing.softwareOnlyRefMs;
    expect(mixed).toBeCloseTo(compile(state({ clips: [heavy] }), 'heaviest').playing.softwareOnlyRefMs, 9);
    expect(compile(state({ clips: [light, heavy] }), 'usual').playing.softwareOnlyRefMs).toBeLessThan(mixed);
  });
});

describe('jumps', () => {
  const [clip] = state().setup.clips;
  if (!clip) throw new Error('the set-up has a clip');
  const everyFrame = {
    ...clip,
    id: 'every-frame',
    original: {
      ...clip.original,
      codec: 'prores',
      bitDepth: 10,
      bitrateMbitPerSec: 200,
      meanKeyFrameDistanceFrames: 1,
    },
  };
  const jumpRefMs = (clips: readonly (typeof clip)[], name: 'scrub' | 'slowScrub') =>
    compile(state({ clips }), 'heaviest')[name].softwareOnlyRefMs;

  it('take half of the pictures from a key frame to the next, and nine tenths of them in the slowest tenth', () => {
    const oneRefMs = compile(state(), 'heaviest').plain.softwareOnlyRefMs;
    expect(jumpRefMs([clip], 'scrub')).toBeCloseTo(oneRefMs * (1 + 49 * 0.5), 9);
    expect(jumpRefMs([clip], 'slowScrub')).toBeCloseTo(oneRefMs * (1 + 49 * 0.9), 9);
  });

  it('into footage of which most stores every frame are mostly short, however long the rest takes', () => {
    const some = { ...clip, durationMs: 10_000 };
    const most = { ...everyFrame, durationMs: 50_000 };
    expect(jumpRefMs([some, most], 'scrub')).toBeCloseTo(jumpRefMs([everyFrame], 'scrub'), 6);
    expect(jumpRefMs([some, most], 'slowScrub')).toBeGreaterThan(5 * jumpRefMs([everyFrame], 'slowScrub'));
  });
});

describe('the heaviest stretch', () => {
  it('stays the same stretch on a faster drive or core, so that neither seems to lower the rate', () => {
    const [clip] = state().setup.clips;
    if (!clip) throw new Error('the set-up has a clip');
    const large = { ...clip, id: 'large', original: { ...clip.original, codec: 'dnxhd', bitrateMbitPerSec: 1500 } };
    const dear = { ...clip, id: 'dear', original: { ...clip.original, codec: 'hevc', bitrateMbitPerSec: 60 } };
    const rateOn = ({ readMegabytePerSec = 60, coreSpeedRatio = 1 }) => {
      const clips = [large, dear].map((each) => ({
        ...each,
        original: { ...each.original, drive: { readMegabytePerSec, latencyMs: 1 } },
      }));
      const on = state({ clips, machine: { ...state().setup.machine, coreSpeedRatio } });
      return estimate(on, 'heaviest', middleParameters(on.setup.machine)).intervalMs;
    };
    for (const factor of [1.5, 2, 5, 20]) {
      expect(rateOn({ readMegabytePerSec: 60 * factor })).toBeLessThanOrEqual(rateOn({}));
      expect(rateOn({ coreSpeedRatio: factor })).toBeLessThanOrEqual(rateOn({}));
    }
  });
});

describe('drawParameterSamples', () => {
  const sixCores = {
    decodeThreadCount: 6,
    speedFrom: 'stated',
    areGraphicsStated: true,
    isHardwareMeasured: false,
    seenDecodeMegapixelPerSec: null,
  } as const;
  it('gives the same draws at every call, each within its range', () => {
    const [a, b] = [drawParameterSamples(256, sixCores), drawParameterSamples(256, sixCores)];
    expect(a).toEqual(b);
    for (const threads of a.decodeThreadCount) {
      expect(threads).toBeGreaterThanOrEqual(1);
      expect(threads).toBeLessThanOrEqual(6);
    }
    const sorted = Float64Array.from(a.decodeFactor).sort();
    expect(percentileOfSorted(sorted, 0.5)).toBeCloseTo(1, 1);
  });

  it('leaves more open of what nobody stated, and least of what was measured', () => {
    const spanOf = (name: 'coreSpeedFactor' | 'graphicsFactor', known: Partial<DrawnMachine>): number => {
      const values = drawParameterSamples(256, { ...sixCores, ...known })[name];
      return Math.max(...values) / Math.min(...values);
    };
    const [measured, stated, assumed] = (['measured', 'stated', 'assumed'] as const).map((speedFrom) =>
      spanOf('coreSpeedFactor', { speedFrom }),
    ) as [number, number, number];
    expect(measured).toBeLessThan(stated);
    expect(stated).toBeLessThan(assumed);
    expect(spanOf('graphicsFactor', {})).toBeLessThan(spanOf('graphicsFactor', { areGraphicsStated: false }));
  });

  const machine = { ...sixCores, decodeThreadCount: 8 };
  const { programsSeverity: one, memorySeverity: other } = drawParameterSamples(256, machine);

  it('fills as many equal parts as a power of two of draws, for each parameter', () => {
    for (const count of [8, 32, 128])
      expect(new Set([...one.slice(0, count)].map((rank) => Math.floor(rank * count))).size).toBe(count);
  });

  it('lets no two parameters move together', () => {
    let sum = 0;
    for (let i = 0; i < 48; i++) sum += ((one[i] as number) - 0.5) * ((other[i] as number) - 0.5);
    expect(Math.abs(sum / 48 / (1 / 12))).toBeLessThan(0.35);
  });
});
