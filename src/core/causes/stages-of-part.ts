import type { StageId } from '../load/types';
import type { LoadCause } from './catalogue';

/** The stages that each part of the load takes its time in. */
export const stagesOfPart: Readonly<Record<LoadCause['part'], readonly StageId[]>> = {
  decode: ['decode'],
  effects: ['effects'],
  layers: ['layers'],
  size: ['scale', 'show'],
};
