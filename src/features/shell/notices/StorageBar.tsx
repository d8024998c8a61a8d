'use client';

import { lazy, Suspense, useEffect } from 'react';
import styled from 'styled-components';
import { describeStorageFailure } from '@/messages/storage';
import { Button } from '@/ui/Button';
import { colour } from '@/ui/tokens';
import { useCards } from '../card/store-context';
import { useExportCard } from '../card/use-export-card';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  padding: 10px 20px;
  background: ${colour.alarm};
  color: ${colour.card};
  > span { flex: 1; min-width: 260px; }
  button { color: ${colour.card}; border-color: ${colour.card}; }
  button:hover { background: rgb(0 0 0 / 0.2); }
  &[data-kind='note'] { background: ${colour.note}; }
`;

const ConflictNote = lazy(() => import('./ConflictNote'));

/** More cards than these are exported from the wall. */
const mostOffered = 3;

/** Asks before the page is left while something on it is stored nowhere else; the words are the browser's own. */
function useWarningBeforeLeaving(isNeeded: boolean): void {
  useEffect(() => {
    if (!isNeeded) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [isNeeded]);
}

/**
 * Says while anything is only held in this tab, until it is exported, the card in hand first; and when two tabs' changes
 * did not fit.
 */
export function StorageBar({ openId }: { readonly openId?: string }) {
  const { storageFailure, cards, conflict } = useCards();
  const exportCard = useExportCard();
  const unsafe = [...cards.values()]
    .filter((open) => !open.isSafe)
    .map((open) => open.card)
    .sort((a, b) => Number(b.id === openId) - Number(a.id === openId) || b.updatedAtMs - a.updatedAtMs);
  const isUnsafe = storageFailure !== null && unsafe.length > 0;
  useWarningBeforeLeaving(isUnsafe);
  return (
    <>
      {isUnsafe && (
        <Bar role="alert">
          <span>{describeStorageFailure(storageFailure)}</span>
          {unsafe.slice(0, mostOffered).map((card) => (
            <Button key={card.id} onPress={() => exportCard(card)}>
              Export “{card.title}”
            </Button>
          ))}
        </Bar>
      )}
      {conflict && (
        <Bar role="alert" data-kind="note">
          <Suspense>
            <ConflictNote conflict={conflict} />
          </Suspense>
        </Bar>
      )}
    </>
  );
}
