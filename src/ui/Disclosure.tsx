'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import { colour } from './tokens';

const Details = styled.details`
  font-size: 15px;
  > summary { cursor: pointer; color: ${colour.enamel}; font-weight: 600; width: fit-content; }
  > div { padding: 6px 0 4px; color: ${colour.inkSoft}; max-width: 68ch; }
`;

interface DisclosureProps {
  readonly label: ReactNode;
  /** Called when it is unfolded, for what is only worked out for whoever looks. */
  readonly onOpen?: () => void;
  readonly children: ReactNode;
}

/** An explanation that folds away. */
export function Disclosure({ label, onOpen, children }: DisclosureProps) {
  return (
    <Details onToggle={(event) => event.currentTarget.open && onOpen?.()}>
      <summary>{label}</summary>
      <div>{children}</div>
    </Details>
  );
}
