'use client';

import type { CardConflict } from '@/adapters/browser/card-store';
import { describeConflict } from '@/messages/card';

/** Why this tab's change did not fit. Fetched only where that happened: the first page stays light. */
export default function ConflictText({ failure }: { readonly failure: CardConflict['failure'] }) {
  return describeConflict(failure);
}
