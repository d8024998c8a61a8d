import type { FixText } from './types';

export const wayOfWorkingTexts = {
  'import-less': {
    steps: () => [
      'Save a copy of the project.',
      'Remove clips that are on no timeline from the media list, not from the drive.',
      'Keep the rest in folders, with few of them open: pictures are made of what is shown.',
    ],
    where: 'The media list; many editors can select what is unused.',
    check: 'The media list is shorter, and the project opens sooner.',
    cost: 'having those clips at hand',
    putBack: null,
  },
  'trim-first': {
    steps: () => [
      'Cut the film roughly before adding effects, and leave out takes at once.',
      'Finish and pre-render the heaviest piece first: all that comes after is lighter.',
      'Only then add layers.',
    ],
    where: 'A way of working, not a setting.',
    check: 'The timeline is shorter before effects go on.',
    cost: 'nothing',
    putBack: null,
  },
  'effects-last': {
    steps: () => [
      'Take effects off, or switch them off, until the cut stands.',
      'Cut the whole film without them.',
      'Switch them on for the last pass.',
    ],
    where: 'A way of working; effects can usually be copied from clip to clip later.',
    check: 'The timeline plays as raw footage while you cut.',
    cost: 'the look, until the cut stands',
    putBack: {
      what: 'Effects: switch them on for the last pass',
      why: 'A film exported without them looks like raw footage.',
      seen: 'The graded picture shows from the first clip to the last.',
    },
  },
  'share-one-effect': {
    steps: () => [
      'Take the same effect off the single clips.',
      'Put it once on a layer over them, or on the whole track.',
      'Compare one place before and after.',
    ],
    where: 'Usually called an effect or adjustment layer, or the track’s own effects.',
    check: 'The picture is the same, and the effect stands once.',
    cost: 'setting the effect clip by clip',
    putBack: null,
  },
  'split-timeline': {
    steps: () => [
      'Save a copy of the project.',
      'Make one project or timeline for each part of the film.',
      'Join the finished parts at the end.',
    ],
    where: 'Usually by copying the timeline and deleting the rest.',
    check: 'Each part opens sooner and takes less memory.',
    cost: 'seeing the whole film at once',
    putBack: {
      what: 'Join the parts again',
      why: 'The film is exported whole.',
      seen: 'One timeline plays from the first title to the last.',
    },
  },
  'bake-section': {
    steps: () => [
      'Export the finished section at full quality, in an editing codec.',
      'Put the file over the section and switch the clips below off.',
      'Keep the clips: they are needed if anything changes.',
    ],
    where: 'The export window, then the timeline.',
    check: 'The section plays as one clip.',
    cost: 'changing that section without baking again',
    putBack: {
      what: 'Take the baked file off and switch the clips on',
      why: 'Baking twice loses quality.',
      seen: 'The single clips and their effects show on the timeline.',
    },
  },
} as const satisfies Readonly<Record<string, FixText>>;
