'use client';

import { useEffect, useRef, useState } from 'react';
import { TextField as AriaTextField, Input, Label } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, labelStyle, wellStyle } from './field-style';
import { useStoreBehind } from './use-store-behind';

const Field = styled(AriaTextField)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Well = styled(Input)`${wellStyle}`;

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  /** Called with the text soon after it is typed, and when the field is left or Enter is pressed; false where it is refused. */
  readonly onCommit: (value: string) => boolean;
  readonly isLabelHidden?: boolean;
  readonly placeholder?: string;
  /** Whether it is entered as soon as it is there: where a press has just made it. */
  readonly hasFocus?: boolean;
}

/** A line of text that is stored as it is typed; Escape gives back the text that was there when the field was entered. */
export function TextField({
  label,
  value,
  onCommit,
  isLabelHidden = false,
  placeholder,
  hasFocus = false,
}: TextFieldProps) {
  const [draft, setDraft] = useState(value);
  const entered = useRef(value);
  // A space typed last is not stored, and stays while the field is written in.
  useEffect(() => setDraft((current) => (current.trim() === value ? current : value)), [value]);
  const behind = useStoreBehind((text: string) => {
    if (text.trim() !== '' && text.trim() !== value) onCommit(text);
  });
  const commit = () => {
    behind.flush();
    // What was refused gives way to the old text; what was taken shows as it was stored.
    if (draft !== value) setDraft(onCommit(draft) ? draft.trim() : value);
  };
  return (
    <Field
      value={draft}
      onChange={(text) => {
        setDraft(text);
        behind.put(text);
      }}
      aria-label={isLabelHidden ? label : undefined}
    >
      {!isLabelHidden && <FieldLabel>{label}</FieldLabel>}
      <Well
        autoFocus={hasFocus}
        placeholder={placeholder}
        onFocus={() => {
          entered.current = value;
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key !== 'Escape' || draft === entered.current) return;
          event.stopPropagation();
          setDraft(entered.current);
          behind.put(entered.current);
          behind.flush();
        }}
      />
    </Field>
  );
}
