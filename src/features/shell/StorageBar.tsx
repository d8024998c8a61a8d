'use client';

import { lazy, Suspense } from 'react';
import styled from 'styled-components';
import { describeStorageFailure } from '@/messages/storage';
import { Button } from '@/ui/Button';
import { colour } from '@/ui/tokens';
import { exportCard } from './export-card';
import { useCardStore, useCards } from './store-context';

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

/** Says while anything is only held in this tab, until it is exported; and when two tabs' changes did not fit. */
export function StorageBar() {
  const store = useCardStore();
  const { storageFailure, cards, conflict } = useCards();
  const unsafe = [...cards.values()].filter((open) => !open.isSafe).map((open) => open.card);
  return (
    <>
      {storageFailure && unsafe.length > 0 && (
        <Bar role="alert">
          <span>{describeStorageFailure(storageFailure)}</span>
          {unsafe.slice(0, 3).map((card) => (
            <Button
              key={card.id}
              onPress={() => {
                exportCard(card);
                store?.markExported(card.id);
              }}
            >
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
