'use client';

import { ArrowRight } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { type ReactNode, useEffect } from 'react';
import styled from 'styled-components';
import { canFinishByHand, type StepId, stepIds } from '@/core/card';
import { stepTexts } from '@/messages/card';
import { Button } from '@/ui/Button';
import { colour } from '@/ui/tokens';
import { useOpenCard } from './use-open-card';

const Head = styled.div`
  margin-bottom: 14px;
  h1 { font-size: 28px; }
  p { margin-top: 2px; color: ${colour.inkSoft}; }
`;
const Foot = styled.div`
  display: flex;
  justify-content: flex-end;
  margin-top: 16px;
  @media print { display: none; }
`;

/** The frame of one step: what it is for in one line, its sheets, and the way on. */
export function StepPage({ stepId, children }: { readonly stepId: StepId; readonly children: ReactNode }) {
  const { card, run } = useOpenCard();
  const router = useRouter();
  const following = stepIds[stepIds.indexOf(stepId) + 1];
  const { label, lead } = stepTexts[stepId];
  useEffect(() => {
    document.title = `${label} · ${card.title} · Oil Can`;
  }, [label, card.title]);
  const goOn = () => {
    if (canFinishByHand(stepId)) run({ type: 'finishStep', input: { stepId } });
    if (following) router.push(`/card/${encodeURIComponent(card.id)}/${following}`);
  };
  return (
    <>
      <Head>
        <h1>{label}</h1>
        <p>{lead}</p>
      </Head>
      {children}
      {following && (
        <Foot>
          <Button onPress={goOn}>
            On to {stepTexts[following].label.toLowerCase()}
            <ArrowRight size={18} aria-hidden="true" />
          </Button>
        </Foot>
      )}
    </>
  );
}
