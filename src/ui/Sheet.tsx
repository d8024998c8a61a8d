'use client';

import { type ReactNode, useId } from 'react';
import styled from 'styled-components';
import { colour } from './tokens';

const Box = styled.section`
  background: ${colour.card};
  border: 1px solid ${colour.line};
  border-radius: 8px;
  padding: 16px 18px;
  margin-bottom: 12px;
  min-width: 0;
  &:focus { outline: none; }
  &:focus-visible { outline: 3px solid ${colour.enamel}; }
  &[data-kind='next'] { border-color: ${colour.oil}; background: linear-gradient(${colour.oilWash}, ${colour.card}); }
  @media print { &, &[data-kind='next'] { background: none; } }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 4px 16px;
  margin-bottom: 8px;
  h2 { font-size: 18px; }
  > div { color: ${colour.inkSoft}; font-size: 14.5px; }
`;

interface SheetProps {
  readonly title: ReactNode;
  /** Beside the title, at the right. */
  readonly aside?: ReactNode;
  readonly kind?: 'plain' | 'next';
  /** What it shows is being worked out anew, and may move. */
  readonly isBusy?: boolean;
  readonly children: ReactNode;
}

/** A sheet of paper with a heading: the unit of every screen. */
export function Sheet({ title, aside, kind = 'plain', isBusy, children }: SheetProps) {
  const id = useId();
  return (
    // Focus comes here where a button on it takes itself away.
    <Box aria-labelledby={id} data-kind={kind} aria-busy={isBusy} tabIndex={-1}>
      <Head>
        <h2 id={id}>{title}</h2>
        {aside !== undefined && <div>{aside}</div>}
      </Head>
      {children}
    </Box>
  );
}
