'use client';

import type { CardConflict } from '@/adapters/browser/card-store';
import { describeConflict } from '@/messages/card';
import { Button } from '@/ui/Button';
import { useCardStore, useCards } from '../card/store-context';

/** Two tabs' changes did not fit: why, and where this tab's went. Fetched only where that happened: the first page stays light. */
export default function ConflictNote({ conflict }: { readonly conflict: CardConflict }) {
  const store = useCardStore();
  const { cards } = useCards();
  return (
    <>
      <span>
        This card was changed in another tab, and your last change did not fit: {describeConflict(conflict.failure)}{' '}
        Your version is kept as a card of its own, “{cards.get(conflict.copyId)?.card.title}”.
      </span>
      <Button onPress={() => store?.dismissConflict()}>Understood</Button>
    </>
  );
}
