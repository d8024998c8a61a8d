'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { FactSource } from '@/core/machine';
import { factSourceTexts } from '@/messages/machine';
import { Tag } from '@/ui/Tag';
import { colour } from '@/ui/tokens';

const Box = styled.div`
  min-width: 0;
`;
const Foot = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 26px;
  margin-top: 2px;
  font-size: 14px;
`;
const Confirm = styled.button`
  padding: 2px 0;
  border: 0;
  background: none;
  color: ${colour.enamel};
  font: inherit;
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
`;

interface FactFieldProps {
  readonly source: FactSource;
  /** What the field is called, for the button's name. */
  readonly name: string;
  /** Says that the guess is right; given where a guess may be. */
  readonly onConfirm: () => void;
  readonly children: ReactNode;
}

/** A field with where its value comes from below it. A guess is called a guess, and can be confirmed with one press. */
export function FactField({ source, name, onConfirm, children }: FactFieldProps) {
  return (
    <Box>
      {children}
      <Foot>
        <Tag kind={source === 'assumed' ? 'guess' : 'plain'} title={factSourceTexts[source].what}>
          {factSourceTexts[source].label}
        </Tag>
        {source === 'assumed' && (
          <Confirm type="button" aria-label={`That is how it is: ${name}`} onClick={onConfirm}>
            That is how it is
          </Confirm>
        )}
      </Foot>
    </Box>
  );
}
