'use client';

import { Download } from 'lucide-react';
import { usePathname, useRouter } from 'next/navigation';
import { type ReactNode, useEffect } from 'react';
import styled from 'styled-components';
import { type JobCard, stepIds } from '@/core/card';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { TextField } from '@/ui/TextField';
import { colour } from '@/ui/tokens';
import { GlanceProvider, useGlance } from '../answer/at-a-glance';
import { DiagnosisProvider } from '../answer/diagnosis-context';
import { useCards } from '../card/store-context';
import { useExportCard } from '../card/use-export-card';
import { useCardId, useRunCommand } from '../card/use-open-card';
import { Gauge } from '../gauge/Gauge';
import { StorageBar } from '../notices/StorageBar';
import { Rail } from '../rail/Rail';
import { CardBoundary } from './CardBoundary';
import { isTyping } from './is-typing';
import { mainId, TopBar } from './TopBar';
import { useKeptFocus } from './use-kept-focus';
import { useUnfoldedPrint } from './use-unfolded-print';

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
  &:focus { outline: none; }
  @media (max-width: 1100px) { padding-right: 20px; }
  @media (max-width: 720px) { padding: 10px 12px 96px; }
`;
const TitleField = styled.div`
  max-width: 420px;
  padding-left: 14px;
  border-left: 1px solid ${colour.line};
  input { border-color: transparent; background: transparent; text-overflow: ellipsis; }
  input:hover, input:focus { border-color: ${colour.edge}; background: ${colour.card}; }
  @media (max-width: 720px) { padding-left: 4px; }
`;
/** Beside its picture, where there is room. */
const Word = styled.span`
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

/** Rail, sheet and gauge of an open card; all say the same of its cause and its next step. */
function OpenCardLayout({ card, children }: { readonly card: JobCard; readonly children: ReactNode }) {
  const { overview, conclusion } = useGlance();
  const main = useKeptFocus<HTMLElement>();
  useUnfoldedPrint();
  return (
    <Layout>
      <Rail card={card} overview={overview} cause={conclusion.cause} />
      <Main id={mainId} ref={main} tabIndex={-1}>
        <CardBoundary card={card} page={usePathname()}>
          {children}
        </CardBoundary>
      </Main>
      <Gauge card={card} overview={overview} conclusion={conclusion} />
    </Layout>
  );
}

/** The frame of an open card: bar, rail, sheet and gauge. It shows the step only once the card is there. */
export function CardFrame({ children }: { readonly children: ReactNode }) {
  const cardId = useCardId();
  const run = useRunCommand(cardId);
  const exportCard = useExportCard();
  const { status, cards } = useCards();
  const card = cards.get(cardId)?.card;
  useStepKeys(cardId);

  if (!card)
    return (
      <>
        <TopBar />
        <Missing as="main" id={mainId} tabIndex={-1}>
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
          <Button aria-label="Export card" onPress={() => exportCard(card)}>
            <Download size={17} aria-hidden="true" />
            <Word>Export card</Word>
          </Button>
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
      <StorageBar openId={cardId} />
      <DiagnosisProvider card={card}>
        <GlanceProvider card={card}>
          <OpenCardLayout card={card}>{children}</OpenCardLayout>
        </GlanceProvider>
      </DiagnosisProvider>
    </>
  );
}
