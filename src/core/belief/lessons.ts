import type { JobCard, Lesson } from '../card/types';
import { type Coefficients, compile } from '../load/compile';
import { threadGainOf } from '../load/conditions';
import type { ParameterSamples, SetupState, TroubleId } from '../load/types';
import type { Evidence } from './weighing';

/** What a figure of a machine or an editor is read from: one sample, under the set-up that it is supposed in. */
export interface LessonView {
  readonly state: SetupState;
  readonly coefficients: Coefficients;
  readonly samples: ParameterSamples;
  readonly index: number;
}

/** A figure that stays with the machine or the editor when the film is another. */
export interface LessonDefinition {
  /** What it goes with. */
  readonly of: Lesson['of'];
  /** Whether it is a yes (1) or a no (0); else it is a figure above zero. */
  readonly isSwitch: boolean;
  /** A fault that stays until somebody puts it right; that it was not there tells little, because it may have come since. */
  readonly isFault?: true;
  /**
   * So much of what was learned is not relied on: settings change, an editor is updated, and a belief is surer than it
   * should be. Weighed on seeds 1 to 60 of the case generator: switches and the drive by what a lesson told of the truth, the others by
   * what they brought a second film; of computing first and of proxies there were too few to tell.
   */
  readonly forgotten: number;
  readonly figureOf: (view: LessonView) => number;
}

/** A fault that is one of the hidden troubles, and stays with the machine or the editor while nothing is done about it. */
const lastingTrouble = (id: TroubleId, of: Lesson['of']): LessonDefinition => ({
  of,
  isSwitch: true,
  isFault: true,
  forgotten: 0.2,
  figureOf: ({ state }) => (state.hidden.troubles[id] > 0 ? 1 : 0),
});

const at = (values: Float64Array, { index }: LessonView): number => values[index] as number;

const definitions = {
  // What was wrong and was left so comes first, for whoever reads.
  'slows-with-heat': lastingTrouble('heat', ['processor']),
  'is-held-back': lastingTrouble('power', ['processor']),
  'hardware-decoding-is-unsound': lastingTrouble('hardwareDecode', ['graphics', 'editor']),
  'graphics-drawing-is-unsound': lastingTrouble('graphicsDrawing', ['graphics', 'editor']),
  'slower-graphics-draw': {
    of: ['graphics', 'editor'],
    isSwitch: true,
    isFault: true,
    forgotten: 0.2,
    figureOf: ({ state }) => (state.hidden.isOnSlowGraphics ? 1 : 0),
  },
  'drive-is-slowed': lastingTrouble('drive', ['drives']),
  'system-drive-is-full': lastingTrouble('systemDrive', ['drives']),
  'cache-is-slow': lastingTrouble('cache', ['drives', 'editor']),
  'software-is-stale': lastingTrouble('software', ['editor']),
  'something-unexplained': lastingTrouble('unexplained', ['editor']),
  /** Reference milliseconds that all threads together decode in one. */
  'decode-rate': {
    of: ['processor', 'editor'],
    isSwitch: false,
    forgotten: 0.5,
    figureOf: (view) => {
      const { coefficients: c, samples } = view;
      const gain = threadGainOf(at(samples.decodeThreadCount, view), c.coreCount);
      return (c.coreSpeedRatio * at(samples.coreSpeedFactor, view) * gain) / at(samples.decodeFactor, view);
    },
  },
  'hardware-decode-rate': {
    of: ['graphics'],
    isSwitch: false,
    forgotten: 0.3,
    figureOf: (view) => at(view.samples.hardwareDecodeFactor, view),
  },
  'drive-rate': {
    of: ['drives'],
    isSwitch: false,
    forgotten: 0.1,
    figureOf: (view) => at(view.samples.driveFactor, view),
  },
  'one-decode-thread': {
    of: ['editor'],
    isSwitch: true,
    forgotten: 0.5,
    figureOf: (view) => (at(view.samples.decodeThreadCount, view) < 1.5 ? 1 : 0),
  },
  'works-in-turn': {
    of: ['editor'],
    isSwitch: true,
    forgotten: 0.5,
    figureOf: (view) => (at(view.samples.overlapRatio, view) < 0.5 ? 1 : 0),
  },
  'computes-first': {
    of: ['editor'],
    isSwitch: true,
    forgotten: 0.3,
    figureOf: (view) => (at(view.samples.playsByRank, view) < view.coefficients.computesFirstProbability ? 1 : 0),
  },
  'decodes-in-hardware': {
    of: ['graphics', 'editor'],
    isSwitch: true,
    forgotten: 0.2,
    figureOf: (view) =>
      at(view.samples.hardwareDecodeRank, view) < view.coefficients.hardwareDecodeProbability ? 1 : 0,
  },
  'draws-on-graphics': {
    of: ['graphics', 'editor'],
    isSwitch: true,
    forgotten: 0.2,
    figureOf: (view) =>
      at(view.samples.graphicsDrawingRank, view) < view.coefficients.graphicsDrawingProbability ? 1 : 0,
  },
  'blends-with-nothing': {
    of: ['editor'],
    isSwitch: true,
    forgotten: 0.3,
    figureOf: (view) => (at(view.samples.idleBlendRank, view) < view.coefficients.idleBlendProbability ? 1 : 0),
  },
  'shows-proxies-at-low-quality': {
    of: ['editor'],
    isSwitch: true,
    forgotten: 0.3,
    figureOf: ({ state }) => (state.hidden.proxiesUpToRatio < 1 ? 1 : 0),
  },
} as const satisfies Readonly<Record<string, LessonDefinition>>;

