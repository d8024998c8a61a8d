import { driveOf } from '../machine/catalogue';
import type { CauseDefinition } from './types';

const fast = driveOf('internal-solid-state');

/** The drive gives the footage too slowly. Repaired: the footage lies on a solid-state drive inside the machine. */
export const driveSlow = {
  kind: 'configuration',
  id: 'drive-slow',
  repair: (state) => {
    const { machine } = state.setup;
    return {
      ...state,
      setup: {
        ...state.setup,
        machine: {
          ...machine,
          readMegabytePerSec: Math.max(machine.readMegabytePerSec, fast.readMegabytePerSec),
          driveLatencyMs: Math.min(machine.driveLatencyMs, fast.latencyMs),
        },
      },
    };
  },
} as const satisfies CauseDefinition;
