'use client';

import { useRouter } from 'next/navigation';
import { type ReactNode, useEffect, useMemo } from 'react';
import styled from 'styled-components';
import { stepIds } from '@/core/card';
import { summariseCard } from '@/core/diagnose';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { DiagnosisProvider } from './diagnosis-context';
import { exportCard } from './export-card';
import { Gauge } from './Gauge';
import { isTyping } from './is-typing';
import { Rail } from './Rail';
import { StorageBar } from './StorageBar';
import { useCardStore, useCards } from './store-context';
import { TopBar } from './TopBar';
import { useCardId, useRunCommand } from './use-open-card';

const Layout = styled.div`
  display: grid;
  grid-template-columns: 216px minmax(0, 1fr) 272px;
  max-width: 1480px;
  margin: 0 auto;
  @media (max-width: 1100px) {
    grid-template-columns: 216px minmax(0, 1fr);
    > aside { grid-column: 1 / -1; grid-row: 1; }
  }
  @media (max-width: 720px) { grid-template-columns: minmax(0, 1fr); > nav { grid-row: 1; } > aside { grid-row: 2; } }
  @media print { display: block; }
`;
const Main = styled.main`
  min-width: 0;
  padding: 22px 8px 96px 12px;
  @media (max-width: 1100px) { padding-right: 20px; }
  @media (max-width: 720px) { padding: 16px 12px 96px; }
`;
const TitleField = styled.div`
  max-width: 420px;
  padding-left: 14px;
  border-left: 1px solid ${colour.line};
  input { border-color: transparent; background: transparent; text-overflow: ellipsis; }
  input:hover, input:focus { border-color: ${colour.edge}; background: ${colour.card}; }
  @media (max-width: 720px) { padding-left: 4px; }
`;
const Wide = styled.span`
  display: contents;
  @media (max-width: 720px) { display: none; }
`;
const Missing = styled.div`
  max-width: 560px;
  margin: 80px auto;
  padding: 0 20px;
  h1 { font-size: 28px; margin-bottom: 8px; }
  p { margin-bottom: 16px; color: ${colour.inkSoft}; }
`;

/** The keys that lead to a step or home; they are ignored while something is typed. */
function useStepKeys(cardId: string): void {
  const router = useRouter();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event)) return;
      if (event.key === '0') router.push('/');
      const stepId = stepIds[Number(event.key) - 1];
      if (stepId !== undefined) router.push(`/card/${encodeURIComponent(cardId)}/${stepId}`);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [cardId, router]);
}

/** The frame of an open card: bar, rail, sheet and gauge. It shows the step only once the card is there. */
export function CardFrame({ children }: { readonly children: ReactNode }) {
  const cardId = useCardId();
  const store = useCardStore();
  const run = useRunCommand(cardId);
  const { status, cards } = useCards();
  const card = cards.get(cardId)?.card;
  const overview = useMemo(() => (card ? summariseCard(card) : null), [card]);
  useStepKeys(cardId);

  if (!card || !overview)
    return (
      <>
        <TopBar />
        <Missing as="main">
          <h1>{status === 'opening' ? 'Opening the card…' : 'This card is not here'}</h1>
          {status === 'ready' && (
            <>
              <p>
                It may have been deleted, or it belongs to another browser. Cards never leave the browser they were made
                in unless you export them.
              </p>
              <LinkButton href="/">To the job cards</LinkButton>
            </>
          )}
        </Missing>
      </>
    );
  return (
    <>
      <TopBar
        actions={
          <Wide>
            <Button
              onPress={() => {
                exportCard(card);
                store?.markExported(card.id);
              }}
            >
              Export card
            </Button>
          </Wide>
        }
      >
        <TitleField>
          <TextField
            label="Card name"
            isLabelHidden
            value={card.title}
            onCommit={(title) => run({ type: 'renameCard', input: { title } }).ok}
          />
        </TitleField>
      </TopBar>
      <StorageBar />
      <DiagnosisProvider card={card}>
        <Layout>
          <Rail card={card} overview={overview} />
          <Main>{children}</Main>
          <Gauge card={card} overview={overview} />
        </Layout>
      </DiagnosisProvider>
    </>
  );
}
