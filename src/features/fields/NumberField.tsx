'use client';

import { describeNumberNote } from '@/messages/numbers';
import { type NumberFieldProps, NumberField as PlainNumberField } from '@/ui/NumberField';

/** The number field of every screen: what it changed or refused is said in one form. */
export const NumberField = (props: Omit<NumberFieldProps, 'describeNote'>) => (
  <PlainNumberField {...props} describeNote={(note) => describeNumberNote(note, props)} />
);