/** Lessons of the drive that the footage lies on. */
const ofFootageDrive: readonly string[] = ['drive-rate', 'drive-is-slowed'] satisfies readonly LessonId[];
export const isOfFootageDrive = (id: string): boolean => ofFootageDrive.includes(id);

export type LessonId = keyof typeof definitions;
export const lessonIds = Object.keys(definitions) as readonly LessonId[];

const isLessonId = (id: string): id is LessonId => Object.hasOwn(definitions, id);

/** What kind of thing a lesson is about; null for one that nobody knows any more, or whose bins do not fit. */
export function lessonKindOf({
  id,
  edges,
  before,
  after,
}: Omit<Lesson, 'of' | 'from' | 'about'>): { readonly id: LessonId; readonly isSwitch: boolean } | null {
  if (!isLessonId(id) || before.length !== edges.length + 1 || after.length !== before.length) return null;
  const { isSwitch } = definitions[id];
  return isSwitch === (edges.length === 1) ? { id, isSwitch } : null;
}

/** The definition of a lesson. */
export const findLesson = (id: LessonId): LessonDefinition => definitions[id];

/** The bin of a value: the first edge that it lies below. */
export function binOf(edges: readonly number[], value: number): number {
  const at = edges.findIndex((edge) => value < edge);
  return at < 0 ? edges.length : at;
}

/** What a lesson on a drive is about: that of the footage, where all of it lies on one; else it is told of none. */
export const driveOfLessons = (card: JobCard): string | null =>
  card.clips.every(({ drive }) => drive === null || drive === card.machine.footageDrive.value)
    ? card.machine.footageDrive.value
    : null;

/** The middle of what is spread over bins; within one, evenly in logarithms, and an open bin is as wide as its neighbour. */
function middleOf(edges: readonly number[], masses: readonly number[]): number {
  let sum = 0;
  for (const [bin, mass] of masses.entries()) {
    if (sum + mass >= 0.5 || bin === edges.length) {
      const low = edges[bin - 1] ?? (edges[0] as number) ** 2 / (edges[1] as number);
      const high = edges[bin] ?? (edges.at(-1) as number) ** 2 / (edges.at(-2) as number);
      return low * (high / low) ** Math.min(1, mass > 0 ? (0.5 - sum) / mass : 0.5);
    }
    sum += mass;
  }
  throw new Error('middleOf: no bins');
}

/** How many times as large a figure was found as it is estimated, by the middle of what is likely. */
export const learnedRatio = ({ edges, before, after }: Lesson): number =>
  middleOf(edges, after) / middleOf(edges, before);

/** How many times likelier each bin is by what was learned, what may have changed since mixed in. */
export const likelihoodsOf = ({ before, after }: Lesson, forgottenRatio: number): readonly number[] =>
  before.map((mass, i) => (1 - forgottenRatio) * ((after[i] ?? 0) / Math.max(1e-3, mass)) + forgottenRatio);

/** What was learned on cards before this one, each as a thing that is known. A lesson that nobody knows any more says nothing. */
export function listLessonEvidence(card: JobCard): readonly Evidence[] {
  const drive = driveOfLessons(card);
  return card.lessons.flatMap((lesson) => {
    const { about, edges } = lesson;
    const id = lessonKindOf(lesson)?.id;
    if (id === undefined || (isOfFootageDrive(id) && about !== drive)) return [];
    const { figureOf, forgotten: forgottenRatio }: LessonDefinition = definitions[id];
    const logs = likelihoodsOf(lesson, forgottenRatio).map((likelihood) => Math.log(likelihood));
    const compiled = new WeakMap<SetupState, Coefficients>();
    return [
      {
        key: ` lesson ${id}`,
        fixes: [],
        source: { kind: 'lessons' as const },
        extent: 'playing' as const,
        addTo: (into, { state, samples }, count) => {
          const coefficients = compiled.get(state) ?? compile(state, 'heaviest');
          compiled.set(state, coefficients);
          const view = { state, coefficients, samples, index: 0 };
          for (; view.index < count; view.index++)
            into[view.index] = (into[view.index] as number) + (logs[binOf(edges, figureOf(view))] as number);
        },
      } satisfies Evidence,
    ];
  });
}
