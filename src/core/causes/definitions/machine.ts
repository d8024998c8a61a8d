import {
  fastDrive,
  withEditor,
  withFastMedia,
  withMachine,
  withoutPrograms,
  withSpinningMedia,
} from '../../load/change-state';
import { mixClips } from '../../load/clip-mix';
import { unlistedMibOf } from '../../load/conditions';
import { editorWantsMib, memoryNeededMib, previewMemoryMibOf } from '../../load/memory';
import type { SetupProgram, SetupState } from '../../load/types';
import { isSlowDrive } from '../slow-drive';
import { savingRatio, shortOf } from '../thresholds';
import type { CauseDefinition } from '../types';
import { byAnswer, hasTrouble, troubleFault, withoutTroubles } from './troubles';

/** Whether a program takes enough to be felt, and may be closed. Assumption: a tenth of a core, or 400 MB. */
export const isInTheWay = ({ canClose, busyCores, memoryMib }: SetupProgram): boolean =>
  canClose !== 'no' && busyCores + memoryMib / 4096 > 0.1;

/** Other programs keep the cores or the memory. Repaired: none of those that may be closed runs. */
export const programsBusy = {
  kind: 'configuration',
  id: 'programs-busy',
  // Where a list of all that runs was looked at, little runs that is not on it.
  faults: [troubleFault('programs', (setup) => (setup.areProgramsSeen ? 0.015 : 0.07))],
  isPresent: (state) => hasTrouble(state, 'programs') || state.setup.programs.some(isInTheWay),
  repair: (state) =>
    withoutTroubles(
      withoutPrograms(state, (program) => program.canClose !== 'no'),
      'programs',
    ),
} as const satisfies CauseDefinition;

/** Whether the machine is set to less than its speed on purpose. Assumption. */
const isSaving = ({ setup }: SetupState): boolean => setup.machine.powerRatio < savingRatio;

/** The processor is held below its speed, by a power mode or by heat. */
export const powerOrHeat = {
  kind: 'configuration',
  id: 'power-or-heat',
  faults: [
    troubleFault(
      'power',
      (setup, facts) => (setup.machine.powerRatio < 0.9 ? 0.1 : 0.05) * (facts.isPluggedIn === 'no' ? 2.5 : 1),
    ),
    troubleFault('heat', (setup) => byAnswer(setup.machine.isThin, { yes: 0.07, no: 0.02, unknown: 0.04 })),
  ],
  isPresent: (state) => hasTrouble(state, 'power') || hasTrouble(state, 'heat') || isSaving(state),
  repair: (state) => withoutTroubles(withMachine(state, { powerRatio: 1 }), 'power', 'heat'),
  // A saving mode may have been chosen since; a balanced one is how people work.
  asBefore: (state) =>
    withoutTroubles(isSaving(state) ? withMachine(state, { powerRatio: 1 }) : state, 'power', 'heat'),
} as const satisfies CauseDefinition;

/** Enough for anything in range. */
const endlessMib = 4_194_304;

/** How many seconds fit into the memory for computed pictures is asked only where an editor computes first. */
export const isPreviewMemoryShort = ({ setup }: SetupState): boolean =>
  setup.editor.playsBy === 'computing-first' && previewMemoryMibOf(setup) < 8192;

/** What an editor that keeps itself short may take of what it wants. Assumption. */
const keptShortRatio = 0.35;

