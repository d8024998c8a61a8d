import type { MeterResult } from './types';

/**
 * What the meter itself is off by where it is not sure, as a standard deviation of the rate's logarithm: rounded from 504
 * recordings of bench:meter (docs/model.md), live ones counting for more than strongly compressed ones, and filmed ones
 * from two dozen; what looks filmed is nearly twice too high where it was. Assumed for frames that measuring missed.
 */
const unsureSpread: Readonly<Record<MeterResult['reason'], number>> = {
  clear: 0,
  // Few, but each of them seen: what their number leaves open is no error of the meter's.
  'few-pictures': 0,
  'faint-movement': 0.15,
  'unclear-changes': 0.1,
  'strong-compression': 0.2,
  'at-recorded-rate': 0.6,
  // As a rule the preview itself changes no more often.
  'as-often-as-shared': 0,
  'measuring-too-slow': 0.3,
  filmed: 0.2,
  'looks-filmed': 0.4,
};
/** Filmed, and as sure as that can be. */
const filmedSpread = 0.05;

/** What the meter itself is off by, as a standard deviation of the rate's logarithm; 0 where it is sure. */
export const meterSpreadOf = ({ confidence, reason }: Pick<MeterResult, 'confidence' | 'reason'>): number =>
  confidence === 'low' ? unsureSpread[reason] : reason === 'filmed' ? filmedSpread : 0;
