import type { JobCard } from '@/core/card';
import type { FixAtLevel } from '@/core/fixes';
import { createRandom, type Random } from '@/core/numbers/random';
import { applyChanges, type BenchComplaint, benchGap, measureRig, type Rig, soundFaults } from '@/core/simulate';
import { drawCard } from '@/core/simulate/cases/draw-card';
import { type DrawnFacts, type DrawnStream, toRigStream } from '@/core/simulate/cases/draw-rig';
import { type ReadFigures, readPreview } from '@/core/simulate/cases/person';

/** A light film on a sound machine, varied by a seed; scenarios change one thing of it. */
export interface Draft {
  readonly rig: Rig;
  readonly facts: DrawnFacts;
}

export const drive = { megabytePerSec: 600, seekMs: 0.2 };

/** A usual stream at a rate. */
export const streamOf = (change: Partial<DrawnStream> & { readonly fps: number }): DrawnStream => ({
  codec: 'h264',
  bitDepth: 8,
  chroma: '4:2:0',
  widthPx: 1920,
  heightPx: 1080,
  megabitPerSec: 16,
  keyEveryFrames: 12,
  ...change,
});

/** The draft with other footage. */
export function withStream(draft: Draft, drawn: DrawnStream, on = drive): Draft {
  const original = toRigStream(drawn, on, draft.facts.graphicsYear);
  return {
    facts: { ...draft.facts, streams: [drawn] },
    rig: { ...draft.rig, clips: draft.rig.clips.map((clip) => ({ ...clip, original, copy: null })) },
  };
}

export function draftOf(random: Random): Draft {
  const fps = random.pick([24, 25, 30]);
  const drawn = streamOf({ fps, megabitPerSec: random.between(10, 22) });
  const coreCount = random.pick([4, 4, 6, 8]);
  const [speedClass, speed] = random.pick([
    ['modest', 0.9],
    ['usual', 1.25],
  ] as const);
  const facts: DrawnFacts = {
    speedClass,
    graphics: 'shared',
    graphicsYear: random.whole(2017, 2020),
    drive: 'internal-solid-state',
    streams: [drawn],
  };
  const original = toRigStream(drawn, drive, facts.graphicsYear);
  const rig: Rig = {
    design: random.pick(['ahead', 'on-graphics'] as const),
    coreCount,
    coreSpeed: speed * random.factor(0.06),
    threadCount: coreCount,
    memoryMib: 16_384,
    editorGivenMib: null,
    previewMemoryMib: 4096,
    graphics: { speed: 4.8 * random.factor(0.08), slowSpeed: 3.3, memoryMib: 2048, decodeMegapixelPerSec: 430 },
    isDrawingOnGraphics: true,
    isDecodingOnGraphics: true,
    systemDrive: drive,
    cacheDrive: drive,
    clips: Array.from({ length: random.whole(6, 14) }, () => ({
      seconds: random.between(10, 60),
      original,
      copy: null,
    })),
    unusedClipCount: 0,
    timeline: {
      widthPx: 1920,
      heightPx: 1080,
      fps,
      layerCount: 1,
      coveredLayerCount: 0,
      titleCount: 0,
      trackCount: 1,
      isSeenThrough: false,
      effects: [],
      cutsPerMinute: 6,
      lengthMin: 5,
    },
    deliveredHeightPx: 1080,
    preview: {
      ratio: 1,
      heightPx: null,
      movingRatio: 1,
      seenHeightPx: 1080,
      areEffectsOn: true,
      isBlending: true,
      isIdleBlended: false,
      depthRatio: 1,
      habits: [],
      isRendered: false,
    },
    areLateFramesSkipped: true,
    areThumbnailsMade: true,
    areFilesKeptOpen: true,
    programs: [],
    targetFps: fps,
    faults: soundFaults,
    quirks: {
      decode: random.factor(0.1),
      draw: random.factor(0.1),
      graphics: random.factor(0.1),
      drive: random.factor(0.1),
      memory: random.factor(0.05),
      opening: random.factor(0.1),
    },
  };
  return { rig, facts };
}

/** Luck that never strikes: facts come out right, and a person knows what people may know. */
const sure: Random = {
  next: () => 0.5,
  between: (low, high) => (low + high) / 2,
  whole: (low) => low,
  isTrue: (probability) => probability >= 0.35,
  pick: (items) => {
    const [first] = items;
    if (first === undefined) throw new Error('pick: no items');
    return first;
  },
  shuffle: (items) => items,
  normal: () => 0,
  factor: () => 1,
};

/** Who sits at a scenario's rig, and what they looked at. */
export interface CardOptions {
  readonly complaints: readonly BenchComplaint[];
  readonly seed: number;
  readonly answers?: Readonly<Record<string, string>>;
  /** Fixes under which they took a reading as well. */
  readonly alsoRead?: readonly (readonly FixAtLevel[])[];
}

/** How far a reading is from the truth, in logarithms. */
const offBy = (read: number | null, truth: number, least: number): number =>
  read === null ? 0 : Math.abs(Math.log(Math.max(least, read) / truth));

/** What a careful person reads of a rig: out of eight readings the second nearest to the truth, which is no outlier. */
function readCarefully(rig: Rig, seed: number, isLater: boolean): ReadFigures {
  const person = { way: 'metered' as const, bias: createRandom(seed).factor(0.03), seed: 12_345 + seed * 2 };
  const outcome = measureRig(rig, seed);
  const shownFps = Math.min(rig.targetFps, isLater ? outcome.laterFps : outcome.shownFps);
  const [, near] = [0, 1, 2, 3, 4, 5, 6, 7]
    .map((index) => readPreview(person, rig, outcome, index, isLater))
    .map((figures) => ({
      figures,
      off: offBy(figures.shownFps, shownFps, 0.1) + offBy(figures.scrubMs, outcome.scrubMs, 1),
    }))
    .sort((a, b) => a.off - b.off);
  if (!near) throw new Error('readCarefully: no reading');
  return near.figures;
}

/** The card of a careful person with this rig: all facts right, a metered reading, and answers to what they looked at. */
export function cardOf({ rig, facts }: Draft, { complaints, seed, answers = {}, alsoRead = [] }: CardOptions): JobCard {
  const isLater = complaints.includes('later');
  const reading = readCarefully(rig, seed, isLater);
  const card = drawCard({ rig, facts, complaints, reading, way: 'metered', id: `scenario-${seed}` }, sure);
  const [first] = card.readings;
  if (!first) throw new Error('cardOf: no reading');
  const moment = isLater ? ('later' as const) : ('start' as const);
  const others = alsoRead.map((fixes, i) => {
    const changed = applyChanges(rig, fixes);
    const gap = benchGap(changed, measureRig(changed, seed), complaints);
    return {
      ...first,
      ...readCarefully(changed, seed, isLater),
      id: `reading-also-${i + 1}`,
      moment,
      isGoodEnough: gap <= 0.03 ? ('yes' as const) : ('no' as const),
      fixes,
    };
  });
  return {
    ...card,
    readings: [{ ...first, moment, isGoodEnough: 'no' }, ...others],
    answers: Object.entries(answers).map(([questionId, answer], i) => ({
      id: `answer-${i}`,
      questionId,
      answer,
      takenAtMs: 0,
      fixes: [],
    })),
  };
}
