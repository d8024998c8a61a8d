'use client';

import type { ReactNode } from 'react';
import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, labelStyle } from './field-style';
import { colour } from './tokens';

const Field = styled(RadioGroup)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Row = styled.div`
  display: inline-flex;
  flex-wrap: wrap;
  width: fit-content;
  max-width: 100%;
  border: 1px solid ${colour.edge};
  border-radius: 4px;
  background: ${colour.inset};
`;
const Segment = styled(Radio)`
  padding: 6px 10px;
  font-size: 14.5px;
  line-height: 1.35;
  cursor: pointer;
  color: ${colour.ink};
  border-left: 1px solid ${colour.line};
  transition: background-color 150ms;
  &:first-child { border-left: 0; border-radius: 3px 0 0 3px; }
  &:last-child { border-radius: 0 3px 3px 0; }
  &[data-selected] { background: ${colour.enamel}; color: ${colour.onEnamel}; font-weight: 650; }
  &[data-focus-visible] { outline: 3px solid ${colour.enamel}; outline-offset: 2px; z-index: 1; }
  &[data-disabled] { opacity: 0.45; cursor: not-allowed; }
`;

export interface SegmentOption<Value extends string> {
  readonly value: Value;
  readonly label: ReactNode;
  readonly isDisabled?: boolean;
}

interface SegmentedFieldProps<Value extends string> {
  readonly label: ReactNode;
  readonly options: readonly SegmentOption<Value>[];
  /** Null where none is chosen. */
  readonly value: Value | null;
  readonly onChange: (value: Value) => void;
}

/** One of a few choices, side by side; arrow keys move between them. */
export function SegmentedField<Value extends string>({ label, options, value, onChange }: SegmentedFieldProps<Value>) {
  return (
    <Field value={value} onChange={(next) => onChange(next as Value)} orientation="horizontal">
      <FieldLabel>{label}</FieldLabel>
      <Row>
        {options.map((option) => (
          <Segment key={option.value} value={option.value} isDisabled={option.isDisabled}>
            {option.label}
          </Segment>
        ))}
      </Row>
    </Field>
  );
}
