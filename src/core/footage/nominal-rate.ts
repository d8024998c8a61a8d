import { type Rational, rationalToNumber } from '../numbers/rational';
import { standardFrameRates } from './frame-rate';
import type { VideoFacts } from './types';

/** Uneven stamps scatter around the rate that the camera meant by a few per cent. Assumption. */
const nearRatio = 0.06;

function nearestStandard(fps: number): Rational | null {
  const off = (rate: Rational): number => Math.abs(Math.log(rationalToNumber(rate) / fps));
  const nearest = standardFrameRates.reduce((best, rate) => (off(rate) < off(best) ? rate : best));
  return off(nearest) <= nearRatio ? nearest : null;
}

/**
 * The rate that a clip was made for: an uneven one leaves frames out, so that its average lies below what it is meant to be
 * shown at. By its usual interval, else by its average; as it is where neither is near a standard rate.
 */
export function nominalRateOf(
  facts: Pick<VideoFacts, 'frameRate' | 'isVariableFrameRate' | 'frameIntervals'>,
): Rational {
  if (!facts.isVariableFrameRate) return facts.frameRate;
  const usualMs = facts.frameIntervals?.usualMs ?? 0;
  const byInterval = usualMs > 0 ? nearestStandard(1000 / usualMs) : null;
  return byInterval ?? nearestStandard(rationalToNumber(facts.frameRate)) ?? facts.frameRate;
}
