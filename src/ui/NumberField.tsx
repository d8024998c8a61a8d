'use client';

import { type KeyboardEvent, type ReactNode, useEffect, useReducer, useRef } from 'react';
import { Group, Input, Label, Text, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { fieldStyle, helpStyle, labelStyle, wellStyle } from './field-style';
import { type NumberFieldEvent, type NumberFieldState, startField, stepField, valueIn } from './number-field-state';
import { type NumberNote, type NumberSpec, writeNumber } from './read-number';
import { colour } from './tokens';
import { useStoreBehind } from './use-store-behind';

const Field = styled(TextField)`${fieldStyle}`;
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
const Help = styled(Text)`
  ${helpStyle}
  > b { display: block; font-weight: 600; color: ${colour.ink}; }
  > b[data-refused] { color: ${colour.alarm}; }
`;

/** What is wrong with a text is said this long after the last key: "1" may become "12". */
const faultAfterMs = 900;

export interface NumberFieldProps {
  readonly label: ReactNode;
  /** Null where nothing is known; the field is then empty. */
  readonly value: number | null;
  /** Called with what is typed soon after it is, with a number in range, or null where it was emptied. */
  readonly onChange: (value: number | null) => void;
  readonly minValue: number;
  readonly maxValue: number;
  readonly unit?: string;
  readonly step?: number;
  readonly fractionDigits?: number;
  readonly help?: ReactNode;
  /** Whether an emptied field says that nothing is known; else the old value comes back. */
  readonly canBeEmpty?: boolean;
  /** Whether it is stored only by Enter or when the field is left: where each number makes something of its own. */
  readonly isStoredWhenLeft?: boolean;
  readonly 'aria-label'?: string;
  /** Says what became of a text that was not taken as it was typed. */
  readonly describeNote: (note: NumberNote) => string;
}

/**
 * A number with its unit, stored as it is typed. Comma and point are alike; what is refused or changed is said below.
 * Arrow keys count up and down, Escape gives the value back that was there when the field was entered.
 */
export function NumberField(props: NumberFieldProps) {
  const { label, value, onChange, minValue, maxValue, unit, step = 1, help, canBeEmpty = true, describeNote } = props;
  const fractionDigits = props.fractionDigits ?? 0;
  const spec: NumberSpec = { minValue, maxValue, fractionDigits, canBeEmpty };
  const [state, dispatch] = useReducer(
    (current: NumberFieldState, event: NumberFieldEvent) => stepField(current, event, value, spec),
    null,
    () => startField(value, spec),
  );
  const stored = writeNumber(value, fractionDigits);
  // The value that came last: what is stored behind need not be stored again.
  const latest = useRef(stored);
  latest.current = stored;
  const behind = useStoreBehind((text: string) => {
    const read = valueIn({ ...state, draft: text }, spec);
    if (read.kind === 'refused' || (read.kind === 'empty' && !canBeEmpty)) return;
    if (writeNumber(read.value, fractionDigits) !== latest.current) onChange(read.value);
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a change of what is stored is news to the field
  useEffect(() => dispatch({ type: 'changed', value }), [stored]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: every further key begins the pause anew
  useEffect(() => {
    if (!state.isFocused) return;
    const timer = setTimeout(() => dispatch({ type: 'paused' }), faultAfterMs);
    return () => clearTimeout(timer);
  }, [state.isFocused, state.draft]);
  const type = (text: string) => {
    dispatch({ type: 'typed', text });
    behind.put(text, props.isStoredWhenLeft);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') behind.flush();
    if (event.key === 'Escape' && state.draft !== writeNumber(state.entered, fractionDigits)) {
      // It gives the old value back, and closes nothing around it.
      event.stopPropagation();
      dispatch({ type: 'given-back' });
      behind.put(writeNumber(state.entered, fractionDigits));
      behind.flush();
    }
    if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    const from = valueIn(state, spec).value ?? value ?? minValue;
    const next = Math.min(maxValue, Math.max(minValue, from + (event.key === 'ArrowUp' ? step : -step)));
    type(writeNumber(next, fractionDigits));
  };
  const isRefused = state.note !== null && state.note.code !== 'read-as';
  return (
    <Field
      value={state.draft}
      onChange={type}
      aria-label={props['aria-label']}
      isInvalid={isRefused}
      onFocus={() => dispatch({ type: 'entered' })}
      onBlur={() => {
        behind.flush();
        dispatch({ type: 'left' });
      }}
    >
      {label !== null && <FieldLabel>{label}</FieldLabel>}
      <Row data-invalid={isRefused || undefined}>
        <Well inputMode={fractionDigits > 0 ? 'decimal' : 'numeric'} autoComplete="off" onKeyDown={onKeyDown} />
        {unit !== undefined && <Unit>{unit}</Unit>}
      </Row>
      {(help !== undefined || state.note) && (
        <Help slot="description" role="status">
          {state.note && <b data-refused={isRefused || undefined}>{describeNote(state.note)}</b>}
          {help}
        </Help>
      )}
    </Field>
  );
}
