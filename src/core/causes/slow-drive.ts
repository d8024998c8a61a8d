import type { StreamDrive } from '../load/types';

/** A drive slower than this may be felt. Assumption. */
const slowMegabytePerSec = 300;

/** Whether a drive is slow enough to be felt. */
export const isSlowDrive = ({ readMegabytePerSec }: StreamDrive): boolean => readMegabytePerSec < slowMegabytePerSec;
