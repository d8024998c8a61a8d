'use client';

import styled from 'styled-components';

/** Takes what room there is beside a button, and a line of its own where that is little, or `$isAlone`. */
export const BesideButton = styled.p<{ readonly $isAlone?: boolean }>`
  flex: 1 1 ${({ $isAlone }) => ($isAlone ? '100%' : '330px')};
`;
