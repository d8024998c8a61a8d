import { type CaptureProgress, runningFps, type SwitchPress, type WatchedSetup } from '@/core/meter';

/** The rate at a time; times since 1970. */
export interface RatePoint {
  readonly atMs: number;
  readonly fps: number;
}

/** A setting being switched to and fro while the window is watched. */
export interface WatchState {
  /** None counts before measuring has begun. */
  readonly isMeasuring: boolean;
  readonly presses: readonly SwitchPress[];
  /** Of the last minute. */
  readonly rates: readonly RatePoint[];
}

export type WatchAction =
  | { readonly type: 'begin' | 'take-back' }
  | { readonly type: 'press'; readonly atMs: number }
  | { readonly type: 'progress'; readonly atMs: number; readonly progress: CaptureProgress };

/** So much of the rate is drawn. */
export const drawnMs = 60_000;
/** A key that bounces, or two at once, are one press. */
const bounceMs = 500;

export const noWatch: WatchState = { isMeasuring: false, presses: [], rates: [] };

/** The set-up that stands now. */
export const setupNow = ({ presses }: WatchState): WatchedSetup => presses.at(-1)?.to ?? 'as-before';

/** Steps it on; pure. */
export function reduceWatch(state: WatchState, action: WatchAction): WatchState {
  switch (action.type) {
    case 'begin':
      return noWatch;
    case 'press': {
      const sinceMs = action.atMs - (state.presses.at(-1)?.atMs ?? Number.NEGATIVE_INFINITY);
      if (!state.isMeasuring || sinceMs < bounceMs) return state;
      const to = setupNow(state) === 'changed' ? 'as-before' : 'changed';
      return { ...state, presses: [...state.presses, { atMs: action.atMs, to }] };
    }
    case 'take-back':
      return { ...state, presses: state.presses.slice(0, -1) };
    case 'progress': {
      const { atMs, progress } = action;
      const kept = state.rates.filter((point) => atMs - point.atMs <= drawnMs);
      const isKnown = progress.phase === 'measuring' && progress.isRegionKnown;
      return {
        ...state,
        isMeasuring: progress.phase === 'measuring',
        rates: isKnown ? [...kept, { atMs, fps: runningFps(progress) }] : kept,
      };
    }
  }
}
