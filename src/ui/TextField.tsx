'use client';

import { useEffect, useState } from 'react';
import { TextField as AriaTextField, Input, Label } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, labelStyle, wellStyle } from './field-style';

const Field = styled(AriaTextField)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Well = styled(Input)`${wellStyle}`;

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  /** Called with the text when the field is left or Enter is pressed, if it changed; false where it is refused. */
  readonly onCommit: (value: string) => boolean;
  readonly isLabelHidden?: boolean;
}

/** A line of text that is stored when it is left; Escape gives the old text back. */
export function TextField({ label, value, onCommit, isLabelHidden = false }: TextFieldProps) {
  const [draft, setDraft] = useState(value);
  useEffect(() => setDraft(value), [value]);
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
