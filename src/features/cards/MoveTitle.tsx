'use client';

import type { NextMove } from '@/core/diagnose';
import { titleOfMove } from '@/messages/move-title';

/** What the belief would do next on a card, in words. Fetched after the wall of cards stands: its texts are many. */
export default function MoveTitle({ move, instead }: { readonly move: NextMove; readonly instead: string }) {
  return <>{titleOfMove(move) ?? instead}</>;
}
