'use client';

import styled from 'styled-components';
import { colour } from './tokens';

/** A rubber stamp on the card: how a trial ended. */
export const Stamp = styled.span`
  display: inline-block;
  padding: 1px 8px;
  border: 2px solid ${colour.good};
  border-radius: 3px;
  color: ${colour.good};
  font-weight: 700;
  font-size: 14px;
  letter-spacing: 0.04em;
  transform: rotate(-3deg);
  &[data-kind='undone'] { border-color: ${colour.edge}; color: ${colour.inkSoft}; transform: none; }
  &[data-kind='open'] { border-color: ${colour.oil}; color: ${colour.oilInk}; border-style: dashed; transform: none; }
`;
