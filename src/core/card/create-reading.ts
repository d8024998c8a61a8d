import type { Reading } from './types';

/** A reading before it is put on a card: what is not given is not known, and it was taken soon after starting. */
export const createReading = (
  known: Pick<Reading, 'id' | 'takenAtMs'> & Partial<Omit<Reading, 'fixes'>>,
): Omit<Reading, 'fixes'> => ({
  how: 'typed',
  moment: 'start',
  shownFps: null,
  playFeel: null,
  scrubFeel: null,
  scrubMs: null,
  openingSec: null,
  waitSec: null,
  fitSec: null,
  exportMinutes: null,
  coreUsePercent: null,
  memoryUsePercent: null,
  stretch: '',
  viewer: 'timeline',
  doing: 'playing',
  withEffects: 'unknown',
  pass: 'unknown',
  isAfterRestart: 'unknown',
  measured: null,
  tapped: null,
  isGoodEnough: 'unknown',
  recorderName: '',
  note: '',
  ...known,
});
