import type { FilmStage, FirstThingId, LagKind, LagMoment, ScrubFeel } from '@/core/card';

interface QuestionText {
  readonly question: string;
  readonly why: string;
}

/** The first things, as questions. */
export const firstThingTexts: Readonly<Record<FirstThingId, QuestionText>> = {
  saved: { question: 'Is the project saved?', why: 'Some fixes restart the editor.' },
  autosave: { question: 'Is the editor’s own autosave on?', why: 'If a trial goes wrong, little is lost.' },
  restarted: {
    question: 'Has the computer been restarted since it began to lag?',
    why: 'A restart clears memory and ends builds that got stuck.',
  },
  'up-to-date': {
    question: 'Are editor, system, graphics driver and firmware up to date?',
    why: 'Faulty drivers are a common cause, and look like a slow machine.',
  },
  'meets-minimum': {
    question: 'Does the computer meet the minimum that the editor’s maker states?',
    why: 'Below it, no setting will make up for what is missing.',
  },
};

/** How far the film is. */
export const filmStageTexts: Readonly<Record<FilmStage, string>> = {
  cutting: 'I am still cutting',
  finishing: 'Sections are finished',
  unknown: 'Don’t know',
};

/** When it lags. */
export const lagMomentTexts: Readonly<Record<LagMoment, string>> = {
  playing: 'In plain playback',
  scrubbing: 'When scrubbing (dragging the playhead)',
  'with-effects': 'Only where there are effects',
  'with-layers': 'Only where there are layers or titles',
  'at-opening': 'When opening the project',
  'switching-programs': 'When coming back from another program',
  'after-a-while': 'Only after a while',
  'at-cuts': 'Only at cuts and transitions',
  'looking-through-clips': 'When looking through clips',
  'waiting-for-the-picture': 'It computes first, and I wait before it plays',
};

/** How it lags. */
export const lagKindTexts: Readonly<Record<LagKind, string>> = {
  slow: 'Slow',
  jumpy: 'Jumpy',
  frozen: 'Freezes',
  'out-of-step': 'Out of step with the sound',
  crashing: 'Crashes',
  'will-not-open': 'The project will not open',
  'black-picture': 'The picture is black',
  'sound-apart-from-start': 'Sound is off by the same amount throughout',
  'export-slow': 'Only the export is slow',
};

/** How scrubbing feels. */
export const scrubFeelTexts: Readonly<Record<ScrubFeel, { readonly label: string; readonly what: string }>> = {
  fine: { label: 'Fine', what: 'the picture follows the hand' },
  jumpy: { label: 'Jumpy', what: 'it follows with gaps' },
  unusable: { label: 'Unusable', what: 'it waits a second or more' },
};
