'use client';

import type { ReactNode } from 'react';
import { createPortal } from 'react-dom';
import styled, { StyleSheetManager } from 'styled-components';
import { GlobalStyle } from '@/ui/GlobalStyle';
import { colour, font } from '@/ui/tokens';

const Pad = styled.main`
  display: grid;
  gap: 10px;
  align-content: center;
  justify-items: center;
  min-height: 100vh;
  padding: 14px;
  text-align: center;
  background: ${colour.paper};
  b { font: 700 34px/1.1 ${font.heading}; font-variant-numeric: tabular-nums; }
  &[data-down] { background: ${colour.oilWash}; }
`;

interface PadFrameProps {
  /** The small window that it is drawn into. */
  readonly pad: Window;
  /** Marked, as while a key is held. */
  readonly isDown?: boolean;
  readonly children: ReactNode;
}

/** The sheet of a small window that stays in front and takes any key. */
export function PadFrame({ pad, isDown = false, children }: PadFrameProps) {
  return createPortal(
    <StyleSheetManager target={pad.document.head}>
      <GlobalStyle />
      <Pad data-down={isDown || undefined}>{children}</Pad>
    </StyleSheetManager>,
    pad.document.body,
  );
}
