'use client';

import type { ReactNode } from 'react';
import { NumberField as AriaNumberField, Group, Input, Label, Text } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, helpStyle, labelStyle, wellStyle } from './field-style';
import { colour } from './tokens';

const Field = styled(AriaNumberField)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Row = styled(Group)`
  ${wellStyle}
  display: flex;
  align-items: baseline;
  gap: 6px;
  padding: 0 10px 0 0;
  &[data-focus-within] { outline: 3px solid ${colour.enamel}; outline-offset: 2px; }
`;
const Well = styled(Input)`
  flex: 1;
  min-width: 3ch;
  width: 100%;
  min-height: 34px;
  padding: 5px 4px 5px 10px;
  border: 0;
  background: transparent;
  outline: none;
`;
const Unit = styled.span`
  color: ${colour.inkSoft};
  font-size: 14.5px;
  white-space: nowrap;
`;
const Help = styled(Text)`${helpStyle}`;

interface NumberFieldProps {
  readonly label: ReactNode;
  /** Null where nothing is known; the field is then empty. */
  readonly value: number | null;
  /** Called when the field is left with a number in range, or null when it was emptied. */
  readonly onChange: (value: number | null) => void;
  readonly minValue: number;
  readonly maxValue: number;
  readonly unit?: string;
  readonly step?: number;
  readonly fractionDigits?: number;
  readonly help?: string;
  readonly 'aria-label'?: string;
}

/** A number with its unit. Values out of range are brought to the nearest end when the field is left. */
export function NumberField(props: NumberFieldProps) {
  const { label, value, onChange, minValue, maxValue, unit, step, fractionDigits = 0, help } = props;
  return (
    <Field
      value={value ?? Number.NaN}
      onChange={(next) => onChange(Number.isNaN(next) ? null : next)}
      minValue={minValue}
      maxValue={maxValue}
      step={step}
      aria-label={props['aria-label']}
      formatOptions={{ maximumFractionDigits: fractionDigits, useGrouping: false }}
    >
      {label !== null && <FieldLabel>{label}</FieldLabel>}
      <Row>
        <Well />
        {unit !== undefined && <Unit>{unit}</Unit>}
      </Row>
      {help !== undefined && <Help slot="description">{help}</Help>}
    </Field>
  );
}
