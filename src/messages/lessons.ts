import { type LessonId, learnedRatio, lessonKindOf } from '@/core/belief';
import type { Lesson } from '@/core/card';
import { causeTitles } from './cause-titles';
import { formatChance } from './diagnosis';
import { formatRate } from './format';

/**
 * Of a yes and a no, the sentence for each; of a figure, what stands before "1.3 times", and after it; of a fault, the
 * sentence for its being there: that it was not is no lesson.
 */
const lessonTexts: Readonly<Record<LessonId, readonly [string, string?]>> = {
  'decode-rate': ['Decoding runs at', 'the estimated rate'],
  'hardware-decode-rate': ['The graphics decode at', 'the estimated rate'],
  'drive-rate': ['The footage’s drive reads at', 'the estimated rate'],
  // Cards that were begun before faults were told of only where they are have it both ways.
  'slows-with-heat': ['The machine slows down as it gets warm', 'The machine keeps its speed when it is warm'],
  'is-held-back': [causeTitles['power-or-heat']],
  'hardware-decoding-is-unsound': [causeTitles['hardware-decode-unreliable']],
  'graphics-drawing-is-unsound': [causeTitles['graphics-drawing-unreliable']],
  'slower-graphics-draw': [causeTitles['wrong-graphics']],
  'drive-is-slowed': ['Something slows the footage’s drive down'],
  'system-drive-is-full': [causeTitles['system-drive-full']],
  'cache-is-slow': [causeTitles['cache-misplaced']],
  'software-is-stale': [causeTitles['software-stale']],
  'something-unexplained': ['Something costs time that nothing here explains'],
  'one-decode-thread': ['Your editor decodes with one thread', 'Your editor decodes with several threads'],
  'works-in-turn': [
    'Your editor does one thing after another',
    'Your editor reads, decodes and draws at the same time',
  ],
  'computes-first': ['Your editor computes pictures first, then plays them', 'Your editor plays while it computes'],
  'decodes-in-hardware': ['Your editor decodes with the graphics', 'Your editor decodes with the processor alone'],
  'draws-on-graphics': ['Your editor draws with the graphics', 'Your editor draws with the processor'],
  'blends-with-nothing': ['Your editor blends even a single picture', 'Your editor leaves a single picture unblended'],
  'shows-proxies-at-low-quality': [
    'Your editor shows proxies at a lower quality only',
    'Your editor shows proxies at any quality',
  ],
};

/** Beyond this a yes or no is said without its chance. */
const surelySaid = 0.95;

/** What an earlier card taught, as a sentence without its full stop. */
export function describeLesson(lesson: Lesson): string {
  const kind = lessonKindOf(lesson);
  if (kind === null) return 'Something that this Oil Can does not know';
  const [first, second] = lessonTexts[kind.id];
  if (!kind.isSwitch) {
    const times = formatRate(learnedRatio(lesson));
    return times === '1' ? `${first} ${second}` : `${first} ${times} times ${second}`;
  }
  const [was = 0, yes = 0] = [lesson.before[1], lesson.after[1]];
  // What became likelier is told, likely or not.
  const [text, chance] = yes > was || second === undefined ? [first, yes] : [second, 1 - yes];
  return chance >= surelySaid ? text : `${text}, ${formatChance(chance)}`;
}
