'use client';

import { type DragEvent, type ReactNode, useState } from 'react';
import styled from 'styled-components';

const Area = styled.div<{ readonly $isPage?: boolean }>`
  ${({ $isPage }) => $isPage && 'min-height: calc(100vh - 120px);'}
`;

interface DropAreaProps {
  /** Takes what was dropped; the event lives only until this returns. */
  readonly onDrop: (event: DragEvent<HTMLDivElement>) => void;
  /** As high as the page, so that nobody has to aim. */
  readonly isPage?: boolean;
  readonly children: ReactNode;
}

/** Where files may be dropped, one area inside another too: the inner one takes them. Marked (`data-over`) while they hang over it. */
export function DropArea({ onDrop, isPage = false, children }: DropAreaProps) {
  const [isOver, setOver] = useState(false);
  return (
    <Area
      $isPage={isPage}
      data-over={isOver || undefined}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        event.stopPropagation();
        setOver(false);
        onDrop(event);
      }}
    >
      {children}
    </Area>
  );
}
