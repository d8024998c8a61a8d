'use client';

import { Check, ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button, Label, ListBox, ListBoxItem, Popover, Select, SelectValue, Text } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, helpStyle, labelStyle, wellStyle } from './field-style';
import { VisuallyHidden } from './layout';
import { colour } from './tokens';

const Field = styled(Select)`${fieldStyle}`;
const FieldLabel = styled(Label)`${labelStyle}`;
const Help = styled(Text)`${helpStyle}`;
const Trigger = styled(Button)`
  ${wellStyle}
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  text-align: left;
  cursor: pointer;
  small { display: none; }
`;
const List = styled(ListBox)`
  min-width: var(--trigger-width);
  max-height: 320px;
  overflow: auto;
  padding: 4px;
  background: ${colour.card};
  border: 1px solid ${colour.edge};
  border-radius: 4px;
  box-shadow: 0 6px 20px rgb(0 0 0 / 0.22);
  outline: none;
`;
const Item = styled(ListBoxItem)`
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 8px;
  border-radius: 3px;
  cursor: pointer;
  color: ${colour.ink};
  outline: none;
  &[data-focused] { background: ${colour.inset}; }
  &[data-selected] { font-weight: 650; }
  small { display: block; font-size: 14px; font-weight: 400; color: ${colour.inkSoft}; }
`;

interface SelectFieldProps<Value extends string> {
  readonly label: ReactNode;
  /** `what` stands under the label while the list is open. */
  readonly options: readonly { readonly value: Value; readonly label: string; readonly what?: string }[];
  readonly value: Value | null;
  readonly onChange: (value: Value) => void;
  readonly placeholder?: string;
  readonly help?: string | undefined;
  readonly isLabelHidden?: boolean;
}

/** One of many choices, in a list that opens. */
export function SelectField<Value extends string>(props: SelectFieldProps<Value>) {
  const { label, options, value, onChange, placeholder = 'Choose', help, isLabelHidden = false } = props;
  return (
    <Field value={value} onChange={(key) => onChange(key as Value)} placeholder={placeholder}>
      {isLabelHidden ? (
        <VisuallyHidden>
          <FieldLabel>{label}</FieldLabel>
        </VisuallyHidden>
      ) : (
        <FieldLabel>{label}</FieldLabel>
      )}
      <Trigger>
        <SelectValue />
        <ChevronDown size={18} aria-hidden="true" />
      </Trigger>
      {help !== undefined && <Help slot="description">{help}</Help>}
      <Popover>
        <List>
          {options.map((option) => (
            <Item key={option.value} id={option.value} textValue={option.label}>
              {({ isSelected }) => (
                <>
                  <span>
                    {option.label}
                    {option.what !== undefined && <small>{option.what}</small>}
                  </span>
                  {isSelected && <Check size={16} aria-hidden="true" />}
                </>
              )}
            </Item>
          ))}
        </List>
      </Popover>
    </Field>
  );
}
