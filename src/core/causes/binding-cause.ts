import { estimate } from '../load/estimate';
import { middleParameters } from '../load/parameters';
import type { FrameEstimate, SetupState } from '../load/types';
import { usableRateRatio } from '../usable/limits';
import { type CauseId, configurationCauses, type LoadCause, loadCauses } from './catalogue';
import { stagesOfTerm } from './stages-of-term';

const loadOf = (cause: LoadCause, frame: FrameEstimate): number =>
  frame.stages.reduce((sum, stage) => sum + (stagesOfTerm[cause.term].includes(stage.id) ? stage.ms : 0), 0);

/**
 * The one cause that the estimate alone would name where the preview is heaviest, or null where it expects a
 * usable preview. No belief and no readings go into it: it says where the time goes, not how sure that is.
 * A load cause is named where the preview stays unusable after every configuration cause is repaired; else
 * the configuration cause whose repair alone brings most.
 */
export function findBindingCause(state: SetupState): CauseId | null {
  const middle = middleParameters(state.setup.machine);
  const frameOf = (candidate: SetupState): FrameEstimate => estimate(candidate, 'heaviest', middle);
  const usableFps = usableRateRatio * state.setup.targetFps;
  const now = frameOf(state);
  if (now.shownFps >= usableFps) return null;

  const present = configurationCauses.filter((cause) => cause.isPresent(state));
  const repaired = frameOf(present.reduce((current, cause) => cause.repair(current), state));
  if (repaired.shownFps < usableFps) {
    const [first, ...others] = loadCauses;
    if (!first) throw new Error('findBindingCause: the catalogue holds no load cause');
    return others.reduce((top, cause) => (loadOf(cause, repaired) > loadOf(top, repaired) ? cause : top), first).id;
  }
  const gains = present.map((cause) => ({
    id: cause.id,
    gainFps: frameOf(cause.repair(state)).shownFps - now.shownFps,
  }));
  const [first, ...others] = gains;
  return first
    ? others.reduce((top, candidate) => (candidate.gainFps > top.gainFps ? candidate : top), first).id
    : null;
}
