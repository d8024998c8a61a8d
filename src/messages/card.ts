import { assertNever } from '@/core/assert-never';
import type { CardFailure, CommandFailure, JobCard, StepId } from '@/core/card';

/** Why a card file was not taken in. */
export function describeCardFailure(failure: CardFailure): string {
  switch (failure.code) {
    case 'card-not-json':
      return 'This file is not a job card: it is not JSON text. Choose a file that was exported from Oil Can (its name ends in .json).';
    case 'card-not-a-card':
      return 'This is a JSON file and not a job card: its “format” is not “oil-can-job-card”. Choose a file that was exported from Oil Can.';
    case 'card-newer-version':
      return `This card was written by a newer Oil Can (card version ${failure.version}; this one reads up to ${failure.newestVersion}). Update Oil Can and import it again; the file is unchanged.`;
    case 'card-field-invalid':
      return `A field of this card is out of range or missing: “${failure.path}” holds ${failure.received}. Nothing was imported; docs/formats.md says what is allowed.`;
    case 'card-reference-broken':
      return `This card is not whole: “${failure.path}” points at “${failure.missingId}”, which is not in it. Nothing was imported.`;
    default:
      return assertNever(failure);
  }
}

const itemNames = {
  clip: 'clip',
  program: 'program',
  effect: 'effect',
  reading: 'reading',
  trial: 'trial',
  'decode-test': 'test-play',
  answer: 'answer',
  'working-set': 'working set',
  drive: 'drive',
} as const;

/** Why a change was not made. */
export function describeCommandFailure(failure: CommandFailure): string {
  switch (failure.code) {
    case 'item-missing':
      return `That ${itemNames[failure.item]} is no longer on the card; it may have been removed in another tab.`;
    case 'item-exists':
      return `That ${itemNames[failure.item]} is already on the card.`;
    case 'title-empty':
      return 'A card needs a name of at least one letter. The old name stays.';
    case 'value-out-of-range':
      return `That value is out of range: “${failure.path}” would be ${failure.received}. The old value stays.`;
    case 'trial-already-open':
      return 'Another trial is under way. Keep it or undo it first: one change at a time.';
    case 'trial-not-open':
      return 'That trial has already ended.';
    case 'trial-needs-reading':
      return 'Take a reading first: without one there is nothing to compare with.';
    case 'trial-in-working-set':
      return 'Another working set is switched to. Switch back to the fixes as you kept them, then try this.';
    case 'working-set-in-use':
      return 'This working set is in use. Switch to another first; then it can be deleted.';
    case 'too-many-working-sets':
      return `A card holds up to ${failure.most} working sets. Delete one that you no longer use.`;
    case 'reading-empty':
      return 'A reading needs at least one figure or one answer. Type what you saw, or choose how it played.';
    case 'reading-in-use':
      return 'A trial rests on this reading, so it stays. Undoing the trial does not delete it.';
    default:
      return assertNever(failure);
  }
}

/** Why this tab's change did not fit what another tab stored. */
export const describeConflict = (failure: CommandFailure | CardFailure): string =>
  failure.code.startsWith('card-')
    ? describeCardFailure(failure as CardFailure)
    : describeCommandFailure(failure as CommandFailure);

interface StepText {
  readonly label: string;
  /** What the step is for, in one line. */
  readonly lead: string;
}

/** Steps in working order. */
export const stepTexts: Readonly<Record<StepId, StepText>> = {
  'first-things': {
    label: 'First things',
    lead: 'Five quick answers that often save the rest. Skip what you do not know.',
  },
  machine: { label: 'Machine', lead: 'What the computer can do, and what else it is busy with.' },
  footage: { label: 'Footage', lead: 'What your clips are and what they cost. Nothing leaves this computer.' },
  timeline: { label: 'Timeline', lead: 'What is drawn for each frame. Rough figures are enough.' },
  symptoms: { label: 'Symptoms', lead: 'When it lags, and one first reading to compare with later.' },
  findings: { label: 'Findings', lead: 'What causes the lag, how sure that is, and what would settle it.' },
  fixes: { label: 'Fixes', lead: 'One change, one reading, then keep it or undo it.' },
  'export-check': { label: 'Export check', lead: 'What was given up for speed, and must not end up in the film.' },
};

/** What of playing is enough for a person while they edit. */
export const enoughTexts: Readonly<Record<JobCard['symptoms']['enough'], string>> = {
  smooth: 'Smooth, at this rate',
  'in-time': 'In time with the sound',
  'every-picture': 'Every picture, however slowly',
};
