import type { Press } from '@/core/meter';

/** Presses of a key or of the pad, by the clock of the small window; none is taken before it begins or after it ended. */
export interface TapState {
  readonly lengthMs: number;
  readonly presses: readonly Press[];
  /** Since when it is held down; null where it is not. */
  readonly downAtMs: number | null;
}

export type TapAction =
  | { readonly type: 'down'; readonly atMs: number }
  | { readonly type: 'up'; readonly atMs: number };

export const noTaps = (lengthMs: number): TapState => ({ lengthMs, presses: [], downAtMs: null });

/** Steps the presses on; pure. A second key while one is down says nothing more; what is held at the end ends there. */
export function reduceTaps(state: TapState, { type, atMs }: TapAction): TapState {
  const { lengthMs, presses, downAtMs } = state;
  if (type === 'down') return downAtMs !== null || atMs < 0 || atMs >= lengthMs ? state : { ...state, downAtMs: atMs };
  if (downAtMs === null) return state;
  return { ...state, downAtMs: null, presses: [...presses, { fromMs: downAtMs, toMs: Math.min(atMs, lengthMs) }] };
}
