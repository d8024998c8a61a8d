import type { FixText } from './types';

export const footageTexts = {
  'show-proxies': {
    steps: () => [
      'Switch the preview over to proxies.',
      'Look for the mark on clip or viewer that says so.',
      'Play the same stretch as before.',
    ],
    where:
      'Usually a right click on the clips in the media list; the switch to show them is at the viewer or in its menu. Its button may first have to be added to the viewer’s bar.',
    check:
      'A mark on the clip or viewer says that proxies are shown; the picture is a little softer, and moving the playhead is smooth. Some editors call a lowered preview quality “proxy”: that is another thing.',
    cost: 'fine detail while you edit',
    putBack: {
      what: 'Switch the preview back from proxies to the originals',
      why: 'Some editors export what the preview shows, as small as the proxies are.',
      seen: 'The mark that says “proxies” is gone from the clips and the viewer.',
    },
  },
  'attach-proxies': {
    steps: () => [
      'Choose the originals in the media list and say which small copy belongs to which.',
      'Check length and sound of one of them against its original.',
      'Switch the preview over to proxies.',
    ],
    where:
      'Usually a right click on the clips in the media list; the switch to show them is at the viewer or in its menu.',
    check: 'The clip’s information names two files: the original and the proxy.',
    cost: 'fine detail while you edit',
    putBack: {
      what: 'Make sure that each clip with a small copy is linked to its original',
      why: 'A clip that is linked to its copy is exported as small as its copy is.',
      seen: 'The clip’s information names the original file as the one that is used.',
    },
  },
  'make-proxies': {
    steps: (level) => [
      `Make small copies, ${level ?? 540} pixels high, of the clips named here, with every frame a key frame.`,
      'Tell the editor which belongs to which original, and let the preview show them.',
      'Wait until all are made: a build that was stopped half-way leaves some clips heavy.',
    ],
    where:
      'Usually a right click on the clips in the media list; the switch to show them is at the viewer or in its menu. Its button may first have to be added to the viewer’s bar.',
    check:
      'A mark on the clip or viewer says that proxies are shown; the picture is a little softer, and moving the playhead is smooth. Some editors call a lowered preview quality “proxy”: that is another thing.',
    cost: 'disk space, the time to make them, and fine detail while you edit',
    putBack: {
      what: 'Link the originals again and switch proxies off',
      why: 'A film exported from proxies is as small as they are.',
      seen: 'A heavy clip’s properties name the original file and its full size.',
    },
  },
  'make-proxies-on-import': {
    steps: () => [
      'Switch on making small copies of what you import, for clips of the size named here and larger.',
      'Choose a folder on a drive with room for them. Some editors must be restarted before it takes effect.',
      'Import everything, and take a break until all of them are ready.',
    ],
    where: 'Usually in the import window or the media settings.',
    check: 'The next clip that you import brings its proxy along.',
    cost: 'disk space, and a longer import',
    putBack: {
      what: 'Link the clips that were imported since then to their originals',
      why: 'What was imported with a copy may have been put on the timeline as the copy.',
      seen: 'The newest clips’ properties name the original files and their full size.',
    },
  },
  'convert-footage': {
    steps: () => [
      'Convert the clips to a codec in which every frame is a key frame, at their full size and rate.',
      'Keep the originals; put the new files in the project in their place.',
      'Compare length and sound of one of them with its original.',
    ],
    where: 'A converter of your choice, or the editor’s own on the media list.',
    check: 'Jumps to any place show a picture at once.',
    cost: 'much disk space, and the time to convert',
    putBack: null,
  },
  'match-project-to-clips': {
    steps: () => [
      'Save a copy of the project.',
      'Set its size and rate to those of most clips.',
      'Check that titles and crops still sit right.',
    ],
    where: 'Usually in the settings of the project or timeline.',
    check: 'The viewer no longer scales the clips up.',
    cost: 'nothing that the clips have',
    putBack: null,
  },
  'lower-project-size': {
    steps: (level) => [
      'Save a copy of the project.',
      `Set the project or timeline to ${level ?? 1080} pixels high, in the same shape.`,
      'Check that titles and crops still sit right.',
    ],
    where: 'Usually in the settings of the project or timeline.',
    check: 'The project’s information shows the smaller size.',
    cost: 'sharpness, if the film is to be delivered larger',
    putBack: {
      what: 'Project size: back to what is delivered',
      why: 'The film would be exported too small.',
      seen: 'The project’s settings show the delivered height.',
    },
  },
  'lower-project-rate': {
    steps: (level) => [
      'Save a copy of the project.',
      `Set the project or timeline to ${level ?? 25} frames a second.`,
      'Check cuts and sound: some editors only take a rate for a new timeline.',
    ],
    where: 'Usually in the settings of the project or timeline.',
    check: 'The project’s information shows the lower rate.',
    cost: 'smoothness of movement, if the film is to be delivered faster',
    putBack: {
      what: 'Project rate: back to what is delivered',
      why: 'The film would be exported with too few frames.',
      seen: 'The project’s settings show the delivered rate.',
    },
  },
} as const satisfies Readonly<Record<string, FixText>>;
