'use client';

import { type ReactNode, useEffect } from 'react';
import { PageHead } from '@/ui/layout';
import { useOpenCard } from '../card/use-open-card';
import { useHeadingFocus } from './use-heading-focus';

interface ToolPageProps {
  readonly title: string;
  /** What it is for, in one line. */
  readonly lead: string;
  readonly children: ReactNode;
}

/** The frame of a tool that is at hand at any step. */
export function ToolPage({ title, lead, children }: ToolPageProps) {
  const { card } = useOpenCard();
  const heading = useHeadingFocus();
  useEffect(() => {
    document.title = `${title} · ${card.title} · Oil Can`;
  }, [title, card.title]);
  return (
    <>
      <PageHead>
        <h1 ref={heading} tabIndex={-1}>
          {title}
        </h1>
        <p>{lead}</p>
      </PageHead>
      {children}
    </>
  );
}
