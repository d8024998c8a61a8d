'use client';

import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { colour } from './tokens';

const Box = styled.input`
  width: 18px;
  height: 18px;
  margin: 1px 0 0;
  accent-color: ${colour.enamel};
  cursor: pointer;
`;

interface PlainCheckProps {
  readonly label: string;
  readonly isSelected: boolean;
  readonly isIndeterminate?: boolean;
  readonly onChange: (isSelected: boolean) => void;
}

/** A tick box for rows of a table: the platform's own, because there are many of them at once. */
export function PlainCheck({ label, isSelected, isIndeterminate = false, onChange }: PlainCheckProps) {
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (box.current) box.current.indeterminate = isIndeterminate && !isSelected;
  }, [isIndeterminate, isSelected]);
  return (
    <Box
      ref={box}
      type="checkbox"
      aria-label={label}
      checked={isSelected}
      onChange={(event) => onChange(event.target.checked)}
    />
  );
}
