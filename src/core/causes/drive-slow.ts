import type { PictureStream } from '../load/types';
import { driveOf } from '../machine/catalogue';
import type { CauseDefinition } from './types';

const fast = driveOf('internal-solid-state');

const moveToFast = (stream: PictureStream): PictureStream => ({
  ...stream,
  drive: {
    readMegabytePerSec: Math.max(stream.drive.readMegabytePerSec, fast.readMegabytePerSec),
    latencyMs: Math.min(stream.drive.latencyMs, fast.latencyMs),
  },
});

/** The drive gives the footage too slowly. Repaired: the footage lies on a solid-state drive inside the machine. */
export const driveSlow = {
  kind: 'configuration',
  id: 'drive-slow',
  repair: (state) => ({
    ...state,
    setup: {
      ...state.setup,
      clips: state.setup.clips.map((clip) => ({
        ...clip,
        original: moveToFast(clip.original),
        proxy: clip.proxy && moveToFast(clip.proxy),
      })),
    },
  }),
} as const satisfies CauseDefinition;
