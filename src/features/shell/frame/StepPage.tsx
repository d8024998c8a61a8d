'use client';

import { ArrowRight } from 'lucide-react';
import { type ReactNode, useEffect } from 'react';
import styled from 'styled-components';
import type { StepId } from '@/core/card';
import { stepTexts } from '@/messages/card';
import { Button } from '@/ui/Button';
import { PageHead } from '@/ui/layout';
import { useOpenCard } from '../card/use-open-card';
import { stepAfter, useFinishStep } from '../rail/use-finish-step';
import { useHeadingFocus } from './use-heading-focus';

const Foot = styled.div`
  display: flex;
  justify-content: flex-end;
  margin-top: 16px;
  @media print { display: none; }
`;

/** On paper the bar with the card's name is not there. */
const Printed = styled.p`
  display: none;
  @media print { display: block; }
`;

/** The frame of one step: what it is for in one line, its sheets, and the way on. */
export function StepPage({ stepId, children }: { readonly stepId: StepId; readonly children: ReactNode }) {
  const { card } = useOpenCard();
  const finishStep = useFinishStep(card.id);
  const following = stepAfter(stepId);
  const heading = useHeadingFocus();
  const { label, lead } = stepTexts[stepId];
  useEffect(() => {
    document.title = `${label} · ${card.title} · Oil Can`;
  }, [label, card.title]);
  return (
    <>
      <PageHead>
        <Printed>{card.title}</Printed>
        <h1 ref={heading} tabIndex={-1}>
          {label}
        </h1>
        <p>{lead}</p>
      </PageHead>
      {children}
      {following && (
        <Foot>
          <Button onPress={() => finishStep(stepId)}>
            On to {stepTexts[following].label.toLowerCase()}
            <ArrowRight size={18} aria-hidden="true" />
          </Button>
        </Foot>
      )}
    </>
  );
}
