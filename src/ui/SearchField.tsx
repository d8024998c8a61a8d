'use client';

import { SearchField as AriaSearchField, Input, Label } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, labelStyle, wellStyle } from './field-style';

const Field = styled(AriaSearchField)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Well = styled(Input)`
  ${wellStyle}
  &::-webkit-search-cancel-button { cursor: pointer; }
`;

interface SearchFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** Words to look for; Escape empties it. */
export function SearchField({ label, value, onChange }: SearchFieldProps) {
  return (
    <Field value={value} onChange={onChange}>
      <FieldLabel>{label}</FieldLabel>
      <Well />
    </Field>
  );
}
