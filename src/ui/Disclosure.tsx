'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import { colour } from './tokens';

const Details = styled.details`
  font-size: 15px;
  > summary { cursor: pointer; color: ${colour.enamel}; font-weight: 600; width: fit-content; }
  > div { padding: 6px 0 4px; color: ${colour.inkSoft}; max-width: 68ch; }
`;

/** An explanation that folds away. */
export function Disclosure({ label, children }: { readonly label: ReactNode; readonly children: ReactNode }) {
  return (
    <Details>
      <summary>{label}</summary>
      <div>{children}</div>
    </Details>
  );
}
