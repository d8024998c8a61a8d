import type { QuestionId } from '@/core/belief';
import { lagKinds } from '@/core/card';
import { openQuestionIds, sideQuestionId, testPlayId } from '@/core/diagnose';
import { sideTexts } from './diagnosis';
import { testPlayLook } from './test-play';

interface QuestionText {
  readonly question: string;
  /** How to find out, in a sentence. */
  readonly how: string;
  readonly answers: Readonly<Record<string, string>>;
}

const yesNo = { yes: 'Yes', no: 'No' } as const;
const monitor = 'Windows: Task Manager. macOS: Activity Monitor. Linux: the system monitor.';

/** Quick looks that tell causes apart. */
export const questionTexts: Readonly<Record<QuestionId, QuestionText>> = {
  'played-well-before': {
    question: 'Has a film like this one ever played well on this machine?',
    how: 'The same editor, with about as heavy clips, effects and layers. If it did, something has changed since.',
    answers: {
      'used-to': 'Yes, it used to',
      never: 'No, such films always lagged',
      'first-one': 'This is my first of the kind',
    },
  },
  'plain-player': {
    question: 'Does one of the heavy clips play smoothly in a plain player on this machine?',
    how: 'Open the original file with the system’s own video player, with the editor closed.',
    answers: yesNo,
  },
  'core-use': {
    question: 'How busy is the processor while the preview lags?',
    how: `${monitor} Look at the figure for the whole processor.`,
    answers: {
      'nearly-all': 'Nearly all of it',
      'half-or-more': 'Half or more',
      'less-than-half': 'Less than half',
    },
  },
  'editor-cores': {
    question: 'How much work does the editor itself do while it plays?',
    how: `${monitor} Find the editor in the list of programs. On macOS and Linux 100 % there is one core; on Windows divide 100 % by the number of cores.`,
    answers: {
      several: 'More than one core’s worth',
      'about-one': 'About one core',
      less: 'Clearly less than one core',
    },
  },
  'drive-busy': {
    question: 'Is the drive with the footage busy nearly all the time while you play?',
    how: `${monitor} Look at that drive’s activity, not at how full it is.`,
    answers: yesNo,
  },
  'other-programs': {
    question: 'Do other programs together take more than a fifth of the processor?',
    how: `${monitor} Sort by processor use and leave the editor out.`,
    answers: yesNo,
  },
  'recorder-runs': {
    question: 'Does anything record the screen or a call while you edit?',
    how: 'A recording, a stream, a meeting or a clip saver that runs all the time, as games bring along.',
    answers: yesNo,
  },
  'other-editor': {
    question: 'If you have another editor here: how do the same clips play in it?',
    how: 'A new project there, one heavy clip, no effects. Leave this one closed. Skip it if there is no other.',
    answers: { smoothly: 'Smoothly', 'small-hitches': 'With small hitches', lags: 'It lags clearly' },
  },
  'memory-full': {
    question: 'Is the memory full while the preview lags?',
    how: `${monitor} Full means nearly nothing free, with the drive busy.`,
    answers: yesNo,
  },
  'editor-at-limit': {
    question: 'Does the editor’s own memory stop at one amount, with memory left?',
    how: `${monitor} Look at the editor’s line while it lags, and at what is free.`,
    answers: yesNo,
  },
  'picture-stands': {
    question: 'Does the picture stand now and then, for half a second or longer, while it plays?',
    how: 'Watch half a minute of the part that lags. Count only what holds and then goes on, not an even stutter.',
    answers: yesNo,
  },
  'builds-shown': {
    question: 'Does the editor show that it is building something?',
    how: 'A small bar or a list of tasks: previews, index, wave forms, analysis.',
    answers: yesNo,
  },
  'settles-after-a-while': {
    question: 'Does it get better when you leave the project open for some minutes?',
    how: 'Open it, wait three minutes without touching anything, and play.',
    answers: yesNo,
  },
  'proxy-mark': {
    question: 'Does a mark say that proxies are shown?',
    how: 'On the clips or at the viewer. A lowered preview quality is another thing, even where it is called proxy.',
    answers: yesNo,
  },
  'source-panel': {
    question: 'Is a second viewer, a scope, or a panel for cropping or animation open while you play?',
    how: 'Look for another moving picture or moving graph beside the timeline’s viewer.',
    answers: yesNo,
  },
  'held-back': {
    question: 'Does the processor stay well below its stated speed while it lags?',
    how: `${monitor} Compare the present clock with the stated one; a fifth less counts.`,
    answers: yesNo,
  },
  'slower-when-warm': {
    question: 'Is it clearly slower after ten minutes of work than at the start?',
    how: 'Play the same stretch just after starting and once more when the machine is warm.',
    answers: yesNo,
  },
  'system-drive-room': {
    question: 'How full is the drive that the system is on?',
    how: 'Windows: Settings, System, Storage. macOS: System Settings, General, Storage. Linux: the disk usage tool.',
    answers: { 'nearly-full': 'Nearly full', enough: 'A tenth or more is free' },
  },
  'hardware-monitor': {
    question: 'Does the graphics’ video decoder work while a clip plays?',
    how: `${monitor} Look at the graphics’ page for “video decode”.`,
    answers: yesNo,
  },
  'graphics-monitor': {
    question: 'Do the graphics work while effects play?',
    how: `${monitor} Look at the graphics’ page while the timeline plays.`,
    answers: yesNo,
  },
  'which-graphics': {
    question: 'Which of the two graphics works while the timeline plays?',
    how: `${monitor} Both are listed; see whose figure rises.`,
    answers: { 'the-slower': 'The slower', 'the-faster': 'The faster' },
  },
  'graphics-memory-full': {
    question: 'Is the memory of the graphics full while it lags?',
    how: `${monitor} Look at the graphics’ page for memory in use.`,
    answers: yesNo,
  },
  'graphics-use': {
    question: 'How busy are the graphics while the preview lags?',
    how: `${monitor} Look at the graphics’ page for drawing, not for video decoding.`,
    answers: { 'nearly-all': 'Nearly all the time', some: 'Some of the time', 'hardly-any': 'Hardly at all' },
  },
  'clip-alone': {
    question: 'How does one of the heavy clips play by itself in the editor?',
    how: 'Put it on a new, empty timeline: nothing above it, no effects. Delete that timeline afterwards.',
    answers: { smoothly: 'Smoothly', 'small-hitches': 'With small hitches', lags: 'It lags clearly' },
  },
  'clip-with-effects': {
    question: 'How does one of the heavy clips play by itself, with its effects on it?',
    how: 'Copy it with its effects to a new, empty timeline: nothing above it, no titles. Delete that timeline afterwards.',
    answers: { smoothly: 'Smoothly', 'small-hitches': 'With small hitches', lags: 'It lags clearly' },
  },
  'file-copy': {
    question: 'How quickly does a large clip copy from its drive to another place?',
    how: 'Copy one file of a gigabyte or so and read the rate in the copy window. Delete the copy.',
    answers: {
      quick: 'Over 200 megabytes a second',
      usual: '60 to 200 megabytes a second',
      slow: 'Under 60 megabytes a second',
    },
  },
  'while-jumping': {
    question: 'While you jump about in the film, what is busiest?',
    how: 'Click here and there on the timeline for half a minute and watch the system’s monitor: the drive that the footage lies on, and the processor.',
    answers: { drive: 'The drive', processor: 'The processor', neither: 'Neither of them' },
  },
};

const notKnown = 'Don’t know';

const skippedTexts: Readonly<Record<string, string>> = {
  [openQuestionIds.moments]: 'When does it lag?',
  [openQuestionIds.kinds]: 'What do you see?',
  [openQuestionIds.reading]: 'A first reading',
  [testPlayId]: testPlayLook.refused,
};

/** A question that was answered or skipped, and the answer, in words. */
export function describeAnswer(
  questionId: string,
  answer: string,
): { readonly question: string; readonly given: string } {
  const text = questionId in questionTexts ? questionTexts[questionId as QuestionId] : null;
  if (text) return { question: text.question, given: text.answers[answer] ?? (answer === '' ? notKnown : answer) };
  const skipped = skippedTexts[questionId];
  if (skipped) return { question: skipped, given: questionId === testPlayId ? 'Not now' : notKnown };
  const kind = lagKinds.find((id) => sideQuestionId(id) === questionId);
  const side = kind ? sideTexts[kind] : undefined;
  return side
    ? { question: side.question, given: answer === 'yes' ? 'Yes' : answer === 'no' ? 'No' : notKnown }
    : { question: 'A question of a newer Oil Can', given: answer };
}