/** More memory is wanted than there is, or the editor is kept too short, or given so much that the system is. */
export const memoryShort = {
  kind: 'configuration',
  id: 'memory-short',
  faults: [
    troubleFault('memory', () => 0.045),
    {
      // People state twice what they have, or nothing, and a usual amount stands there.
      variant: 'less-than-stated',
      odds: (_, facts) => (facts.isMemoryStated ? 0.025 : 0.15),
      suppose: (state) => withMachine(state, { memoryMib: state.setup.machine.memoryMib / 2 }),
    },
    {
      // Some editors keep themselves to an amount from the day they were installed, whatever the machine has.
      variant: 'editor-kept-short',
      odds: ({ editor }) => (editor.memoryGivenMib === null ? 0.035 : 0),
      suppose: (state) =>
        withEditor(state, { memoryGivenMib: keptShortRatio * editorWantsMib(state.setup, mixClips(state)) }),
    },
  ],
  isPresent: (state) => {
    const mix = mixClips(state);
    const { machine, editor } = state.setup;
    const mostUnlistedMib = hasTrouble(state, 'programs') ? unlistedMibOf(1) : 0;
    return (
      hasTrouble(state, 'memory') ||
      memoryNeededMib(state.setup, mix) + mostUnlistedMib > shortOf.memory * machine.memoryMib ||
      (editor.memoryGivenMib !== null && editorWantsMib(state.setup, mix) > shortOf.memory * editor.memoryGivenMib) ||
      isPreviewMemoryShort(state)
    );
  },
  repair: (state) =>
    withoutTroubles(
      withEditor(withMachine(state, { memoryMib: endlessMib }), { memoryGivenMib: null, previewMemoryMib: 262_144 }),
      'memory',
    ),
  // What takes the memory may have come; the machine never had more of it.
  asBefore: (state) => withoutTroubles(state, 'memory'),
} as const satisfies CauseDefinition;

const isOnSlowDrive = ({ clips }: SetupState['setup']): boolean =>
  clips.some((clip) => isSlowDrive(clip.original.drive));

/** The drive gives the footage too slowly. Repaired: the footage lies on a solid-state drive inside the machine. */
export const driveSlow = {
  kind: 'configuration',
  id: 'drive-slow',
  faults: [
    troubleFault('drive', (setup) => (isOnSlowDrive(setup) ? 0.1 : 0.05)),
    {
      // The footage lies elsewhere than people say, or nobody said where.
      variant: 'on-another-drive',
      odds: (setup, facts) => (isOnSlowDrive(setup) ? 0 : facts.isFootageDriveStated ? 0.025 : 0.3),
      suppose: withSpinningMedia,
    },
  ],
  isPresent: (state) => hasTrouble(state, 'drive') || isOnSlowDrive(state.setup),
  repair: withFastMedia,
  // People go on working on the drive that they have.
  asBefore: (state) => withoutTroubles(state, 'drive'),
} as const satisfies CauseDefinition;

/** The drive with the system has no room left: swapping and caches stall everything. */
export const systemDriveFull = {
  kind: 'configuration',
  id: 'system-drive-full',
  faults: [
    troubleFault('systemDrive', ({ machine }, facts) => {
      if (!facts.isSystemDriveStated) return 0.04;
      if (machine.systemDriveFreeRatio < 0.07) return 1.2;
      return machine.systemDriveFreeRatio < 0.12 ? 0.15 : 0.012;
    }),
  ],
  isPresent: (state) => hasTrouble(state, 'systemDrive'),
  repair: (state) => withoutTroubles(state, 'systemDrive'),
} as const satisfies CauseDefinition;

/** The editor's caches lie on a drive that is slow to answer. */
export const cacheMisplaced = {
  kind: 'configuration',
  id: 'cache-misplaced',
  faults: [troubleFault('cache', ({ machine }) => (isSlowDrive(machine.cacheDrive) ? 1 : 0.02))],
  isPresent: (state) => hasTrouble(state, 'cache'),
  repair: (state) => withoutTroubles(withMachine(state, { cacheDrive: fastDrive }), 'cache'),
  asBefore: (state) => withoutTroubles(state, 'cache'),
} as const satisfies CauseDefinition;

/** Editor, system or drivers are out of date, or the editor's settings are damaged, and everything takes longer. */
export const softwareStale = {
  kind: 'configuration',
  id: 'software-stale',
  faults: [
    troubleFault(
      'software',
      (_, facts) =>
        byAnswer(facts.isUpToDate, { yes: 0.012, no: 0.4, unknown: 0.06 }) * (facts.wasRestarted === 'no' ? 1.2 : 1),
    ),
  ],
  isPresent: (state) => hasTrouble(state, 'software'),
  repair: (state) => withoutTroubles(state, 'software'),
} as const satisfies CauseDefinition;

/** Something that no entry here explains. It has no cure here, and saying so is an honest end. */
export const nothingExplainsIt = {
  kind: 'configuration',
  id: 'nothing-explains-it',
  faults: [troubleFault('unexplained', () => 0.09)],
  isPresent: (state) => hasTrouble(state, 'unexplained'),
  repair: (state) => withoutTroubles(state, 'unexplained'),
} as const satisfies CauseDefinition;
