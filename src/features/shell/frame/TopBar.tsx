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

/** Where the skip link leads: the main part of every page. */
export const mainId = 'main';

/** The first thing that Tab reaches: past the bar and the rail. */
const SkipLink = styled.a`
  position: absolute;
  left: 12px;
  top: -60px;
  z-index: 30;
  padding: 8px 14px;
  border-radius: 4px;
  background: ${colour.enamel};
  color: ${colour.onEnamel};
  font-weight: 650;
  &:focus { top: 10px; }
`;
const Name = styled.span`
  @media (max-width: 480px) { display: none; }
`;

/** The bar at the top of every page; `children` stand beside the mark, `actions` before help and theme. */
export function TopBar({ children, actions }: { readonly children?: ReactNode; readonly actions?: ReactNode }) {
  return (
    <Bar>
      <SkipLink href={`#${mainId}`}>Skip to the page</SkipLink>
      <Home href="/" prefetch={false} aria-label="Oil Can">
        <Mark />
        <Name>Oil Can</Name>
      </Home>
      <Middle>{children}</Middle>
      {actions}
      <KeysHelp />
      <ThemeSwitch />
    </Bar>
  );
}
