'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import { colour } from './tokens';

const Room = styled.div<{ readonly $leastPx: number }>`
  min-height: ${({ $leastPx }) => $leastPx}px;
  margin-bottom: 12px;
  border: 1px dashed ${colour.line};
  border-radius: 8px;
`;

/** Keeps room for what is still being worked out, so that what stands below it does not jump when it comes. */
export const Settled = ({
  isReady,
  leastPx,
  children,
}: {
  readonly isReady: boolean;
  readonly leastPx: number;
  readonly children: ReactNode;
}) => (isReady ? children : <Room $leastPx={leastPx} aria-hidden="true" />);
