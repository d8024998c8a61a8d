import type { FixText } from './types';

export const lookingWithLessTexts = {
  'lower-preview-quality': {
    steps: (level) => [
      `Set the preview quality of the timeline viewer to ${level ?? '1/4'} of full.`,
      'If your editor has one setting for playing and one for standing still, lower the one for playing.',
      'Play the same stretch as before.',
    ],
    where:
      'Usually a small menu at the lower edge of the viewer, or a right click on the picture. In some editors its button must first be added to the viewer’s bar.',
    check: 'Fine detail, such as hair or leaves, looks coarser while playing.',
    cost: 'sharpness while you edit',
    putBack: {
      what: 'Preview quality: back to full',
      why: 'Some editors render at the preview quality if it is left low.',
      seen: 'The viewer’s menu says full, and text in the picture is sharp at rest.',
    },
  },
  'smaller-preview-height': {
    steps: (level) => [
      `Set the preview height to ${level ?? 540} pixels, or the nearest that your editor offers.`,
      'Leave the size of the project or timeline as it is: only the preview should change.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the preview or playback part of the settings, or beside the preview quality.',
    check: 'The viewer fills the same place, and its picture is a little softer.',
    cost: 'sharpness, where the viewer is larger than that',
    putBack: {
      what: 'Preview height: back to the timeline’s own',
      why: 'Some editors render at the preview’s height if it is left small.',
      seen: 'The preview’s setting says the timeline’s own size.',
    },
  },
  'coarser-while-moving': {
    steps: () => [
      'Find the preview’s setting for moving or dragging.',
      'Choose a coarser picture for that alone.',
      'Drag the playhead over the same stretch.',
    ],
    where: 'Usually in the preview or playback part of the settings.',
    check: 'The picture is coarse while you drag, and sharp when you let go.',
    cost: 'sharpness while dragging',
    putBack: null,
  },
  'skip-late-frames': {
    steps: () => [
      'Find the setting for late or dropped frames.',
      'Choose to keep time and leave pictures out.',
      'Play the same stretch and listen: sound and picture stay together.',
    ],
    where: 'Usually in the preview or playback part of the settings.',
    check: 'Sound stays in step; some pictures are missing.',
    cost: 'every picture being seen',
    putBack: null,
  },
  'play-every-frame-slowly': {
    steps: () => [
      'Find the setting for late or dropped frames.',
      'Choose to play all of them.',
      'Play the stretch that you want to look at closely.',
    ],
    where: 'Usually in the preview or playback part of the settings.',
    check: 'No picture is missing; the sound drags or stops.',
    cost: 'real time',
    putBack: {
      what: 'Late frames: back to skipping',
      why: 'Timing cannot be judged while all frames play slowly.',
      seen: 'Sound stays in step while playing.',
    },
  },
  'play-short-span': {
    steps: () => [
      'Mark three seconds around the place you work on.',
      'Switch on looping.',
      'Let the first round be computed; the second plays smoothly.',
    ],
    where: 'Usually the marks for in and out on the timeline, and a loop switch at the viewer.',
    check: 'From the second round on it plays at full rate.',
    cost: 'hearing and seeing more than a few seconds at once',
    putBack: null,
  },
  'bypass-effects': {
    steps: () => [
      'Switch on the bypass for effects, for the whole timeline.',
      'If your editor has none, switch the effects off by group, never by deleting them.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a button at the timeline or viewer.',
    check: 'The ungraded, unblurred picture shows.',
    cost: 'the look: colour and effects cannot be judged',
    putBack: {
      what: 'Effects: switch them on again',
      why: 'A film exported with effects bypassed looks like raw footage.',
      seen: 'The graded picture shows, and the bypass mark is off.',
    },
  },
  'weaken-effects': {
    steps: () => [
      'Open the strongest effect’s settings and write down its reach: radius, size or search.',
      'Set it as small as still shows that it is there, and do the same with the others.',
      'Play the same stretch as before.',
    ],
    where: 'Usually among the effect’s own settings, when its clip is selected.',
    check: 'The effect is weaker in the picture, and plays.',
    cost: 'seeing those effects as they will be',
    putBack: {
      what: 'Strong effects: back to the reach you wrote down',
      why: 'A film exported with them weakened lacks their look.',
      seen: 'Their settings say what you wrote down.',
    },
  },
  'stop-blending': {
    steps: () => [
      'Switch blending or compositing off, also where only one clip lies on the track, and delete empty tracks.',
      'Titles, crops and shapes may vanish meanwhile: that is all right.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a switch at the viewer, in the timeline’s menu, or at the head of each track.',
    check: 'Lower layers no longer shine through, and titles may be gone.',
    cost: 'titles, crops and seeing layers through each other',
    putBack: {
      what: 'Layers: blend them again',
      why: 'A film exported without them lacks pictures.',
      seen: 'Titles and lower layers show through again.',
    },
  },
  'solo-track': {
    steps: () => [
      'Solo the track that you are cutting.',
      'Leave the others muted while you work on it.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a button at the head of each track.',
    check: 'Only that track is seen.',
    cost: 'all other pictures and titles',
    putBack: {
      what: 'Tracks: end solo',
      why: 'A film exported with one track alone lacks the rest.',
      seen: 'No track head says solo, and all pictures show.',
    },
  },
  'hide-covered-clips': {
    steps: () => [
      'Find clips that nobody sees, because another picture lies over all of them.',
      'Switch them off, or trim them away.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a right click on the clip: enable or disable.',
    check: 'Nothing in the picture changes.',
    cost: 'nothing in the picture',
    putBack: null,
  },
  'lower-working-depth': {
    steps: () => [
      'Find how many bits a colour the project or preview computes with.',
      'Set it to 8 bits.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the project’s settings, beside its colours.',
    check: 'Smooth skies may show bands.',
    cost: 'fine steps in colour',
    putBack: {
      what: 'Bits a colour: back to what they were',
      why: 'Bands in skies end up in the film.',
      seen: 'The project’s settings show the depth that it had before.',
    },
  },
  'cheaper-scaling-filter': {
    steps: () => [
      'Find the quality of scaling or resampling for the preview.',
      'Choose the fast or bilinear kind.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the preview or playback part of the settings.',
    check: 'Fine lines flicker slightly.',
    cost: 'a little sharpness',
    putBack: {
      what: 'Scaling: back to the fine filter',
      why: 'Some editors use it for the export too.',
      seen: 'Fine lines no longer flicker when they move.',
    },
  },
  'cheaper-colour-conversion': {
    steps: () => [
      'Find where the preview fits its colours to your screen.',
      'Switch that off, or to the quicker way.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the preview or playback part of the settings.',
    check: 'Colours may shift slightly.',
    cost: 'exact colour while you edit',
    putBack: {
      what: 'Screen colours: exact again',
      why: 'Colour cannot be judged without it.',
      seen: 'The setting for display colours says exact or managed.',
    },
  },
  'lower-raw-decode': {
    steps: () => [
      'Find at what size raw clips are decoded; some editors have one for playing and one for standing still.',
      'Set the one for playing to half.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the raw settings of the clip or the project.',
    check: 'The picture is softer, colours are the same.',
    cost: 'sharpness while you edit',
    putBack: {
      what: 'Raw decode: back to full',
      why: 'A film exported so is half as sharp.',
      seen: 'A raw clip’s settings say full.',
    },
  },
  'simpler-3d-drawing': {
    steps: () => [
      'Find the preview’s setting for 3-D layers.',
      'Leave out shadows and focus blur while you edit.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a menu at the viewer.',
    check: 'Shadows and focus blur are missing.',
    cost: 'shadows and depth while you edit',
    putBack: {
      what: '3-D layers: full again',
      why: 'A film exported so lacks shadows.',
      seen: 'Shadows and depth blur show in the viewer.',
    },
  },
  'hide-drawings-on-picture': {
    steps: () => [
      'Switch off guides, outlines and handles in the viewer.',
      'Close scopes that you do not need now.',
      'Play the same stretch as before.',
    ],
    where: 'Usually a menu at the viewer.',
    check: 'The picture stands alone.',
    cost: 'guides and handles',
    putBack: null,
  },
  'switch-off-unused-output': {
    steps: () => [
      'Find the output to a second screen or a device.',
      'Switch it off while nobody looks at it.',
      'Play the same stretch as before.',
    ],
    where: 'Usually in the preview or playback part of the settings.',
    check: 'The second screen stays empty.',
    cost: 'the picture on the second screen',
    putBack: null,
  },
  'low-resolution-window': {
    steps: () => [
      'Find the editor’s entry in the system’s list of programs.',
      'Choose to open it without the dense resolution of the screen.',
      'Restart the editor.',
    ],
    where: 'Windows: the program’s compatibility settings. macOS: Get Info on the program. Linux: the display scale.',
    check: 'The editor’s letters look coarser.',
    cost: 'sharp letters in the editor’s windows',
    putBack: null,
  },
} as const satisfies Readonly<Record<string, FixText>>;
