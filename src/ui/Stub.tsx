'use client';

import styled from 'styled-components';
import { colour } from './tokens';

/** A tear-off stub with a perforated edge: what must not be forgotten. */
export const Stub = styled.section`
  position: relative;
  margin-top: 14px;
  padding: 12px 16px;
  background: ${colour.card};
  border: 1px solid ${colour.line};
  border-top: 2px dashed ${colour.edge};
  border-radius: 0 0 8px 8px;
  font-size: 15px;
  @media print { background: none; }
  &::before, &::after {
    content: '';
    position: absolute;
    top: -8px;
    width: 13px;
    height: 13px;
    border-radius: 50%;
    background: ${colour.paper};
    border: 1px solid ${colour.line};
  }
  &::before { left: -7px; }
  &::after { right: -7px; }
  small { font-size: 13.5px; }
  h2, h3 { font-size: 15px; font-family: inherit; font-weight: 650; letter-spacing: 0; margin-bottom: 2px; }
`;
