import type { StageId } from '../load/types';
import type { LoadCause } from './catalogue';

/** The stages that each term of the load takes its time in. */
export const stagesOfTerm: Readonly<Record<LoadCause['term'], readonly StageId[]>> = {
  decode: ['decode'],
  effects: ['effects'],
  layers: ['layers'],
  size: ['scale', 'show'],
};
