import { estimatePlaying } from '../load/estimate-playing';
import { middleParameters } from '../load/parameters';
import type { LaneId, SetupState } from '../load/types';
import { usableRateRatio } from '../load/usable';
import type { CauseId } from './catalogue';

/** What the middle of the estimate says of a set-up, without the catalogue of causes: for lists of many cards. */
export interface RoughFinding {
  readonly shownFps: number;
  /** Where the time goes, or null where the preview should be usable. */
  readonly causeId: CauseId | null;
}

const causeOfLane: Readonly<Record<Exclude<LaneId, 'drawing'>, CauseId>> = {
  drive: 'drive-slow',
  decoder: 'decode-heavy',
};

/** The middle rate, and the cause that lies in plain sight: other programs, else the dearest part of the lane that binds. */
export function findRoughly(state: SetupState): RoughFinding {
  const middle = middleParameters(state.setup.machine);
  const { shownFps, bindingLane, stages } = estimatePlaying(state, 'heaviest', middle);
  const usableFps = usableRateRatio * state.setup.targetFps;
  if (shownFps >= usableFps) return { shownFps, causeId: null };
  const alone = { ...state, setup: { ...state.setup, programs: [] } };
  if (estimatePlaying(alone, 'heaviest', middle).shownFps >= usableFps) return { shownFps, causeId: 'programs-busy' };
  if (bindingLane !== 'drawing') return { shownFps, causeId: causeOfLane[bindingLane] };
  const msOf = (...ids: readonly string[]): number =>
    stages.reduce((sum, stage) => sum + (ids.includes(stage.id) ? stage.ms : 0), 0);
  const parts: readonly (readonly [CauseId, number])[] = [
    ['effects-heavy', msOf('effects')],
    ['layers-heavy', msOf('layers')],
    ['preview-too-large', msOf('scale', 'show')],
  ];
  const [causeId] = parts.reduce((top, part) => (part[1] > top[1] ? part : top));
  return { shownFps, causeId };
}
