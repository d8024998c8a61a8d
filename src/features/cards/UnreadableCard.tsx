'use client';

import type { CardFailure } from '@/core/card';
import { describeCardFailure } from '@/messages/card';
import { Note } from '@/ui/Note';

/** A stored card that cannot be opened, and why. Fetched only where there is one. */
export default function UnreadableCard({ failure }: { readonly failure: CardFailure }) {
  return (
    <Note kind="alarm">One stored card cannot be opened. It is kept as it is. {describeCardFailure(failure)}</Note>
  );
}
