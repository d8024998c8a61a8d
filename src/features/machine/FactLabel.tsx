'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { FactSource } from '@/core/machine';
import { factSourceTexts } from '@/messages/machine';
import { Tag } from '@/ui/Tag';

const Line = styled.span`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 8px;
`;

/** A field's name with where its value comes from; a guess is called a guess. */
export function FactLabel({ source, children }: { readonly source: FactSource; readonly children: ReactNode }) {
  return (
    <Line>
      {children}
      <Tag kind={source === 'assumed' ? 'guess' : 'plain'} title={factSourceTexts[source].what}>
        {factSourceTexts[source].label}
      </Tag>
    </Line>
  );
}
