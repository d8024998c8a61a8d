'use client';

import { useParams } from 'next/navigation';
import { useCallback } from 'react';
import type { RunFailure } from '@/adapters/browser/card-store';
import { applyCommand, type CardCommand, type JobCard } from '@/core/card';
import type { Result } from '@/core/result';
import { describeCommandFailure } from '@/messages/card';
import { useNotify } from '../notices/notices';
import { useCardStore, useCards } from './store-context';

export interface OpenCardHandle {
  readonly card: JobCard;
  /** Carries out a command; a failure is shown as a notice and handed back. */
  readonly run: (command: CardCommand) => Result<JobCard, RunFailure>;
}

const describeRunFailure = (failure: RunFailure): string =>
  failure.code === 'card-missing'
    ? 'This card was deleted, here or in another tab. Go back to the job cards to restore it.'
    : describeCommandFailure(failure);

/** The id of the card in the address. */
export function useCardId(): string {
  const { cardId } = useParams<{ cardId: string }>();
  return decodeURIComponent(cardId);
}

/** Carries out commands on a card; a failure is shown as a notice and handed back. */
export function useRunCommand(cardId: string): OpenCardHandle['run'] {
  const store = useCardStore();
  const notify = useNotify();
  return useCallback(
    (command) => {
      if (!store) throw new Error('useRunCommand: a command ran before the store was open');
      const result = store.run(cardId, (card, atMs) => applyCommand(card, command, atMs));
      if (!result.ok) notify({ kind: 'alarm', text: describeRunFailure(result.failure) });
      return result;
    },
    [store, cardId, notify],
  );
}

/** The card in the address, for screens inside the card's frame, which only shows them once the card is there. */
export function useOpenCard(): OpenCardHandle {
  const cardId = useCardId();
  const open = useCards().cards.get(cardId);
  const run = useRunCommand(cardId);
  if (!open) throw new Error(`useOpenCard: card ${cardId} is not open`);
  return { card: open.card, run };
}
