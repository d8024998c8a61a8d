'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Mark } from '@/ui/Mark';
import { colour, font } from '@/ui/tokens';
import { KeysHelp } from './KeysHelp';
import { ThemeSwitch } from './ThemeSwitch';

const Bar = styled.header`
  position: sticky;
  top: 0;
  z-index: 10;
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 56px;
  padding: 0 20px 0 16px;
  background: ${colour.card};
  border-bottom: 1px solid ${colour.line};
  @media (max-width: 720px) { padding: 0 10px; gap: 8px; }
  @media print { display: none; }
`;
const Home = styled(Link)`
  display: flex;
  align-items: center;
  gap: 10px;
  font: 700 19px ${font.heading};
  color: ${colour.ink};
  text-decoration: none;
  white-space: nowrap;
`;
const Middle = styled.div`
  flex: 1;
  min-width: 0;
`;

/** The bar at the top of every page; `children` stand beside the mark, `actions` before help and theme. */
export function TopBar({ children, actions }: { readonly children?: ReactNode; readonly actions?: ReactNode }) {
  return (
    <Bar>
      <Home href="/" prefetch={false}>
        <Mark />
        Oil Can
      </Home>
      <Middle>{children}</Middle>
      {actions}
      <KeysHelp />
      <ThemeSwitch />
    </Bar>
  );
}
