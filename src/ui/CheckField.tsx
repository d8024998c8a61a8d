'use client';

import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import { Checkbox } from 'react-aria-components';
import styled from 'styled-components';
import { colour } from './tokens';

const Row = styled(Checkbox)`
  display: flex;
  align-items: flex-start;
  gap: 10px;
  padding: 4px 0;
  cursor: pointer;
  &[data-disabled] { opacity: 0.6; cursor: not-allowed; }
  &[data-focus-visible] > .tick { outline: 3px solid ${colour.enamel}; outline-offset: 2px; }
`;
const Tick = styled.span`
  flex: none;
  display: grid;
  place-items: center;
  width: 22px;
  height: 22px;
  border: 1.5px solid ${colour.edge};
  border-radius: 4px;
  background: ${colour.card};
  color: ${colour.onEnamel};
  [data-selected] > & { background: ${colour.enamel}; border-color: ${colour.enamel}; }
`;

interface CheckFieldProps {
  readonly isSelected: boolean;
  readonly isDisabled?: boolean;
  readonly onChange: (isSelected: boolean) => void;
  readonly children: ReactNode;
}

/** A tick box with its words. */
export function CheckField({ isSelected, isDisabled = false, onChange, children }: CheckFieldProps) {
  return (
    <Row isSelected={isSelected} isDisabled={isDisabled} onChange={onChange}>
      <Tick className="tick">{isSelected && <Check size={16} strokeWidth={3} aria-hidden="true" />}</Tick>
      <span>{children}</span>
    </Row>
  );
}
