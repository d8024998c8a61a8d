// Runs pairs of cases on one machine and prints one JSON line each:
// `tsx bench/diagnosis/run-seconds.ts FIRST LAST STEP`. The second film of a pair has other faults beside those that the first
// left as they were, and is gone about with what the first taught and without it: in the same editor, in another one that the
// person names, and in another one of which nothing is said.
import { drawLessons, inferPosterior } from '@/core/belief';
import type { JobCard } from '@/core/card';
import type { Rig } from '@/core/simulate';
import { createCase, hasLastingFault, type PracticeCase } from '@/core/simulate/cases';
import { findCure, runLoop } from './ways';

const [first = 1, last = 1, step = 1] = process.argv.slice(2).map(Number);

/** Seeds of second films lie far from those of first ones. */
const secondSeed = 500_000;

function goAbout(practice: PracticeCase, lessons: JobCard['lessons']) {
  const { ending, namedAtOnce, named } = runLoop({ ...practice, card: { ...practice.card, lessons } });
  const isTrue = (id: string | undefined): boolean => practice.equalCauseIds.some((equal) => equal === id);
  return {
    ...ending,
    isNamedAtOnce: isTrue(namedAtOnce[0]?.id),
    /** How likely the true cause is held before anything is advised: the likeliest, where several are as true. */
    chanceAtOnce: Math.max(0, ...namedAtOnce.filter(({ id }) => isTrue(id)).map(({ probability }) => probability)),
    isNamedFirst: isTrue(named[0]?.id),
  };
}

/** Whether the first film ended with something of machine or editor not put right: somebody may work around it. */
const isLeftWrong = ({ sound }: PracticeCase, left: Rig): boolean =>
  hasLastingFault(left) ||
  (sound.isDecodingOnGraphics && !left.isDecodingOnGraphics) ||
  (sound.isDrawingOnGraphics && !left.isDrawingOnGraphics);

for (let seed = first; seed <= last; seed += step) {
  const of = createCase(seed);
  const { card, left } = runLoop(of);
  const lessons = drawLessons(card, inferPosterior(card));
  const ofMachine = lessons.filter((lesson) => !lesson.of.includes('editor'));
  const [same, another] = [false, true].map((isEditorAnother) => {
    const second = createCase(secondSeed + seed, { of, left, isEditorAnother });
    // The machine is known from the first card as it is there.
    const known = { ...second, card: { ...second.card, machine: of.card.machine } };
    return { known, isCurable: findCure(known) !== null, without: goAbout(known, []) };
  });
  if (!same || !another) throw new Error('run-seconds: no second case');
  console.log(
    JSON.stringify({
      seed,
      lessons: lessons.map(({ id }) => id),
      isLeftWrong: isLeftWrong(of, left),
      same: { isCurable: same.isCurable, without: same.without, with: goAbout(same.known, lessons) },
      anotherNamed: { isCurable: another.isCurable, without: another.without, with: goAbout(another.known, ofMachine) },
      anotherUnsaid: { isCurable: another.isCurable, without: another.without, with: goAbout(another.known, lessons) },
    }),
  );
}
