import { fixesInForce } from '../card/fixes-in-force';
import type { JobCard, Lesson } from '../card/types';
import { applyFixes } from '../fixes/apply-fixes';
import { compile } from '../load/compile';
import { drawParameterSamples } from '../load/parameter-samples';
import { percentileOfSorted } from '../numbers/percentile';
import { baseStateOf, priorFactsOf } from './card-state';
import { listSingles } from './hypotheses';
import {
  binOf,
  driveOfLessons,
  findLesson,
  isOfFootageDrive,
  type LessonDefinition,
  type LessonView,
  lessonIds,
} from './lessons';
import type { Belief } from './posterior';

/** Figures fall into so many bins, each as likely as the next before anything is known. */
const binCount = 10;
/** Draws of what is held likely before anything is known: of figures, and of what is on under each fault. */
const priorCount = { ofFigures: 512, ofSwitches: 128 } as const;
/** A lesson that tells less than this, in bits, is none. */
const leastBits = 0.12;

interface WeighedView {
  readonly view: Omit<LessonView, 'index'>;
  readonly count: number;
  readonly weight: number;
}

function massesOf(views: readonly WeighedView[], edges: readonly number[], { figureOf }: LessonDefinition): number[] {
  const masses = new Array<number>(edges.length + 1).fill(0);
  for (const { view, count, weight } of views) {
    const sample = { ...view, index: 0 };
    for (; sample.index < count; sample.index++) {
      const bin = binOf(edges, figureOf(sample));
      masses[bin] = (masses[bin] as number) + weight / count;
    }
  }
  return masses;
}

/** How much a belief took away of what was open, in bits (relative entropy). */
const bitsBetween = (before: readonly number[], after: readonly number[]): number =>
  after.reduce(
    (sum, mass, i) => sum + (mass > 0 ? mass * Math.log2(mass / Math.max(1e-6, before[i] as number)) : 0),
    0,
  );

const rounded = (mass: number): number => Math.round(mass * 1e4) / 1e4;

/** Between bins that are each as likely as the next before anything is known. */
function edgesOf({ view, count }: WeighedView, { figureOf }: LessonDefinition): readonly number[] {
  const figures = Array.from({ length: count }, (_, index) => figureOf({ ...view, index })).sort((a, b) => a - b);
  return Array.from({ length: binCount - 1 }, (_, k) => percentileOfSorted(figures, (k + 1) / binCount));
}

/**
 * What a card taught of the machine and the editor, for the next card on them: how likely each bin of a figure was before
 * anything was known, and how likely it is now. As they are with the fixes in force, because those stay.
 */
export function drawLessons(card: JobCard, belief: Belief): readonly Lesson[] {
  const base = baseStateOf(card);
  const { machine } = base.setup;
  const singles = listSingles(base, priorFactsOf(card));
  const total = singles.reduce((sum, { odds }) => sum + odds, 0);
  const [samples, count] = [drawParameterSamples(priorCount.ofSwitches, machine), priorCount.ofSwitches];
  const supposed: readonly WeighedView[] = singles.map(({ state, odds }) => ({
    view: { state, coefficients: compile(state, 'heaviest'), samples },
    count,
    weight: odds / total,
  }));
  const sound: WeighedView = {
    view: {
      state: base,
      coefficients: compile(base, 'heaviest'),
      samples: drawParameterSamples(priorCount.ofFigures, machine),
    },
    count: priorCount.ofFigures,
    weight: 1,
  };
  const inForce = fixesInForce(card);
  const after: readonly WeighedView[] = belief.components.map(({ hypothesis, samples: own, count, weight }) => {
    const state = applyFixes(hypothesis.state, inForce);
    // The machine's figures do not go by fixes; whether something is switched on does.
    return { view: { state, coefficients: compile(state, 'heaviest'), samples: own }, count, weight };
  });
  const drive = driveOfLessons(card);
  return lessonIds.flatMap((id) => {
    const definition = findLesson(id);
    const about = isOfFootageDrive(id) ? drive : '';
    if (about === null) return [];
    // No fault changes a figure; whether something is on goes by what is supposed.
    const before = definition.isSwitch ? supposed : [sound];
    const edges = definition.isSwitch ? [0.5] : edgesOf(sound, definition);
    const masses = { before: massesOf(before, edges, definition), after: massesOf(after, edges, definition) };
    if (bitsBetween(masses.before, masses.after) < leastBits) return [];
    const [was = 0, is = 0] = [masses.before[1], masses.after[1]];
    if (definition.isFault && is <= was) return [];
    return [
      {
        id,
        of: definition.of,
        from: card.title,
        about,
        edges: edges.map((edge) => Number(edge.toPrecision(4))),
        before: masses.before.map(rounded),
        after: masses.after.map(rounded),
      },
    ];
  });
}
