import { deriveBaseState } from '../card/derive-setup';
import type { JobCard } from '../card/types';
import { createOutcomes } from '../load/evaluate';
import { drawParameterSamples } from '../load/parameter-samples';
import type { SetupState } from '../load/types';
import { resampledIndexes } from '../numbers/resample';
import { type Complaint, complaintOf } from '../usable';
import { listLessonEvidence } from './lessons';
import type { Belief } from './posterior';
import { pickSamples } from './thin-posterior';
import { viewSamples } from './weighing';

/** Enough for percentiles that repeat to about a frame a second; 256 samples take well under a millisecond. */
export const priorSampleCount = 256;

/** What the estimate alone says of a set-up: no fault in it but those that are stated, and all open that nobody knows. */
export const priorOfState = (state: SetupState, complaint: Complaint): Belief => ({
  base: state,
  complaint,
  isPrior: true,
  components: [
    {
      hypothesis: { key: 'prior', causeIds: [], odds: 1, state },
      weight: 1,
      count: priorSampleCount,
      samples: drawParameterSamples(priorSampleCount, state.setup.machine),
    },
  ],
  sampleCount: priorSampleCount,
});

/** Draws that lessons choose the estimate's samples from: few of them agree with all that was learned. */
const drawnWithLessons = 2048;

/** The same belief by what earlier cards taught of the machine and the editor; the very same where they taught nothing. */
function withLessons(belief: Belief, card: JobCard): Belief {
  const evidence = listLessonEvidence(card);
  const [component] = belief.components;
  if (evidence.length === 0 || !component) return belief;
  const { state } = component.hypothesis;
  const samples = drawParameterSamples(drawnWithLessons, state.setup.machine);
  const logLikelihoods = new Float64Array(drawnWithLessons);
  // Lessons look at what is drawn alone, at nothing that comes of it.
  const view = viewSamples(state, samples, createOutcomes(0));
  for (const { addTo } of evidence) addTo(logLikelihoods, view, drawnWithLessons);
  const most = logLikelihoods.reduce((highest, log) => Math.max(highest, log), Number.NEGATIVE_INFINITY);
  const weights = logLikelihoods.map((log) => Math.exp(log - most));
  const indexes = resampledIndexes(weights, priorSampleCount, 0.5);
  return { ...belief, components: [pickSamples({ ...component, samples }, Array.from(indexes))] };
}

/**
 * What is believed of a card before any reading speaks: the estimate with all that is open of it, by what earlier cards taught. It
 * takes what was measured of the machine for the machine's own. Whatever asks a belief can so be asked of a card that nothing
 * was read of yet.
 */
export const priorBelief = (card: JobCard): Belief =>
  withLessons(priorOfState(deriveBaseState(card), complaintOf(card)), card);
