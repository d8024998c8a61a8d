'use client';

import { TextArea as AriaTextArea, Label, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, labelStyle, wellStyle } from './field-style';
import { font } from './tokens';

const Field = styled(TextField)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Well = styled(AriaTextArea)`
  ${wellStyle}
  min-height: 96px;
  font-family: ${font.mono};
  font-size: 13.5px;
  resize: vertical;
`;

interface TextAreaProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** Room for text of many lines that is pasted. */
export function TextArea({ label, value, onChange }: TextAreaProps) {
  return (
    <Field value={value} onChange={onChange}>
      <FieldLabel>{label}</FieldLabel>
      <Well spellCheck={false} />
    </Field>
  );
}
