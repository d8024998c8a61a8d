'use client';

import styled from 'styled-components';
import { colour, font } from './tokens';

/** The look of every table: figures right-aligned with `data-figure`, long names wrapped. */
export const DataTable = styled.table`
  font-size: 15px;
  th, td { padding: 7px 10px; text-align: left; vertical-align: top; border-bottom: 1px solid ${colour.line}; }
  thead th { background: ${colour.inset}; font-size: 13.5px; font-weight: 600; color: ${colour.inkSoft}; white-space: nowrap; }
  tbody th { font-weight: 600; overflow-wrap: anywhere; min-width: 190px; }
  /* A button's words stand on the line of the words beside it; its frame reaches into the cell's padding. */
  td > button { margin-block: -7px; }
  [data-figure] { text-align: right; font-family: ${font.mono}; font-size: 14px; white-space: nowrap; }
  thead [data-figure] { font-family: ${font.text}; font-size: 13.5px; }
`;

/** Lets a wide table scroll in its own frame rather than the page. */
export const TableFrame = styled.div`
  position: relative;
  overflow-x: auto;
  margin: 0 -18px;
  padding: 0 18px;
`;
