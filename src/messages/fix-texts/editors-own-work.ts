import type { FixText } from './types';

export const editorsOwnWorkTexts = {
  'close-source-panels': {
    steps: () => [
      'Close the viewer for single clips, the scopes, and panels for cropping or animation.',
      'Leave only the timeline’s viewer open.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the window menu, or the cross of the panel.',
    check: 'Only one moving picture is on the screen.',
    cost: 'the second viewer and the scopes',
    putBack: null,
  },
  'unlink-panel-while-timing': {
    steps: () => [
      'Find the link between the timeline and the second viewer.',
      'Switch it off while you work on timing.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a small link or lock at the second viewer.',
    check: 'The second viewer stands still while the timeline plays.',
    cost: 'seeing the original beside the cut',
    putBack: {
      what: 'Second viewer: let it follow again',
      why: 'Comparing with the original needs it.',
      seen: 'Its picture moves with the playhead again.',
    },
  },
  'stop-thumbnails': {
    steps: () => [
      'Switch off pictures on clips, in the timeline and the media list.',
      'Switch off wave forms that you do not need.',
      'Open the project again, or play the same stretch.',
    ],
    where: 'Usually in the view menu of the timeline and the media list.',
    check: 'Clips show names, not pictures.',
    cost: 'pictures on the clips',
    putBack: null,
  },
  'keep-media-open': {
    steps: () => [
      'Find out whether your editor lets go of its files while you are in another program.',
      'Choose to keep them open.',
      'Play over a few cuts.',
    ],
    where: 'Usually in the settings under playback, performance or media.',
    check: 'Cuts play without a stop after the first time.',
    cost: 'a little memory',
    putBack: null,
  },
  'let-builds-finish': {
    steps: () => [
      'Look for a progress mark: previews, index, proxies, analysis.',
      'Leave the machine alone until it is done.',
      'Then play the same stretch.',
    ],
    where: 'Usually a small bar or a list of tasks in the editor’s frame.',
    check: 'The progress mark is gone, and the processor rests when nothing plays.',
    cost: 'the wait',
    putBack: null,
  },
  'prerender-range': {
    steps: () => [
      'Mark the range that lags.',
      'Have the editor render it for preview, and wait.',
      'Play it: until you change something there, it plays from the rendered file.',
    ],
    where: 'Usually in the timeline’s or sequence’s menu.',
    check: 'A line over the timeline changes along the range.',
    cost: 'the wait, again after every change there',
    putBack: {
      what: 'Delete pre-rendered files, and render from the originals',
      why: 'Some editors put the preview’s files into the film.',
      seen: 'The editor’s list of rendered files is empty.',
    },
  },
  'prerender-when-idle': {
    steps: () => [
      'Find rendering in the background or when idle.',
      'Switch it on, starting after a few seconds.',
      'Take a break of some minutes, then play.',
    ],
    where: 'Usually in the playback settings.',
    check: 'The line over the timeline changes while you pause.',
    cost: 'the wait after changes, disk space and some noise',
    putBack: {
      what: 'Background rendering: off, and its files deleted',
      why: 'It goes on working while you export.',
      seen: 'Its progress mark stays away for a minute of idling.',
    },
  },
} as const satisfies Readonly<Record<string, FixText>>;
