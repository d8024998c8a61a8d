import type { StepId } from '@/core/card';

/** What is to be done at a step, as a heading. */
export const stepVerbs: Readonly<Record<StepId, string>> = {
  'first-things': 'Answer the first things',
  machine: 'Describe the machine',
  footage: 'Add your footage',
  timeline: 'Describe the timeline',
  symptoms: 'Say when it lags',
  findings: 'Read the findings',
  fixes: 'Try a fix',
  'export-check': 'Put things back',
};
