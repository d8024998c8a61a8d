'use client';

import styled from 'styled-components';
import { font } from '@/ui/tokens';

/** What a look asks or offers: its heading, how it goes, and what to press. */
export const LookBox = styled.div`
  h3 { font: 650 16.5px/1.3 ${font.heading}; margin-bottom: 3px; }
  > p { margin-bottom: 8px; font-size: 15px; }
`;
