import { fastDrive, withEditor, withFastMedia, withMachine, withTroubles } from '../../load/change-state';
import { previewMemoryMibOf, splitWith } from '../../load/memory';
import type { Setup, SetupState } from '../../load/types';
import { define, numberLevel } from '../define';
import { cacheKinds } from '../fix-facts';
import { editorSpareMib } from '../memory-split';

const wholeSteps = (mib: number): number => Math.max(256, Math.floor(mib / 256) * 256);

/** What the machine has beside the system and the programs that are listed. */
const roomMib = (setup: Setup): number => splitWith(setup, 0).left;

/** So much of the room may be given away: what nobody listed takes some as well. Assumption. */
const safeRatio = 0.9;

/** Less than this is no amount to run an editor with. */
const leastEditorMib = 1024;

/** Amounts worth giving the editor: never so much that the system or the other programs are left short. */
const editorAmounts = ({ setup }: SetupState): readonly number[] => {
  const given = setup.editor.memoryGivenMib;
  const { memoryMib } = setup.machine;
  const amounts = [0.5, 0.65, 0.75].map((share) => wholeSteps(Math.min(memoryMib * share, safeRatio * roomMib(setup))));
  return [...new Set(amounts)].filter(
    (mib) => mib >= leastEditorMib && (given === null || Math.abs(mib / given - 1) > 0.08),
  );
};

/** Small steps up: too much crashes. */
const previewAmounts = ({ setup }: SetupState): readonly number[] => {
  if (setup.editor.playsBy === 'streaming') return [];
  const now = previewMemoryMibOf(setup);
  const most = Math.max(0, safeRatio * roomMib(setup) - editorSpareMib);
  return [...new Set([1.5, 2, 3, 4, 8].map((ratio) => wholeSteps(Math.min(now * ratio, most))))].filter(
    (mib) => mib > now * 1.1,
  );
};

/** Only where the drive of the system has so much room may a cache on it grow. */
const roomyDriveRatio = 0.2;

/** Memory, drives and caches. */
export const memoryAndFileFixes = [
  define('give-editor-memory', {
    levelsFor: editorAmounts,
    applyTo: (state, level) => withEditor(state, { memoryGivenMib: numberLevel('give-editor-memory', level) }),
    minutes: 5,
    sacrifice: ({ setup }, level) => ({
      risk: typeof level === 'number' && level > 0.8 * setup.machine.memoryMib ? 0.4 : 0.05,
    }),
    requires: ['save', 'restart'],
  }),
  define('raise-preview-memory', {
    levelsFor: previewAmounts,
    applyTo: (state, level) => withEditor(state, { previewMemoryMib: numberLevel('raise-preview-memory', level) }),
    minutes: 5,
    sacrifice: ({ setup }, level) => ({
      risk: Math.min(1, (typeof level === 'number' ? level : 0) / setup.machine.memoryMib) * 0.4,
    }),
    requires: ['save', 'restart'],
  }),
  define('favour-speed-over-memory', {
    levelsFor: ({ setup }) => !setup.editor.isSpeedFavoured,
    applyTo: (state) => withEditor(state, { isSpeedFavoured: true, areFilesKeptOpen: true }),
    minutes: 4,
    sacrifice: { risk: 0.05 },
    requires: ['save', 'restart'],
  }),
  define('use-more-threads', {
    levelsFor: ({ setup }) => !setup.editor.areThreadsRaised,
    applyTo: (state) => withEditor(state, { areThreadsRaised: true }),
    minutes: 4,
    sacrifice: { risk: 0.02 },
    requires: ['save', 'restart'],
  }),
  define('clear-cache', {
    levelsFor: () => cacheKinds,
    applyTo: (state, level) => withTroubles(state, { systemDrive: level === 'all' ? 0.4 : 0.6 }),
    minutes: (_, level) => (level === 'all' ? 12 : 8),
    // The first play after it is slower.
    sacrifice: { minutes: 0.2, risk: 0.05 },
    requires: ['save', 'restart'],
  }),
  define('cap-cache', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { systemDrive: 0.5 }),
    minutes: 5,
    sacrifice: { minutes: 0.05 },
  }),
  define('cache-heavy-only', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { systemDrive: 0.7, builds: 0.5 }),
    minutes: 5,
    sacrifice: { minutes: 0.05 },
  }),
  define('enlarge-cache', {
    // A cache that is full throws away what is needed next, and the editor builds it again.
    levelsFor: ({ setup }) => setup.machine.systemDriveFreeRatio >= roomyDriveRatio,
    applyTo: (state) => withTroubles(state, { builds: 0.6 }),
    minutes: 4,
    sacrifice: { disk: 0.15 },
    excludes: ['cap-cache'],
  }),
  define('empty-cache-on-closing', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { systemDrive: 0.6 }),
    minutes: 4,
    sacrifice: { minutes: 0.15 },
    excludes: ['clear-cache'],
  }),
  define('choose-cache-format', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { cache: 0.6 }),
    minutes: 6,
    sacrifice: { minutes: 0.15, disk: 0.1 },
    requires: ['save'],
  }),
  define('free-system-drive', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { systemDrive: 0 }),
    minutes: 20,
    sacrifice: { minutes: 0.2, risk: 0.05 },
  }),
  define('move-cache', {
    levelsFor: () => true,
    // Caches lie on the system's own drive until somebody moves them, and leave it.
    applyTo: (state) => withTroubles(withMachine(state, { cacheDrive: fastDrive }), { cache: 0, systemDrive: 0.5 }),
    minutes: 10,
    sacrifice: { minutes: 0.1, disk: 0.05 },
    requires: ['save', 'restart'],
    excludes: ['choose-cache-format'],
  }),
  define('move-media', {
    levelsFor: () => true,
    applyTo: withFastMedia,
    minutes: 25,
    sacrifice: ({ setup }) => {
      const gigabytes = setup.clips.reduce(
        (sum, { original, durationMs }) => sum + (original.bitrateMbitPerSec * durationMs) / 8e6,
        0,
      );
      return { minutes: 0.3, disk: Math.min(1, gigabytes / 100), risk: 0.1 };
    },
    requires: ['save'],
  }),
];
