'use client';

import { FilePlus2, FolderInput } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { lazy, Suspense, useEffect } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { colour } from '@/ui/tokens';
import { useFilePicker } from '@/ui/use-file-picker';
import { useFocusNext } from '@/ui/use-focus-next';
import { useCardStore, useCards } from '../shell/card/store-context';
import { mainId, TopBar } from '../shell/frame/TopBar';
import { noteShownPage } from '../shell/frame/use-heading-focus';
import { useNotify } from '../shell/notices/notices';
import { StorageBar } from '../shell/notices/StorageBar';
import { CardSummary } from './CardSummary';
import { useCardImport } from './use-card-import';
import { useMissingAnswers } from './use-missing-answers';
import { WhatItDoes } from './WhatItDoes';

const UnreadableCard = lazy(() => import('./UnreadableCard'));

const Main = styled.main`
  max-width: 1120px;
  margin: 0 auto;
  padding: 30px 20px 96px;
  @media (max-width: 720px) { padding: 18px 12px 96px; }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  justify-content: space-between;
  gap: 14px 24px;
  margin-bottom: 20px;
  h1 { font-size: 34px; }
  p { max-width: 62ch; margin-top: 4px; color: ${colour.inkSoft}; }
  > div:last-child { display: flex; flex-wrap: wrap; gap: 10px; }
`;
const Grid = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
  gap: 16px;
`;
const Empty = styled.div`
  padding: 40px 24px;
  text-align: center;
  border: 2px dashed ${colour.edge};
  border-radius: 8px;
  h2 { font-size: 22px; margin-bottom: 6px; }
  p { color: ${colour.inkSoft}; margin-bottom: 16px; }
  > div { display: flex; flex-wrap: wrap; gap: 10px; justify-content: center; }
`;

/** All job cards of this browser, with their state at a glance. */
export function JobCards() {
  const store = useCardStore();
  const { status, cards, unreadable } = useCards();
  const router = useRouter();
  const notify = useNotify();
  const { importFiles, addDemoCards } = useCardImport();
  const { ref: heading, focusNext } = useFocusNext<HTMLHeadingElement>();
  useMissingAnswers();
  useEffect(() => {
    document.title = 'Job cards · Oil Can';
    noteShownPage();
  }, []);

  const startCard = async () => {
    // Not needed before somebody starts one, and the wall is to stand soon.
    const loaded = await import('@/core/card/defaults').catch(() => null);
    if (!loaded) {
      notify({ kind: 'alarm', text: 'A part of Oil Can did not load. Reload the page, then start the card again.' });
      return;
    }
    const [last] = [...cards.values()]
      .filter(({ card }) => !card.id.startsWith('demo-'))
      .sort((a, b) => b.card.updatedAtMs - a.card.updatedAtMs);
    const newest = last?.card;
    const card = loaded.createJobCard({
      id: crypto.randomUUID(),
      title: 'New project',
      nowMs: Date.now(),
      // Most people have one editor and one machine: what is known of them goes on to the next card.
      editorProfile: newest?.editorProfile,
      machine: newest && loaded.knownMachineOf(newest),
      lessons: last?.answer?.summary.lessons,
    });
    store?.add(card);
    router.push(`/card/${card.id}/first-things`);
  };
  const removeCard = (id: string, title: string) => {
    store?.remove(id);
    focusNext();
    notify({
      kind: 'info',
      text: `Deleted “${title}”.`,
      action: { label: 'Undo', run: () => store?.restore(id) },
    });
  };
  const picker = useFilePicker({
    label: 'Import card files',
    accept: '.json,application/json',
    isMultiple: true,
    onFiles: importFiles,
  });
  const newest = [...cards.values()].sort((a, b) => b.card.updatedAtMs - a.card.updatedAtMs);
  const isReady = status === 'ready';

  return (
    <>
      <TopBar />
      <StorageBar />
      <Main id={mainId} tabIndex={-1}>
        <Head>
          <div>
            <h1 ref={heading} tabIndex={-1}>
              Job cards
            </h1>
            <p>
              For each film whose preview lags: find where each frame’s time goes, change one thing, measure whether it
              helped, and put it back before export.
            </p>
          </div>
          <div>
            {picker.input}
            <Button onPress={picker.open} isDisabled={!isReady}>
              <FolderInput size={18} aria-hidden="true" /> Import a card
            </Button>
            <Button variant="primary" onPress={startCard} isDisabled={!isReady}>
              <FilePlus2 size={18} aria-hidden="true" /> Start a card
            </Button>
          </div>
        </Head>
        {isReady && newest.every(({ card }) => card.id.startsWith('demo-')) && <WhatItDoes />}
        {unreadable.map((row) => (
          <Suspense key={row.id}>
            <UnreadableCard failure={row.failure} />
          </Suspense>
        ))}
        {!isReady && <p role="status">Opening your cards…</p>}
        {isReady && newest.length === 0 && (
          <Empty>
            <h2>No job card yet</h2>
            <p>Start one for the project that lags, or look at the three demo cards first.</p>
            <div>
              <Button variant="primary" onPress={startCard}>
                Start a card
              </Button>
              <Button onPress={addDemoCards}>Bring the demo cards</Button>
            </div>
          </Empty>
        )}
        <Grid>
          {newest.map((open) => (
            <CardSummary
              key={open.card.id}
              card={open.card}
              answer={open.answer}
              onDelete={() => removeCard(open.card.id, open.card.title)}
            />
          ))}
        </Grid>
      </Main>
    </>
  );
}
