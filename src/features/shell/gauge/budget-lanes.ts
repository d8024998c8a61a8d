import { type LaneId, laneIds, type StageCost, type StageId } from '@/core/load';
import { laneLabels, stageTexts } from '@/messages/load';
import type { BudgetLane } from '@/ui/FrameBudget';
import type { ColourName } from '@/ui/tokens';

/** Stage colours, the same on every screen. */
const stageColours: Readonly<Record<StageId, ColourName>> = {
  read: 'stageRead',
  decode: 'stageDecode',
  scale: 'stageScale',
  effects: 'stageEffects',
  layers: 'stageLayers',
  show: 'stageShow',
};

/** The stages of an estimate as bars. */
export const toBudgetLanes = (stages: readonly StageCost[]): readonly BudgetLane[] =>
  laneIds.map((lane: LaneId) => ({
    id: lane,
    label: laneLabels[lane],
    stages: stages
      .filter((stage) => stage.lane === lane)
      .map(({ id, ms }) => ({ id, label: stageTexts[id].label, ms, colour: stageColours[id] })),
  }));
