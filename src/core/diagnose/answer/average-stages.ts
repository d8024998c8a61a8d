import type { Belief } from '../../belief';
import { applyFixes, type FixAtLevel } from '../../fixes';
import {
  compile,
  estimateCompiled,
  type LaneId,
  laneIds,
  pickSample,
  type SetupState,
  type StageCost,
  stageIds,
} from '../../load';

/** Where a frame's time goes, and the lane that the others wait for. */
export interface AverageStages {
  readonly stages: readonly StageCost[];
  readonly bindingLane: LaneId;
}

/** Samples that the shown stages are an average of. */
const stageSampleCount = 160;

/** Where the time goes on average under some fixes, and the lane that binds most often. */
export const averageStages = (belief: Belief, fixes: readonly FixAtLevel[]): AverageStages =>
  averageStagesWith(belief, (state) => applyFixes(state, fixes));

/** The same with any change of the set-up. */
export function averageStagesWith(belief: Belief, change: (state: SetupState) => SetupState): AverageStages {
  const sums = new Map<string, StageCost>();
  const binding: Record<LaneId, number> = { drive: 0, decoder: 0, drawing: 0 };
  for (const component of belief.components) {
    const count = Math.min(component.count, Math.max(1, Math.round(component.weight * stageSampleCount)));
    const coefficients = compile(change(component.hypothesis.state), 'heaviest');
    for (let i = 0; i < count; i++) {
      const frame = estimateCompiled(coefficients, pickSample(component.samples, i));
      const weight = component.weight / count;
      binding[frame.bindingLane] += weight;
      for (const { id, lane, ms } of frame.stages)
        sums.set(id, { id, lane, ms: (sums.get(id)?.ms ?? 0) + ms * weight });
    }
  }
  return {
    stages: stageIds.map((id) => sums.get(id)).filter((stage) => stage !== undefined),
    bindingLane: laneIds.reduce((most, lane) => (binding[lane] > binding[most] ? lane : most)),
  };
}
