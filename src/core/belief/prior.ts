import { deriveBaseState } from '../card/derive-setup';
import type { JobCard } from '../card/types';
import { drawParameterSamples } from '../load/parameter-samples';
import type { SetupState } from '../load/types';
import { type Complaint, complaintOf } from '../usable';
import type { Belief } from './posterior';

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

/**
 * What is believed of a card before any reading speaks: the estimate with all that is open of it. It takes what was measured of
 * the machine for the machine's own. Whatever asks a belief can so be asked of a card that nothing was read of yet.
 */
export const priorBelief = (card: JobCard): Belief => priorOfState(deriveBaseState(card), complaintOf(card));
