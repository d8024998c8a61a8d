'use client';

import styled, { css } from 'styled-components';
import { colour } from './tokens';

/** The room that something keeps above and below itself. */
export interface Room {
  readonly $abovePx?: number;
  readonly $belowPx?: number;
}

// Twice, because what stands in a sheet or a page head has margins of its own.
export const room = css<Room>`
  && {
    ${({ $abovePx }) => $abovePx !== undefined && `margin-top: ${$abovePx}px;`}
    ${({ $belowPx }) => $belowPx !== undefined && `margin-bottom: ${$belowPx}px;`}
  }
`;

/** Controls side by side, wrapping; each at least `$leastPx` wide. */
export const FieldGrid = styled.div<Room & { readonly $leastPx?: number }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, ${({ $leastPx = 200 }) => $leastPx}px), 1fr));
  gap: 14px 20px;
  align-items: start;
  ${room}
`;

interface RowProps extends Room {
  readonly $isSpread?: boolean;
  readonly $isOneLine?: boolean;
  readonly $isAtFoot?: boolean;
  readonly $isClose?: boolean;
}

/** Things in a row with even gaps, wrapping; `$isSpread` to both ends, `$isOneLine` without wrapping, `$isAtFoot` on one base, `$isClose` with little between. */
export const Row = styled.div<RowProps>`
  display: flex;
  flex-wrap: ${({ $isOneLine }) => ($isOneLine ? 'nowrap' : 'wrap')};
  align-items: ${({ $isAtFoot }) => ($isAtFoot ? 'end' : 'center')};
  justify-content: ${({ $isSpread }) => ($isSpread ? 'space-between' : 'normal')};
  gap: ${({ $isClose }) => ($isClose ? '2px 4px' : '8px 12px')};
  ${room}
`;

/** Things under each other with even gaps. */
export const Stack = styled.div<Room & { readonly $gapPx?: number }>`
  display: flex;
  flex-direction: column;
  gap: ${({ $gapPx = 12 }) => $gapPx}px;
  ${room}
`;

/** Something that stands a little apart from what is around it; `$mostPx` wide at most. */
export const Spaced = styled.div<Room & { readonly $mostPx?: number }>`
  ${({ $mostPx }) => $mostPx !== undefined && `max-width: ${$mostPx}px;`}
  ${room}
`;

/** A paragraph that does. */
export const Paragraph = styled.p<Room>`
  ${room}
`;

/** Second text. */
export const Soft = styled.span<Room>`
  color: ${colour.inkSoft};
  font-size: 15px;
  ${room}
`;

/** For assistive technology only. */
export const VisuallyHidden = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;

/** The head of a page: its name, and what it is for in one line. */
export const PageHead = styled.div`
  margin-bottom: 14px;
  h1 { font-size: 28px; width: fit-content; }
  h1:focus:not(:focus-visible) { outline: none; }
  @media (max-width: 720px) { margin-bottom: 10px; h1 { font-size: 24px; } }
  p { margin-top: 2px; color: ${colour.inkSoft}; }
`;

/** A page that stands for another: nothing on it but what is said and the way on. */
export const LonePage = styled.main`
  max-width: 620px;
  margin: 80px auto;
  padding: 0 20px;
  h1 { font-size: 28px; margin-bottom: 8px; }
  p { margin-bottom: 16px; }
`;

/** Holds what may be wider than a narrow screen, and scrolls by itself. */
export const Scroller = styled.div`
  position: relative;
  overflow-x: auto;
`;
