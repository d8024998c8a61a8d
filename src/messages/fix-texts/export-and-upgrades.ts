import type { FixText } from './types';

export const exportAndUpgradesTexts = {
  'render-in-parts': {
    steps: () => ['Export the film in a few pieces.', 'Join them without encoding again.', 'Check the joins.'],
    where: 'The export window, with marks for in and out.',
    check: 'Each part is done before the machine gets hot or runs out.',
    cost: 'some handwork at the end',
    putBack: null,
  },
  'faster-export-settings': {
    steps: () => [
      'Choose encoding by the graphics, or a faster preset.',
      'Leave size and rate as they are delivered.',
      'Export half a minute and look at it.',
    ],
    where: 'The export window.',
    check: 'The time shown for the export falls.',
    cost: 'a somewhat larger file',
    putBack: null,
  },
  'upgrade-drive': {
    steps: () => [
      'Look for one that reads at least 500 MB a second.',
      'Inside is best; outside, by the quickest port that you have.',
      'Put footage and cache on it.',
    ],
    where: 'Any computer shop.',
    check: 'Copying a large file runs at the stated speed.',
    cost: 'money',
    putBack: null,
  },
  'upgrade-memory': {
    steps: () => [
      'Find out whether the machine can take more.',
      'Twice what you have is a good step.',
      'Let a shop put it in if it is not made to be opened.',
    ],
    where: 'The machine’s papers name the kind.',
    check: 'The system shows the larger amount.',
    cost: 'money',
    putBack: null,
  },
  'upgrade-graphics': {
    steps: () => [
      'Look for graphics that decode what your camera records.',
      'Check that the power supply and the case can take it.',
      'For most laptops it means another machine.',
    ],
    where: 'The machine’s papers, and the list of formats of the graphics’ maker.',
    check: 'The system names the new graphics.',
    cost: 'money',
    putBack: null,
  },
} as const satisfies Readonly<Record<string, FixText>>;
