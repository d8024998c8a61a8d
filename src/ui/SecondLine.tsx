'use client';

import styled from 'styled-components';
import { colour, font } from './tokens';

/** A second line under the first of a cell. */
export const SecondLine = styled.small`
  display: block;
  color: ${colour.inkSoft};
  font: 400 15px/1.45 ${font.text};
  &[data-strong] { font-weight: 600; }
`;
