import { type HardwareVerdict, hardwareVerdictOf, type JobCard } from '../../card';
import { type ClipContext, type ClipFacts, type ClipTrait, findClipTraits, findPairedProxies } from '../../footage';
import { estimate, type LaneId, middleParameters, type SetupClip, type SetupState } from '../../load';
import { isDriveSlow } from '../../machine';
import { rationalToNumber } from '../../numbers/rational';
import { currentState } from '../answer/findings';

/** What one clip costs on this timeline and machine when it plays alone, by the middle of the estimate. */
export interface LoneClipCost {
  /** The clip's own part of a frame: the longest of reading, decoding and scaling. */
  readonly ownMs: number;
  readonly decodeMs: number;
  /** From one frame to the next with all that lies on the timeline. */
  readonly frameMs: number;
  readonly scrubMs: number;
  readonly bindingLane: LaneId;
  /** Whether reading, decoding or scaling it alone takes longer than a frame may. */
  readonly isOverBudget: boolean;
}

/** A clip of the card with everything that is told of it; `cost` is null for sound. */
export interface ClipRow {
  readonly clipId: string;
  readonly facts: ClipFacts;
  /** The folder it was dropped with, or empty. */
  readonly folder: string;
  readonly traits: readonly ClipTrait[];
  readonly hardware: HardwareVerdict;
  readonly cost: LoneClipCost | null;
}

function costOf(state: SetupState, clip: SetupClip): LoneClipCost {
  const { setup, hidden } = state;
  const alone = { hidden, setup: { ...setup, clips: [clip], timeline: { ...setup.timeline, videoLayerCount: 1 } } };
  const { laneMs, stages, intervalMs, scrubMs, bindingLane } = estimate(
    alone,
    'usual',
    middleParameters(setup.machine),
  );
  const scaleMs = stages.find((stage) => stage.id === 'scale')?.ms ?? 0;
  const ownMs = Math.max(laneMs.drive, laneMs.decoder, scaleMs);
  const isOverBudget = ownMs > 1000 / setup.targetFps;
  return { ownMs, decodeMs: laneMs.decoder, frameMs: intervalMs, scrubMs, bindingLane, isOverBudget };
}

/** The sound rate of most clips, Hz; null without sound. The first of equals. */
function usualSampleRate(clips: readonly ClipFacts[]): number | null {
  const countByHz = new Map<number, number>();
  for (const clip of clips) {
    const hz = clip.kind === 'still' ? undefined : clip.audio?.sampleRateHz;
    if (hz !== undefined) countByHz.set(hz, (countByHz.get(hz) ?? 0) + 1);
  }
  return [...countByHz].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/** Every clip of the card in the card's order, with traits and costs. O(clips). */
export function listClipRows(card: JobCard): readonly ClipRow[] {
  const state = currentState(card);
  const setupClipById = new Map(state.setup.clips.map((clip) => [clip.id, clip]));
  const facts = card.clips.map((clip) => clip.facts);
  const paired = findPairedProxies(facts);
  const { timeline } = card;
  const shared = {
    timeline:
      timeline.stated.includes('heightPx') || timeline.stated.includes('frameRate')
        ? {
            widthPx: timeline.widthPx,
            heightPx: timeline.heightPx,
            frameRateFps: rationalToNumber(timeline.frameRate),
          }
        : null,
    usualSampleRateHz: usualSampleRate(facts),
  };
  return card.clips.map((clip, i) => {
    const hardware = hardwareVerdictOf(card, clip);
    const drive = clip.drive ?? card.machine.footageDrive.value;
    const context: ClipContext = {
      ...shared,
      hardware: hardware.state,
      isInCloud: drive === 'cloud',
      isDriveSlow: isDriveSlow(drive),
      isPairedWithLarger: paired.has(i),
      folder: clip.folder,
    };
    const setupClip = setupClipById.get(clip.id);
    return {
      clipId: clip.id,
      facts: clip.facts,
      folder: clip.folder,
      traits: findClipTraits(clip.facts, context),
      hardware,
      cost: setupClip ? costOf(state, setupClip) : null,
    };
  });
}

/** The clips that hurt most here: over the budget by themselves, dearest first; at most `count`. */
export function findHeaviest(rows: readonly ClipRow[], count: number): readonly ClipRow[] {
  return rows
    .filter((row) => row.cost?.isOverBudget)
    .sort((a, b) => (b.cost?.ownMs ?? 0) - (a.cost?.ownMs ?? 0))
    .slice(0, count);
}
