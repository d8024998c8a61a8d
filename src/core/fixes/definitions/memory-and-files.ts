import { fastDrive, withEditor, withFastMedia, withMachine, withTroubles } from '../../load/change-state';
import { previewMemoryMibOf } from '../../load/memory';
import type { SetupState } from '../../load/types';
import { define, numberLevel } from '../define';
import { cacheKinds } from '../fix-facts';

const wholeSteps = (mib: number): number => Math.max(256, Math.round(mib / 256) * 256);

/** Amounts worth giving the editor: enough for itself, and never so much that the system is left short. */
const editorAmounts = ({ setup }: SetupState): readonly number[] => {
  const given = setup.editor.memoryGivenMib;
  if (given === null) return [];
  const { memoryMib } = setup.machine;
  return [0.5, 0.65, 0.75]
    .map((share) => wholeSteps(memoryMib * share))
    .filter((mib) => Math.abs(mib / given - 1) > 0.08);
};

/** Small steps up: too much crashes. */
const previewAmounts = ({ setup }: SetupState): readonly number[] => {
  if (setup.editor.playsBy === 'streaming') return [];
  const now = previewMemoryMibOf(setup);
  const programs = setup.programs.reduce((sum, program) => sum + program.memoryMib, 0);
  const most = Math.max(0, setup.machine.memoryMib - 3600 - programs);
  return [...new Set([2, 4, 8].map((ratio) => wholeSteps(Math.min(now * ratio, most))))].filter(
    (mib) => mib > now * 1.1,
  );
};

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
    requires: ['save'],
  }),
  define('cap-cache', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { systemDrive: 0.5 }),
    minutes: 5,
    sacrifice: { minutes: 0.05 },
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
    applyTo: (state) => withTroubles(withMachine(state, { cacheDrive: fastDrive }), { cache: 0 }),
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
