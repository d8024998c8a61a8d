import styled from 'styled-components';
import { type Room, room } from './layout';
import { colour } from './tokens';

interface FactListProps extends Room {
  /** Width of the names, as CSS has it; as wide as the widest unless told otherwise. */
  readonly $nameWidth?: string;
  readonly $isSmall?: boolean;
}

/** Names with what they are, one a line: `dt` and `dd`, alone or in a `div` for each. */
export const FactList = styled.dl<FactListProps>`
  display: grid;
  grid-template-columns: ${({ $nameWidth = 'max-content' }) => $nameWidth} minmax(0, 1fr);
  gap: 2px 12px;
  ${({ $isSmall }) => $isSmall && 'font-size: 15px;'}
  > div { display: contents; }
  dt { color: ${colour.inkSoft}; }
  dd { overflow-wrap: anywhere; }
  b { font-weight: 650; }
  ${room}
`;

/** Figures side by side, as many in a line as there is room for, with what each is above it and a word below. */
export const FigureList = styled.dl<Room & { readonly $leastPx: number }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(${({ $leastPx }) => $leastPx}px, 1fr));
  gap: 8px 20px;
  dt { font-size: 14.5px; color: ${colour.inkSoft}; }
  dd { font-size: 17px; font-weight: 650; font-variant-numeric: tabular-nums; }
  dd > small { display: block; font-size: 14px; font-weight: 400; color: ${colour.inkSoft}; }
  ${room}
`;

/** Steps with their numbers. */
export const NumberedList = styled.ol<Room>`
  padding-left: 22px;
  list-style: decimal;
  ${room}
`;
