import { type CauseEvidence, findQuestion } from '@/core/belief';
import { areSameFixes, type FixUse, type JobCard, type Reading, rateUnder } from '@/core/card';
import type { FixId } from '@/core/fixes';
import { type DecodeTest, decodedFpsOf } from '@/core/test-play';
import { playFeelTexts } from './editor';
import { fixTitle } from './fix-titles';
import { formatFpsRange, formatRate, joinLabels } from './format';
import { lagMomentTexts } from './interview';
import { questionTexts } from './questions';
import { describeFileRead } from './test-play';

interface Meaning {
  readonly same: string;
  readonly raised: string;
}

const ofPixels: Meaning = {
  same: 'the time is spent before the picture is made smaller',
  raised: 'the time is spent on the pixels of the preview',
};
const ofShownProxies: Meaning = {
  same: 'either they are still not shown, or the footage is not what takes the time',
  raised: 'the originals were decoded until now',
};

/** What it says where a fix leaves the rate as it was, and where it raises it. */
const meanings: Readonly<Partial<Record<FixId, Meaning>>> = {
  'lower-preview-quality': ofPixels,
  'smaller-preview-height': ofPixels,
  'bypass-effects': { same: 'the effects are not what takes the time', raised: 'the effects take the time' },
  'solo-track': { same: 'the other tracks are not what takes the time', raised: 'the other tracks take the time' },
  'weaken-effects': {
    same: 'the strong effects are not what takes the time',
    raised: 'the strong effects take the time',
  },
  'stop-blending': { same: 'blending is not what takes the time', raised: 'blending takes the time' },
  'make-proxies': {
    same: 'either the proxies are not shown, or the footage is not what takes the time',
    raised: 'reading and decoding the originals took the time',
  },
  'show-proxies': ofShownProxies,
  'attach-proxies': ofShownProxies,
  'close-programs': { same: 'other programs were not in the way', raised: 'other programs were in the way' },
  'raise-power-mode': {
    same: 'the processor was not held back',
    raised: 'the processor was held back',
  },
  'turn-on-hardware-decode': {
    same: 'either it does not act, or decoding is not what takes the time',
    raised: 'the processor decoded what the graphics can',
  },
  'turn-off-hardware-decode': {
    same: 'the graphics’ decoder was not at fault',
    raised: 'the graphics’ decoder was slower than the processor',
  },
  'turn-on-graphics-drawing': {
    same: 'either it does not act, or drawing is not what takes the time',
    raised: 'the processor drew what the graphics can',
  },
  'turn-off-graphics-drawing': {
    same: 'drawing on the graphics was not at fault',
    raised: 'the graphics drew more slowly than the processor',
  },
  'close-source-panels': {
    same: 'no panel was in the way',
    raised: 'a panel decoded the originals once more',
  },
  'let-builds-finish': { same: 'nothing was being built', raised: 'the editor’s own building was in the way' },
  'move-media': { same: 'the drive is quick enough', raised: 'the drive was too slow' },
};

/** Two rates this near to each other are the same. */
const sameRatio = 1.1;

/** What a reading under some fixes was, held against the one before the last of them. */
function describeReading({ readings }: JobCard, fixes: readonly FixUse[], moment: Reading['moment']): string {
  const rate = rateUnder(readings, fixes, moment);
  const last = fixes.at(-1);
  if (rate === null) {
    const felt = readings.find((r) => r.moment === moment && areSameFixes(r.fixes, fixes))?.playFeel;
    const setup = last ? `With “${fixTitle(last.id, last.level).toLowerCase()}” it` : 'It';
    return felt ? `${setup} played: ${playFeelTexts[felt].toLowerCase()}.` : 'What you said of scrubbing and waiting.';
  }
  const read = formatRate(rate);
  if (!last) return `You read ${read} a second${moment === 'later' ? ' after a while' : ''}.`;
  const before = rateUnder(readings, fixes.slice(0, -1), moment);
  const title = fixTitle(last.id, last.level);
  if (before === null) return `${title}: you read ${read} a second.`;
  const meaning = meanings[last.id as FixId];
  const ratio = Math.max(rate, 0.1) / Math.max(before, 0.1);
  if (ratio >= sameRatio)
    return `${title}: the rate rose from ${formatRate(before)} to ${read}${meaning ? `, so ${meaning.raised}` : ''}.`;
  if (ratio <= 1 / sameRatio) return `${title}: the rate fell from ${formatRate(before)} to ${read}.`;
  return `${title}: the rate stayed at ${read}${meaning ? `, so ${meaning.same}` : ''}.`;
}

/** What a test-play found, against what the estimate had said of the processor. */
function describeTestPlayEvidence(test: DecodeTest): string {
  const software = decodedFpsOf(test, 'software');
  const read = test.fileRead ? ` ${describeFileRead(test.fileRead)}` : '';
  if (software === null) return `Oil Can ${test.fileRead ? 'read' : 'played'} ${test.fileName} here.${read}`;
  const found = `Oil Can played ${test.fileName} here: ${formatRate(software)} frames a second by the processor alone`;
  return `${test.estimatedFps > 0 ? `${found}, ${formatRate(test.estimatedFps)} were estimated.` : `${found}.`}${read}`;
}

/** One thing that is known and speaks for or against a cause, as a sentence. */
export function describeEvidence({ source, expected }: CauseEvidence, card: JobCard): string {
  switch (source.kind) {
    case 'readings': {
      const read = describeReading(card, source.fixes, source.moment);
      if (!expected) return read;
      const [present, absent] = [formatFpsRange(expected.present), formatFpsRange(expected.absent)];
      if (present === absent) return read;
      return `${read} With this cause ${present} was to be expected, without it ${absent}.`;
    }
    case 'answer': {
      const text = findQuestion(source.questionId)
        ? questionTexts[source.questionId as keyof typeof questionTexts]
        : null;
      return text
        ? `${text.question} You answered: ${text.answers[source.answer] ?? source.answer}.`
        : 'An answer of yours.';
    }
    case 'test-play': {
      const test = card.decodeTests.find(({ id }) => id === source.testId);
      return test ? describeTestPlayEvidence(test) : 'A test-play on this machine.';
    }
    case 'complaint':
      return `You complain of: ${card.symptoms.moments.map((id) => lagMomentTexts[id].toLowerCase()).join('; ')}.`;
    case 'contrast':
      return `You say that it lags only with ${source.without}.`;
    case 'lessons':
      return `Learned on ${joinLabels([...new Set(card.lessons.map(({ from }) => `“${from}”`))], ' and ')}, on this machine and in this editor.`;
    default:
      return source satisfies never;
  }
}

/** How strongly a thing speaks, in words. */
export function describeWeight(logFactor: number): string {
  const weight = Math.abs(logFactor);
  return weight >= 2.3 ? 'strongly' : weight >= 0.9 ? 'clearly' : 'a little';
}

/** How a reading lies to what was expected of it. */
export function describeExpectation(
  readFps: number,
  expected: { readonly low: number; readonly high: number },
): string {
  if (readFps < expected.low * 0.93) return 'slower than expected';
  if (readFps > expected.high * 1.07) return 'faster than expected';
  return 'as expected';
}
