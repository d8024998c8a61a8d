'use client';

import { useEffect, useState } from 'react';
import { TextField as AriaTextField, Input, Label } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, labelStyle, wellStyle } from './field-style';

const Field = styled(AriaTextField)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Well = styled(Input)`${wellStyle}`;

/** What is typed is stored this long after the last letter, so that closing the tab loses no more than that. */
const storeAfterMs = 300;

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  /** Called with the text soon after it is typed, and when the field is left or Enter is pressed; false where it is refused. */
  readonly onCommit: (value: string) => boolean;
  readonly isLabelHidden?: boolean;
}

/** A line of text that is stored as it is typed; Escape gives back the text that was stored last. */
export function TextField({ label, value, onCommit, isLabelHidden = false }: TextFieldProps) {
  const [draft, setDraft] = useState(value);
  // A space typed last is not stored, and stays while the field is written in.
  useEffect(() => setDraft((current) => (current.trim() === value ? current : value)), [value]);
  useEffect(() => {
    if (draft.trim() === '' || draft.trim() === value) return;
    const timer = setTimeout(() => onCommit(draft), storeAfterMs);
    return () => clearTimeout(timer);
  }, [draft, value, onCommit]);
  const commit = () => {
    // What was refused gives way to the old text; what was taken shows as it was stored.
    if (draft !== value) setDraft(onCommit(draft) ? draft.trim() : value);
  };
  return (
    <Field value={draft} onChange={setDraft} aria-label={isLabelHidden ? label : undefined}>
      {!isLabelHidden && <FieldLabel>{label}</FieldLabel>}
      <Well
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setDraft(value);
        }}
      />
    </Field>
  );
}
