'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import { colour } from './tokens';

const Box = styled.span`
  display: inline-block;
  padding: 0 7px;
  border: 1px solid ${colour.line};
  border-radius: 10px;
  background: ${colour.paper};
  color: ${colour.inkSoft};
  font-size: 13px;
  line-height: 20px;
  white-space: nowrap;
  &[data-kind='guess'] { border-style: dashed; border-color: ${colour.edge}; }
`;

/** A small label; a guess has a dashed edge. */
export function Tag({
  kind = 'plain',
  title,
  children,
}: {
  readonly kind?: 'plain' | 'guess';
  readonly title?: string;
  readonly children: ReactNode;
}) {
  return (
    <Box data-kind={kind} title={title}>
      {children}
    </Box>
  );
}
