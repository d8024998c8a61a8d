import { playsByOf } from '../card/derive-setup';
import { keyOfFixes } from '../card/fixes-in-force';
import { targetFpsOf } from '../card/target-fps';
import type { FixUse, JobCard } from '../card/types';
import { complaintOf, fillGaps, type Respect, respectsAsked } from '../usable';
import { usableRateRatio } from '../usable/limits';
import { listLessonEvidence } from './lessons';
import { readingSpread } from './likelihood';
import { findQuestion, type QuestionDefinition } from './questions';
import { listReadingEvidence, meteredStandMs } from './reading-evidence';
import { listTestPlayEvidence } from './test-play-evidence';
import { createGapWeigher, type Evidence, weighBounds, weighEach } from './weighing';

/** How often people complain of what is wrong, and of what is not; the worst is not overlooked. Assumptions. */
const complainChances: Readonly<Record<Respect, { readonly ofWrong: number; readonly ofRight: number }>> = {
  playing: { ofWrong: 0.9, ofRight: 0.06 },
  'in-time': { ofWrong: 0.9, ofRight: 0.06 },
  'every-picture': { ofWrong: 0.9, ofRight: 0.06 },
  scrubbing: { ofWrong: 0.65, ofRight: 0.08 },
  later: { ofWrong: 0.6, ofRight: 0.05 },
  opening: { ofWrong: 0.6, ofRight: 0.05 },
  looking: { ofWrong: 0.3, ofRight: 0.05 },
  cuts: { ofWrong: 0.3, ofRight: 0.05 },
  waiting: { ofWrong: 0.7, ofRight: 0.03 },
};

/** What complaining and not complaining say of each respect. */
function listOfComplaints(card: JobCard): readonly Evidence[] {
  if (card.symptoms.moments.length === 0) return [];
  const complaint = complaintOf(card);
  const weighers = respectsAsked(card).map((respect) => {
    const { ofWrong, ofRight } = complainChances[respect];
    const isNamed = complaint.includes(respect);
    const weigh = createGapWeigher((felt) => {
      const named = ofRight + (ofWrong - ofRight) * felt;
      return Math.log(isNamed ? named : 1 - named);
    });
    return { respect, weigh };
  });
  let [playing, gaps] = [new Float64Array(0), new Float64Array(0)];
  return [
    {
      key: ` complained of ${complaint.join()}`,
      fixes: [],
      source: { kind: 'complaint' },
      extent: 'all',
      addTo: (into, { state, out }, count) => {
        if (gaps.length < count) [playing, gaps] = [new Float64Array(count), new Float64Array(count)];
        fillGaps('playing', state, out, count, playing);
        for (const { respect, weigh } of weighers) {
          fillGaps(respect, state, out, count, gaps);
          for (let i = 0; i < count; i++) {
            const own = gaps[i] as number;
            // What is slow from the start is complained of as slow, not as slow later.
            into[i] = (into[i] as number) + weigh(respect === 'later' ? own - (playing[i] as number) : own);
          }
        }
      },
    },
  ];
}

/** "Only with effects", "only with layers": without them it was felt to be fine. */
function listOfContrasts(card: JobCard, targetFps: number): readonly Evidence[] {
  const { moments } = card.symptoms;
  if (moments.includes('playing')) return [];
  const fine = weighBounds(
    'shownFps',
    0.85 * usableRateRatio * targetFps,
    Number.POSITIVE_INFINITY,
    readingSpread.felt / 2,
  );
  const fineWithout = (what: 'effects' | 'layers', fix: FixUse): Evidence => ({
    key: ` fine without ${what}`,
    fixes: [fix],
    source: { kind: 'contrast', without: what },
    extent: 'playing',
    addTo: fine,
  });
  return [
    ...(moments.includes('with-effects') ? [fineWithout('effects', { id: 'bypass-effects', level: 'all' })] : []),
    ...(moments.includes('with-layers') ? [fineWithout('layers', { id: 'solo-track', level: null })] : []),
  ];
}

function listOfAnswers(card: JobCard): readonly Evidence[] {
  const complaint = complaintOf(card);
  return card.answers.flatMap(({ questionId, answer, fixes }) => {
    const question = findQuestion(questionId);
    const at = question?.answers.indexOf(answer) ?? -1;
    if (!question || at < 0) return [];
    return [
      {
        key: `${keyOfFixes(fixes)} ${questionId} ${answer}`,
        fixes,
        lookAt: question.lookAt,
        source: { kind: 'answer' as const, questionId, answer },
        extent: question.extent ?? 'all',
        addTo: weighEach((view) => Math.log(Math.max(1e-3, question.chances(view, complaint)[at] ?? 0))),
      },
    ];
  });
}

/**
 * Readings that tell of the timeline's preview: not of single clips, and not of a pass that an editor had computed
 * before and only played again.
 */
const readingsOfTimeline = (card: JobCard): JobCard['readings'] =>
  card.readings.filter(
    ({ viewer, pass }) => viewer !== 'clip' && !(playsByOf(card) === 'computing-first' && pass === 'repeat'),
  );

/** Whether the meter has seen what a question asks for, so that nobody need look. */
export const isMeteredOn = (card: JobCard, { isMetered }: QuestionDefinition): boolean =>
  isMetered === true && readingsOfTimeline(card).some((reading) => meteredStandMs(reading) !== null);

/** Everything on the card that speaks for or against a cause, in an order of its own. */
export function listEvidence(card: JobCard): readonly Evidence[] {
  const targetFps = targetFpsOf(card);
  const all = [
    ...listReadingEvidence(readingsOfTimeline(card), targetFps, complaintOf(card)),
    ...listOfComplaints(card),
    ...listOfContrasts(card, targetFps),
    ...listOfAnswers(card),
    ...listTestPlayEvidence(card),
    ...listLessonEvidence(card),
  ];
  return [...all].sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));
}
