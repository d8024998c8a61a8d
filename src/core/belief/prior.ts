import { deriveBaseState } from '../card/derive-setup';
import type { JobCard } from '../card/types';
import { forecastSampleCount } from '../load/forecast';
import { drawParameterSamples } from '../load/parameter-samples';
import { complaintOf } from '../usable';
import type { Belief } from './posterior';

/**
 * What is believed of a card before any reading speaks: the estimate with all that is open of it, and no fault but those that are
 * stated. It takes what was measured of the machine for the machine's own, as the estimate does. Whatever asks a belief can so be
 * asked of a card that nothing was read of yet.
 */
export function priorBelief(card: JobCard): Belief {
  const state = deriveBaseState(card);
  const part = {
    hypothesis: { key: 'prior', causeIds: [], odds: 1, state },
    weight: 1,
    count: forecastSampleCount,
    samples: drawParameterSamples(forecastSampleCount, state.setup.machine),
  };
  return { base: state, complaint: complaintOf(card), parts: [part], sampleCount: forecastSampleCount };
}
