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
import { type Evidence, viewSamples } from './weighing';

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

/** Of so many draws those are kept that agree with what earlier cards taught. */
const learnedDrawCount = 1024;

/** The estimate with the figures that earlier cards taught; of faults it knows none, those that were learned neither. */
function withLessons(prior: Belief, lessons: readonly Evidence[]): Belief {
  const components = prior.components.map((component) => {
    const { state } = component.hypothesis;
    const samples = drawParameterSamples(learnedDrawCount, state.setup.machine);
    const logs = new Float64Array(learnedDrawCount);
    const view = viewSamples(state, samples, createOutcomes(0));
    for (const { addTo } of lessons) addTo(logs, view, learnedDrawCount);
    const indexes = resampledIndexes(logs.map(Math.exp), component.count, 0.5);
    return pickSamples({ ...component, samples }, [...indexes]);
  });
  return { ...prior, components };
}

/**
 * What is believed of a card before any reading speaks: the estimate with all that is open of it. It takes what was measured of
 * the machine for the machine's own. Whatever asks a belief can so be asked of a card that nothing was read of yet.
 */
export function priorBelief(card: JobCard): Belief {
  const prior = priorOfState(deriveBaseState(card), complaintOf(card));
  const lessons = listLessonEvidence(card);
  return lessons.length === 0 ? prior : withLessons(prior, lessons);
}
