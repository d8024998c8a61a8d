'use client';

import styled from 'styled-components';
import { describeConflict } from '@/messages/card';
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

/** What is only held in this tab, with a way to keep it; and two tabs' changes that did not fit. */
export default function StorageTrouble() {
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
          <span>
            This card was changed in another tab, and your last change did not fit: {describeConflict(conflict.failure)}{' '}
            Your version is kept as a card of its own, “{cards.get(conflict.copyId)?.card.title}”.
          </span>
          <Button onPress={() => store?.dismissConflict()}>Understood</Button>
        </Bar>
      )}
    </>
  );
}
