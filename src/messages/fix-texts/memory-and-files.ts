import { formatMemory } from '../format';
import type { FixText } from './types';

export const memoryAndFilesTexts = {
  'give-editor-memory': {
    steps: (level) => [
      'Save the project first.',
      `Set the memory that the editor may use to about ${formatMemory(Number(level ?? 4096))}; where it asks what to leave for other programs instead, enter the rest.`,
      'Restart the editor. Write down the amount that worked before.',
    ],
    where: 'Usually in the settings under memory or performance.',
    check: 'While playing, the system’s monitor shows some memory free.',
    cost: 'memory for other programs',
    putBack: null,
  },
  'raise-preview-memory': {
    steps: (level) => [
      'Save the project first, and write down the present amount.',
      `Raise the memory for computed pictures to ${formatMemory(Number(level ?? 4096))} and no further.`,
      'Restart the editor and play the same stretch twice. If it crashes or slows down, that was too much: go back to what you wrote down.',
    ],
    where: 'Usually in the settings under memory or performance.',
    check: 'The second time, more seconds play before it computes again.',
    cost: 'memory for everything else',
    putBack: null,
  },
  'favour-speed-over-memory': {
    steps: () => [
      'Find out whether your editor can be told to use as little memory as it can.',
      'Let it take what it needs instead.',
      'Restart the editor.',
    ],
    where: 'Usually in the settings under memory or performance.',
    check: 'The editor’s own share of memory rises.',
    cost: 'memory for other programs',
    putBack: null,
  },
  'use-more-threads': {
    steps: () => [
      'Find the number of threads or cores that the editor may use.',
      'Set it to all, or to automatic.',
      'Save, and restart the editor.',
    ],
    where: 'Usually in the settings under memory or performance.',
    check: 'While playing, all cores work in the system’s monitor.',
    cost: 'cores for other programs',
    putBack: null,
  },
  'clear-cache': {
    steps: () => [
      'Save, and close the project.',
      'Use the editor’s own button for clearing, never the file manager.',
      'Restart the editor: the first play is slower. Do it again whenever a film is done.',
    ],
    where: 'Usually in the settings under storage or temporary files.',
    check: 'The system drive shows more free room.',
    cost: 'the time until caches are built again',
    putBack: null,
  },
  'cap-cache': {
    steps: () => [
      'Find the cache’s size.',
      'Set a limit that leaves a tenth of the drive free.',
      'Let it clear what is over the limit.',
    ],
    where: 'Usually in the settings under storage or temporary files.',
    check: 'The cache’s folder stays below the limit.',
    cost: 'some building again',
    putBack: null,
  },
  'cache-heavy-only': {
    steps: () => [
      'Find what the editor builds files for: on import, for each clip, in the background.',
      'Switch it off for what plays well, and leave it on for heavy clips and finished sections.',
      'Clear what was built for the rest.',
    ],
    where: 'Usually in the settings under storage or temporary files; for one clip, in its menu.',
    check: 'The cache’s folder grows more slowly, and the list of tasks is short.',
    cost: 'light clips are computed each time',
    putBack: null,
  },
  'enlarge-cache': {
    steps: () => [
      'Find the cache’s limit, and how full it is.',
      'If it is full, double the limit, and leave a fifth of the drive free.',
      'Play the whole timeline once, so that it is filled.',
    ],
    where: 'Usually in the settings under storage or temporary files.',
    check: 'The second time, nothing is built again.',
    cost: 'disk space',
    putBack: null,
  },
  'empty-cache-on-closing': {
    steps: () => ['Find the setting for cleaning up on closing.', 'Switch it on.', 'Close and open the project once.'],
    where: 'Usually in the settings under storage or temporary files.',
    check: 'The cache’s folder is small after closing.',
    cost: 'the time until caches are built again',
    putBack: null,
  },
  'choose-cache-format': {
    steps: () => [
      'Find the format of previews and caches.',
      'Choose one that is quick to read, not the smallest file. For footage with bright skies or a flat profile, one of 10 bits or more.',
      'Clear the old cache, and play the same stretch twice.',
    ],
    where: 'Usually in the settings under storage or temporary files.',
    check: 'New cache files are of the other kind.',
    cost: 'some disk space',
    putBack: null,
  },
  'free-system-drive': {
    steps: () => [
      'Empty the bin and the downloads that you do not need.',
      'Move finished projects to another drive.',
      'Stop when a sixth of it is free.',
    ],
    where: 'Windows: Settings, System, Storage. macOS: System Settings, General, Storage. Linux: the disk usage tool.',
    check: 'The system shows at least a tenth of the drive free.',
    cost: 'half an hour',
    putBack: null,
  },
  'move-cache': {
    steps: () => [
      'Save, and close the project.',
      'Choose a folder on a solid-state drive inside the machine: not the system’s own, if there is another.',
      'Restart the editor and let the cache build again.',
    ],
    where: 'Usually in the settings under storage or temporary files.',
    check: 'New files appear in the new folder.',
    cost: 'room on that drive',
    putBack: null,
  },
  'move-media': {
    steps: () => [
      'Copy the footage to a solid-state drive inside, or a quick one outside.',
      'Point the project at the copies.',
      'Keep the old files until the film is done.',
    ],
    where: 'The system’s file manager, then the editor’s way of linking media again.',
    check: 'A clip’s information shows the new place.',
    cost: 'room on that drive, and the time to copy',
    putBack: null,
  },
} as const satisfies Readonly<Record<string, FixText>>;
