import { withHidden, withMachine, withoutPrograms, withTroubles } from '../../load/change-state';
import type { SetupState } from '../../load/types';
import { define } from '../define';

/** Programs that may be closed take their cores and memory with them, and so do those that nobody listed. */
const withClosedPrograms = (state: SetupState): SetupState =>
  withTroubles(
    withoutPrograms(state, (program) => program.canClose === 'yes'),
    { programs: 0 },
  );

const canHaveTwoGraphics = ({ setup }: SetupState): boolean =>
  setup.machine.hasSecondGraphics !== 'no' && setup.machine.graphicsRatio > 6;

/** Changes of the machine itself. */
export const machineFixes = [
  define('close-programs', {
    levelsFor: () => true,
    applyTo: withClosedPrograms,
    minutes: 3,
    sacrifice: { functions: 0.05, putBack: 0.1 },
  }),
  define('raise-power-mode', {
    levelsFor: () => true,
    // Full power, plugged in, and air under it: heat sets in later and less.
    applyTo: (state) => withTroubles(withMachine(state, { powerRatio: 1 }), { power: 0, heat: 0.3 }),
    minutes: 3,
    sacrifice: { putBack: 0.05 },
  }),
  define('stop-startup-programs', {
    levelsFor: () => true,
    applyTo: withClosedPrograms,
    minutes: 12,
    sacrifice: { functions: 0.1 },
    requires: ['save', 'restart'],
    excludes: ['close-programs'],
  }),
  define('assign-fast-graphics', {
    levelsFor: canHaveTwoGraphics,
    applyTo: (state) => withHidden(state, { isOnSlowGraphics: false }),
    minutes: 5,
    requires: ['save', 'restart'],
  }),
  define('update-software', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { software: 0 }),
    minutes: 25,
    sacrifice: { risk: 0.15 },
    requires: ['save', 'restart'],
  }),
  define('reset-editor', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { software: 0.3 }),
    minutes: 12,
    sacrifice: { functions: 0.2, risk: 0.1 },
    requires: ['save', 'restart'],
  }),
  define('reinstall-editor', {
    levelsFor: () => true,
    applyTo: (state) => withTroubles(state, { software: 0 }),
    minutes: 40,
    sacrifice: { functions: 0.2, minutes: 0.5, risk: 0.2 },
    requires: ['save', 'restart'],
    excludes: ['reset-editor', 'update-software'],
  }),
];
